import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { TONE_OF } from "../fit/tone.ts";
import { type Length, ticks } from "../measure/length.ts";
import { beyondCover, type HoleTrouble, holeTroubles } from "./holes.ts";
import type { LeafRead, PlacedPiece } from "./read.ts";

/** One thing to do or look at on a side before paper is cut. `act`: it will not work as it lies. */
export type Trouble = { readonly placed: PlacedPiece; readonly act: boolean } & (
  | { readonly about: "hole"; readonly hole: HoleTrouble }
  /** A tab stands `high` above the closed cover's edge. */
  | { readonly about: "cover"; readonly high: Length }
  | { readonly about: "fit" }
);

/** Pieces that do not lie well, those to act on first. That a tab hangs over is what tabs are for. */
export function unfit(pieces: readonly PlacedPiece[]): PlacedPiece[] {
  const late = ({ fit }: PlacedPiece) => Number(TONE_OF[fit.kind] !== "act");
  return pieces
    .filter(
      ({ piece, fit }) => TONE_OF[fit.kind] !== "good" && !(piece.what.kind === "tab" && fit.kind === "overhangs"),
    )
    .sort((a, b) => late(a) - late(b));
}

/** Holes through pieces, tabs past the cover, and pieces that do not fit as they lie; what must be acted on first. */
export function troublesOf(read: LeafRead, face: Face, format: AlbumFormat): Trouble[] {
  const { pieces } = read[face];
  const holes = holeTroubles(read, face, format).map((hole): Trouble => {
    return { about: "hole", act: true, placed: hole.piece, hole };
  });
  const covers = pieces.flatMap((placed): Trouble[] => {
    if (placed.piece.what.kind !== "tab") return [];
    const { top, bottom } = beyondCover(placed.rect, read, format, face);
    const high = ticks(Math.max(top, bottom));
    return high > 0 ? [{ about: "cover", act: true, placed, high }] : [];
  });
  const fits = unfit(pieces).map((placed): Trouble => {
    return { about: "fit", act: TONE_OF[placed.fit.kind] === "act", placed };
  });
  return [...holes, ...covers, ...fits].sort((a, b) => Number(b.act) - Number(a.act));
}
