import type { MaterialId } from "../material/material.ts";
import type { Length } from "../measure/length.ts";
import { contains, overlap, type Rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { boundsOf, doCross, isOnEdge, type Line, outlinesOf, type Polygon, polygonOf, twiceArea } from "./polygon.ts";

/** Towards the printed side, or away from it. */
export type Fold = "valley" | "mountain";

/** A flat piece of a part between its folds and edges, in the part's own ticks, printed side up. */
export type Panel = { readonly id: string; readonly shape: Polygon };

/** A line along which two panels fold. Those with one `score` are scored, and folded, as one line. */
export type Hinge = Line & {
  readonly score: string;
  readonly between: readonly [string, string];
  readonly fold: Fold;
};

/** With what two things are held together at a step. */
export const HELD_BY = ["strong-tape", "tape-runner", "wet-glue", "staple", "brad", "eyelet", "washi", "foam"] as const;
export type HeldBy = (typeof HELD_BY)[number];

/** Where something is glued, or where nothing may be: on which face of the part. */
export type Zone = {
  readonly kind: "glue" | "free";
  readonly face: "front" | "back";
  readonly at: Rect;
  readonly name: string;
};

export type Hole = { readonly x: Length; readonly y: Length; readonly diameter: Length };

/** A length that is named on the drawing, measured from one place to another. */
export type Measured = Line & { readonly name: string };

/** What is cut of one blank: its panels, how they fold, and everything that is marked on it. */
export type Part = {
  readonly id: string;
  readonly name: string;
  readonly of: MaterialId;
  readonly blank: Size;
  readonly panels: readonly Panel[];
  readonly hinges: readonly Hinge[];
  /** Cuts that end within the part. */
  readonly slits: readonly Line[];
  /** Shapes that are cut out of it. */
  readonly windows: readonly Polygon[];
  readonly zones: readonly Zone[];
  readonly holes: readonly Hole[];
  readonly measures: readonly Measured[];
  /** How many of it are cut; none of what is there already and only goes in. */
  readonly count: number;
  /** What all of it lies on or in, and is no part of its thickness: the page, the pocket. */
  readonly isGround?: boolean | undefined;
  /** Its blank is a square that lies on its point, a corner at the head. */
  readonly onPoint?: boolean | undefined;
  /** It is of several pieces that do not hang together: the letters of a word. */
  readonly isLoose?: boolean | undefined;
  /** How its outline is cut from the blank, where that is more than the blank itself. */
  readonly trim?: Said | undefined;
};

/** A sentence whose names in braces are lengths, said as a ruler has them. */
export type Said = { readonly say: string; readonly lengths?: Readonly<Record<string, number>> };

/** The outline along which a part is cut; its windows are not among it. Empty where its panels do not close. */
export const outlineOf = ({ panels }: Pick<Part, "panels">): readonly Polygon[] =>
  outlinesOf(panels.map(({ shape }) => shape)) ?? [];

/** What is wrong with a blueprint: a fault of the program or of its lengths, told before paper is cut. */
export type BlueprintFault =
  | "open-outline"
  | "beyond-blank"
  | "several-outlines"
  | "overlapping-panels"
  | "score-outside"
  | "slit-outside"
  | "window-outside"
  | "hole-outside"
  | "glue-where-free"
  | "zone-outside"
  | "hinge-of-nothing";

/** Whether shapes lie within a square that stands on a corner, its left and upper corners at the zeros: within two ticks, as its side is rounded. */
function isOnPoint({ w }: Size, shapes: readonly Polygon[]): boolean {
  const half = w / Math.SQRT2;
  return shapes.flat().every(({ x, y }) => Math.abs(x - half) + Math.abs(y - half) <= half + 2);
}

/**
 * Everything that is wrong with a part: its panels make one closed outline within the blank without overlapping, every score
 * lies on an edge of both its panels, whatever is cut within it lies within it, and glue lies nowhere that must stay free.
 */
export function faultsOf(part: Part): BlueprintFault[] {
  const { panels, hinges, slits, windows, zones, holes } = part;
  const blank = rectOf(part.blank);
  const shapes = panels.map(({ shape }) => shape);
  const outlines = outlinesOf(shapes);
  const faults: BlueprintFault[] = [];
  const must = (is: boolean, fault: BlueprintFault) => {
    if (!is && !faults.includes(fault)) faults.push(fault);
  };
  must(outlines !== null, "open-outline");
  must(part.isLoose || (outlines?.length ?? 1) <= 1, "several-outlines");
  must(part.onPoint ? isOnPoint(part.blank, shapes) : contains(blank, boundsOf(shapes)), "beyond-blank");
  const within = (outlines ?? []).reduce((sum, each) => sum + twiceArea(each), 0);
  if (outlines) must(within === shapes.reduce((sum, each) => sum + twiceArea(each), 0), "overlapping-panels");
  must(!shapes.some((one, nth) => shapes.slice(nth + 1).some((two) => doCross(one, two))), "overlapping-panels");
  const area = boundsOf(shapes);
  const isIn = (shape: Polygon) => contains(area, boundsOf([shape]));
  for (const { between, from, to } of hinges) {
    const both = between.map((id) => panels.find((each) => each.id === id));
    must(!both.includes(undefined) && between[0] !== between[1], "hinge-of-nothing");
    for (const panel of both)
      if (panel) must(isOnEdge(panel.shape, from) && isOnEdge(panel.shape, to), "score-outside");
  }
  for (const { from, to } of slits) must(isIn([from, to]), "slit-outside");
  for (const window of windows) must(isIn(window), "window-outside");
  for (const { x, y, diameter } of holes) {
    const r = Math.ceil(diameter / 2);
    must(x - r >= area.x && y - r >= area.y && x + r <= area.x + area.w && y + r <= area.y + area.h, "hole-outside");
  }
  for (const { at } of zones) must(isIn(polygonOf(at)), "zone-outside");
  const of = (kind: Zone["kind"]) => zones.filter((each) => each.kind === kind);
  for (const glue of of("glue"))
    for (const free of of("free")) must(glue.face !== free.face || !overlap(glue.at, free.at), "glue-where-free");
  return faults;
}
