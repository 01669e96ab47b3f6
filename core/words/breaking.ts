import { FORCED, type Item } from "./items.ts";

/** How wide each line is, by its number from 0; in the same units as the items. */
export type LineWidth = (line: number) => number;

/** Lines as the items they break at, in order; the last breaks at the end. `cost` is the sum of their demerits. */
export type Breaks = { readonly at: readonly number[]; readonly cost: number };

/** Widths from the start, so that those of any stretch are a difference; and where lines may end. */
type Sums = {
  readonly width: Float64Array;
  readonly stretch: Float64Array;
  readonly shrink: Float64Array;
  readonly breaks: readonly number[];
};

/** One paragraph is broken many times over, at each size that is tried. */
const summed = new WeakMap<readonly Item[], Sums>();

function sumsOf(items: readonly Item[]): Sums {
  const known = summed.get(items);
  if (known) return known;
  const sums = {
    width: new Float64Array(items.length + 1),
    stretch: new Float64Array(items.length + 1),
    shrink: new Float64Array(items.length + 1),
    breaks: [...items.keys()].filter((at) => isBreak(items, at)),
  };
  for (const [at, item] of items.entries()) {
    const glue = item.kind === "glue";
    sums.width[at + 1] = (sums.width[at] ?? 0) + (item.kind === "penalty" ? 0 : item.width);
    sums.stretch[at + 1] = (sums.stretch[at] ?? 0) + (glue ? item.stretch : 0);
    sums.shrink[at + 1] = (sums.shrink[at] ?? 0) + (glue ? item.shrink : 0);
  }
  summed.set(items, sums);
  return sums;
}

/** A line that begins after a break leaves out the glue and the penalties there; a break that must be made is kept. */
function startAfter(items: readonly Item[], broken: number): number {
  let at = broken + 1;
  for (let item = items[at]; item && item.kind !== "box"; item = items[at]) {
    if (item.kind === "penalty" && item.cost === FORCED) break;
    at += 1;
  }
  return broken < 0 ? 0 : at;
}

/**
 * Whether a line may end at an item: at a penalty, or at glue that follows a box. Glue with a penalty right behind it is
 * left out: breaking there gives the same line with less to stretch.
 */
function isBreak(items: readonly Item[], at: number): boolean {
  const item = items[at];
  if (item?.kind === "penalty") return true;
  return item?.kind === "glue" && items[at - 1]?.kind === "box" && items[at + 1]?.kind !== "penalty";
}

/** A line that is a thousandth of a unit too wide is a matter of rounding, not of words. */
const ROUNDING = 1e-7;
/** A line without anything to stretch is the worse the more of it stays empty; and none is worse than this. */
const HARDLY = 0.01;
const MOST_RATIO = 1e4;

/** By how much glue that gives so much in all must stretch (above 0) or shrink (below; under -1 it cannot be). */
function ratioFor(slack: number, give: number): number {
  if (Math.abs(slack) <= ROUNDING) return 0;
  if (give > 0) return Math.min(MOST_RATIO, slack / give);
  return slack > 0 ? Math.min(MOST_RATIO, slack / HARDLY) : Number.NEGATIVE_INFINITY;
}

/** The same for the line from one item to another. */
function ratioOf(items: readonly Item[], sums: Sums, from: number, to: number, width: number): number {
  const last = items[to];
  const natural = (sums.width[to] ?? 0) - (sums.width[from] ?? 0) + (last?.kind === "penalty" ? last.width : 0);
  const slack = width - natural;
  const sum = slack > 0 ? sums.stretch : sums.shrink;
  return ratioFor(slack, (sum[to] ?? 0) - (sum[from] ?? 0));
}

/** What a line costs (Knuth & Plass 1981, without their fitness classes): the worse it is stretched the dearer, steeply. */
function demerits(item: Item | undefined, ratio: number): number {
  const bad = 1 + 100 * Math.abs(ratio * ratio * ratio);
  const cost = item?.kind === "penalty" ? item.cost : 0;
  if (cost === FORCED) return bad * bad;
  return cost >= 0 ? (bad + cost) * (bad + cost) : bad * bad - cost * cost;
}

/** A line that cannot be: dearer than any that can. */
const OVERFULL = 1e30;

/** What given breaks cost. */
export function costOf(items: readonly Item[], width: LineWidth, at: readonly number[]): number {
  const sums = sumsOf(items);
  let [from, cost] = [0, 0];
  for (const [line, to] of at.entries()) {
    const ratio = ratioOf(items, sums, from, to, width(line));
    cost += ratio < -1 ? OVERFULL : demerits(items[to], ratio);
    from = startAfter(items, to);
  }
  return cost;
}

