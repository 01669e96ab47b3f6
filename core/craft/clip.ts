import { Clipper64, ClipType, FillRule } from "clipper2-ts";
import { isClockwise, type Polygon, point } from "./polygon.ts";

/** All of them the same way round, or two that overlap would cancel each other. */
export const clockwise = (shape: Polygon): Polygon => (isClockwise(shape) ? shape : [...shape].reverse());
export const counterclockwise = (shape: Polygon): Polygon => [...clockwise(shape)].reverse();

/** What is left of closed lines once others are cut from it. */
export const without = (shapes: readonly Polygon[], cut: readonly Polygon[]): Polygon[] =>
  clipped(ClipType.Difference, FillRule.NonZero, shapes.map(clockwise), cut.map(clockwise));

/** The edges of what closed lines go round at all, whichever way; with `layered`, clockwise ones more often than others. */
export const outlined = (shapes: readonly Polygon[], layered = false): Polygon[] =>
  clipped(ClipType.Union, layered ? FillRule.Positive : FillRule.NonZero, shapes, []);

// What does this alone is a third of the whole library, which every page of the bench would load.
function clipped(type: ClipType, rule: FillRule, shapes: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  const paths = (of: readonly Polygon[]) => of.map((each) => each.map(({ x, y }) => ({ x, y })));
  const clipper = new Clipper64();
  clipper.addSubject(paths(shapes));
  clipper.addClip(paths(others));
  const rings: ReturnType<typeof paths> = [];
  clipper.execute(type, rule, rings);
  return rings.map((ring) => ring.map(({ x, y }) => point(x, y)));
}
