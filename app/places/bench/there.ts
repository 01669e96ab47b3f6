import { inBookName } from "#app/places/arrange/in-book.ts";
import type { Built, Face, Held, Piece } from "#core/album/leaf.ts";
import { constructionsIn } from "#core/book/constructions.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { BookRead, LeafRead, PlacedPiece } from "#core/book/read.ts";
import type { Made } from "#core/craft/craft.ts";
import type { PlacedThere } from "#core/craft/place.ts";
import { at, centredIn } from "#core/measure/rect.ts";
import { turned } from "#core/measure/size.ts";
import type { Room } from "./goes.ts";

/** A piece where it lies. */
export type There = { readonly read: LeafRead<InBook>; readonly face: Face; readonly placed: PlacedPiece };

/** The piece that is looked at on its page, where the address names one that is there. */
export function placedAs(
  book: Pick<BookRead<InBook>, "leaves">,
  leaf: string | null,
  face: string | null,
  piece: string | null,
): There | null {
  const read = book.leaves.find((each) => each.leaf.id === leaf);
  const up: Face = face === "back" ? "back" : "front";
  const placed = read?.[up].pieces.find((each) => each.piece.id === piece);
  return read && placed ? { read, face: up, placed } : null;
}

/** A construction on some page: what it is called, where it lies, and how it is made. */
export type OnPage = There & { readonly id: string; readonly name: string; readonly built: Built };

/** Every construction on the pages there are, in the order of the book. */
export const constructionsOn = (book: Pick<BookRead<InBook>, "leaves">): OnPage[] =>
  constructionsIn(book).map(({ page, called, ...each }) => ({
    ...{ ...each, id: each.placed.piece.id },
    name: page ? `${called}, ${inBookName(page)}` : called,
  }));

/** What a piece is built as, where it is a construction. */
export const builtOf = ({ what }: Pick<Piece, "what">): Built | null => ("built" in what && what.built) || null;

/** The piece with what it carries from now on. */
export function holding(piece: Piece, holds: readonly Held[]): Piece {
  const { what } = piece;
  return "built" in what && what.built ? { ...piece, what: { ...what, built: { ...what.built, holds } } } : piece;
}

/** Where it lies, or would lie in the middle of the room that is chosen. */
export function whereOf(there: There | null, room: Room | null, { closed }: Pick<Made, "closed">): PlacedThere | null {
  if (there) {
    const { read, face, placed } = there;
    const others: readonly PlacedPiece[] = read[face].pieces.filter((each) => each !== placed);
    const { turn, outside, at: corner } = placed.piece;
    // As large as it is with what is set now, where it lies.
    const lies = at(corner, turn % 2 === 1 ? turned(closed) : closed);
    return { read, face, lies, turn, outside, others };
  }
  if (!room) return null;
  const { read, face } = room;
  return { read, face, lies: centredIn(room.at, closed), turn: 0, outside: false, others: read[face].pieces };
}
