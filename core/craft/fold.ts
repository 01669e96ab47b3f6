import { ticks } from "../measure/length.ts";
import type { Point } from "../measure/rect.ts";
import type { Hinge, Part } from "./blueprint.ts";
import { panelsLeft } from "./pierced.ts";
import type { Polygon } from "./polygon.ts";

/**
 * A way in which nothing changes its size: x' = a·x + b·y + c, y' = d·x + e·y + f, each of a, b, d and e being 0, 1 or −1. Folds
 * along an edge of the mat and along its diagonals are such, so that ticks stay whole.
 */
export type Isometry = {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
};
export const STILL: Isometry = { a: 1, b: 0, c: 0, d: 0, e: 1, f: 0 };

export const moved = ({ a, b, c, d, e, f }: Isometry, { x, y }: Point): Point => ({
  x: ticks(a * x + b * y + c),
  y: ticks(d * x + e * y + f),
});

/** First `first`, then `then`. */
export const andThen = (first: Isometry, then: Isometry): Isometry => ({
  // Nothing added to it makes 0 of −0.
  a: then.a * first.a + then.b * first.d + 0,
  b: then.a * first.b + then.b * first.e + 0,
  c: then.a * first.c + then.b * first.f + then.c,
  d: then.d * first.a + then.e * first.d + 0,
  e: then.d * first.b + then.e * first.e + 0,
  f: then.d * first.c + then.e * first.f + then.f,
});

/** The reflection in a line that lies along the mat or along one of its diagonals; null for any other. */
export function reflection({ from, to }: Pick<Hinge, "from" | "to">): Isometry | null {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  if (dx === 0 && dy === 0) return null;
  if (dx === 0) return { a: -1, b: 0, c: 2 * from.x, d: 0, e: 1, f: 0 };
  if (dy === 0) return { a: 1, b: 0, c: 0, d: 0, e: -1, f: 2 * from.y };
  // Falling like the mat's diagonal, x and y are exchanged; rising, with the other sign.
  if (dx === dy) return { a: 0, b: 1, c: from.x - from.y, d: 1, e: 0, f: from.y - from.x };
  if (dx === -dy) return { a: 0, b: -1, c: from.x + from.y, d: -1, e: 0, f: from.x + from.y };
  return null;
}

/** A panel as it lies: where, which face is up, and which way its head points. The lowest of a pile comes first. */
export type Laid = {
  readonly panel: string;
  readonly shape: Polygon;
  readonly faceUp: boolean;
  readonly way: Isometry;
};

/** Where the head of what stands upright on a panel points as it lies, seen from above. */
export type Head = "up" | "right" | "down" | "left";
export function headOf({ way }: Pick<Laid, "way">): Head {
  // The way up on a panel is (0, -1).
  const [x, y] = [-way.b, -way.e];
  return y < 0 ? "up" : y > 0 ? "down" : x > 0 ? "right" : "left";
}

export type FoldFault = "no-such-score" | "not-in-line" | "does-not-part" | "not-straight";

/** A part with nothing folded: what its windows leave of each panel. */
export function flat(part: Pick<Part, "panels" | "windows">): Laid[] {
  const left = panelsLeft(part);
  return part.panels.map(({ id, shape }, nth) => ({ panel: id, shape: left[nth] ?? shape, faceUp: true, way: STILL }));
}

/**
 * A pile with one score folded more: everything on that side of it on which the first panel is not goes over, to the top of
 * the pile or, folded the other way, under it, with all that lies on it the other way round. A score that runs over several
 * panels folds where all of it lies in one line by then. Folded once more along the same score it lies as before.
 */
