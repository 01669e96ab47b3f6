import type { PackTask } from "./task.ts";
import { printed, waysOf } from "./task.ts";

/**
 * The places where a cut can be of use along one edge: every sum of print edges that lies within it, zero and the edge
 * itself included; null when there are too many of them. Moving each print as far left and up as it goes turns any plan into one cut at these places only
 * (normal patterns, Herz 1972; Christofides & Whitlock 1977).
 */
export function normalPlaces(
  edges: readonly { readonly length: number; readonly count: number }[],
  within: number,
): Int32Array | null {
  let places = new Set<number>([0]);
  for (const { length, count } of edges) {
    const next = new Set(places);
    for (const place of places) {
      for (let times = 1; times <= count && place + times * length <= within; times++) next.add(place + times * length);
    }
    if (next.size > MOST_PLACES) return null;
    places = next;
  }
  return Int32Array.from(places).sort();
}

/** Beyond so many places along one edge the exact way costs more than it gives: sizes that share no measure at all. */
const MOST_PLACES = 360;

/** One paper's places, with for each pair how large a rest a cut leaves, as the index of the largest place within it. */
export type Raster = {
  readonly xs: Int32Array;
  readonly ys: Int32Array;
  /** `rest[i * n + a]`: what is right of a cut at place `a` in a rectangle that reaches to place `i`. */
  readonly restX: Int32Array;
  readonly restY: Int32Array;
  /** Every way of every size as indices: the first place that takes it. */
  readonly ways: readonly { readonly type: number; readonly turned: boolean; readonly x: number; readonly y: number }[];
};

const atMost = (places: Int32Array, length: number): number => {
  let [low, high] = [0, places.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((places[middle] as number) <= length) low = middle;
    else high = middle - 1;
  }
  return low;
};

function rests(places: Int32Array): Int32Array {
  const n = places.length;
  const rest = new Int32Array(n * n);
  for (let i = 0; i < n; i++)
    for (let a = 0; a <= i; a++) rest[i * n + a] = atMost(places, (places[i] as number) - (places[a] as number));
  return rest;
}

/** The raster of a paper. A gap is kept by widening every print, and the paper, by it: the last print needs none. */
export function rasterOf({ wanted, papers, gap }: PackTask, paper: number): Raster | null {
  const area = papers[paper]?.area ?? { w: 0, h: 0 };
  const [wide, high] = [area.w + gap, area.h + gap];
  const ways = wanted.flatMap((each, type) =>
    waysOf(each).map((turned) => ({ type, turned, count: each.count, ...printed(each, turned) })),
  );
  const edges = (side: "w" | "h") => {
    const counts = new Map<number, number>();
    for (const way of ways) counts.set(way[side] + gap, (counts.get(way[side] + gap) ?? 0) + way.count);
    return [...counts].map(([length, count]) => ({ length, count }));
  };
  const [xs, ys] = [normalPlaces(edges("w"), wide), normalPlaces(edges("h"), high)];
  if (!xs || !ys) return null;
  const first = (places: Int32Array, length: number) => {
    const at = atMost(places, length);
    return places[at] === length ? at : -1;
  };
  return {
    xs,
    ys,
    restX: rests(xs),
    restY: rests(ys),
    ways: ways.flatMap(({ type, turned, w, h }) => {
      const [x, y] = [first(xs, w + gap), first(ys, h + gap)];
      return x < 0 || y < 0 ? [] : [{ type, turned, x, y }];
    }),
  };
}

/** How many cuts a dynamic program over the raster looks at: what a reading of it costs. */
export const workOf = ({ xs, ys }: Raster): number => (xs.length * ys.length * (xs.length + ys.length)) / 4;
