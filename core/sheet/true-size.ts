import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { type LeafRead, wholeLeaf } from "../book/read.ts";
import type { Spread } from "../book/spread.ts";
import type { Mark } from "../draw/marks.ts";
import { sideMarks } from "../draw/side.ts";
import { spreadMarks } from "../draw/spread.ts";
import { inches, type Length, millimetres, printLength, printNumber, ticks, type Unit } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { aSeries, LEGAL, LETTER, TABLOID } from "../measure/sheets.ts";
import { type Size, size, turned } from "../measure/size.ts";

/** A sheet to print at true size: the paper, and marks from its left upper corner. */
export type TrueSheet = {
  readonly title: string;
  readonly paper: Size;
  readonly marks: readonly Mark[];
  /** Where all of it is drawn smaller than it is: by how much, and from where on the paper. */
  readonly drawn?: { readonly by: number; readonly x: Length; readonly y: Length } | undefined;
};

/** What most home printers leave white round a sheet. From memory. */
export const UNPRINTED = inches(1 / 4);
/** Room for the scale bar and its words under the drawing. */
export const FOOT = inches(0.7);
const SMALL: Length = millimetres(3.4);
/** Lines that are measured or cut along are thin: a tenth of a millimetre. */
export const FINE: Length = millimetres(0.1);

const PAPERS: Record<Unit, readonly Size[]> = { inch: [LETTER, LEGAL, TABLOID], cm: [aSeries(4), aSeries(3)] };

/** What a drawing and its foot need of a paper. */
const needOf = (drawing: Size): Size => size(ticks(drawing.w + 2 * UNPRINTED), ticks(drawing.h + 2 * UNPRINTED + FOOT));

/** The smallest usual paper, upright or lying, that takes the drawing and its foot; null when none does. */
function usualPaper(drawing: Size, unit: Unit): Size | null {
  const need = needOf(drawing);
  const ways = PAPERS[unit].flatMap((paper) => [paper, turned(paper)]);
  return ways.find((paper) => need.w <= paper.w && need.h <= paper.h) ?? null;
}
export const fitsUsualPaper = (drawing: Size, unit: Unit): boolean => usualPaper(drawing, unit) !== null;

/** The paper a drawing is printed on: a usual one, or one of its own size when none takes it. */
export const paperFor = (drawing: Size, unit: Unit): Size => usualPaper(drawing, unit) ?? needOf(drawing);

/** A bar of a whole number of inches or centimetres with its divisions, its left end at `x`, `y`; 3 mm high. */
export function bar(x: Length, y: Length, long: Length, unit: Unit): Mark[] {
  const step = unit === "inch" ? inches(1) : millimetres(10);
  const high = millimetres(3);
  const line = (x1: number, y1: number, x2: number, y2: number): Mark => ({
    kind: "line",
    x1: ticks(x1),
    y1: ticks(y1),
    x2: ticks(x2),
    y2: ticks(y2),
    stroke: "ink",
    line: FINE,
  });
  const divisions = Array.from({ length: Math.round(long / step) + 1 }, (_, at) =>
    line(x + at * step, y, x + at * step, y + high),
  );
  return [line(x, y + high, x + long, y + high), ...divisions];
}

/** A bar of exactly 4 inches or 10 centimetres, and how to read it. */
export function scaleBar(x: Length, y: Length, unit: Unit): Mark[] {
  const length = unit === "inch" ? inches(4) : millimetres(100);
  return [
    ...bar(x, y, length, unit),
    {
      kind: "text",
      x: ticks(x + length + millimetres(3)),
      y: ticks(y + millimetres(3)),
      text: `This bar is ${printLength(length, unit)}. If yours is not, print at 100 per cent.`,
      typeface: "plain",
      size: SMALL,
      fill: "pencil",
    },
  ];
}

/** A drawing in the middle of its paper's width, with its name and the scale bar under it. */
export function onPaper(title: string, area: Size, draw: (x: Length, y: Length) => Mark[], unit: Unit): TrueSheet {
  const paper = paperFor(area, unit);
  return drawnOn(title, paper, draw(ticks(Math.round((paper.w - area.w) / 2)), UNPRINTED), unit);
}

