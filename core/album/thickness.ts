import type { Size } from "../measure/size.ts";
import type { LeafKind, LeafMake } from "./leaf.ts";
import type { NumeralStyle } from "./model.ts";
import type { PageContent } from "./steps.ts";

/** Micrometres. All typical values, from memory; a micrometer on the real paper beats them. */
const LEAF: Record<LeafKind, number> = {
  full: 290 + 2 * 90, // 80 lb cardstock between two plies of protector film
  pocket: 2 * 90,
  paper: 180,
  clear: 130,
  vellum: 100,
};
const NUMERAL: Record<NumeralStyle, number> = {
  sticker: 150,
  chipboard: 1100,
  wood: 900,
  acrylic: 2000,
  stamped: 0,
  cut: 290,
  printed: 0,
  none: 0,
};
const PRINT = 250;
const CARD = 290;
const INSERT = 290;

const share = (piece: Size, page: Size) => Math.min(1, (piece.w * piece.h) / (page.w * page.h));

/** Thickness of a bare leaf in micrometres; an insert is counted by the share of the album's page that it covers. */
export const leafThickness = ({ kind, size, insert }: LeafMake, nominal: Size): number =>
  insert === null ? LEAF[kind] : Math.round(INSERT * share(size ?? nominal, nominal));

/**
 * Mean thickness in micrometres of what a page's worth of days lays on its leaves, each piece counted by the share of the
 * page it covers. It tells how thick the closed book is on the whole; where pieces pile up is a matter of their places.
 */
export function contentThickness(content: PageContent, page: Size, hasLeaf: boolean): number {
  const number = hasLeaf ? NUMERAL[content.numeral.style] * 0.05 : 0;
  const prints = content.photos.reduce((sum, { print }) => sum + PRINT * share(print, page), 0);
  const cards = content.cards.reduce((sum, { size }) => sum + CARD * share(size, page), 0);
  return Math.round(number + prints + cards);
}
