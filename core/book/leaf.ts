import type { Foundation } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import type { Length } from "../measure/length.ts";
import { at, type Point, type Rect, sizeOf } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";

export const FACES = ["front", "back"] as const;
export type Face = (typeof FACES)[number];

/** Pages that belong to no day. */
export const MATTERS = ["title", "opening-note", "month-calendar", "closing"] as const;
export type Matter = (typeof MATTERS)[number];

/** Whose a side is: one day's, front or back matter's, or nobody's yet. Never two at once. */
export type Owner =
  | { readonly kind: "day"; readonly dayId: string }
  | { readonly kind: "matter"; readonly matter: Matter }
  | { readonly kind: "nobody" };
export const NOBODY: Owner = { kind: "nobody" };

/** Pieces that a keeper makes or takes from the stash, with a size and a name of their own. */
export const MADE_KINDS = ["filler", "tag", "flip", "tab", "embellishment", "mat", "overlay"] as const;
export type MadeKind = (typeof MADE_KINDS)[number];

/**
 * What a piece is. Prints and cards take their size from the day that has them, so there is one truth about it; `cut` is
 * the part of a print that this piece is, in the print's own ticks, when it was cut in two. `room` is kept free on a
 * foundation page for what the day will bring.
 */
export type PieceWhat =
  | { readonly kind: "photo"; readonly use: string; readonly cut: Rect | null }
  | { readonly kind: "card"; readonly card: string }
  | { readonly kind: "numeral"; readonly size: Size }
  | { readonly kind: "room"; readonly keeps: "photo" | "card"; readonly size: Size }
  | { readonly kind: MadeKind; readonly size: Size; readonly name: string };

/** Quarter turns clockwise. */
export type Turn = 0 | 1 | 2 | 3;

/** A piece on a side: what it is, where its left upper corner lies from the page's, how it is turned, in or on the film. */
export type Piece = {
  readonly id: string;
  readonly what: PieceWhat;
  readonly at: Point;
  readonly turn: Turn;
  /** Stuck on the outside of the protector rather than put into it. */
  readonly outside: boolean;
};

/** A side's pieces from the lowest to the uppermost; null until somebody arranges it: then the first dry fit is shown. */
export type Side = { readonly owner: Owner; readonly pieces: readonly Piece[] | null };

/** What an added leaf is made of; `size` null is the album's page size. */
export type Stock = Foundation & { readonly size: Size | null };

/** Where a leaf's material is said: by its day's foundation, by one of its day's inserts, or by itself. */
export type LeafOf =
  | { readonly kind: "page"; readonly dayId: string }
  | { readonly kind: "insert"; readonly dayId: string; readonly insertId: string }
  | { readonly kind: "own"; readonly stock: Stock };

/** One physical sheet of the book, in its order. */
export type Leaf = {
  readonly id: string;
  readonly version: number;
  readonly of: LeafOf;
  /** How far below the page's upper edge a smaller leaf begins; null: halfway. */
  readonly drop: Length | null;
  /** Must come off the rings: a slit runs from each hole to the edge. */
  readonly liftsOff: boolean;
  readonly front: Side;
  readonly back: Side;
};

/** A candidate arrangement of one side, kept beside it until it is chosen or let go. */
export type TryOut = {
  readonly id: string;
  readonly leafId: string;
  readonly face: Face;
  readonly name: string;
  readonly version: number;
  readonly pieces: readonly Piece[];
};

export const EMPTY_SIDE: Side = { owner: NOBODY, pieces: null };

/** The size of a piece as made, before turning; null when the day no longer has the photo or card. */
export function pieceSize(what: PieceWhat, content: PageContent | null): Size | null {
  switch (what.kind) {
    case "photo":
      return what.cut ? sizeOf(what.cut) : (content?.photos.find(({ id }) => id === what.use)?.print ?? null);
    case "card":
      return content?.cards.find(({ id }) => id === what.card)?.size ?? null;
    default:
      return what.size;
  }
}

export const turnedBy = (size: Size, turn: Turn): Size => (turn % 2 === 1 ? turned(size) : size);

/** Where a piece lies, turned; null when the day no longer has it. */
export function pieceRect(piece: Piece, content: PageContent | null): Rect | null {
  const made = pieceSize(piece.what, content);
  return made && at(piece.at, turnedBy(made, piece.turn));
}

export const sidesOf = (leaf: Leaf): readonly [Side, Side] => [leaf.front, leaf.back];
