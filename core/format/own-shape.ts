import { Clipper } from "clipper2-ts";
import { MOST_OWN_CORNERS, MOST_OWN_CUTS } from "../album/leaf.ts";
import { boundsOf, type Polygon, point } from "../craft/polygon.ts";
import { united } from "../craft/united.ts";
import { inches, millimetres } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import { readShapes, type ShapesRefused } from "./shape-file.ts";

export type OwnShapeRefused = ShapesRefused | "none-closed" | "too-fine" | "too-small" | "too-wide";
/** The closed outlines of a drawing, in ticks from its own left upper corner, and how large it is. */
export type OwnShape =
  | { readonly ok: true; readonly rings: readonly Polygon[]; readonly size: Size }
  | { readonly ok: false; readonly reason: OwnShapeRefused };

/** How far a line may be off its curve for fewer corners: at first, and at the most; a blade is no finer. */
const NEAR = millimetres(0.1);
const FURTHEST = millimetres(0.4);
/** Smaller than this, either way, an outline is a speck of the drawing. */
const SPECK = millimetres(1);
/** More outlines than this, together with those that are made one with others, are not for a blade. */
const MOST_READ = 4 * MOST_OWN_CUTS;
const LEAST = inches(1 / 4);
const MOST = inches(24);

/**
 * What is closed in an SVG file, as it is cut by hand or by a machine: lines that are only scored or drawn are left out,
 * outlines that cross each other are one, and curves are followed as finely as so few corners allow.
 */
export function readOwnShape(file: string): OwnShape {
  const read = readShapes(file);
  if (!read.ok) return read;
  const closed = read.shapes.filter((each) => each.closed && !/^(score|draw)$/i.test(each.layer ?? ""));
  if (closed.length === 0) return { ok: false, reason: "none-closed" };
  const all = closed
    .map(({ points }): Polygon => points.map(([x, y]) => point(millimetres(x), millimetres(y))))
    .filter(isNoSpeck);
  if (all.length > MOST_READ) return { ok: false, reason: "too-fine" };
  const { x, y, w, h } = boundsOf(all);
  if (Math.min(w, h) < LEAST) return { ok: false, reason: "too-small" };
  if (Math.max(w, h) > MOST) return { ok: false, reason: "too-wide" };
  const fromZero = all.map((ring) => ring.map((corner) => point(corner.x - x, corner.y - y)));
  for (let near: number = NEAR; near <= FURTHEST; near *= 1.4) {
    const simple = fromZero.map((ring) => simpler(ring, near)).filter((ring) => ring.length >= 3);
    const rings = united(simple).filter(isNoSpeck);
    const corners = rings.reduce((sum, ring) => sum + ring.length, 0);
    if (rings.length > 0 && rings.length <= MOST_OWN_CUTS && corners <= MOST_OWN_CORNERS)
      return { ok: true, rings, size: { w, h } };
  }
  return { ok: false, reason: "too-fine" };
}

const isNoSpeck = (ring: Polygon): boolean => Math.max(boundsOf([ring]).w, boundsOf([ring]).h) >= SPECK;

/** A closed line with as few corners as stay this near to it. */
const simpler = (ring: Polygon, near: number): Polygon =>
  Clipper.ramerDouglasPeucker(
    ring.map(({ x, y }) => ({ x, y })),
    near,
  ).map(({ x, y }) => point(x, y));
