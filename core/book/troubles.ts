import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { TONE_OF } from "../fit/tone.ts";
import type { Length } from "../measure/length.ts";
import { type HoleTrouble, holeTroubles } from "./holes.ts";
import type { LeafRead, PlacedPiece } from "./read.ts";
import { type Edge, standingOutOf, weldInWay } from "./standing-out.ts";

/** One thing to do or look at on a side before paper is cut. `act`: it will not work as it lies. */
export type Trouble = { readonly placed: PlacedPiece; readonly act: boolean } & (
  | { readonly about: "hole"; readonly hole: HoleTrouble }
  /** It stands `beyond` past the closed cover at this edge. */
  | { readonly about: "cover"; readonly edge: Edge; readonly beyond: Length }
  /** It would have to go through this welded edge of its protector. */
  | { readonly about: "weld"; readonly edge: Edge }
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

/** Holes through pieces, what stands past the cover or through a weld, and pieces that do not fit as they lie; what must be acted on first. */
export function troublesOf(read: LeafRead, face: Face, format: AlbumFormat): Trouble[] {
  const { pieces } = read[face];
  const holes = holeTroubles(read, face, format).map((hole): Trouble => {
    return { about: "hole", act: true, placed: hole.piece, hole };
  });
  const covers = standingOutOf(read, format).flatMap((one): Trouble[] => {
    const { placed, edge, beyond } = one;
    if (one.face !== face) return [];
    const weld = weldInWay(one, format);
    return [
      ...(weld ? [{ about: "weld", act: true, placed, edge: weld } as const] : []),
      // To be turned by, a tab stands past the cover at its side; above and below the shelf or the table bends it.
      ...(beyond > 0
        ? [{ about: "cover", act: edge === "top" || edge === "bottom", placed, edge, beyond } as const]
        : []),
    ];
  });
  const fits = unfit(pieces).map((placed): Trouble => {
    return { about: "fit", act: TONE_OF[placed.fit.kind] === "act", placed };
  });
  return [...holes, ...covers, ...fits].sort((a, b) => Number(b.act) - Number(a.act));
}
