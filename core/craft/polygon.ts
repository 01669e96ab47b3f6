import { ticks } from "../measure/length.ts";
import { type Point, type Rect, rect } from "../measure/rect.ts";

/** A closed shape by its corners in order, in ticks; the last is joined to the first. */
export type Polygon = readonly Point[];
/** A straight line from one place to another. */
export type Line = { readonly from: Point; readonly to: Point };

export const point = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
export const line = (x1: number, y1: number, x2: number, y2: number): Line => ({
  from: point(x1, y1),
  to: point(x2, y2),
});
export const polygon = (...corners: readonly (readonly [number, number])[]): Polygon =>
  corners.map(([x, y]) => point(x, y));
export const polygonOf = ({ x, y, w, h }: Rect): Polygon => polygon([x, y], [x + w, y], [x + w, y + h], [x, y + h]);

/** Each corner with the one after it. */
const sides = (shape: Polygon): (readonly [Point, Point])[] =>
  shape.map((corner, at) => [corner, shape[(at + 1) % shape.length] ?? corner] as const);

/** Twice the area within, in square ticks: a whole number. */
export const twiceArea = (shape: Polygon): number =>
  Math.abs(sides(shape).reduce((sum, [a, b]) => sum + a.x * b.y - b.x * a.y, 0));

/** The smallest upright rectangle round all of it. */
export function boundsOf(shapes: readonly Polygon[]): Rect {
  const corners = shapes.flat();
  if (corners.length === 0) return rect(0, 0, 0, 0);
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return rect(x, y, Math.max(...xs) - x, Math.max(...ys) - y);
}

/** Whether a place lies within a shape, by the number of sides to the right of it; on a side it may be either. */
export function isInside(shape: Polygon, x: number, y: number): boolean {
  let inside = false;
  for (const [a, b] of sides(shape)) {
    if (a.y > y === b.y > y) continue;
    if (x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
  }
  return inside;
}

/** Whether a place lies on the straight line between two others. */
const isBetween = (a: Point, b: Point, p: Point): boolean =>
  (b.x - a.x) * (p.y - a.y) === (b.y - a.y) * (p.x - a.x) && (p.x - a.x) * (p.x - b.x) + (p.y - a.y) * (p.y - b.y) <= 0;

/** Whether a place lies on the edge of a shape. */
export const isOnEdge = (shape: Polygon, place: Point): boolean =>
  sides(shape).some(([a, b]) => isBetween(a, b, place));

/** On which side of a line a place lies: above zero on one, below on the other, zero on it. */
const sideOf = (a: Point, b: Point, p: Point): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Whether the edges of two shapes run across each other anywhere; where they only touch they do not. */
export const doCross = (one: Polygon, other: Polygon): boolean =>
  sides(one).some(([a, b]) =>
    sides(other).some(([c, d]) => sideOf(a, b, c) * sideOf(a, b, d) < 0 && sideOf(c, d, a) * sideOf(c, d, b) < 0),
  );

const keyOf = ({ x, y }: Point): string => `${x},${y}`;

/**
 * The edges of shapes that lie beside each other without overlapping, as closed outlines: what two of them share is within
 * and is no edge. Null where they do not close, as shapes that overlap would not.
 */
export function outlinesOf(shapes: readonly Polygon[]): Polygon[] | null {
  const corners = [...new Map(shapes.flat().map((each) => [keyOf(each), each])).values()];
  // Sides all the same way round, cut wherever another shape has a corner on them, so that shared ones are alike.
  const edges = new Map<string, readonly [Point, Point]>();
  for (const shape of shapes)
    for (const [a, b] of sides(isClockwise(shape) ? shape : [...shape].reverse())) {
      const along = (p: Point) => (p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y);
      const stops = corners.filter((each) => isBetween(a, b, each)).sort((p, q) => along(p) - along(q));
      for (const [at, from] of stops.entries()) {
        const to = stops[at + 1];
        if (!to) continue;
        const back = `${keyOf(to)} ${keyOf(from)}`;
        if (edges.has(back)) edges.delete(back);
        else edges.set(`${keyOf(from)} ${keyOf(to)}`, [from, to]);
      }
    }
  const loops: Polygon[] = [];
  const left = new Map<string, (readonly [Point, Point])[]>();
  for (const edge of edges.values()) left.set(keyOf(edge[0]), [...(left.get(keyOf(edge[0])) ?? []), edge]);
  for (;;) {
    const begin = [...left.values()].find((all) => all.length > 0)?.[0];
    if (!begin) break;
    const loop: Point[] = [];
    let next: readonly [Point, Point] | undefined = begin;
    while (next) {
      const [from, to]: readonly [Point, Point] = next;
      loop.push(from);
      left.get(keyOf(from))?.splice(left.get(keyOf(from))?.indexOf(next) ?? 0, 1);
      if (keyOf(to) === keyOf(begin[0])) break;
      next = left.get(keyOf(to))?.[0];
      if (!next) return null;
    }
    loops.push(straightened(loop));
  }
  return loops;
}

/** The edges of a shape, each by itself: of one that was pierced (`pierced.ts`) its outer edge and its holes. */
export const edgesOf = (shape: Polygon): readonly Polygon[] =>
  new Set(shape.map(keyOf)).size === shape.length ? [shape] : (outlinesOf([shape]) ?? [shape]);

/** Whether its corners run clockwise, as they are seen: y runs downward. */
export const isClockwise = (shape: Polygon): boolean =>
  sides(shape).reduce((sum, [a, b]) => sum + a.x * b.y - b.x * a.y, 0) > 0;

/** Without the corners at which nothing turns. */
const straightened = (shape: Polygon): Polygon =>
  shape.filter((corner, at) => {
    const before = shape[(at + shape.length - 1) % shape.length] ?? corner;
    const after = shape[(at + 1) % shape.length] ?? corner;
    return (after.x - corner.x) * (corner.y - before.y) !== (after.y - corner.y) * (corner.x - before.x);
  });
