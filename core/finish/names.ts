import { frontWords } from "../album/card-words.ts";
import { heldIn } from "../album/leaf.ts";
import type { AnyPage } from "../album/matter.ts";
import { type BookRead, pageOfPiece } from "../book/read.ts";

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replaceAll("’", "'")
    .match(/[\p{L}\p{N}]+/gu) ?? [];

/** The words that are read on a page: of its title, its cards, and whatever lies on it or in it. */
function readOn(page: AnyPage, book: Pick<BookRead<AnyPage>, "leaves">): string {
  const onPieces = book.leaves.flatMap(({ front, back }) =>
    [front, back].flatMap((side) =>
      side.pieces.flatMap(({ piece }) => {
        if (pageOfPiece(side, piece) !== page) return [];
        const own = "says" in piece.what ? [piece.what.says ?? ""] : [];
        return [...own, ...heldIn(piece).flatMap(({ what }) => (what.kind === "words" ? [what.says] : []))];
      }),
    ),
  );
  const cards = page.content.cards.flatMap((card) => [frontWords(card), card.back]);
  return [...page.days.map(({ content }) => content.title), ...cards, ...onPieces].join("\n");
}

/** Which of these names the words of a page say: by their first word, as people are called. */
export function namesIn(
  page: AnyPage,
  book: Pick<BookRead<AnyPage>, "leaves">,
  names: readonly string[],
): ReadonlySet<string> {
  const said = new Set(wordsOf(readOn(page, book)));
  return new Set(
    names.filter((name) => {
      const [first] = wordsOf(name);
      return first !== undefined && said.has(first);
    }),
  );
}
