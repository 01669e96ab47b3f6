import type { Face, Piece } from "../album/leaf.ts";
import { at, centredIn, contains, type Rect, rectOf, sizeOf } from "../measure/rect.ts";
import { type Size, sameSize } from "../measure/size.ts";
import { type BookPage, type BookRead, type LeafRead, pageOfPiece } from "./read.ts";

/** A side of another page where a piece may lie too, and where on it. */
export type Also<P extends BookPage> = {
  readonly page: P;
  readonly read: LeafRead<P>;
  readonly face: Face;
  readonly lies: Rect;
};

const OTHER: Record<Face, Face> = { front: "back", back: "front" };

/** Where a piece of that size lies on a side: in the same place where it is built alike, else in the middle of the first pocket that takes it. */
function placeOn(
  read: LeafRead,
  face: Face,
  { piece, from, size }: { readonly piece: Pick<Piece, "at">; readonly from: LeafRead; readonly size: Size },
): Rect | null {
  const page = rectOf(read.build.page);
  const same = at(piece.at, size);
  const isAlike = read.build.layout?.id === from.build.layout?.id;
  if (isAlike && contains(page, same)) return same;
  const rooms = read[face].pockets.length > 0 ? read[face].pockets : [page];
  return rooms.map((room) => centredIn(room, size)).find((lies, nth) => contains(rooms[nth] ?? page, lies)) ?? null;
}

/** The leaves of a book by how well they are taken for another: built alike, then pages, then whatever is put in between. */
const rank = (read: LeafRead, from: LeafRead): number =>
  sameSize(read.build.page, from.build.page) && read.build.layout?.id === from.build.layout?.id
    ? 0
    : read.build.insert === null
      ? 1
      : 2;

/**
 * Where on the other pages of a book the same piece may lie, one place for each page that has one: on the leaf that is most
 * like its own, on the same face where that is the page's, else on the other.
 */
export function alsoOn<P extends BookPage>(
  { leaves }: Pick<BookRead<P>, "leaves">,
  from: LeafRead<P>,
  face: Face,
  piece: Piece,
  lies: Rect,
): Also<P>[] {
  const own = pageOfPiece(from[face], piece);
  const found = new Map<P, Also<P>>();
  const inTurn = [...leaves].sort((a, b) => rank(a, from) - rank(b, from));
  for (const up of [face, OTHER[face]])
    for (const read of inTurn) {
      const { page, gluedOver } = read[up];
      if (!page || page === own || page.skipped || gluedOver || found.has(page)) continue;
      const place = placeOn(read, up, { piece, from, size: sizeOf(lies) });
      if (place) found.set(page, { page, read, face: up, lies: place });
    }
  // In the order of the book.
  return leaves.flatMap(({ front, back }) =>
    [front, back].flatMap(({ page }) => {
      const also = page ? found.get(page) : undefined;
      if (page) found.delete(page);
      return also ?? [];
    }),
  );
}
