import { holePreset } from "../album/holes.ts";
import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { inches, type Length, ticks } from "../measure/length.ts";
import { type HoleSpot, holesOf } from "./holes.ts";
import { type LeafRead, wholeLeaf } from "./read.ts";

/** An old hole whose middle is this near to a ring's takes it as it is. From memory. */
const SERVES_WITHIN = inches(1 / 32);
/** Washi stands this far past an old hole on every side. From memory. */
const COVERS = inches(1 / 8);

/** What is to be done with the holes that a leaf brought from another book. Places are ticks of the face they are seen on. */
export type HoleWork = {
  /** Old holes that a ring goes through as they are. */
  readonly serve: readonly HoleSpot[];
  /** Old holes to cover, and how long and wide a piece of washi covers one. */
  readonly cover: readonly HoleSpot[];
  readonly washi: Length;
  /** Holes to punch. */
  readonly punch: readonly HoleSpot[];
  /** Of those, the ones that run into an old hole: it is covered on both faces before. */
  readonly through: readonly HoleSpot[];
};

/** The holes a leaf came with, on one of its faces; the row centred on its own binding edge, as it was punched. */
export function oldHolesOf(
  { leaf, build }: Pick<LeafRead, "leaf" | "build">,
  face: Face,
  format: AlbumFormat,
): HoleSpot[] {
  const { oldHoles } = leaf.make;
  if (oldHoles === null || build.inProtector) return [];
  const whole = wholeLeaf(build, format, "front");
  const isLeft = format.bindingEdge === "left";
  const { positions, inset, diameter } = holePreset(oldHoles, isLeft ? whole.h : whole.w);
  return positions.flatMap((position) => {
    // A short leaf has no more holes than it has edge for.
    if (position < 0 || position > (isLeft ? whole.h : whole.w)) return [];
    const [x, y] = isLeft ? [whole.x + inset, whole.y + position] : [whole.x + position, whole.y + inset];
    return [{ x: ticks(face === "front" ? x : build.page.w - x), y: ticks(y), diameter }];
  });
}

const apart = (a: HoleSpot, b: HoleSpot): number => Math.hypot(a.x - b.x, a.y - b.y);

/** What is to be done with a leaf's old holes; null where it came with none. A bound book wants none: all are covered. */
export function holeWork(read: Pick<LeafRead, "leaf" | "build">, face: Face, format: AlbumFormat): HoleWork | null {
  const old = oldHolesOf(read, face, format);
  const [first] = old;
  if (!first) return null;
  const wanted = format.binding === "sewn" ? [] : holesOf(read.build, read.leaf.drop, format, face);
  const serves = (hole: HoleSpot, ring: HoleSpot) =>
    hole.diameter >= ring.diameter && apart(hole, ring) <= SERVES_WITHIN;
  const serve = old.filter((hole) => wanted.some((ring) => serves(hole, ring)));
  const punch = wanted.filter((ring) => !old.some((hole) => serves(hole, ring)));
  const cover = old.filter((hole) => !serve.includes(hole));
  const through = punch.filter((ring) => cover.some((hole) => 2 * apart(hole, ring) < hole.diameter + ring.diameter));
  return { serve, cover, washi: ticks(first.diameter + 2 * COVERS), punch, through };
}
