import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { printSize, type Size, size } from "../measure/size.ts";

/** Papers that go through a home printer. 4 × 6, 5 × 7 and 10 × 15 cm: common practice. */
export const PRINT_PAPERS = [
  { id: "letter", name: "Letter", size: LETTER },
  { id: "a4", name: "A4", size: aSeries(4) },
  { id: "a5", name: "A5", size: aSeries(5) },
  { id: "4x6", name: "4 × 6 photo paper", size: size(inches(4), inches(6)) },
  { id: "5x7", name: "5 × 7 photo paper", size: size(inches(5), inches(7)) },
  { id: "10x15", name: "10 × 15 cm photo paper", size: size(millimetres(100), millimetres(150)) },
] as const;
export type PrintPaperId = (typeof PRINT_PAPERS)[number]["id"] | "own";

/** A paper by its name in words: a known one's, or its measures. */
export function paperName(paper: Size, unit: Unit): string {
  const known = PRINT_PAPERS.find(({ size: { w, h } }) => w === paper.w && h === paper.h);
  return known?.name ?? printSize(paper, unit);
}

/**
 * What a printer does to a sheet: the edge it leaves white, and how long its bars come out. `across` and `along` are
 * what a bar of `BAR` measured on the printed test page, across the sheet and along it.
 */
export type Printer = { readonly margin: Length; readonly across: Length; readonly along: Length };

/** How long the bars of the test page are meant to be, for either unit. */
export const barOf = (unit: Unit): Length => (unit === "inch" ? inches(6) : millimetres(150));

/** Most home printers leave about this much white. From memory. */
export const usualMargin = (unit: Unit): Length => (unit === "inch" ? inches(1 / 4) : millimetres(6));

/** By how much a printer stretches what it prints, across and along; 1 when its bars came out true. */
export type Stretch = { readonly x: number; readonly y: number };
export const stretchOf = ({ across, along }: Printer, bar: Length): Stretch => ({
  x: across / bar,
  y: along / bar,
});

export const trueBars = (margin: Length, bar: Length): Printer => ({ margin, across: bar, along: bar });

/** A test bar that is off by more than this is a slip of the ruler or the wrong setting, not a printer's stretch. */
const MOST_STRETCH = 0.05;
export const isPlausible = (measured: Length, bar: Length): boolean => Math.abs(measured / bar - 1) <= MOST_STRETCH;

/**
 * The part of a paper that can carry prints, in true lengths: inside the white edge, and no further than a shrinking
 * printer reaches; it begins where the white edge is cut off at a whole number of steps. Null when nothing is left.
 */
export function printableOf(paper: Size, printer: Printer, bar: Length, step: Length = ticks(1)): Rect | null {
  const stretch = stretchOf(printer, bar);
  const reach = (length: Length, by: number) => Math.min(length - printer.margin, Math.floor(length * by));
  const [w, h] = [reach(paper.w, stretch.x) - printer.margin, reach(paper.h, stretch.y) - printer.margin];
  // The white edge comes off first, measured from the far edge of the paper: it is taken to the next whole step from there.
  const from = (length: Length) =>
    printer.margin === 0 ? 0 : length - Math.floor((length - printer.margin) / step) * step;
  const [x, y] = [from(paper.w), from(paper.h)];
  const [left, below] = [w - (x - printer.margin), h - (y - printer.margin)];
  return left > 0 && below > 0 ? rect(ticks(x), ticks(y), ticks(left), ticks(below)) : null;
}
