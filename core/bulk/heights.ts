import type { Micrometres } from "../material/material.ts";
import { type Rect, rect } from "../measure/rect.ts";

/**
 * One thickness and where it lies in the closed book, in ticks: x from the hinge, y from the upper edge. A round one fills
 * the circle in the middle of its rectangle.
 */
export type Patch = { readonly at: Rect; readonly round: boolean; readonly thick: Micrometres };

/** A place of the closed book, in ticks, and how high everything lies there, in micrometres. */
export type Spot = { readonly x: number; readonly y: number; readonly height: number };

/**
 * What a height at a distance from the hinge is worth: never less where it is higher, and never more where it is farther
 * from the hinge, so that of equal heights the one nearest to the hinge counts.
 */
export type Worth = (height: number, x: number) => number;
export const AS_HIGH: Worth = (height) => height;

/** How far beyond an edge, or the point where two meet, a look is taken: finer than anything is cut. */
const BESIDE = 0.25;

type Span = { readonly from: number; readonly to: number; readonly thick: number };

/** Where a patch is cut by the line at x, as a span of y without its lower end; null where it is not. */
function spanAt({ at, round, thick }: Patch, x: number): Span | null {
  if (x < at.x || x >= at.x + at.w) return null;
  if (!round) return { from: at.y, to: at.y + at.h, thick };
  const r = Math.min(at.w, at.h) / 2;
  const dx = x - (at.x + at.w / 2);
  const half = r * r - dx * dx;
  if (half <= 0) return null;
  const middle = at.y + at.h / 2;
  return { from: middle - Math.sqrt(half), to: middle + Math.sqrt(half), thick };
}

