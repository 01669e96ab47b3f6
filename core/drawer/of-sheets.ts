import type { Craft, Goes, Sizes, Stock } from "../craft/craft.ts";
import { made } from "../craft/craft.ts";
import { inches, millimetres } from "../measure/length.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { type Size, size } from "../measure/size.ts";
import { planCutting } from "./cutting-plan.ts";

/** Sheets that things are usually cut from; what the drawer has besides is planned under "Cut from paper". */
export const USUAL_SHEETS = {
  inch: [size(inches(12), inches(12)), size(inches(6), inches(12)), LETTER],
  cm: [size(millimetres(305), millimetres(305)), aSeries(4), aSeries(3)],
} as const;

/** How many sheets some blanks take, and the largest rest of the last; `tooLarge`: one of them is larger than a sheet. */
export type OfSheets = { readonly sheets: number; readonly rest: Size | null; readonly tooLarge: boolean };

/** What blanks take of sheets of one size; a pattern with a top is not turned. */
export function ofSheets(blanks: readonly Size[], sheet: Size, canTurn: boolean): OfSheets {
  const { sheets, joined } = planCutting({
    sheets: [{ thing: "sheet", size: sheet, count: blanks.length }],
    cuts: blanks.map((made, at) => ({ id: String(at), size: made })),
    canTurn,
    step: inches(1 / 16),
  });
  return { sheets: sheets.length, rest: sheets.at(-1)?.rests[0] ?? null, tooLarge: joined.length > 0 };
}

/** The blanks of its own paper, each as often as it is cut. */
export function blanksOf(of: Craft, sizes: Sizes, stock: Stock, goes: Goes): readonly Size[] | null {
  const done = made(of, sizes, stock, goes);
  if (!done.ok) return null;
  return done.parts
    .filter((part) => part.of === stock.paper)
    .flatMap(({ blank, count }) => Array.from({ length: count }, () => blank));
}

/** Lengths are tried at whole numbers of this. */
const STEP = inches(1 / 16);
const MOST = inches(24);

/**
 * The greatest a length may be, to a sixteenth of an inch, for all blanks still to come out of one sheet while everything else
 * stays as it is; null where they do not as it is set now, or where it is no length. Whatever fits still fits a little smaller,
 * so that it is found by halving.
 */
export function largestOf(
  of: Craft,
  sizes: Sizes,
  setting: string,
  stock: Stock,
  goes: Goes,
  sheet: Size,
  canTurn: boolean,
): number | null {
  const { counts, ways } = of.settings[setting] ?? {};
  if (counts || ways) return null;
  const fits = (value: number) => {
    const blanks = blanksOf(of, { ...sizes, [setting]: value }, stock, goes);
    if (!blanks || blanks.length === 0) return false;
    const taken = ofSheets(blanks, sheet, canTurn);
    return taken.sheets === 1 && !taken.tooLarge;
  };
  const now = sizes[setting] ?? 0;
  if (!fits(now)) return null;
  let [low, high] = [Math.floor(now / STEP), Math.floor(MOST / STEP)];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(middle * STEP)) low = middle;
    else high = middle - 1;
  }
  return Math.max(now, low * STEP);
}
