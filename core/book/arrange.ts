import type { Piece, Turn } from "../album/leaf.ts";
import type { PageContent } from "../album/steps.ts";
import { type SeamWay, splitOver } from "../fit/fit.ts";
import { type Length, ticks } from "../measure/length.ts";
import { centredIn, type Point, type Rect } from "../measure/rect.ts";
import { pieceRect, pieceSize, turnedBy } from "./piece.ts";

const change = (pieces: readonly Piece[], id: string, how: (piece: Piece) => Piece): Piece[] =>
  pieces.map((piece) => (piece.id === id ? how(piece) : piece));

export const movePiece = (pieces: readonly Piece[], id: string, to: Point): Piece[] =>
  change(pieces, id, (piece) => ({ ...piece, at: { x: to.x, y: to.y } }));

export const nudgePiece = (pieces: readonly Piece[], id: string, dx: number, dy: number): Piece[] =>
  change(pieces, id, (piece) => ({ ...piece, at: { x: ticks(piece.at.x + dx), y: ticks(piece.at.y + dy) } }));

/** Turns a piece a quarter clockwise about its middle. Four turns bring it back where it was, to the tick. */
export function turnPiece(pieces: readonly Piece[], id: string, content: PageContent | null): Piece[] {
  return change(pieces, id, (piece) => {
    const lies = pieceRect(piece, content);
    if (!lies) return piece;
    const turn = ((piece.turn + 1) % 4) as Turn;
    // Always rounded from the upright side, so that turning back undoes it exactly.
    const shift = (lies.w - lies.h) / 2;
    const by = piece.turn % 2 === 0 ? Math.floor(shift) : Math.ceil(shift);
    return { ...piece, turn, at: { x: ticks(piece.at.x + by), y: ticks(piece.at.y - by) } };
  });
}

/** One place up or down in the order in which pieces lie over each other. */
export function restack(pieces: readonly Piece[], id: string, by: 1 | -1): Piece[] {
  const from = pieces.findIndex((piece) => piece.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= pieces.length) return [...pieces];
  const moved = [...pieces];
  [moved[from], moved[to]] = [moved[to] as Piece, moved[from] as Piece];
  return moved;
}

export const withoutPiece = (pieces: readonly Piece[], id: string): Piece[] =>
  pieces.filter((piece) => piece.id !== id);

/** Puts a piece in the middle of a pocket or page, turned when only that way it goes in. */
export function putInto(pieces: readonly Piece[], id: string, place: Rect, content: PageContent | null): Piece[] {
  return change(pieces, id, (piece) => {
    const made = pieceSize(piece.what, content);
    if (!made) return piece;
    const goes = (turn: Turn) => {
      const lying = turnedBy(made, turn);
      return lying.w <= place.w && lying.h <= place.h;
    };
    const other = ((piece.turn + 1) % 4) as Turn;
    const turn = goes(piece.turn) || !goes(other) ? piece.turn : other;
    const { x, y } = centredIn(place, turnedBy(made, turn));
    return { ...piece, turn, at: { x, y } };
  });
}

export type SplitResult =
  | { ok: true; pieces: Piece[]; cuts: Length[]; along: "w" | "h" }
  | { ok: false; reason: "not-a-print" | "not-neighbours" | "too-large" | "too-small" };

/** Cuts a print into two pieces for two neighbouring pockets, each lying against the seam. */
export function splitPiece(
  pieces: readonly Piece[],
  id: string,
  pockets: readonly [Rect, Rect],
  way: SeamWay,
  content: PageContent | null,
  newId: string,
): SplitResult {
  const piece = pieces.find((each) => each.id === id);
  if (piece?.what.kind !== "photo" || piece.what.cut) return { ok: false, reason: "not-a-print" };
  const made = pieceSize(piece.what, content);
  if (!made) return { ok: false, reason: "not-a-print" };
  const split = splitOver(turnedBy(made, piece.turn), ...pockets, way);
  if (!split.ok) return split;
  const { use } = piece.what;
  const half = (part: 0 | 1, partId: string): Piece => ({
    ...piece,
    id: partId,
    what: { kind: "photo", use, cut: asMade(split.parts[part], piece.turn, made.w, made.h) },
    at: { x: split.places[part].x, y: split.places[part].y },
  });
  return {
    ok: true,
    pieces: pieces.flatMap((each) => (each.id === id ? [half(0, id), half(1, newId)] : [each])),
    cuts: split.cuts,
    along: split.along,
  };
}

/** A part of a turned print in the ticks of the print as it came from the printer. */
function asMade(part: Rect, turn: Turn, w: number, h: number): Rect {
  switch (turn) {
    case 0:
      return part;
    case 1:
      return { x: part.y, y: ticks(h - part.x - part.w), w: part.h, h: part.w };
    case 2:
      return { x: ticks(w - part.x - part.w), y: ticks(h - part.y - part.h), w: part.w, h: part.h };
    case 3:
      return { x: ticks(w - part.y - part.h), y: part.x, w: part.h, h: part.w };
  }
}
