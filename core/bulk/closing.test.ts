import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MATERIALS, micrometres } from "../material/material.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { type Binding, closingOf, gapeAt, HINGE, ringsFor } from "./closing.ts";
import type { Patch } from "./heights.ts";
import { correctionOf } from "./ruler.ts";
import { sharesOf } from "./shares.ts";
import { bestSplit } from "./split.ts";

const binding: Binding = { depth: micrometres(20_000), board: inches(8), margin: inches(1) };
const sheet = (thick: number, x = 0, w = 7): Patch => ({
  ...{ at: rect(inches(x), 0, inches(w), inches(8)), round: false },
  thick: micrometres(thick),
});
const anyBook = fc.array(
  fc.array(
    fc
      .record({ x: fc.integer({ min: 0, max: 6 }), thick: fc.integer({ min: 100, max: 4000 }) })
      .map(({ x, thick }) => sheet(thick, x, 1)),
    { minLength: 1, maxLength: 3 },
  ),
  { minLength: 2, maxLength: 8 },
);

describe("how a book closes", () => {
  it("gapes by similar triangles: what lies t higher than the spine at d lifts a board of L by t·L/d", () => {
    // checks.md, wedge under a board.
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 1, max: 6 }), (t, d) => {
        const { gape } = closingOf([sheet(20_000), sheet(t, d, 1)], binding);
        expect(gape).toBe(Math.round((t * 8) / d));
      }),
    );
    expect(closingOf([sheet(20_000)], binding)).toMatchObject({ gape: 0, rests: null, atBinding: 20_000 });
    expect(closingOf([], binding)).toEqual({ atBinding: 0, thickest: null, gape: 0, rests: null });
    // A leaf thicker than the rings: the board rests where it begins to be stiff.
    expect(closingOf([sheet(21_000)], binding).gape).toBe(Math.round((1000 * inches(8)) / HINGE));
  });

  it("rests on what lifts the board most, which is not always what is thickest", () => {
    const near = sheet(5000, 1, 1);
    const far = sheet(8000, 6, 1);
    const closing = closingOf([sheet(20_000), near, far], binding);
    expect(closing.thickest).toMatchObject({ x: inches(6), height: 28_000 });
    expect(closing.rests).toMatchObject({ x: inches(1), height: 25_000 });
    expect(ringsFor(closing)).toBe(28_000);
    expect(closingOf([sheet(20_000), near, far], { ...binding, depth: ringsFor(closing) }).gape).toBe(0);
  });

  it("is as thick at the binding as what lies there (hand table of things, from memory)", () => {
    const leaf = sheet(MATERIALS["cardstock-80"].caliper + 2 * MATERIALS["protector-film"].caliper);
    const { atBinding } = closingOf([...Array(30).fill(leaf), sheet(9000, 5, 1)], binding);
    expect(atBinding).toBe(30 * (290 + 180));
  });

  it("says what each thing costs by leaving it out, and nothing of what lies elsewhere", () => {
    const all = [
      { ...sheet(20_000), of: null },
      { ...sheet(4000, 4, 1), of: "number" },
      { ...sheet(1000, 4, 1), of: "dot" },
      { ...sheet(3000, 6, 1), of: "far" },
    ];
    const shares = sharesOf(all, binding, ({ of }) => of);
    expect(shares.map(({ of, costs }) => [of, costs])).toEqual([
      ["number", 10_000 - 4000],
      ["dot", 2000],
    ]);
    const open = { ...binding, depth: micrometres(90_000) };
    expect(sharesOf(all, open, ({ of }) => of).map(({ of, costs }) => [of, costs])).toEqual([
      ["number", 2000],
      ["dot", 1000],
    ]);
    expect(sharesOf([], binding, () => "x")).toEqual([]);
  });

  it("is parted where the worse of two volumes gapes least, as by trying every place", () => {
    fc.assert(
      fc.property(anyBook, fc.integer({ min: 0, max: 12_000 }), (leaves, depth) => {
        const its: Binding = { ...binding, depth: micrometres(depth) };
        const gape = (part: readonly (readonly Patch[])[]) => closingOf(part.flat(), its).gape;
        const tried = leaves
          .slice(1)
          .map((_, at) => Math.max(gape(leaves.slice(0, at + 1)), gape(leaves.slice(at + 1))));
        const split = bestSplit(leaves, its);
        expect(split && Math.max(...split.gapes)).toBe(Math.min(...tried));
        expect(split?.gapes).toEqual([gape(leaves.slice(0, split?.first)), gape(leaves.slice(split?.first))]);
      }),
    );
    const even = Array.from({ length: 10 }, () => [sheet(300)]);
    expect(bestSplit(even, binding)?.first).toBe(5);
    expect([4, 6]).toContain(bestSplit(even, binding, (at) => at !== 5)?.first);
    expect(bestSplit(even.slice(0, 1), binding)).toBeNull();
  });
});

describe("a ruler put to it", () => {
  const of = (measured: number, reckoned: number) => ({
    measured: micrometres(measured),
    reckoned: micrometres(reckoned),
  });
  it("corrects the reckoning, and is the surer the oftener and the better the measures agree", () => {
    expect(correctionOf([])).toEqual({ factor: 1, within: 0.15 });
    expect(correctionOf([of(9000, 10_000)])).toEqual({ factor: 0.9, within: 0.1 });
    const agree = correctionOf([of(9000, 10_000), of(18_000, 20_000), of(27_000, 30_000)]);
    expect(agree).toEqual({ factor: 0.9, within: 0.02 });
    const apart = correctionOf([of(8000, 10_000), of(20_000, 20_000)]);
    expect(apart.factor).toBeCloseTo((8 * 10 + 20 * 20) / 500, 9);
    expect(apart.within).toBeGreaterThan(agree.within);
  });
  it("passes over what was measured of another book: nothing, less than nothing, ten times as much", () => {
    expect(correctionOf([of(0, 10_000), of(-4000, 10_000), of(1000, 10_000), of(100_000, 10_000)]).factor).toBe(1);
  });
});

describe("what a height far from the hinge does", () => {
  it("never lifts the board more than the same height nearer to it", () => {
    expect(gapeAt({ height: 25_000, x: inches(2) }, binding)).toBeGreaterThan(
      gapeAt({ height: 25_000, x: inches(6) }, binding),
    );
    expect(gapeAt({ height: 19_999, x: 0 }, binding)).toBe(0);
  });
});
