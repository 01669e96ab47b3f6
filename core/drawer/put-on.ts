import type { Face, MadeKind, Piece } from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { type BookPage, type BookRead, type LeafRead, markedFor, type SideRead } from "../book/read.ts";
import { freePlace } from "../book/rooms.ts";
import { centredIn } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";
import type { KeptThing, ThingKind } from "./thing.ts";

/** As what something of the drawer goes onto a page: a card of the day, which has words, or a piece of a kind. */
export const PUT_AS = ["card", "tag", "embellishment", "filler", "photo-mat", "overlay"] as const;
export type PutAs = (typeof PUT_AS)[number] & ("card" | MadeKind);

/** As what things of a kind usually go onto a page; null: they do not by themselves. */
export const USUALLY: Readonly<Record<ThingKind, PutAs | null>> = {
  paper: "photo-mat",
  card: "card",
  protector: null,
  numbers: null,
  letters: null,
  sticker: "embellishment",
  film: "overlay",
  tape: null,
  other: "embellishment",
};

/** Where a thing finds room: the side with all that lies there, and the thing after it. */
export type PutOn = {
  readonly leaf: string;
  readonly version: number;
  readonly face: Face;
  readonly pieces: readonly Piece[];
};

/**
 * Room for a thing on the pages of a day, nothing lying over anything: on its first page that has some, before its inserts.
 * Null where none has. `id` is the piece's, which for a card is the card's.
 */
export function putOn<P extends BookPage>(
  { leaves }: BookRead<P>,
  page: P,
  thing: Pick<KeptThing, "id" | "name"> & { readonly size: Size },
  as: PutAs,
  id: string,
): PutOn | null {
  const mine = (side: SideRead<P>) => !side.gluedOver && (side.page === page || side.guests.includes(page));
  const sides = leaves.flatMap((read) =>
    [read.front, read.back].filter(mine).map((side) => ({ read, side, isInsert: read.build.insert !== null })),
  );
  for (const { read, side } of sides.sort((a, b) => Number(a.isInsert) - Number(b.isInsert))) {
    const found = placeOn(read, side, thing.size);
    if (!found) continue;
    const what: Piece["what"] =
      as === "card" ? { kind: "card", card: id } : { kind: as, size: thing.size, name: thing.name };
    const piece = markedFor(
      { id, what, ...found, outside: false, dayId: null, of: { ...AS_USUAL, thing: thing.id } },
      side,
      page,
    );
    const pieces = [...side.pieces.map((each) => each.piece), piece];
    return { leaf: read.leaf.id, version: read.leaf.version, face: side.face, pieces };
  }
  return null;
}

/** The free spot or pocket of a side, and how the thing lies in it. */
function placeOn<P extends BookPage>(
  { build }: LeafRead<P>,
  side: SideRead<P>,
  size: Size,
): Pick<Piece, "at" | "turn"> | null {
  const place = freePlace(size, side.pieces, side.pockets, build.page);
  if (!place) return null;
  const fits = size.w <= place.w && size.h <= place.h;
  const { x, y } = centredIn(place, fits ? size : turned(size));
  return { at: { x, y }, turn: fits ? 0 : 1 };
}
