import type { AlbumFormat } from "../album/model.ts";
import { usualOfLeaf } from "../album/usual-material.ts";
import type { BookPage, LeafRead } from "../book/read.ts";
import { PLAY } from "../fit/fit.ts";
import { type Micrometres, micrometres } from "../material/material.ts";
import { type Length, ticks } from "../measure/length.ts";
import { sizeOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { greatest } from "./heights.ts";
import { type Layer, layersOfLeaf, type Things, thickAs } from "./layers.ts";

/** Whether what lies in a pocket still comes out of it, and the room that is left beside it; less than none where it jams. */
export type ComesOut = { readonly kind: "slides" | "tight" | "jams"; readonly room: Length };

/** A thickness as a length: a tick is 3⅛ µm. */
export const asLength = (thick: Micrometres): Length => ticks(Math.ceil((thick * 8) / 25));

/**
 * A flat pocket W wide takes a stack w wide and t thick when w + t + play ≤ W, as its two sides have to go round the stack;
 * so too in height, unless that end is open. Common practice; `play` as for any piece in a pocket.
 */
export function comesOut(
  pocket: Size,
  stack: { readonly size: Size; readonly thick: Micrometres },
  isOpenAbove: boolean,
  play: Length = PLAY,
): ComesOut {
  const thick = asLength(stack.thick);
  const across = pocket.w - stack.size.w - thick;
  const along = pocket.h - stack.size.h - thick;
  const room = ticks(isOpenAbove ? across : Math.min(across, along));
  return { kind: room >= play ? "slides" : room >= 0 ? "tight" : "jams", room };
}

/** A pocket of a leaf with all that lies in it from both sides, and whether that comes out. */
export type PocketRead<P extends BookPage = BookPage> = ComesOut & {
  readonly leaf: LeafRead<P>;
  /** Its place among the leaf's pockets as seen from the front; null: the whole protector. */
  readonly pocket: number | null;
  readonly size: Size;
  readonly stack: { readonly size: Size; readonly thick: Micrometres };
  readonly pieces: readonly Layer<P>[];
};

/**
 * The pockets of a leaf in which anything lies; of a protector without pockets the page itself with what is stuck on it. A
 * protector and its pockets are open at their upper ends. Common practice.
 */
export function pocketsRead<P extends BookPage>(
  leaf: LeafRead<P>,
  format: AlbumFormat,
  things: Things,
): PocketRead<P>[] {
  const { build } = leaf;
  if (!build.opening) return [];
  const inside = layersOfLeaf(leaf, format, things).filter(({ piece }) => piece !== null && !piece.outside);
  if (inside.length === 0) return [];
  if (build.pockets.length === 0) {
    const own = thickAs(usualOfLeaf(leaf.leaf.make), leaf.leaf.make.of, things);
    const stack = { size: build.page, thick: micrometres(own + (greatest(inside)?.height ?? 0)) };
    const room = sizeOf(build.opening);
    return [{ leaf, pocket: null, size: room, stack, pieces: inside, ...comesOut(room, stack, true) }];
  }
  const pocketOf = new Map(
    [leaf.front, leaf.back].flatMap((side) => side.pieces.map(({ piece, pocket }) => [piece, pocket] as const)),
  );
  const upright = ({ at }: Layer): Size => (format.bindingEdge === "top" ? size(at.h, at.w) : sizeOf(at));
  return build.pockets.flatMap((pocket, at) => {
    const pieces = inside.filter(({ piece }) => piece && pocketOf.get(piece) === at);
    if (pieces.length === 0) return [];
    const sizes = pieces.map(upright);
    const stack = {
      size: size(ticks(Math.max(...sizes.map(({ w }) => w))), ticks(Math.max(...sizes.map(({ h }) => h)))),
      thick: micrometres(pieces.reduce((sum, { thick }) => sum + thick, 0)),
    };
    return [{ leaf, pocket: at, size: sizeOf(pocket), stack, pieces, ...comesOut(sizeOf(pocket), stack, true) }];
  });
}
