import { Clipper64, ClipType, FillRule } from "clipper2-ts";
import { overlap } from "../measure/rect.ts";
import type { Part } from "./blueprint.ts";
import { boundsOf, isClockwise, type Polygon, point } from "./polygon.ts";

/**
 * A shape with others cut out of it, as one closed line: its edge and each hole in it are joined by lines that go there and
 * back, and so bound nothing. Empty where nothing of it is left.
 */
export function pierced(shape: Polygon, windows: readonly Polygon[]): Polygon {
  const met = windows.filter((window) => overlap(boundsOf([window]), boundsOf([shape])));
  if (met.length === 0) return shape;
  // All of them the same way round, or two that overlap would cancel each other.
  const paths = (of: readonly Polygon[]) =>
    of.map((each) => (isClockwise(each) ? each : [...each].reverse()).map(({ x, y }) => ({ x, y })));
  // What does this alone is a third of the whole library, which every page of the bench would load.
  const clipper = new Clipper64();
  clipper.addSubject(paths([shape]));
  clipper.addClip(paths(met));
  const rings: ReturnType<typeof paths> = [];
  clipper.execute(ClipType.Difference, FillRule.NonZero, rings);
  const [first = [], ...others] = rings.map((ring) => ring.map(({ x, y }) => point(x, y)));
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