/** A way to break up to an item: where the next line begins and what stands before that, in sums. */
type Node = {
  readonly at: number;
  readonly from: number;
  readonly width: number;
  readonly stretch: number;
  readonly shrink: number;
  readonly line: number;
  readonly cost: number;
  readonly before: Node | null;
};

/**
 * Breaks a paragraph into lines at the least total cost (Knuth & Plass 1981). `uniform` says that all lines are equally
 * wide: then only the best way to each break is followed, whatever its line. A box that fits no line stands over it.
 */
export function totalFit(items: readonly Item[], width: LineWidth, uniform: boolean): Breaks {
  const sums = sumsOf(items);
  const widths: number[] = [];
  const widthAt = (line: number): number => (widths[line] ??= width(line));
  const only = widthAt(0);
  let active: Node[] = [{ at: -1, from: 0, width: 0, stretch: 0, shrink: 0, line: 0, cost: 0, before: null }];
  for (const to of sums.breaks) {
    const item = items[to];
    const natural = (sums.width[to] ?? 0) + (item?.kind === "penalty" ? item.width : 0);
    const [stretch, shrink] = [sums.stretch[to] ?? 0, sums.shrink[to] ?? 0];
    const best: Node[] = [];
    let shortest: Node | null = null;
    let living = 0;
    for (const node of active) {
      if (node.from > to) {
        active[living++] = node;
        continue;
      }
      const slack = (uniform ? only : widthAt(node.line)) - (natural - node.width);
      const ratio = ratioFor(slack, slack > 0 ? stretch - node.stretch : shrink - node.shrink);
      if (ratio < -1) {
        // Too wide from here on. The latest such start is what stands over when nothing else is left.
        if (!shortest || node.from > shortest.from || (node.from === shortest.from && node.cost < shortest.cost))
          shortest = node;
        continue;
      }
      active[living++] = node;
      const at = uniform ? 0 : best.findIndex(({ line }) => line === node.line + 1);
      const known = best[at];
      // No line is free: a start that is as dear as the best way here already cannot be a better one.
      if (known && node.cost >= known.cost) continue;
      const cost = node.cost + demerits(item, ratio);
      if (!known) best.push(reached(items, sums, node, to, cost));
      else if (cost < known.cost) best[at] = reached(items, sums, node, to, cost);
    }
    if (living < active.length) active.length = living;
    if (living === 0 && shortest) best.push(reached(items, sums, shortest, to, shortest.cost + OVERFULL));
    const forced = item?.kind === "penalty" && item.cost === FORCED;
    if (forced) active = best;
    else active.push(...best);
  }
  let end: Node | null = null;
  for (const node of active) if (!end || node.cost < end.cost) end = node;
  return { at: path(end), cost: end?.cost ?? 0 };
}

function reached(items: readonly Item[], sums: Sums, before: Node, to: number, cost: number): Node {
  const from = startAfter(items, to);
  const [width = 0, stretch = 0, shrink = 0] = [sums.width[from], sums.stretch[from], sums.shrink[from]];
  return { at: to, from, width, stretch, shrink, line: before.line + 1, cost, before };
}

function path(end: Node | null): number[] {
  const at: number[] = [];
  for (let node = end; node && node.at >= 0; node = node.before) at.push(node.at);
  return at.reverse();
}

/** Breaks a paragraph as a hand does: each line takes what it can, and never looks back. Spaces do not shrink. */
export function firstFit(items: readonly Item[], width: LineWidth): Breaks {
  const sums = sumsOf(items);
  const at: number[] = [];
  let from = 0;
  let fits: number | null = null;
  for (let to = 0; to < items.length; to++) {
    if (!isBreak(items, to) || to < from) continue;
    const item = items[to];
    const natural = (sums.width[to] ?? 0) - (sums.width[from] ?? 0) + (item?.kind === "penalty" ? item.width : 0);
    const isOver = natural > width(at.length) + ROUNDING;
    if (isOver && fits !== null) {
      at.push(fits);
      from = startAfter(items, fits);
      fits = null;
      to = Math.max(from, (at.at(-1) ?? 0) + 1) - 1;
      continue;
    }
    if (isOver || (item?.kind === "penalty" && item.cost === FORCED)) {
      at.push(to);
      from = startAfter(items, to);
      fits = null;
    } else fits = to;
  }
  return { at, cost: costOf(items, width, at) };
}

/** Which boxes stand on each line, whether it ends in a hyphen, and by how much its glue stretches. */
export type Line = { readonly from: number; readonly to: number; readonly ratio: number };

export function linesOf(items: readonly Item[], width: LineWidth, at: readonly number[]): Line[] {
  const sums = sumsOf(items);
  let from = 0;
  return at.map((to, line) => {
    const begins = from;
    from = startAfter(items, to);
    return { from: begins, to, ratio: ratioOf(items, sums, begins, to, width(line)) };
  });
}