/** A drawing on its paper, with its name and the scale bar at the foot. */
export function drawnOn(title: string, paper: Size, marks: readonly Mark[], unit: Unit): TrueSheet {
  const foot = ticks(paper.h - UNPRINTED - FOOT + millimetres(6));
  return {
    title,
    paper,
    marks: [
      ...marks,
      ...scaleBar(UNPRINTED, foot, unit),
      {
        kind: "text",
        x: UNPRINTED,
        y: ticks(foot + millimetres(8)),
        text: title,
        typeface: "plain",
        size: SMALL,
        fill: "pencil",
      },
    ],
  };
}

/** One side of a leaf as it is, protector and holes included, outlined so that it can be cut round. */
export function leafSheet(read: LeafRead, face: Face, format: AlbumFormat, unit: Unit, title: string): TrueSheet {
  const whole = wholeLeaf(read.build, format, face);
  return onPaper(
    title,
    whole,
    (x, y) => [
      {
        kind: "group",
        x: ticks(x - whole.x),
        y: ticks(y - whole.y),
        turn: 0,
        w: read.build.page.w,
        h: read.build.page.h,
        marks: [...sideMarks(read, face, format), { kind: "rect", at: whole, stroke: "pencil", line: FINE }],
      },
    ],
    unit,
  );
}

/** Both pages of an opening as the eye sees them, through film, vellum and windows down to what stops it. */
export function openingSheet(spread: Spread, format: AlbumFormat, unit: Unit, title: string): TrueSheet {
  const { frame } = spread;
  return onPaper(
    title,
    frame,
    (x, y) => [
      {
        ...({ kind: "group", turn: 0, w: frame.w, h: frame.h } as const),
        ...{ x: ticks(x - frame.x), y: ticks(y - frame.y) },
        marks: spreadMarks(spread, format),
      },
    ],
    unit,
  );
}

/** How wide the printed strip of a punch guide is. */
const GUIDE_WIDE = inches(2);

/** A strip as long as the binding edge with every hole at true size, to lay under the punch. */
export function punchGuide({ holes, outer, bindingEdge, name }: AlbumFormat, unit: Unit): TrueSheet {
  const along = bindingEdge === "left" ? outer.h : outer.w;
  const upright = bindingEdge === "left";
  const wide = ticks(Math.max(GUIDE_WIDE, holes.inset + holes.diameter));
  const area = upright ? size(wide, along) : size(along, wide);
  const cross = millimetres(4);
  return onPaper(
    `Punch guide, ${name}: ${holes.positions.length} holes, ${printNumber(holes.diameter, unit)} across, ${printNumber(holes.inset, unit)} from the edge`,
    area,
    (x, y) => [
      { kind: "rect", at: rect(x, y, area.w, area.h), stroke: "ink", line: FINE },
      ...holes.positions.flatMap((position): Mark[] => {
        const [cx, cy] = upright ? [x + holes.inset, y + position] : [x + position, y + holes.inset];
        const words = upright
          ? { x: ticks(cx + holes.diameter), y: ticks(cy + millimetres(1)) }
          : { x: ticks(cx - millimetres(4)), y: ticks(cy + holes.diameter + millimetres(3)) };
        return [
          {
            kind: "circle",
            x: ticks(cx),
            y: ticks(cy),
            r: ticks(Math.round(holes.diameter / 2)),
            stroke: "ink",
            line: FINE,
          },
          {
            kind: "line",
            x1: ticks(cx - cross),
            y1: ticks(cy),
            x2: ticks(cx + cross),
            y2: ticks(cy),
            stroke: "ink",
            line: FINE,
          },
          {
            kind: "line",
            x1: ticks(cx),
            y1: ticks(cy - cross),
            x2: ticks(cx),
            y2: ticks(cy + cross),
            stroke: "ink",
            line: FINE,
          },
          { kind: "text", ...words, text: printLength(position, unit), typeface: "plain", size: SMALL, fill: "pencil" },
        ];
      }),
    ],
    unit,
  );
}
