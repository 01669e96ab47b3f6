import type { Hinge, Part, Zone } from "../craft/blueprint.ts";
import { outlineOf } from "../craft/blueprint.ts";
import type { Made } from "../craft/craft.ts";
import { headOf, type Laid } from "../craft/fold.ts";
import type { LaidPanel } from "../craft/lies.ts";
import { boundsOf, edgesOf, isInside, type Line, type Polygon } from "../craft/polygon.ts";
import type { Ink } from "../material/ink.ts";
import { type Length, millimetres, sayLength, ticks, type Unit } from "../measure/length.ts";
import { type Rect, rectOf } from "../measure/rect.ts";
import type { Mark } from "./marks.ts";
import { paperFill } from "./paper-fill.ts";

/**
 * Blueprints and folded pieces as marks. A cut is a full line, a valley score is dashed, a mountain score is a dash and a dot;
 * glue is hatched, what stays free of glue is crossed out by dots. None of it is told by its colour alone.
 */

const t = (n: number): Length => ticks(Math.round(n));
const FINE = millimetres(0.25);
const BOLD = millimetres(0.4);
const LETTER = millimetres(3.4);

const lineMark = (x1: number, y1: number, x2: number, y2: number, stroke: Ink, line: Length = FINE): Mark => ({
  ...({ kind: "line", stroke, line } as const),
  ...{ x1: t(x1), y1: t(y1), x2: t(x2), y2: t(y2) },
});
const shapeMark = (shape: Polygon, style: { fill?: Ink; stroke?: Ink; line?: Length; solid?: number }): Mark => ({
  ...({ kind: "polygon" } as const),
  ...style,
  points: shape.map(({ x, y }) => [x, y] as const),
});

/** A line in strokes of these lengths and the gaps between them, over and over. */
function strokes({ from, to }: Line, pattern: readonly number[], ink: Ink): Mark[] {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  if (long === 0) return [];
  const at = (far: number) =>
    [from.x + ((to.x - from.x) * far) / long, from.y + ((to.y - from.y) * far) / long] as const;
  const marks: Mark[] = [];
  let [far, nth] = [0, 0];
  while (far < long && marks.length < 2000) {
    const next = Math.min(long, far + (pattern[nth % pattern.length] ?? long));
    if (nth % 2 === 0) marks.push(lineMark(...at(far), ...at(next), ink, BOLD));
    [far, nth] = [next, nth + 1];
  }
  return marks;
}
const VALLEY = [millimetres(3), millimetres(1.5)];
const MOUNTAIN = [millimetres(5), millimetres(1.2), millimetres(0.6), millimetres(1.2)];

export const scoreMarks = (hinge: Hinge): Mark[] =>
  strokes(hinge, hinge.fold === "valley" ? VALLEY : MOUNTAIN, "ember");

/** How far apart the lines of a hatch are. */
const HATCH = millimetres(2.2);

/** Slanted lines all over a rectangle. */
function hatched({ x, y, w, h }: Rect): Mark[] {
  const step = Math.max(HATCH, (w + h) / 160);
  const marks: Mark[] = [];
  for (let far = step; far < w + h; far += step) {
    const [x1, y1] = [Math.min(far, w), Math.max(0, far - w)];
    const [x2, y2] = [Math.max(0, far - h), Math.min(far, h)];
    marks.push(lineMark(x + x1, y + y1, x + x2, y + y2, "brass", millimetres(0.2)));
  }
  return marks;
}

/** Dots all over a rectangle. */
function dotted({ x, y, w, h }: Rect): Mark[] {
  const step = Math.max(HATCH, Math.sqrt((w * h) / 400));
  const [across, down] = [Math.floor(w / step), Math.floor(h / step)];
  return Array.from(
    { length: Math.max(0, across * down) },
    (_, nth): Mark => ({
      ...({ kind: "circle", fill: "pencil", r: millimetres(0.25) } as const),
      x: t(x + ((nth % across) + 0.5) * (w / across)),
      y: t(y + (Math.floor(nth / across) + 0.5) * (h / down)),
    }),
  );
}

const zoneMarks = ({ kind, at, face }: Zone): Mark[] => [
  ...(kind === "glue" ? hatched(at) : dotted(at)),
  // What is on its back is outlined in strokes: it is not seen from here.
  { kind: "rect", at, stroke: kind === "glue" ? "brass" : "pencil", line: FINE, dashed: face === "back" },
];

/** A part flat, printed side up, as it is cut, scored and glued, from its own left upper corner. */
export function partMarks(part: Part): Mark[] {
  const { hinges, slits, windows, zones, holes, blank, onPoint } = part;
  const outline = outlineOf(part);
  const isTrimmed = part.trim !== undefined && !onPoint;
  return [
    ...(isTrimmed
      ? [
          { kind: "rect", at: rectOf(blank), fill: "paper", solid: 0.25 } as const,
          { kind: "rect", at: rectOf(blank), stroke: "hair", line: FINE, dashed: true } as const,
        ]
      : []),
    ...outline.map((shape) => shapeMark(shape, paperFill(part.of, "front"))),
    ...windows.map((shape) => shapeMark(shape, { fill: "hole", stroke: "ink", line: BOLD })),
    ...zones.flatMap(zoneMarks),
    ...hinges.flatMap(scoreMarks),
    ...slits.map(({ from, to }) => lineMark(from.x, from.y, to.x, to.y, "ink", millimetres(0.6))),
    ...holes.map(
      (each): Mark => ({
        ...({ kind: "circle", fill: "hole", stroke: "ink", line: FINE } as const),
        ...{ x: each.x, y: each.y, r: t(each.diameter / 2) },
      }),
    ),
    ...outline.map((shape) => shapeMark(shape, { stroke: "ink", line: BOLD })),
  ];
}

