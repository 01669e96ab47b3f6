import { type Length, ticks } from "../measure/length.ts";
import { areaOf, contains, type Rect, rect, rectOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { type Region, WASTE } from "../sheet/pack/task.ts";

/**
 * Paper beside a motif that stays whole: one straight cut takes it off what is left of the sheet. `at` is where it lies on
 * the sheet, `line` how far the cut is from the left or upper edge of what is in hand, `isFirst` that it lies before it.
 */
export type Strip = {
  readonly at: Rect;
  readonly axis: "x" | "y";
  readonly line: Length;
  readonly isFirst: boolean;
};

/** In which order strips are taken off: those down the sheet before those across it, those across first, or the largest first. */
export const WAYS_ROUND = ["down-first", "across-first", "largest-first"] as const;
export type WayRound = (typeof WAYS_ROUND)[number];

/** The paper beside a motif as at most four strips; with the motif they are the whole sheet. */
export function stripsBeside(sheet: Size, motif: Rect, way: WayRound): Strip[] {
  const first = { "down-first": "x", "across-first": "y", "largest-first": null }[way];
  const late = ({ axis }: Strip) => (first === null || axis === first ? 0 : 1);
  const strips: Strip[] = [];
  let rest = rectOf(sheet);
  for (;;) {
    const [left, above] = [motif.x - rest.x, motif.y - rest.y];
    const [right, below] = [rest.x + rest.w - motif.x - motif.w, rest.y + rest.h - motif.y - motif.h];
    const all: Strip[] = [
      { at: rect(rest.x, rest.y, left, rest.h), axis: "x", line: ticks(left), isFirst: true },
      { at: rect(motif.x + motif.w, rest.y, right, rest.h), axis: "x", line: ticks(rest.w - right), isFirst: false },
      { at: rect(rest.x, rest.y, rest.w, above), axis: "y", line: ticks(above), isFirst: true },
      { at: rect(rest.x, motif.y + motif.h, rest.w, below), axis: "y", line: ticks(rest.h - below), isFirst: false },
    ];
    const [strip] = all
      .filter(({ at }) => at.w > 0 && at.h > 0)
      .sort((a, b) => late(a) - late(b) || areaOf(b.at) - areaOf(a.at));
    if (!strip) return strips;
    strips.push(strip);
    rest = without(rest, strip);
  }
}

/** What is in hand once a strip is off. */
const without = (rest: Rect, { axis, at, isFirst }: Strip): Rect =>
  axis === "x"
    ? rect(isFirst ? rest.x + at.w : rest.x, rest.y, rest.w - at.w, rest.h)
    : rect(rest.x, isFirst ? rest.y + at.h : rest.y, rest.w, rest.h - at.h);

/** A sheet of which some strips are cut up, by their order: those before one that is are cut off too, those after it stay. */
export function aroundMotif(strips: readonly Strip[], filled: readonly (Region | undefined)[]): Region {
  const last = filled.findLastIndex((region) => region !== undefined);
  return strips.slice(0, last + 1).reduceRight<Region>((rest, { axis, line, isFirst }, at) => {
    const strip = filled[at] ?? WASTE;
    const [first, second] = isFirst ? [strip, rest] : [rest, strip];
    return { kind: "cut", axis, at: line, first, second };
  }, WASTE);
}

/** What of a cut sheet keeps the motif whole, of all that nothing was cut from. */
export const keeperOf = (rests: readonly Rect[], motif: Rect): Rect | null =>
  rests.find((rest) => contains(rest, motif)) ?? null;

/** Where a motif lies on what was cut out round it. */
export const motifOn = (rest: Rect, motif: Rect): { readonly size: Size; readonly motif: Rect } => ({
  size: size(rest.w, rest.h),
  motif: rect(motif.x - rest.x, motif.y - rest.y, motif.w, motif.h),
});
