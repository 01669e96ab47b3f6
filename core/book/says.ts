import type { PieceSays } from "../album/mistakes.ts";
import { type BookPage, type BookRead, pageOfPiece } from "./read.ts";

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
