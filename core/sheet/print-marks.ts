import { type Tile, tileAt } from "../album/tiles.ts";
import type { Mark } from "../draw/marks.ts";
import { printMarks, type ShownUse } from "../draw/print.ts";
import { inches, type Length, millimetres, printLength, ticks, type Unit } from "../measure/length.ts";
import { type Rect, rect, rectOf, sizeOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { insideBorder } from "../photo/crop.ts";
import { bar, type TrueSheet } from "./true-size.ts";

/** By how much a printer stretches a page, across and along; what is sent to it is made smaller by as much. */
export type Stretch = { readonly x: number; readonly y: number };
export const TRUE_STRETCH: Stretch = { x: 1, y: 1 };

const LETTER_HIGH: Length = millimetres(2.6);
const CLEAR: Length = millimetres(1.5);
const LINE_HIGH: Length = millimetres(3.2);
/** How high the divisions of a bar stand. */
const BAR_TICKS: Length = millimetres(3);
/** What a scale bar with its two lines of words needs beside its own length. */
const BAR_HIGH: Length = millimetres(10);

/** A print on its sheet with the use it shows. */
export type SheetPrint = {
  readonly at: Rect;
  readonly turned: boolean;
  readonly use: ShownUse;
  /** The part of the whole print that it is; null when it is the whole. */
  readonly tile: Tile | null;
};

/** A print where it lies: the picture as it is cropped for the whole print, and of that the part that this print is. */
export function pictureMarks({ at, turned, use, tile }: SheetPrint): Mark {
  const part = tile ? tileAt(use.print, tile) : rectOf(use.print);
  const whole = rect(-part.x, -part.y, use.print.w, use.print.h);
  return {
    kind: "group",
    x: at.x,
    y: at.y,
    turn: turned ? 1 : 0,
    w: part.w,
    h: part.h,
    marks: printMarks(use, whole, rect(0, 0, part.w, part.h)),
  };
}

/** Bars from the longest down; the longest that the waste takes is the easiest to measure. */
const BARS: Record<Unit, readonly Length[]> = {
  inch: [inches(6), inches(4), inches(2), inches(1)],
  cm: [millimetres(150), millimetres(100), millimetres(50), millimetres(20)],
};

/**
 * The name of a sheet and a scale bar, in what is left over of its printable part and nowhere else; along the longer side
 * of the rest that takes the longest bar. Nothing where no rest has room: then nothing is printed that would be cut into.
 */
export function wasteMarks(waste: readonly Rect[], title: string, unit: Unit): Mark[] {
  const rooms = waste.flatMap((free) => {
    const upright = free.h > free.w;
    const [long, short] = upright ? [free.h, free.w] : [free.w, free.h];
    const length = BARS[unit].find((each) => each + 2 * CLEAR <= long);
    return length && short >= BAR_HIGH + 2 * CLEAR ? [{ free, upright, long, short, length }] : [];
  });
  const [first] = rooms.sort((a, b) => b.length - a.length || b.long * b.short - a.long * a.short);
  if (!first) return [];
  const { free, upright, length, long } = first;
  const lines = [`This bar is ${printLength(length, unit)}. Print at 100 per cent.`, title];
  const most = Math.max(...lines.map((line) => line.length));
  const letters = ticks(Math.min(LETTER_HIGH, Math.floor((long - 2 * CLEAR) / (most * 0.52))));
  const marks: Mark[] = [
    ...bar(CLEAR, CLEAR, length, unit),
    ...lines.map(
      (text, at): Mark => ({
        kind: "text",
        x: CLEAR,
        y: ticks(CLEAR + BAR_TICKS + LINE_HIGH * (at + 1)),
        text,
        typeface: "plain",
        size: letters,
        fill: "pencil",
      }),
    ),
  ];
  return [{ kind: "group", x: free.x, y: free.y, turn: upright ? 1 : 0, w: ticks(long), h: BAR_HIGH, marks }];
}

/** A rectangle made smaller by as much as a printer stretches, edge by edge, so that neighbours still meet. */
function stretchedBox({ x, y, w, h }: Rect, by: Stretch): Rect {
  const [left, top] = [Math.round(x / by.x), Math.round(y / by.y)];
  return rect(left, top, Math.round((x + w) / by.x) - left, Math.round((y + h) / by.y) - top);
}

/** Marks as they must be sent to a printer that stretches them: everything smaller by as much, its place too. */
export function unstretched(marks: readonly Mark[], { x, y }: Stretch): Mark[] {
  const across = (n: number) => ticks(Math.round(n / x)) as Length;
  const down = (n: number) => ticks(Math.round(n / y)) as Length;
  const box = (r: Rect): Rect => stretchedBox(r, { x, y });
  const one = (mark: Mark): Mark => {
    switch (mark.kind) {
      case "group": {
        const isTurned = mark.turn % 2 === 1;
        const within = isTurned ? { x: y, y: x } : { x, y };
        return {
          ...mark,
          ...(mark.clip ? { clip: stretchedBox(mark.clip, within) } : {}),
          x: across(mark.x),
          y: down(mark.y),
          w: isTurned ? down(mark.w) : across(mark.w),
          h: isTurned ? across(mark.h) : down(mark.h),
          marks: unstretched(mark.marks, within),
        };
      }
      case "rect":
      case "preprint":
        return { ...mark, at: box(mark.at) };
      case "picture": {
        const border = insideBorder(sizeOf(mark.at), mark.crop);
        const inner = rect(mark.at.x + border.x, mark.at.y + border.y, border.w, border.h);
        return { ...mark, drawn: { inner: box(inner), shown: box(mark.shown) } };
      }
      case "line":
        return { ...mark, x1: across(mark.x1), x2: across(mark.x2), y1: down(mark.y1), y2: down(mark.y2) };
      case "circle":
        return { ...mark, x: across(mark.x), y: down(mark.y) };
      case "polygon":
        return { ...mark, points: mark.points.map(([px, py]) => [across(px), down(py)] as const) };
      case "text":
        // Letters are stretched across like everything else; how high they are matters less.
        return { ...mark, x: across(mark.x), y: down(mark.y), size: across(mark.size) };
    }
  };
  return marks.map(one);
}

/** A sheet of prints to print: pictures at true size, its name and a scale bar in the waste, made up for the printer's stretch. */
export function printSheetPage(
  sheet: { readonly paper: Size; readonly prints: readonly SheetPrint[]; readonly waste: readonly Rect[] },
  title: string,
  unit: Unit,
  stretch: Stretch,
): TrueSheet {
  const marks = [...sheet.prints.map(pictureMarks), ...wasteMarks(sheet.waste, title, unit)];
  return { title, paper: sheet.paper, marks: unstretched(marks, stretch) };
}

/** A page with one bar across it and one along it, to be measured: what they come out as corrects every later sheet. */
export function scaleTestPage(paper: Size, long: Length, unit: Unit): TrueSheet {
  const left = ticks(Math.round((paper.w - long) / 2));
  const top = ticks(Math.round((paper.h - long) / 2));
  const words = (y: number, text: string): Mark => ({
    kind: "text",
    x: ticks(left + millimetres(8)),
    y: ticks(y),
    text,
    typeface: "plain",
    size: millimetres(4),
    fill: "ink",
  });
  return {
    title: "Scale test page",
    paper,
    marks: [
      ...bar(left, ticks(top + millimetres(12)), long, unit),
      {
        kind: "group",
        x: left,
        y: top,
        turn: 1,
        w: long,
        h: millimetres(5),
        marks: bar(ticks(0), ticks(0), long, unit),
      },
      words(top + millimetres(28), "Print this page at 100 per cent, on the paper you print photos on."),
      words(top + millimetres(35), `Both bars are meant to be ${printLength(long, unit)} from end to end.`),
      words(top + millimetres(42), "Measure each with a metal rule and type what you read."),
    ],
  };
}
