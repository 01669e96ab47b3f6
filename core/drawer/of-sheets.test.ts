import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { stockOf } from "../craft/built.ts";
import { CRAFTS, craftOf } from "../craft/catalog.ts";
import { NOWHERE, usualSizes } from "../craft/craft.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { blanksOf, largestOf, ofSheets, USUAL_SHEETS } from "./of-sheets.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const [square] = USUAL_SHEETS.inch;

describe("what blanks take of sheets", () => {
  it("is as many as they need, and what is left of the last (plain arithmetic)", () => {
    expect(ofSheets([by(4.25, 6.75)], square, true)).toMatchObject({ sheets: 1, tooLarge: false });
    // Two of 6 × 12 are a whole sheet; a third begins another.
    expect(ofSheets([by(6, 12), by(6, 12)], square, true)).toEqual({ sheets: 1, rest: null, tooLarge: false });
    expect(ofSheets([by(6, 12), by(6, 12), by(12, 6)], square, true)).toMatchObject({ sheets: 2, rest: by(6, 12) });
    // With a top nothing is turned: 12 × 6 lies on no sheet of 6 × 12.
    expect(ofSheets([by(12, 6)], by(6, 12), true)).toMatchObject({ sheets: 1, tooLarge: false });
    expect(ofSheets([by(12, 6)], by(6, 12), false)).toMatchObject({ sheets: 0, tooLarge: true });
    expect(ofSheets([], square, true)).toEqual({ sheets: 0, rest: null, tooLarge: false });
  });

  it("lets a length grow until one sheet is full, and not a sixteenth more", () => {
    const of = craftOf("tabbed-pocket");
    if (!of) throw new Error("there");
    const stock = stockOf(of.paper);
    const sizes = usualSizes(of, NOWHERE);
    // Margin ½ and two tabs of ⅜ beside it: 12 less 1¼.
    expect(largestOf(of, sizes, "width", stock, NOWHERE, square, true)).toBe(inches(10.75));
    expect(largestOf(of, { ...sizes, width: inches(12) }, "width", stock, NOWHERE, square, true)).toBeNull();
    fc.assert(
      fc.property(fc.constantFrom(...CRAFTS.map(({ kind }) => kind)), fc.nat(9), (kind, nth) => {
        const each = craftOf(kind);
        const settings = Object.keys(each?.settings ?? {});
        const setting = settings[nth % settings.length] ?? "";
        if (!each) return;
        const usual = usualSizes(each, NOWHERE);
        const [own, sheet] = [stockOf(each.paper), by(12, 12)];
        const most = largestOf(each, usual, setting, own, NOWHERE, sheet, true);
        if (most === null) return;
        expect(most).toBeGreaterThanOrEqual(usual[setting] ?? 0);
        const blanks = blanksOf(each, { ...usual, [setting]: most }, own, NOWHERE);
        expect(blanks && ofSheets(blanks, sheet, true).sheets).toBe(1);
      }),
      { numRuns: 25 },
    );
  });
});
