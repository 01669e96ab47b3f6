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

/** The most that lies on one line, and where on it. What ends where another begins does not lie over it. */
function highestOn(spans: readonly Span[]): { readonly y: number; readonly height: number } {
  const ends = spans.flatMap(({ from, to, thick }) => [
    { y: from, by: thick, begins: 1 },
    { y: to, by: -thick, begins: 0 },
  ]);
  ends.sort((a, b) => a.y - b.y || a.begins - b.begins);
  let [now, best, y] = [0, 0, 0];
  for (const end of ends) {
    now += end.by;
    if (now > best) [best, y] = [now, end.y];
  }
  return { y, height: best };
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

/** Where in a stretch, past its nearer edge, round patches begin to lie over others. */
function* meetings(patches: readonly Patch[], from: number, to: number) {
  for (const one of patches) {
    if (!one.round) continue;
    for (const other of patches) {
      if (other === one) continue;
      const x = other.round ? roundsMeet(one, other) : roundMeets(one, other);
      if (x > from && x < to) yield { x, one, other };
    }
  }
}

/** The patches of a stretch that reach to where in it enough may lie, round ones taken as the strips that cover them. */
function nearTo(within: readonly Patch[], from: number, to: number, isEnough: (height: number) => boolean): Patch[] {
  const ends = within.flatMap((patch) =>
    asRectangles(patch).flatMap(({ at, thick }) =>
      at.x < to && at.x + at.w > from
        ? [
            { y: at.y as number, by: thick },
            { y: at.y + at.h, by: -thick },
          ]
        : [],
    ),
  );
  ends.sort((a, b) => a.y - b.y || a.by - b.by);
  let now = 0;
  let [top, bottom] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const [nth, { y, by }] of ends.entries()) {
    now += by;
    if (!isEnough(now)) continue;
    top = Math.min(top, y);
    bottom = Math.max(bottom, ends[nth + 1]?.y ?? y);
  }
  return within.filter(({ at }) => at.y < bottom && at.y + at.h > top);
}

/** What two patches share of a line: the middle of it; null where they share nothing there. */
function sharedOn(x: number, one: Patch, other: Patch): number | null {
  const [a, b] = [spanAt(one, x), spanAt(other, x)];
  if (!a || !b) return null;
  const [from, to] = [Math.max(a.from, b.from), Math.min(a.to, b.to)];
  return to > from ? (from + to) / 2 : null;
}

/**
 * The place of the closed book that is worth most, of exact sums over every rectangle and circle; null in an empty one. The
 * book is swept from the hinge outward; where round pieces leave it open what lies in a stretch, it is looked at its nearer
 * edge, and wherever in it two of them begin to lie over each other, found to within a tick: of any pieces that share
 * some area, the place of it nearest to the hinge is settled by two of them (a linear program in the plane). No grid, so
 * that nothing narrow is missed. `swept`: the stretches of these patches, where they are known already.
 */
export function greatest(
  patches: readonly Patch[],
  worth: Worth = AS_HIGH,
  swept: readonly Stretch[] = stretchesOf(patches),
): Spot | null {
  const some = patches.filter(({ at, thick }) => at.w > 0 && at.h > 0 && thick > 0);
  const stretches = swept
    .map((stretch) => ({ ...stretch, worth: worth(stretch.most, stretch.from) }))
    .sort((a, b) => b.worth - a.worth || a.from - b.from);
  let best: (Spot & { readonly worth: number }) | null = null;
  const take = (x: number, y: number, height: number) => {
    const its = worth(height, x);
    if (height > 0 && (!best || its > best.worth || (its === best.worth && x < best.x)))
      best = { x, y, height, worth: its };
  };
  for (const { from, to, most, worth: atMost } of stretches) {
    if (most <= 0) continue;
    const known: number = (best as { worth: number } | null)?.worth ?? Number.NEGATIVE_INFINITY;
    if (atMost <= known) break;
    const within = some.filter(({ at }) => at.x <= from && at.x + at.w >= to);
    const { y, height } = highestOn(within.flatMap((patch) => spanAt(patch, from + BESIDE) ?? []));
    take(from, y, height);
    if (worth(height, from) === atMost) continue;
    const beaten = (best as { worth: number } | null)?.worth ?? 0;
    const near = nearTo(within, from, to, (there) => worth(there, from) > beaten);
    for (const { x, one, other } of meetings(near, from, to)) {
      const middle = sharedOn(x + BESIDE, one, other);
      if (middle === null) continue;
      const there = within.reduce((sum, patch) => (liesAt(patch, { x, y: middle }) ? sum + patch.thick : sum), 0);
      take(x, middle, there);
    }
  }
  if (!best) return null;
  const { x, y, height }: Spot = best;
  return { x, y, height };
}

/** Whether a patch lies at a place that `greatest` found. */
export function liesAt(patch: Patch, { x, y }: Pick<Spot, "x" | "y">): boolean {
  const span = spanAt(patch, x + BESIDE);
  return span ? span.from <= y && y < span.to : false;
}
