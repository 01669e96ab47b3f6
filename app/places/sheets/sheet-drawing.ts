import { drawingOf, letterOn, type MatBox, matGround, mm } from "#app/drawing/mat-text.ts";
import type { OnMat } from "#app/parts/use-focus.ts";
import type { Printed } from "#core/document/printed.ts";
import { cardMarks } from "#core/draw/card.ts";
import type { Mark } from "#core/draw/marks.ts";
import { escaped } from "#core/draw/svg.ts";
import { type Length, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import { type Rect, rectOf } from "#core/measure/rect.ts";
import type { Size } from "#core/measure/size.ts";
import { pictureMarks, wasteMarks } from "#core/sheet/print-marks.ts";

/** A print on a sheet as it is drawn. */
export type DrawnPrint = {
  readonly at: Rect;
  readonly turned: boolean;
  /** Null when its day no longer has it. */
  readonly of: Printed | null;
  /** What is written on it: its number, and "spare". */
  readonly words: string;
};
export type DrawnSheet = {
  readonly paper: Size;
  readonly prints: readonly DrawnPrint[];
  readonly waste: readonly Rect[];
};

const HAIR: Length = ticks(90);

function shownMarks({ at, turned, of }: DrawnPrint): Mark[] {
  if (!of) return [{ kind: "rect", at, fill: "film" }];
  if (of.kind === "photo") {
    const alt = of.use.alt || "A photo without a description yet";
    return [pictureMarks({ at, turned, use: { ...of.use, alt }, tile: of.tile })];
  }
  const { card } = of;
  const outline: Mark = { kind: "rect", at: rectOf(card.size), stroke: "hair", line: HAIR };
  return [
    {
      kind: "group",
      x: at.x,
      y: at.y,
      turn: turned ? 1 : 0,
      w: card.size.w,
      h: card.size.h,
      marks: [outline, ...cardMarks(card, "front")],
    },
  ];
}

const printMarks = (print: DrawnPrint): Mark[] => [
  ...shownMarks(print),
  { kind: "rect", at: print.at, stroke: print.of?.kind === "card" ? "hair" : "paper", line: HAIR },
];

const labelled = ({ at, words }: DrawnPrint, letter: number): string =>
  `<text x="${mm(at.x) + mm(at.w) / 2}" y="${mm(at.y) + mm(at.h) / 2}" text-anchor="middle" dominant-baseline="central" font-size="${letter}" class="mat-measure">${escaped(words)}</text>`;

/** A sheet of paper with its prints where they will lie, its zero at its own left upper corner. */
export function sheetMarkup({ paper, prints, waste }: DrawnSheet, title: string, unit: Unit): string {
  const letter = Math.max(4, mm(paper.h) * 0.032);
  return (
    drawingOf([
      { kind: "rect", at: rectOf(paper), fill: "paper" },
      ...prints.flatMap(printMarks),
      ...wasteMarks(waste, title, unit),
      { kind: "rect", at: rectOf(paper), stroke: "hair", line: millimetres(0.2) },
    ]) + prints.map((print) => labelled(print, letter)).join("")
  );
}

const GAP = 12;

/** Sheets laid side by side on one mat, in rows as square as may be, and where each of them lies. */
export function sheetsMat(
  sheets: readonly DrawnSheet[],
  titles: readonly { readonly name: string; readonly title: string }[],
  unit: Unit,
): { box: MatBox; drawing: string; parts: readonly OnMat[] } {
  const wide = Math.max(60, ...sheets.map(({ paper }) => mm(paper.w)));
  const high = Math.max(60, ...sheets.map(({ paper }) => mm(paper.h)));
  const columns = Math.max(1, Math.min(sheets.length, Math.ceil(Math.sqrt(sheets.length * (high / wide) * 1.25))));
  const rows = Math.max(1, Math.ceil(sheets.length / columns));
  const box = { x: -GAP, y: -GAP, w: columns * (wide + GAP) + GAP, h: rows * (high + GAP) + GAP };
  const letter = letterOn(box);
  const drawn = sheets.map((sheet, at) => {
    const [x, y] = [(at % columns) * (wide + GAP), Math.floor(at / columns) * (high + GAP)];
    return `<g transform="translate(${x} ${y})">${sheetMarkup(sheet, titles[at]?.title ?? "", unit)}<text y="${mm(sheet.paper.h) + letter}" class="fill-on-mat" font-size="${letter}">${escaped(titles[at]?.title ?? "")}</text></g>`;
  });
  const parts = sheets.map(({ paper }, at) => ({
    id: String(at),
    name: titles[at]?.name ?? "",
    box: {
      x: (at % columns) * (wide + GAP) - GAP,
      y: Math.floor(at / columns) * (high + GAP) - GAP,
      w: mm(paper.w) + 2 * GAP,
      h: mm(paper.h) + 2 * GAP,
    },
  }));
  return { box, drawing: matGround(box, unit, true, "sheets") + drawn.join(""), parts };
}
