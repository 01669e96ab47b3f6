import { type Length, ticks } from "../../measure/length.ts";
import { type Rect, rect } from "../../measure/rect.ts";
import { type Size, size } from "../../measure/size.ts";
import { type PackedSheet, type PackTask, printed, type Region, WASTE, type Wanted } from "./task.ts";

/** How far the prints of a rectangle reach from its left upper corner. */
function reach(region: Region, wanted: readonly Wanted[]): Size {
  if (region.kind === "waste") return size(ticks(0), ticks(0));
  if (region.kind === "print") {
    const each = wanted[region.type];
    return each ? printed(each, region.turned) : size(ticks(0), ticks(0));
  }
  const [first, second] = [reach(region.first, wanted), reach(region.second, wanted)];
  const far = (a: number, b: number) => ticks(b > 0 ? region.at + b : a);
  return region.axis === "x"
    ? size(far(first.w, second.w), ticks(Math.max(first.h, second.h)))
    : size(ticks(Math.max(first.w, second.w)), far(first.h, second.h));
}

const cut = (axis: "x" | "y", at: Length, first: Region, second: Region): Region => ({
  kind: "cut",
  axis,
  at,
  first,
  second,
});

/**
 * The same prints in the same places with as few cuts as they need: what is waste to one edge of a rectangle comes off in
 * one cut before anything else, and the larger waste is kept whole. `area` is the rectangle the region fills.
 */
export function tidied(region: Region, area: Size, wanted: readonly Wanted[]): Region {
  const used = reach(region, wanted);
  if (used.w === 0 || used.h === 0) return WASTE;
  const [right, below] = [area.w - used.w, area.h - used.h];
  const inner = (): Region => {
    if (region.kind !== "cut") return region;
    const { axis, at, first, second } = region;
    const [one, two] =
      axis === "x"
        ? [size(ticks(Math.min(at, used.w)), used.h), size(ticks(Math.max(0, used.w - at)), used.h)]
        : [size(used.w, ticks(Math.min(at, used.h))), size(used.w, ticks(Math.max(0, used.h - at)))];
    if (two.w === 0 || two.h === 0) return tidied(first, used, wanted);
    return cut(axis, at, tidied(first, one, wanted), tidied(second, two, wanted));
  };
  // Cutting first along the edge with the larger rest leaves that rest whole.
  const sideFirst = right * area.h >= below * area.w;
  if (sideFirst) {
    const left = below > 0 ? cut("y", used.h, inner(), WASTE) : inner();
    return right > 0 ? cut("x", used.w, left, WASTE) : left;
  }
  const top = right > 0 ? cut("x", used.w, inner(), WASTE) : inner();
  return below > 0 ? cut("y", used.h, top, WASTE) : top;
}

/** Cuts in a region: one for every rectangle it is divided into but the first. */
export const cutsIn = (region: Region): number =>
  region.kind === "cut" ? 1 + cutsIn(region.first) + cutsIn(region.second) : 0;

export type Placed = { readonly type: number; readonly turned: boolean; readonly at: Rect };

/** Where everything in a region lies: its prints, and what is left over. `at` is the rectangle it fills. */
export function layOut(region: Region, at: Rect, wanted: readonly Wanted[]): { prints: Placed[]; waste: Rect[] } {
  if (region.kind === "waste") return { prints: [], waste: at.w > 0 && at.h > 0 ? [at] : [] };
  if (region.kind === "print") {
    const each = wanted[region.type];
    if (!each) throw new Error("a print of no wanted size");
    const made = printed(each, region.turned);
    return { prints: [{ type: region.type, turned: region.turned, at: rect(at.x, at.y, made.w, made.h) }], waste: [] };
  }
  const [one, two] = halves(region, at);
  const [first, second] = [layOut(region.first, one, wanted), layOut(region.second, two, wanted)];
  return { prints: [...first.prints, ...second.prints], waste: [...first.waste, ...second.waste] };
}

/** The two rectangles a cut makes of one. */
export const halves = (region: Extract<Region, { kind: "cut" }>, at: Rect): readonly [Rect, Rect] =>
  region.axis === "x"
    ? [rect(at.x, at.y, region.at, at.h), rect(at.x + region.at, at.y, at.w - region.at, at.h)]
    : [rect(at.x, at.y, at.w, region.at), rect(at.x, at.y + region.at, at.w, at.h - region.at)];

/** A sheet as it will be cut, judged: fewer cuts, then a larger whole rest. */
export function judge(sheet: PackedSheet, { papers, wanted }: PackTask): { cuts: number; rest: number } {
  const area = papers[sheet.paper]?.area ?? size(ticks(0), ticks(0));
  const waste = layOut(sheet.root, rect(0, 0, area.w, area.h), wanted).waste.map(({ w, h }) => w * h);
  return { cuts: cutsIn(sheet.root), rest: Math.max(0, ...waste) };
}
