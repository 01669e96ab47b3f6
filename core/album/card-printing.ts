import { settingOf } from "../words/lettering.ts";
import { hasWords } from "./card-words.ts";
import type { Card } from "./model.ts";
import { furthest, type Print, type Printable } from "./print.ts";

/** How a card would be printed now, as a word: two prints with the same word and size are the same card. */
export const cardMadeAs = (card: Card): string =>
  JSON.stringify({ text: card.text, back: card.back, setting: settingOf(card) });

/**
 * How far a card is. `no-words`: nothing to print yet. `by-hand`: written or stamped. `carrier`: its words go onto a card
 * that has its own print, stuck to a carrier sheet. `elsewhere`: its day says that its words are on it.
 */
export type CardStanding =
  | { readonly kind: "no-words" | "by-hand" | "carrier" | "elsewhere" }
  | { readonly kind: "wanted"; readonly spoiled: boolean }
  | { readonly kind: "on-sheet" | "printed" | "trimmed"; readonly print: Print };

export function cardStanding(card: Card, prints: readonly Print[], done: readonly string[]): CardStanding {
  const { lettering, stock } = settingOf(card);
  const own = prints.filter((print) => print.of === card.id);
  const best = furthest(own, card.size, cardMadeAs(card));
  if (best?.state === "trimmed") return { kind: "trimmed", print: best };
  if (best?.state === "printed") return { kind: "printed", print: best };
  if (best) return { kind: "on-sheet", print: best };
  if (!hasWords(card)) return { kind: "no-words" };
  if (lettering.kind === "handwriting" || lettering.kind === "stamped") return { kind: "by-hand" };
  if (own.length === 0 && done.includes("letter")) return { kind: "elsewhere" };
  if (stock === "printed") return { kind: "carrier" };
  return { kind: "wanted", spoiled: own.some(({ state }) => state === "spoiled") };
}

/** Every card of the pages that are not set aside, with where it stands. */
export function cardStandings<P extends Printable>(
  pages: readonly P[],
  prints: readonly Print[],
): { page: P; card: Card; standing: CardStanding }[] {
  return pages
    .filter(({ skipped }) => !skipped)
    .flatMap((page) =>
      page.content.cards.map((card) => ({ page, card, standing: cardStanding(card, prints, page.content.done) })),
    );
}
