import type { Piece, PieceWhat } from "../album/leaf.ts";
import { at, overlap, type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { AS_IT_COMES, frameFor, type PictureFacts } from "../photo/crop.ts";
import { turnedBy } from "./piece.ts";

/** Something that looks for a room kept for its kind; a print with the picture it is of. */
export type Wanting = { readonly what: "photo"; readonly picture: PictureFacts } | { readonly what: "card" };

/** A room kept on a side, as it lies: its size turned with it. */
export type Room = { readonly id: string; readonly keeps: "photo" | "card"; readonly lies: Rect };

/** At most this share of a picture is lost in a room that it takes by itself. Common practice. */
const MOST_LOST = 1 / 4;

export const roomsOn = (pieces: readonly Piece[]): Room[] =>
  pieces.flatMap(({ id, what, at: place, turn }) =>
    what.kind === "room" ? [{ id, keeps: what.keeps, lies: at(place, turnedBy(what.size, turn)) }] : [],
  );

/** The share of a picture that a print of this size cannot show, 0 to 1. */
export function lostIn(picture: PictureFacts, size: Size): number {
  const { w, h } = frameFor(picture, size, AS_IT_COMES);
  return 1 - w * h;
}

/** Whether something goes into a room, or why not: the room is for another kind, or of another shape than the picture. */
export function suits(wanting: Wanting, room: Room): "yes" | "other-kind" | "other-shape" {
  if (room.keeps !== wanting.what) return "other-kind";
  if (wanting.what === "card") return "yes";
  // A hair over a quarter is what rounding to whole ticks makes of one.
  return lostIn(wanting.picture, room.lies) <= MOST_LOST + 0.001 ? "yes" : "other-shape";
}

/** The first room on a side that suits; undefined where none does. */
export const firstRoom = (pieces: readonly Piece[], wanting: Wanting): Room | undefined =>
  roomsOn(pieces).find((room) => suits(wanting, room) === "yes");

/** A side's pieces with something where the room was: as large as the room, upright, as the room lay in or on the film. */
export function fillRoom(pieces: readonly Piece[], room: Room, id: string, what: PieceWhat): Piece[] {
  const { x, y } = room.lies;
  return pieces.map((piece) =>
    piece.id === room.id ? { ...piece, id, what, at: { x, y }, turn: 0, dayId: null } : piece,
  );
}

const SIXTEENTH = 508;

/**
 * Where something of a size finds room on a side, nothing lying over anything: the first free pocket it goes into, or on
 * an open page the first free spot from the upper left. Null where there is none.
 */
export function freePlace(
  size: Size,
  taken: readonly { readonly rect: Rect; readonly pocket: number | null }[],
  pockets: readonly Rect[],
  page: Size,
): Rect | null {
  if (pockets.length > 0) {
    const full = new Set(taken.map(({ pocket }) => pocket));
    const goes = ({ w, h }: Rect) => (size.w <= w && size.h <= h) || (size.h <= w && size.w <= h);
    return pockets.find((pocket, nth) => !full.has(nth) && goes(pocket)) ?? null;
  }
  for (let y = 0; y + size.h <= page.h; y += SIXTEENTH * 2)
    for (let x = 0; x + size.w <= page.w; x += SIXTEENTH * 2) {
      const spot = rect(x, y, size.w, size.h);
      if (taken.every((each) => overlap(spot, each.rect) === null)) return spot;
    }
  return null;
}
