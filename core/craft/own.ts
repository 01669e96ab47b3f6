import type { OwnCut } from "../album/leaf.ts";
import { ticks } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { outlineOf, type Part } from "./blueprint.ts";
import { round } from "./part.ts";
import { boundsOf, isInside, isOnEdge, type Line, line, type Polygon, point, polygonOf } from "./polygon.ts";
import type { MakingStep } from "./step.ts";

/** Cuts of one's own in a part of any construction: slits, openings, circles, and shapes out of a file. */
export type InPart = Exclude<OwnCut, { kind: "outline" }>;
export const isInPart = (cut: OwnCut): cut is InPart => cut.kind !== "outline";

/** What a cut takes out of its part; null for a slit, which takes nothing out. */
function takesOut(cut: InPart): Polygon | null {
  switch (cut.kind) {
    case "slit":
      return null;
    case "opening":
      return polygonOf(cut.at);
    case "circle":
      return round(cut.at.x + cut.at.w / 2, cut.at.y + cut.at.w / 2, cut.at.w);
    case "shape":
      return cut.points;
  }
}

const slitOf = ({ x, y, w, h }: Rect): Line => line(x, y, x + w, y + h);

/** The smallest rectangle round a cut, from its part's left upper corner. */
export const areaOf = (cut: OwnCut): Rect => {
  switch (cut.kind) {
    case "slit":
    case "opening":
      return cut.at;
    case "circle":
      return rect(cut.at.x, cut.at.y, cut.at.w, cut.at.w);
    default:
      return boundsOf([cut.points]);
  }
};

/** Corners moved and sized so that they fill another rectangle; a side that had no length stays where it is. */
const filling = (points: Polygon, was: Rect, now: Rect): Polygon =>
  points.map(({ x, y }) =>
    point(
      now.x + (was.w > 0 ? ((x - was.x) * now.w) / was.w : 0),
      now.y + (was.h > 0 ? ((y - was.y) * now.h) / was.h : 0),
    ),
  );

/** A cut where somebody wants it, and as large. */
export const cutAt = (cut: InPart, now: Rect): InPart =>
  cut.kind === "shape" ? { ...cut, points: filling(cut.points, areaOf(cut), now) } : { ...cut, at: now };

/**
 * The outlines of a shape out of a file, filling a rectangle from zero: what is cut along, and what is cut out of it. Null
 * where there is none of one's own.
 */
export function ownOutline(
  own: readonly OwnCut[],
  width: number,
  height: number,
): { readonly shapes: readonly Polygon[]; readonly windows: readonly Polygon[] } | null {
  const rings = own.flatMap((cut) => (cut.kind === "outline" ? [cut.points] : []));
  if (rings.length === 0) return null;
  const was = boundsOf(rings);
  const all = rings.map((points) => filling(points, was, rect(0, 0, Math.round(width), Math.round(height))));
  const isWindow = (nth: number) => deep(all, nth) % 2 === 1;
  return { shapes: all.filter((_, nth) => !isWindow(nth)), windows: all.filter((_, nth) => isWindow(nth)) };
}

/** The outermost rings of a drawing as shapes that are cut out of a part, all of them together filling a rectangle. */
export function shapesInto(part: string, rings: readonly Polygon[], now: Rect): InPart[] {
  const was = boundsOf(rings);
  const outermost = rings.filter((_, nth) => deep(rings, nth) === 0);
  return outermost.map((points) => ({ kind: "shape", part, points: filling(points, was, now) }));
}

/** How many of the rings a ring lies within; they cross nowhere, and may touch. */
const deep = (all: readonly Polygon[], nth: number): number =>
  all.filter((each, at) => {
    const corner = (all[nth] ?? []).find((corner) => !isOnEdge(each, corner));
    return at !== nth && corner && isInside(each, corner.x, corner.y);
  }).length;

/** Why a cut of one's own cannot be made, by its place among them. */
export type OwnImpossible = { readonly ok: false; readonly cut: number; readonly why: "no-such-part" | "outside" };

/** Cuts laid into what is made, each with its step; the first that has no part there, or reaches out of it, is told. */
export function withOwnCuts<M extends { readonly parts: readonly Part[]; readonly steps: readonly MakingStep[] }>(
  made: M,
  own: readonly OwnCut[],
): M | OwnImpossible {
  let parts: readonly Part[] = made.parts;
  let steps: readonly MakingStep[] = made.steps;
  for (const [nth, cut] of own.entries()) {
    if (!isInPart(cut)) continue;
    const part = made.parts.find(({ id, count }) => id === cut.part && count > 0);
    if (!part) return { ok: false, cut: nth, why: "no-such-part" };
    const out = takesOut(cut);
    const ends = slitOf(areaOf(cut));
    if (!isWithin(part, out ?? [ends.from, ends.to])) return { ok: false, cut: nth, why: "outside" };
    parts = parts.map((each) => (each.id !== part.id ? each : cutInto(each, out ?? ends)));
    const last = steps.findLastIndex((step) => step.part === part.id && (step.act === "cut" || step.act === "score"));
    steps = steps.toSpliced(last + 1, 0, stepOf(cut, part));
  }
  return own.some(isInPart) ? { ...made, parts, steps } : made;
}

const isWithin = (part: Part, corners: Polygon): boolean =>
  outlineOf(part).some((edge) => corners.every((each) => isInside(edge, each.x, each.y) || isOnEdge(edge, each)));

const cutInto = (part: Part, cut: Polygon | Line): Part =>
  "from" in cut ? { ...part, slits: [...part.slits, cut] } : { ...part, windows: [...part.windows, cut] };

const FROM = "{x} from its left edge and {y} from its upper one";

function stepOf(cut: InPart, { id, name }: Part): MakingStep {
  const { x, y, w, h } = areaOf(cut);
  const long = ticks(Math.round(Math.hypot(w, h)));
  const says: Record<InPart["kind"], string> = {
    slit: `Slit the ${name}, {long} long, beginning ${FROM}${h === 0 ? ", level" : w === 0 ? ", straight down" : ""}.`,
    opening: `Cut an opening of {w} × {h} out of the ${name}, ${FROM}.`,
    circle: `Cut a circle {w} across out of the ${name}, its edge ${FROM}.`,
    shape: `Trace the shape onto the ${name}, {w} × {h}, ${FROM}, and cut it out.`,
  };
  return {
    ...{ act: "cut", part: id, caution: "blade", minutes: cut.kind === "shape" ? 3 : 1 },
    ...{ say: says[cut.kind], lengths: { x, y, w, h, long } },
  };
}