/** Sums over the parts of a line that can be raised, with the largest of all of them at hand: a tree of the parts' maxima. */
class Raised {
  readonly #size: number;
  readonly #most: Int32Array;
  readonly #own: Int32Array;
  constructor(count: number) {
    this.#size = 2 ** Math.ceil(Math.log2(Math.max(1, count)));
    this.#most = new Int32Array(2 * this.#size);
    this.#own = new Int32Array(2 * this.#size);
  }
  /** Raises the parts from `from` up to and without `to`; `from` is before `to`. */
  raise(from: number, to: number, by: number): void {
    const [most, own] = [this.#most, this.#own] as unknown as [number[], number[]];
    let [left, right] = [from + this.#size, to + this.#size];
    const [first, last] = [left, right - 1];
    for (; left < right; left >>= 1, right >>= 1) {
      if (left & 1) {
        most[left] = (most[left] as number) + by;
        own[left] = (own[left] as number) + by;
        left += 1;
      }
      if (right & 1) {
        right -= 1;
        most[right] = (most[right] as number) + by;
        own[right] = (own[right] as number) + by;
      }
    }
    for (const end of [first, last])
      for (let node = end >> 1; node > 0; node >>= 1) {
        const [one, other] = [most[2 * node] as number, most[2 * node + 1] as number];
        most[node] = Math.max(one, other) + (own[node] as number);
      }
  }
  get most(): number {
    return this.#most[1] ?? 0;
  }
}

/** A stretch of the book between two edges, and the most that may lie anywhere in it: a little more than there is of round ones. */
export type Stretch = { readonly from: number; readonly to: number; readonly most: number };

/** A round piece is taken as so many strips, each as long as the circle is anywhere in it. */
const STRIPS = 6;

type Strip = { readonly at: Rect; readonly thick: number };
const known = new WeakMap<Patch, readonly Strip[]>();

/** A patch as rectangles that cover it. */
function asRectangles(patch: Patch): readonly Strip[] {
  if (!patch.round) return [patch];
  const before = known.get(patch) ?? stripsOf(patch);
  known.set(patch, before);
  return before;
}

function stripsOf({ at, thick }: Patch): Strip[] {
  const r = Math.min(at.w, at.h) / 2;
  const [cx, cy] = [at.x + at.w / 2, at.y + at.h / 2];
  const edges = Array.from({ length: STRIPS + 1 }, (_, nth) => Math.round(cx - r + (2 * r * nth) / STRIPS));
  return edges.slice(1).flatMap((to, nth) => {
    const from = edges[nth] ?? to;
    const nearest = Math.max(0, from - cx, cx - to);
    const half = Math.sqrt(Math.max(0, r * r - nearest * nearest));
    const [top, bottom] = [Math.floor(cy - half), Math.ceil(cy + half)];
    return to > from && bottom > top ? [{ at: rect(from, top, to - from, bottom - top), thick }] : [];
  });
}

/** Numbers in order, each once. */
const inOrder = (numbers: readonly number[]): number[] => [...new Set(Float64Array.from(numbers).sort())];

/** The closed book from the hinge outward: how high it is at the most between one edge and the next. */
export function stretchesOf(patches: readonly Patch[]): Stretch[] {
  const some = patches.filter(({ at, thick }) => at.w > 0 && at.h > 0 && thick > 0).flatMap(asRectangles);
  const lines = new Map(inOrder(some.flatMap(({ at }) => [at.y, at.y + at.h])).map((y, nth) => [y, nth]));
  const edges = inOrder(some.flatMap(({ at }) => [at.x, at.x + at.w]));
  const nth = new Map(edges.map((x, at) => [x, at]));
  type Change = { readonly top: number; readonly bottom: number; readonly by: number };
  const changes: Change[][] = edges.map(() => []);
  for (const { at, thick } of some) {
    const [top, bottom] = [lines.get(at.y) ?? 0, lines.get(at.y + at.h) ?? 0];
    changes[nth.get(at.x) ?? 0]?.push({ top, bottom, by: thick });
    changes[nth.get(at.x + at.w) ?? 0]?.push({ top, bottom, by: -thick });
  }
  const raised = new Raised(lines.size);
  return edges.flatMap((from, at): Stretch[] => {
    for (const { top, bottom, by } of changes[at] ?? []) raised.raise(top, bottom, by);
    const to = edges[at + 1];
    return to === undefined ? [] : [{ from, to, most: raised.most }];
  });
}

/** Where two round patches begin to lie over each other, seen from the hinge; NaN where the edges of both do not meet. */
function roundsMeet({ at: a }: Patch, { at: b }: Patch): number {
  const [r, s] = [Math.min(a.w, a.h) / 2, Math.min(b.w, b.h) / 2];
  const dx = b.x + b.w / 2 - a.x - a.w / 2;
  const dy = b.y + b.h / 2 - a.y - a.h / 2;
  const apart = Math.sqrt(dx * dx + dy * dy);
  if (apart === 0 || apart > r + s || apart < Math.abs(r - s)) return Number.NaN;
  const along = (r * r - s * s + apart * apart) / (2 * apart);
  const across = Math.sqrt(Math.max(0, r * r - along * along));
  return a.x + a.w / 2 + (along * dx - across * Math.abs(dy)) / apart;
}

/** The same of a round one and a rectangle, whose upper or lower edge cuts it; NaN where neither does. */
function roundMeets({ at: a }: Patch, { at: b }: Patch): number {
  const r = Math.min(a.w, a.h) / 2;
  const y = a.y + a.h / 2;
  const off = y < b.y ? b.y - y : y > b.y + b.h ? y - b.y - b.h : 0;
  return off === 0 || off >= r ? Number.NaN : a.x + a.w / 2 - Math.sqrt(r * r - off * off);
}

/** A patch by its edges, and of a round one its middle and the square of its radius: looked at very often. */
type Shape = {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly cx: number;
  readonly cy: number;
  /** Null of a rectangle. */
  readonly square: number | null;
  readonly patch: Patch;
};

function shapeOf(patch: Patch): Shape {
  const { at, round } = patch;
  const r = Math.min(at.w, at.h) / 2;
  const [cx, cy] = [at.x + at.w / 2, at.y + at.h / 2];
  // One literal: an object put together from others is read many times slower.
  return {
    left: at.x,
    top: at.y,
    right: at.x + at.w,
    bottom: at.y + at.h,
    cx,
    cy,
    square: round ? r * r : null,
    patch,
  };
}

/** A part of the book that is looked at: what fills it, and what reaches into it and does not. */
type Part = {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly sure: number;
  readonly open: readonly Shape[];
  /** The most that may lie anywhere in it. */
  readonly most: number;
};

/** How a shape lies in a part: not at all, in some of it, all over it. */
function reach(shape: Shape, left: number, top: number, right: number, bottom: number): "none" | "some" | "all" {
  if (shape.left >= right || shape.right <= left || shape.top >= bottom || shape.bottom <= top) return "none";
  const { cx, cy, square } = shape;
  if (square === null)
    return shape.left <= left && shape.right >= right && shape.top <= top && shape.bottom >= bottom ? "all" : "some";
  const dx = cx < left ? left - cx : cx > right ? cx - right : 0;
  const dy = cy < top ? top - cy : cy > bottom ? cy - bottom : 0;
  if (dx * dx + dy * dy >= square) return "none";
  const [fx, fy] = [Math.max(cx - left, right - cx), Math.max(cy - top, bottom - cy)];
  return fx * fx + fy * fy <= square ? "all" : "some";
}

/** A part of a part, with what reaches into it. */
function partOf(of: Pick<Part, "sure" | "open">, left: number, top: number, right: number, bottom: number): Part {
  let { sure } = of;
  let most = sure;
  const open: Shape[] = [];
  for (const shape of of.open) {
    const how = reach(shape, left, top, right, bottom);
    if (how === "none") continue;
    most += shape.patch.thick;
    if (how === "all") sure += shape.patch.thick;
    else open.push(shape);
  }
  return { left, top, right, bottom, sure, open, most };
}

/** The edge, of those strictly between `from` and `to`, that is nearer to their middle than `near` is; else `near`. */
function nearer(edge: number, from: number, to: number, near: number): number {
  const middle = (from + to) / 2;
  return edge > from && edge < to && Math.abs(edge - middle) < Math.abs(near - middle) ? edge : near;
}

/** Both halves of a part: cut along the edge of something straight that is nearest to its middle, else across its longer side. */
function halves(part: Part): readonly [Part, Part] {
  const { left, top, right, bottom, open } = part;
  // As long as none is found, the part's own edge, which is farthest off.
  let [x, y]: [number, number] = [left, top];
  for (const shape of open) {
    if (shape.square !== null) continue;
    x = nearer(shape.left, left, right, x);
    x = nearer(shape.right, left, right, x);
    y = nearer(shape.top, top, bottom, y);
    y = nearer(shape.bottom, top, bottom, y);
  }
  const [wide, high] = [right - left, bottom - top];
  const [offX, offY] = [Math.abs(x - left - wide / 2) / wide, Math.abs(y - top - high / 2) / high];
  if (x === left && y === top) {
    if (wide >= high) x = left + wide / 2;
    else y = top + high / 2;
  }
  return y === top || (x !== left && offX <= offY)
    ? [partOf(part, left, top, x, bottom), partOf(part, x, top, right, bottom)]
    : [partOf(part, left, top, right, y), partOf(part, left, y, right, bottom)];
}

/** Smaller than this a part is looked at in its middle alone: finer than anything is cut. */
const NARROW = 1;

/** What patches share of a line; null where they share nothing there. */
function sharedOn(x: number, patches: readonly Patch[]): { readonly from: number; readonly to: number } | null {
  let [from, to] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (const patch of patches) {
    const span = spanAt(patch, x);
    if (!span) return null;
    from = Math.max(from, span.from);
    to = Math.min(to, span.to);
  }
  return to > from ? { from, to } : null;
}

/**
 * A place as near to the hinge as what lies there goes: of pieces that share some area, the place of it nearest to the hinge
 * is where one begins, or where two begin to lie over each other (a linear program in the plane).
 */
function nearestTo(spot: Spot, patches: readonly Patch[]): Spot {
  const there = patches.filter((patch) => liesAt(patch, spot));
  const begin = there.map(({ at, round }) => (round ? at.x + at.w / 2 - Math.min(at.w, at.h) / 2 : at.x));
  const meet = there.flatMap((one) =>
    one.round
      ? there.flatMap((other) => (other === one ? [] : other.round ? roundsMeet(one, other) : roundMeets(one, other)))
      : [],
  );
  const first = Math.max(...begin);
  for (const x of [first, ...meet.filter((each) => each > first).sort((a, b) => a - b)]) {
    // What was found lies a hair beyond where it is named: nothing begins farther from the hinge.
    if (x > spot.x + BESIDE) break;
    const shared = sharedOn(x + BESIDE, there);
    if (!shared) continue;
    const y = there.some(({ round }) => round) ? (shared.from + shared.to) / 2 : shared.from;
    return { x, y, height: spot.height };
  }
  return spot;
}

/**
 * The place of the closed book that is worth most, of exact sums over every rectangle and circle; null in an empty one. The
 * book is parted along the edges of what lies there, again and again, and what cannot be worth more than what was found is
 * left out (branch and bound); only between round edges it is parted until it is narrower than a tick. No grid, so that
 * nothing wider than that is missed. Of places worth the same the one nearest to the hinge is named. `known`: a place of
 * the same patches to begin with, so that less is looked at.
 */
export function greatest(patches: readonly Patch[], worth: Worth = AS_HIGH, known: Spot | null = null): Spot | null {
  const some = patches.filter(({ at, thick }) => at.w > 0 && at.h > 0 && thick > 0);
  if (some.length === 0) return null;
  let [left, top, right, bottom] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, 0, 0];
  for (const { at } of some) {
    [left, top] = [Math.min(left, at.x), Math.min(top, at.y)];
    [right, bottom] = [Math.max(right, at.x + at.w), Math.max(bottom, at.y + at.h)];
  }
  let best: (Spot & { readonly worth: number }) | null = known && { ...known, worth: worth(known.height, known.x) };
  const parts: Part[] = [partOf({ sure: 0, open: some.map(shapeOf) }, left, top, right, bottom)];
  for (let part = parts.pop(); part; part = parts.pop()) {
    const beaten = best as (Spot & { readonly worth: number }) | null;
    const atMost = worth(part.most, part.left);
    if (part.most <= 0 || (beaten && (atMost < beaten.worth || (atMost === beaten.worth && part.left >= beaten.x))))
      continue;
    const isNarrow = part.right - part.left <= NARROW && part.bottom - part.top <= NARROW;
    if (part.open.length > 0 && !isNarrow) {
      const [one, other] = halves(part);
      // What may be worth more is looked at first, and of both the nearer.
      if (worth(one.most, one.left) >= worth(other.most, other.left)) parts.push(other, one);
      else parts.push(one, other);
      continue;
    }
    const [x, y] = part.open.length > 0 ? [part.left, (part.top + part.bottom) / 2] : [part.left, part.top];
    const height = part.open.reduce((sum, { patch }) => (liesAt(patch, { x, y }) ? sum + patch.thick : sum), part.sure);
    const its = worth(height, x);
    if (height > 0 && (!beaten || its > beaten.worth || (its === beaten.worth && x < beaten.x)))
      best = { x, y, height, worth: its };
  }
  if (!best) return null;
  const { x, y, height }: Spot = best;
  return nearestTo({ x, y, height }, some);
}

/** Whether a patch lies at a place that `greatest` found. */
export function liesAt(patch: Patch, { x, y }: Pick<Spot, "x" | "y">): boolean {
  const span = spanAt(patch, x + BESIDE);
  return span ? span.from <= y && y < span.to : false;
}
