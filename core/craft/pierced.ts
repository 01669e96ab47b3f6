import { overlap } from "../measure/rect.ts";
import type { Part } from "./blueprint.ts";
import { without } from "./clip.ts";
import { boundsOf, type Polygon } from "./polygon.ts";

/**
 * A shape with others cut out of it, as one closed line: its edge and each hole in it are joined by lines that go there and
 * back, and so bound nothing. Empty where nothing of it is left.
 */
export function pierced(shape: Polygon, windows: readonly Polygon[]): Polygon {
  const met = windows.filter((window) => overlap(boundsOf([window]), boundsOf([shape])));
  if (met.length === 0) return shape;
  const [first = [], ...others] = without([shape], met);
  return others.reduce<Polygon>(joined, first);
}

/** Two closed lines as one, joined where a corner of one is nearest to a corner of the other: nothing lies between these. */
function joined(one: Polygon, other: Polygon): Polygon {
  let best = { far: Number.POSITIVE_INFINITY, at: 0, from: 0 };
  for (const [at, a] of one.entries())
    for (const [from, b] of other.entries()) {
      const far = (a.x - b.x) ** 2 + (a.y - b.y) ** 2;
      if (far < best.far) best = { far, at, from };
    }
  const round = [...other.slice(best.from), ...other.slice(0, best.from + 1)];
  return [...one.slice(0, best.at + 1), ...round, ...one.slice(best.at)];
}

const known = new WeakMap<object, readonly Polygon[]>();

/** What is left of each panel of a part that has windows; reckoned once for each part. */
export function panelsLeft(part: Pick<Part, "panels" | "windows">): readonly Polygon[] {
  const before = known.get(part);
  if (before) return before;
  const left = part.panels.map(({ shape }) => pierced(shape, part.windows));
  known.set(part, left);
  return left;
}
