import type { AlbumFormat } from "../album/model.ts";
import { type Micrometres, micrometres } from "../material/material.ts";
import { inches, type Length } from "../measure/length.ts";
import { AS_HIGH, greatest, type Patch, type Spot } from "./heights.ts";

/** What holds a book: how much its rings or its spine take, how long its boards are from the hinge on, and where it is bound. */
export type Binding = {
  readonly depth: Micrometres;
  readonly board: Length;
  /** The strip along the hinge that is nothing but binding. */
  readonly margin: Length;
};

/** Nothing lies nearer to the hinge than this: there the board bends. From memory: a quarter inch. */
export const HINGE = inches(1 / 4);

/** `factor` is what reckoned thicknesses are to be multiplied by: a book that squeezes has so much more depth to fill. */
export const bindingOf = ({ capacity, cover, margin, bindingEdge }: AlbumFormat, factor = 1): Binding => ({
  depth: micrometres(capacity / factor),
  board: bindingEdge === "top" ? cover.h : cover.w,
  margin,
});

/** How a book closes. Heights are micrometres. */
export type Closing = {
  /** How thick it is along the binding. */
  readonly atBinding: Micrometres;
  /** The place where it is thickest; null in an empty book. */
  readonly thickest: Spot | null;
  /** How far the boards stand apart at the free edge, more than the binding takes; none: it closes. */
  readonly gape: Micrometres;
  /** The place that the board rests on then; null where it closes. */
  readonly rests: Spot | null;
};

/**
 * The boards are hinged as far apart as the binding is deep and lie on what is highest: with S the depth of the binding, H(x)
 * the stack at distance x from the hinge and L the board, they gape by max(0, max over x of (H(x) − S)·L/x). Similar
 * triangles. Of the hinge itself everything counts as if it lay where the board begins to be stiff.
 */
export const gapeAt = ({ height, x }: Pick<Spot, "height" | "x">, { depth, board }: Binding): number =>
  Math.max(0, ((height - depth) * board) / Math.max(x, HINGE));

export function closingOf(patches: readonly Patch[], binding: Binding): Closing {
  const rests = greatest(patches, (height, x) => gapeAt({ height, x }, binding));
  const gape = micrometres(rests ? gapeAt(rests, binding) : 0);
  const along = Math.max(HINGE, binding.margin);
  const byHinge = greatest(
    patches.filter(({ at }) => at.x < along),
    (height, x) => (x < along ? height : 0),
  );
  return {
    atBinding: micrometres(byHinge && byHinge.x < along ? byHinge.height : 0),
    thickest: greatest(patches, AS_HIGH, rests),
    gape,
    rests: gape > 0 ? rests : null,
  };
}

/** How deep rings would have to be for the book to close: as deep as it is high anywhere. */
export const ringsFor = ({ thickest }: Closing): Micrometres => micrometres(thickest?.height ?? 0);
