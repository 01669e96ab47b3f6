import type { PieceSays } from "../album/mistakes.ts";
import { millimetres } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { type BookPage, type BookRead, pageOfPiece } from "./read.ts";

/** How high words are that stand in the middle of a piece of this size, upright, in ticks, not rounded. */
export const wordsHigh = (text: string, { w, h }: Size): number =>
  Math.max(1, Math.min(h * 0.3, w / (Math.max(3, text.length) * 0.62), millimetres(8)));

/** Where they stand on it: the middle of the piece, as wide as they come. */
export function wordsArea(text: string, made: Size): Rect {
  const high = wordsHigh(text, made);
  const wide = Math.min(made.w, Math.max(3, text.length) * 0.62 * high);
  return rect(Math.round((made.w - wide) / 2), Math.round((made.h - high) / 2), Math.round(wide), Math.round(high));
}

/** The words on the made pieces of a book, by the place of their page among the pages. */
export function wordsOnPieces<P extends BookPage>(
  book: BookRead<P>,
  pages: readonly P[],
): ReadonlyMap<number, PieceSays[]> {
  const place = new Map(pages.map((page, at) => [page, at]));
  const found = new Map<number, PieceSays[]>();
  for (const { front, back } of book.leaves)
    for (const side of [front, back])
      for (const { piece } of side.pieces) {
        const { what } = piece;
        const page = "says" in what && what.says ? pageOfPiece(side, piece) : null;
        const at = page ? place.get(page) : undefined;
        if (at === undefined || !("says" in what) || !what.says) continue;
        found.set(at, [...(found.get(at) ?? []), { says: what.says, kind: what.kind }]);
      }
  return found;
}