export function foldedAt(
  part: Pick<Part, "panels" | "hinges">,
  pile: readonly Laid[],
  score: string,
): Laid[] | FoldFault {
  const own = part.hinges.filter((each) => each.score === score);
  const [first] = own;
  const rootId = part.panels[0]?.id;
  if (!first || rootId === undefined) return "no-such-score";
  // Everything that hangs on the first panel without that score.
  const still = new Set([rootId]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const { score: other, between } of part.hinges) {
      if (other === score || still.has(between[0]) === still.has(between[1])) continue;
      still.add(between[0]).add(between[1]);
      grown = true;
    }
  }
  if (own.some(({ between: [a, b] }) => still.has(a) === still.has(b))) return "does-not-part";
  const laid = new Map(pile.map((each) => [each.panel, each]));
  const lines = own.flatMap((hinge) => {
    const at = laid.get(still.has(hinge.between[0]) ? hinge.between[0] : hinge.between[1]);
    return at ? [{ at, hinge, from: moved(at.way, hinge.from), to: moved(at.way, hinge.to) }] : [];
  });
  const [one, ...others] = lines;
  if (!one) return "no-such-score";
  const way = reflection(one);
  if (!way) return "not-straight";
  const isOn = (place: Point) => {
    const there = moved(way, place);
    return there.x === place.x && there.y === place.y;
  };
  if (others.some(({ from, to }) => !isOn(from) || !isOn(to))) return "not-in-line";
  const stays = pile.filter(({ panel }) => still.has(panel));
  const goes = pile
    .filter(({ panel }) => !still.has(panel))
    .reverse()
    .map((each) => ({
      panel: each.panel,
      shape: each.shape.map((corner) => moved(way, corner)),
      faceUp: !each.faceUp,
      way: andThen(each.way, way),
    }));
  // Folded towards its printed side it goes over the pile where that side is up, and under it where it is down.
  const isOver = (one.hinge.fold === "valley") === one.at.faceUp;
  return isOver ? [...stays, ...goes] : [...goes, ...stays];
}

/** A part with several scores folded one after the other; what goes wrong, and at which, where it cannot be. */
export function folded(
  part: Pick<Part, "panels" | "hinges" | "windows">,
  scores: readonly string[],
):
  | { readonly ok: true; readonly pile: readonly Laid[] }
  | { readonly ok: false; readonly at: string; readonly why: FoldFault } {
  let pile: readonly Laid[] = flat(part);
  for (const score of scores) {
    const next = foldedAt(part, pile, score);
    if (typeof next === "string") return { ok: false, at: score, why: next };
    pile = next;
  }
  return { ok: true, pile };
}

/** A part of the mat in which the same shapes lie on each other: its area, and which of them, from the lowest up. */
export type Cell = { readonly area: number; readonly by: readonly number[] };

/**
 * Shapes that lie on each other, cut into cells in which the same of them lie: row by row between the heights of their corners,
 * and within a row from side to side, by the middle of the row. For upright rectangles that is exact; where slanted sides of two
 * shapes cross within a row it is near.
 */
export function cellsOf(shapes: readonly Polygon[]): Cell[] {
  const heights = [...new Set(shapes.flat().map(({ y }) => y))].sort((a, b) => a - b);
  return heights.slice(1).flatMap((end, at) => {
    const from = heights[at] ?? end;
    const met = shapes.map((shape) => crossings(shape, (from + end) / 2));
    const stops = [...new Set(met.flat())].sort((a, b) => a - b);
    return stops.slice(1).map((right, nth) => {
      const left = stops[nth] ?? right;
      const by = met.flatMap((xs, which) => (isWithin(xs, (left + right) / 2) ? [which] : []));
      return { area: (right - left) * (end - from), by };
    });
  });
}

/** Where a level line meets the sides of a shape, from the left. */
function crossings(shape: Polygon, y: number): number[] {
  const xs: number[] = [];
  for (const [at, a] of shape.entries()) {
    const b = shape[(at + 1) % shape.length] ?? a;
    if (a.y > y !== b.y > y) xs.push(a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x));
  }
  return xs.sort((one, other) => one - other);
}

/** Inside by the number of sides to the right. */
function isWithin(xs: readonly number[], x: number): boolean {
  let inside = false;
  for (const each of xs) if (each > x) inside = !inside;
  return inside;
}

/** How many layers lie on each other where most do. */
export const mostLayers = (shapes: readonly Polygon[]): number =>
  cellsOf(shapes).reduce((most, { by }) => Math.max(most, by.length), 0);
