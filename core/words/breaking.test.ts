import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { costOf, firstFit, linesOf, totalFit } from "./breaking.ts";
import { hyphensIn } from "./hyphens.ts";
import { itemsOf } from "./items.ts";
import { emOf } from "./lettering.ts";
import { measureOf } from "./measure.ts";

const TYPED = measureOf({ kind: "typed", typeface: "book", size: 40, leading: 120, align: "left" });
const anyWords = fc.lorem({ maxCount: 60 });
const choice = (justified: boolean) => ({ justified, tearOver: null });

describe("lines broken for the whole paragraph", () => {
  it("never cost more than lines broken one after the other, whatever the widths of the lines", () => {
    fc.assert(
      fc.property(
        anyWords,
        fc.array(fc.integer({ min: 6, max: 40 }), { minLength: 1, maxLength: 4 }),
        fc.boolean(),
        (text, widths, justified) => {
          const items = itemsOf(text, TYPED, choice(justified));
          const width = (line: number) => widths[line % widths.length] ?? 10;
          const total = totalFit(items, width, widths.length === 1);
          expect(total.cost).toBeLessThanOrEqual(firstFit(items, width).cost * (1 + 1e-9));
          expect(costOf(items, width, total.at)).toBeCloseTo(total.cost, -1);
        },
      ),
    );
  });

  it("are no dearer when each line is asked about by its number than when all are known to be alike", () => {
    fc.assert(
      fc.property(anyWords, fc.integer({ min: 8, max: 40 }), fc.boolean(), (text, wide, justified) => {
        const items = itemsOf(text, TYPED, choice(justified));
        const [alike, one] = [totalFit(items, () => wide, true), totalFit(items, () => wide, false)];
        expect(alike.cost).toBeCloseTo(one.cost, -1);
      }),
    );
  });

  it("hold every letter once and in order, and none is wider than its line unless one word is", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 120 }), fc.integer({ min: 3, max: 30 }), (text, wide) => {
        const items = itemsOf(text, TYPED, choice(false));
        for (const breaks of [totalFit(items, () => wide, true), firstFit(items, () => wide)]) {
          const lines = linesOf(items, () => wide, breaks.at);
          const said = lines.map(({ from, to }) =>
            items.slice(from, to).flatMap((item) => (item.kind === "box" ? [text.slice(item.from, item.to)] : [])),
          );
          expect(said.flat().join("").replace(/\s/g, "")).toBe(text.replace(/\s/g, ""));
          for (const [at, line] of said.entries())
            if ((lines[at]?.ratio ?? 0) < -1) expect(line.filter(Boolean).length).toBe(1);
        }
      }),
    );
  });

  it("part a word with a hyphen only where its language does, and only in justified lines", () => {
    expect(hyphensIn("lighthouse")).toEqual([5]);
    expect(hyphensIn("soft\u00adened")).toEqual([]);
    const ragged = itemsOf("extraordinary lighthouse", TYPED, choice(false));
    expect(ragged.some((item) => item.kind === "penalty" && item.hyphen)).toBe(false);
    expect(
      itemsOf("light\u00adhouse", TYPED, choice(false)).some((item) => item.kind === "penalty" && item.hyphen),
    ).toBe(true);
  });

  it("may be broken after a dash and at a space, and not before a comma or at a space that holds (UAX #14)", () => {
    const boxes = (text: string) =>
      itemsOf(text, TYPED, choice(false)).flatMap((item) =>
        item.kind === "box" ? [text.slice(item.from, item.to)] : [],
      );
    expect(boxes("a well-worn rope, 6\u00a0in long")).toEqual(["a", "well-", "worn", "rope,", "6\u00a0in", "long"]);
  });
});

describe("a size in quarters of a point", () => {
  it("is a seventy-second of an inch for every four", () => {
    expect(emOf(4) * 72).toBeCloseTo(8128, 6);
  });
});