/** How far outside a part its measures stand. */
export const MEASURES_OUT = millimetres(6);

/** Where a measure is drawn: outside its part, beside the edge that it is nearer to. */
export function measureLine(part: Pick<Part, "panels">, { from, to }: Line): Line {
  const area = boundsOf(part.panels.map(({ shape }) => shape));
  if (from.y === to.y) {
    const y = t(from.y <= area.y + area.h / 2 ? area.y - MEASURES_OUT : area.y + area.h + MEASURES_OUT);
    return { from: { x: from.x, y }, to: { x: to.x, y } };
  }
  const x = t(from.x <= area.x + area.w / 2 ? area.x - MEASURES_OUT : area.x + area.w + MEASURES_OUT);
  return { from: { x, y: from.y }, to: { x, y: to.y } };
}

/** The named measures of a part, outside it where they run along it: a line with a tick at each end, and what it measures. */
export function measureMarks(part: Part, unit: Unit, ink: Ink = "paper", letter: Length = LETTER): Mark[] {
  const area = boundsOf(part.panels.map(({ shape }) => shape));
  return part.measures.flatMap(({ from, to, name }): Mark[] => {
    const long = t(Math.hypot(to.x - from.x, to.y - from.y));
    if (long === 0) return [];
    const drawn = measureLine(part, { from, to });
    const isLevel = from.y === to.y;
    const tick = millimetres(1.2);
    const words = (x: number, y: number, anchor: "start" | "middle" | "end"): Mark => ({
      ...({ kind: "text", typeface: "plain", size: letter, fill: ink, anchor } as const),
      ...{ x: t(x), y: t(y), text: `${name} ${sayLength(long, unit)}` },
    });
    if (isLevel) {
      const above = from.y <= area.y + area.h / 2;
      const { y } = drawn.from;
      return [
        lineMark(from.x, y, to.x, y, ink),
        ...[from.x, to.x].map((x) => lineMark(x, y - tick, x, y + tick, ink)),
        words((from.x + to.x) / 2, above ? y - millimetres(2) : y + letter + millimetres(1), "middle"),
      ];
    }
    const onLeft = from.x <= area.x + area.w / 2;
    const { x } = drawn.from;
    return [
      lineMark(x, from.y, x, to.y, ink),
      ...[from.y, to.y].map((y) => lineMark(x - tick, y, x + tick, y, ink)),
      words(
        onLeft ? x - millimetres(2) : x + millimetres(2),
        (from.y + to.y) / 2 + letter / 3,
        onLeft ? "end" : "start",
      ),
    ];
  });
}

const HEAD: Record<ReturnType<typeof headOf>, readonly [number, number]> = {
  up: [0, -1],
  right: [1, 0],
  down: [0, 1],
  left: [-1, 0],
};

/** A small sign whose point is at the head of what is printed: full on the printed side, hollow on its back. */
function headMark(each: Laid): Mark[] {
  const { x, y, w, h } = boundsOf([each.shape]);
  const long = Math.min(millimetres(5), w / 3, h / 3);
  if (long < millimetres(1.2)) return [];
  const [dx, dy] = HEAD[headOf(each)];
  // In the middle, or in a corner where the middle is cut out.
  const places = [
    [x + w / 2, y + h / 2],
    [x + w / 5, y + h / 5],
    [x + w / 5, y + (h * 4) / 5],
  ] as const;
  const [cx, cy] = places.find(([px, py]) => isInside(each.shape, px, py)) ?? places[0];
  const point = (along: number, aside: number) =>
    [t(cx + along * dx - aside * dy), t(cy + along * dy + aside * dx)] as const;
  const points = [point(long / 2, 0), point(-long / 2, long / 2.4), point(-long / 2, -long / 2.4)];
  return [
    { kind: "polygon", points, stroke: "pencil", line: FINE, ...(each.faceUp ? { fill: "pencil" as const } : {}) },
  ];
}

/** What lies in a state, the lowest first, each panel with a sign at the head of what is printed on it. */
export function laidMarks({ parts }: Pick<Made, "parts">, laid: readonly LaidPanel[], heads = true): Mark[] {
  return laid.flatMap((each): Mark[] => {
    const part = parts.find(({ id }) => id === each.part);
    if (!part) return [];
    const isThere = part.count === 0;
    return [
      shapeMark(each.shape, paperFill(part.of, each.faceUp ? "front" : "back")),
      ...edgesOf(each.shape).map((edge) => shapeMark(edge, { stroke: isThere ? "hair" : "ink", line: FINE })),
      ...(heads ? headMark(each) : []),
    ];
  });
}

/** What stands up, from the side: the page is the line at the foot. */
export function standingMarks(stands: readonly Polygon[], wide: number): Mark[] {
  const { y, h } = boundsOf(stands);
  const top = y + h;
  return [
    lineMark(-wide * 0.2, top, wide * 1.2, top, "paper", BOLD),
    ...stands.map((shape) =>
      shapeMark(
        shape.map((corner) => ({ x: corner.x, y: t(top - corner.y) })),
        { fill: "base", solid: 0.5, stroke: "paper", line: BOLD },
      ),
    ),
  ];
}
