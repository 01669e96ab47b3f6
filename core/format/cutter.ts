import type { Polygon } from "../craft/polygon.ts";
import { boundsOf, isInside, point } from "../craft/polygon.ts";
import { toMillimetres } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import { type FileShape, readShapes, type ShapesRefused } from "./shape-file.ts";

/**
 * A cutting machine that is simulated: it takes an SVG file and refuses what a real one would. What it takes from a file it
 * reads itself, as a machine would, and nothing of ours.
 */

/** Smaller than this, in millimetres, a piece does not hold on its mat, and a hole tears. Common practice. */
const LEAST_PIECE = 6;
const LEAST_HOLE = 3;
/** Millimetres a second in cardstock, and seconds to lift and set down. From memory. */
const SPEED = 20;
const LIFT = 0.5;

export type CutterRefused =
  | { readonly kind: "unread"; readonly reason: ShapesRefused }
  | { readonly kind: "nothing-to-cut" }
  | { readonly kind: "open"; readonly count: number }
  | { readonly kind: "beyond-mat"; readonly w: number; readonly h: number }
  | { readonly kind: "too-small"; readonly count: number; readonly hole: boolean };

export type CutterSays =
  | {
      readonly ok: true;
      readonly pieces: number;
      readonly holes: number;
      /** Millimetres that are cut, and scored. */
      readonly cut: number;
      readonly scored: number;
      readonly seconds: number;
    }
  | { readonly ok: false; readonly why: readonly CutterRefused[] };

/** What is not in a layer of these names is cut. */
const isOf = ({ layer }: FileShape, name: string): boolean => (layer ?? "").toLowerCase() === name;

const longOf = ({ points, closed }: FileShape): number =>
  points.reduce((sum, [x, y], at) => {
    const to = points[at + 1] ?? (closed ? points[0] : undefined);
    return to ? sum + Math.hypot(to[0] - x, to[1] - y) : sum;
  }, 0);

/** In hundredths of a millimetre, where whole numbers are exact. */
const FINE = 100;
const polygonOf = ({ points }: FileShape): Polygon => points.map(([x, y]) => point(x * FINE, y * FINE));

/** Out and back on one line: a slit, which parts nothing from anything. */
const isSlit = (shape: Polygon): boolean => new Set(shape.map(({ x, y }) => `${x} ${y}`)).size < 3;

export function cutOn(file: string, size: Size): CutterSays {
  const mat = { w: toMillimetres(size.w), h: toMillimetres(size.h) };
  const read = readShapes(file);
  if (!read.ok) return { ok: false, why: [{ kind: "unread", reason: read.reason }] };
  const drawn = (shape: FileShape) => isOf(shape, "score") || isOf(shape, "draw");
  const cuts = read.shapes.filter((shape) => !drawn(shape));
  const scores = read.shapes.filter((shape) => isOf(shape, "score"));
  const why: CutterRefused[] = [];
  if (cuts.length === 0) why.push({ kind: "nothing-to-cut" });
  const open = cuts.filter(({ closed }) => !closed).length;
  if (open > 0) why.push({ kind: "open", count: open });
  const all = read.shapes.flatMap(({ points }) => points);
  const [right, foot] = [Math.max(0, ...all.map(([x]) => x)), Math.max(0, ...all.map(([, y]) => y))];
  const [left, top] = [Math.min(0, ...all.map(([x]) => x)), Math.min(0, ...all.map(([, y]) => y))];
  const [w, h] = [Math.max(0, right - mat.w, -left), Math.max(0, foot - mat.h, -top)];
  if (w > 0 || h > 0) why.push({ kind: "beyond-mat", w, h });
  const shapes = cuts
    .filter(({ closed }) => closed)
    .map(polygonOf)
    .filter((shape) => !isSlit(shape));
  const isHole = (shape: Polygon) =>
    shapes.some((round) => round !== shape && shape.every(({ x, y }) => isInside(round, x, y)));
  const [holes, pieces] = [shapes.filter(isHole), shapes.filter((shape) => !isHole(shape))];
  const isUnder = (least: number) => (shape: Polygon) => {
    const { w: wide, h: high } = boundsOf([shape]);
    return Math.min(wide, high) < least * FINE;
  };
  const small = pieces.filter(isUnder(LEAST_PIECE)).length;
  if (small > 0) why.push({ kind: "too-small", count: small, hole: false });
  const tight = holes.filter(isUnder(LEAST_HOLE)).length;
  if (tight > 0) why.push({ kind: "too-small", count: tight, hole: true });
  if (why.length > 0) return { ok: false, why };
  const cut = cuts.reduce((sum, shape) => sum + longOf(shape), 0);
  const scored = scores.reduce((sum, shape) => sum + longOf(shape), 0);
  const seconds = (cut + scored) / SPEED + (cuts.length + scores.length) * LIFT;
  return { ok: true, pieces: pieces.length, holes: holes.length, cut, scored, seconds };
}
