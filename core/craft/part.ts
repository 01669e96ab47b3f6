import type { MaterialId } from "../material/material.ts";
import { type Length, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import type { Fold, Hinge, Hole, Measured, Panel, Part, Zone } from "./blueprint.ts";
import { boundsOf, type Line, line, type Polygon, polygon } from "./polygon.ts";

type Given = Partial<
  Pick<
    Part,
    "slits" | "windows" | "zones" | "holes" | "measures" | "count" | "trim" | "onPoint" | "isGround" | "isLoose"
  >
>;
type Named = { readonly id: string; readonly name: string; readonly of: MaterialId };

const NOTHING = { slits: [], windows: [], zones: [], holes: [], measures: [], count: 1 } as const;

/** A part of panels and hinges; its blank is the smallest rectangle that they are cut from. */
export function partOf(named: Named, panels: readonly Panel[], hinges: readonly Hinge[], given: Given = {}): Part {
  const { w, h } = boundsOf(panels.map(({ shape }) => shape));
  return { ...NOTHING, ...named, blank: size(w, h), panels, hinges, ...given };
}

export const panel = (id: string, ...corners: readonly (readonly [number, number])[]): Panel => ({
  ...{ id, shape: polygon(...corners) },
});
export const rectangle = (id: string, x: number, y: number, w: number, h: number): Panel =>
  panel(id, [x, y], [x + w, y], [x + w, y + h], [x, y + h]);

export const hinge = (score: string, a: string, b: string, fold: Fold, at: Line): Hinge => ({
  ...{ score, between: [a, b] as const, fold, ...at },
});

/** A plain piece without folds: a card, a strip of backing, a label. */
export const plain = (named: Named, w: number, h: number, given: Given = {}): Part =>
  partOf(named, [rectangle("whole", 0, 0, w, h)], [], given);

/** Rectangular strips side by side, each joined to the next by a score: `a`, `b`, `c` … of these widths. */
export function strip(
  named: Named,
  along: "across" | "down",
  long: readonly number[],
  wide: number,
  folds: readonly Fold[],
  given: Given = {},
): Part {
  const starts = long.map((_, at) => long.slice(0, at).reduce((sum, each) => sum + each, 0));
  const idOf = (at: number) => String.fromCharCode(97 + at);
  const panels = long.map((each, at) => {
    const from = starts[at] ?? 0;
    return along === "across" ? rectangle(idOf(at), from, 0, each, wide) : rectangle(idOf(at), 0, from, wide, each);
  });
  const hinges = long.slice(1).map((_, at) => {
    const from = starts[at + 1] ?? 0;
    const lies = along === "across" ? line(from, 0, from, wide) : line(0, from, wide, from);
    return hinge(`${idOf(at)}${idOf(at + 1)}`, idOf(at), idOf(at + 1), folds[at] ?? "valley", lies);
  });
  return partOf(named, panels, hinges, given);
}

export const glue = (name: string, x: number, y: number, w: number, h: number, face: Zone["face"] = "back"): Zone => ({
  ...{ kind: "glue", face, name, at: rect(Math.round(x), Math.round(y), Math.round(w), Math.round(h)) },
});
export const free = (name: string, x: number, y: number, w: number, h: number, face: Zone["face"] = "back"): Zone => ({
  ...glue(name, x, y, w, h, face),
  kind: "free",
});
export const hole = (x: number, y: number, diameter: Length): Hole => ({
  ...{ x: ticks(Math.round(x)), y: ticks(Math.round(y)), diameter },
});
export const measured = (name: string, x1: number, y1: number, x2: number, y2: number): Measured => ({
  ...{ name, ...line(x1, y1, x2, y2) },
});
/** A corner cut off at 45°, `by` along each side: an upright rectangle with some of its corners gone. */
export function cornered(
  x: number,
  y: number,
  w: number,
  h: number,
  by: {
    readonly upperLeft?: number;
    readonly upperRight?: number;
    readonly lowerRight?: number;
    readonly lowerLeft?: number;
  },
): Polygon {
  const { upperLeft: a = 0, upperRight: b = 0, lowerRight: c = 0, lowerLeft: d = 0 } = by;
  const all: (readonly [number, number])[] = [
    ...([
      [x, y + a],
      [x + a, y],
    ] as const),
    ...([
      [x + w - b, y],
      [x + w, y + b],
    ] as const),
    ...([
      [x + w, y + h - c],
      [x + w - c, y + h],
    ] as const),
    ...([
      [x + d, y + h],
      [x, y + h - d],
    ] as const),
  ];
  return polygon(
    ...all
      .filter(([px, py], at) => at === 0 || px !== all[at - 1]?.[0] || py !== all[at - 1]?.[1])
      .filter(([px, py], at, kept) => at === 0 || at < kept.length - 1 || px !== kept[0]?.[0] || py !== kept[0]?.[1]),
  );
}

/** A circle as a shape of so many corners that its edge is off by less than a tenth of a millimetre. */
export function round(x: number, y: number, diameter: number): Polygon {
  const r = diameter / 2;
  // The arc bulges over its chord by r(1 − cos(π / n)).
  const corners = Math.max(16, 4 * Math.ceil(Math.PI / Math.acos(1 - Math.min(1, 16 / r)) / 4));
  return polygon(
    ...Array.from({ length: corners }, (_, at) => {
      const turn = (2 * Math.PI * at) / corners;
      return [x + r * Math.cos(turn), y + r * Math.sin(turn)] as const;
    }),
  );
}

/** What is there already and goes in, or what all of it lies on: drawn, and never cut. */
export const there = (id: string, name: string, w: number, h: number, given: Given = {}): Part =>
  plain({ id, name, of: "photo-paper" }, w, h, { ...given, count: 0 });

/** A size of lengths that were reckoned, to the nearest tick. */
export const by = (w: number, h: number): Size => size(ticks(Math.round(w)), ticks(Math.round(h)));
