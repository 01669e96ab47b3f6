import type { Face, NumeralPiece, Piece } from "../album/leaf.ts";
import { ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import { turnedBy } from "./piece.ts";

/** What of a page's worth of days its numerals say: its label, and which days share it. */
export type Numbered = { readonly label: string | null; readonly days?: readonly { readonly id: string }[] };

/**
 * What a numeral says: the number of its page, or of the one of several days that it stands for, `dayId`; with a nought before
 * it where that is wished. "13·14" is two numbers, a story told over two days is one.
 */
export function numeralText({ zero }: NumeralPiece, dayId: string | null, { label, days = [] }: Numbered): string {
  const each = (label ?? "").split("·");
  const at = dayId === null ? -1 : days.findIndex(({ id }) => id === dayId);
  const said = at >= 0 && each.length === days.length ? [each[at] ?? ""] : each;
  return said.map((number) => (zero && /^\d$/.test(number) ? `0${number}` : number)).join("·");
}

/**
 * The same numeral on the other side of its leaf, so that it faces the reader from both: at the same spot of the leaf, the
 * right way round.
 */
export function onOtherSide(piece: Piece, what: NumeralPiece, page: Size, id: string): Piece {
  const { w } = turnedBy(what.size, piece.turn);
  return { ...piece, id, at: { x: ticks(page.w - piece.at.x - w), y: piece.at.y } };
}

export const otherFace = (face: Face): Face => (face === "front" ? "back" : "front");
