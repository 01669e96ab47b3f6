import { inBookName } from "#app/places/arrange/in-book.ts";
import { type Built, FACES, type Face, type Held, type Piece } from "#core/album/leaf.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { type BookRead, type LeafRead, type PlacedPiece, pageOfPiece } from "#core/book/read.ts";
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
export const constructionsOn = ({ leaves }: Pick<BookRead<InBook>, "leaves">): OnPage[] =>
  leaves.flatMap((read) =>
    FACES.flatMap((face) =>
      read[face].pieces.flatMap((placed): OnPage[] => {
        const { id, what } = placed.piece;
        const built = builtOf(placed.piece);
        if (!built) return [];
        const page = pageOfPiece(read[face], placed.piece);
        const name = "name" in what ? what.name : "";
        return [{ id, built, read, face, placed, name: page ? `${name}, ${inBookName(page)}` : name }];
      }),
    ),
  );

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
