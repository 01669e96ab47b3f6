import { hasWords } from "../album/card-words.ts";
import { type Face, heldIn, type Leaf, type Piece } from "../album/leaf.ts";
import type { BookPage, LeafRead, SideRead } from "../book/read.ts";
import { pageOfPiece } from "../book/read.ts";
import type { Lying, Spread } from "../book/spread.ts";
import { inOneLine } from "./card-line.ts";

/** The side under whose opening a line of the keeper's stands: the front on the right, or the back where nothing comes after it. */
export type LineAt = { readonly leaf: Leaf; readonly face: Face };

export function lineAt({ left, right }: Pick<Spread, "left" | "right">): LineAt | null {
  const [under, over] = [right[0], left[0]];
  if (under) return { leaf: under.read.leaf, face: "front" };
  return over ? { leaf: over.read.leaf, face: "back" } : null;
}

/** What the keeper says under an opening; empty where nothing is said. */
export function lineUnder(spread: Pick<Spread, "left" | "right">): string {
  const at = lineAt(spread);
  return at ? (at.leaf[at.face].line ?? "") : "";
}

/** What one piece is for who cannot see it; null where it says nothing: a room, a number, paper. */
function pieceSaid({ what }: Piece, { content }: Pick<BookPage, "content">): string | null {
  switch (what.kind) {
    case "photo": {
      const alt = content.photos.find(({ id }) => id === what.use)?.alt.trim();
      return alt ? `A photo: ${alt}` : "A photo that is not described";
    }
    case "card": {
      const card = content.cards.find(({ id }) => id === what.card);
      return card && hasWords(card) ? `A card: “${inOneLine(card)}”` : "A card without words";
    }
    case "numeral":
    case "room":
      return null;
    default: {
      const says = what.says?.trim();
      const name = what.name.trim() || what.kind;
      return says
        ? `${name}: “${says}”`
        : what.kind === "construction" || what.kind === "flip"
          ? `${name}, closed`
          : null;
    }
  }
}

type Called<P extends BookPage> = (page: P) => string;

/** What is on one side, in words, from its upper left onwards. */
function sideSaid<P extends BookPage>(side: SideRead<P>): string[] {
  const lies = [...side.pieces].sort((a, b) => a.rect.y - b.rect.y || a.rect.x - b.rect.x);
  return lies.flatMap(({ piece }) => {
    const page = pageOfPiece(side, piece) ?? side.page;
    const said = page ? pieceSaid(piece, page) : null;
    const inside = heldIn(piece).length;
    return said === null ? [] : [inside > 0 ? `${said}, with something inside` : said];
  });
}

/** One page of an opening in words: what it is called, and each thing on it. */
export type PageInWords = { readonly called: string; readonly says: readonly string[] };

/** An opening in words, the left page first; what is seen through it is left out. */
export function openingInWords<P extends BookPage>(
  { left, right }: Pick<Spread<P>, "left" | "right">,
  called: Called<P>,
): PageInWords[] {
  const of = (uppermost: Lying<P> | undefined): PageInWords[] => {
    if (!uppermost) return [];
    const side = (uppermost.read as LeafRead<P>)[uppermost.face];
    const names = [side.page, ...side.guests].flatMap((page) => (page ? [called(page)] : []));
    return [{ called: names.join(" and ") || "A leaf that is nobody’s", says: sideSaid(side) }];
  };
  return [...of(left[0]), ...of(right[0])];
}
