import { type Length, ticks } from "../../measure/length.ts";
import { type Size, size } from "../../measure/size.ts";

/** So many prints of one size; `canTurn` lets them lie either way on the sheet. */
export type Wanted = { readonly size: Size; readonly count: number; readonly canTurn: boolean };

/** A paper as the packing sees it: the part of it that takes prints, from the printable area's left upper corner. */
export type PackPaper = { readonly area: Size };

/** What is to be laid on sheets. `gap` is left between any two prints; none means that neighbours share a cut. */
export type PackTask = {
  readonly wanted: readonly Wanted[];
  readonly papers: readonly PackPaper[];
  readonly gap: Length;
};

/**
 * How a rectangle of paper is divided by straight edge-to-edge cuts: a print, waste, or a cut across the whole of it at
 * `at` from its left (`x`) or upper (`y`) edge. A print may be smaller than its rectangle: it lies at its left upper corner.
 */
export type Region =
  | { readonly kind: "waste" }
  | { readonly kind: "print"; readonly type: number; readonly turned: boolean }
  | {
      readonly kind: "cut";
      readonly axis: "x" | "y";
      readonly at: Length;
      readonly first: Region;
      readonly second: Region;
    };
export const WASTE: Region = { kind: "waste" };

/** One sheet: which of the papers, how it is divided, and how many prints of each wanted size it carries. */
export type PackedSheet = { readonly paper: number; readonly root: Region; readonly counts: readonly number[] };

/**
 * Why no plan has fewer sheets: a worth for each wanted size, such that no sheet however cut can carry more than `most`,
 * while everything wanted is worth more than `sheets − 1` times that (the dual of Gilmore and Gomory's linear program).
 */
export type Proof = { readonly worth: readonly number[]; readonly most: number };

export type PackPlan = {
  readonly sheets: readonly PackedSheet[];
  /** No plan has fewer sheets than this. */
  readonly atLeast: number;
  readonly proof: Proof;
  readonly proven: boolean;
};

export type PackProblem = { readonly reason: "no-print-fits" | "too-large"; readonly types: readonly number[] };

export const printed = ({ size: made }: Wanted, isTurned: boolean): Size => (isTurned ? size(made.h, made.w) : made);

/** The ways a print may lie: one for a square, or where turning is not allowed. */
export const waysOf = ({ size: { w, h }, canTurn }: Wanted): readonly boolean[] =>
  canTurn && w !== h ? [false, true] : [false];

export const fits = (inner: Size, outer: Size): boolean => inner.w <= outer.w && inner.h <= outer.h;

/** The wanted sizes that no paper takes in any way they may lie. */
export const tooLarge = ({ wanted, papers }: PackTask): number[] =>
  wanted.flatMap((each, type) =>
    papers.some(({ area }) => waysOf(each).some((turn) => fits(printed(each, turn), area))) ? [] : [type],
  );

/** The largest print of this proportion that a paper takes, to the 64th of an inch below; the whole paper turned if better. */
export function largestThatFits({ w, h }: Size, papers: readonly PackPaper[], canTurn: boolean): Size {
  const STEP = 127;
  const best = papers
    .flatMap(({ area }) => (canTurn ? [area, size(area.h, area.w)] : [area]))
    .map((area) => Math.min(area.w / w, area.h / h))
    .reduce((a, b) => Math.max(a, b), 0);
  const down = (length: number) => ticks(Math.max(STEP, Math.floor((length * Math.min(1, best)) / STEP) * STEP));
  return size(down(w), down(h));
}
