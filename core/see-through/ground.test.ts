import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLeaves, makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { NOBODY, NUMERAL_COLOURS, newLeaf } from "../album/leaf.ts";
import { INK_OF } from "../album/lettering-ink.ts";
import { VELLUM_HIDES } from "../book/leaf-ink.ts";
import { readBook } from "../book/read.ts";
import { spreadAt } from "../book/spread.ts";
import { INKS } from "../material/ink.ts";
import { areaOf, contains, overlap, rect } from "../measure/rect.ts";
import { NO_LOOK } from "../photo/look.ts";
import { coarser, contrastOf, luminance, luminanceOfColour, toneUnder } from "../photo/quiet.ts";
import { groundBehind, throughVellum, toneOfGround } from "./ground.ts";
import { inksThatRead, standsOut } from "./stands-out.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");

describe("what is behind something", () => {
  it("is met part by part, no part twice and none beyond it, whatever the book", () => {
    fc.assert(
      fc.property(anyLeaves, fc.nat(8), fc.boolean(), (leaves, turned, isLeft) => {
        const { left, right } = spreadAt(readBook({ format: preset, unit: "inch" }, [], leaves).leaves, turned, preset);
        const stack = isLeft ? left : right;
        const [top] = stack;
        if (!top) return;
        const area = rect(top.page.x + 100, top.page.y + 100, Math.ceil(top.page.w / 2), Math.ceil(top.page.h / 2));
        const ground = groundBehind(stack, area, top.read[top.face].pieces.length);
        for (const [nth, { at }] of ground.entries()) {
          expect(contains(area, at)).toBe(true);
          for (const other of ground.slice(nth + 1)) expect(overlap(at, other.at)).toBeNull();
        }
        expect(ground.reduce((sum, { at }) => sum + areaOf(at), 0)).toBeLessThanOrEqual(areaOf(area));
      }),
      { numRuns: 60 },
    );
  });

  it("is never seen more clearly through more sheets: the contrast of any two greys behind them only falls", () => {
    const grey = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(grey, grey, fc.nat(20), (one, other, sheets) => {
        const seen = (n: number) => contrastOf(luminance(throughVellum(one, n)), luminance(throughVellum(other, n)));
        expect(seen(sheets + 1)).toBeLessThanOrEqual(seen(sheets) + 1e-9);
        // Ever nearer to the vellum's own paper.
        const paper = throughVellum(0, 1e6);
        const off = (n: number) => Math.abs(throughVellum(one, n) - paper);
        expect(off(sheets + 1)).toBeLessThanOrEqual(off(sheets) + 1e-9);
      }),
    );
    expect(throughVellum(100, 0)).toBe(100);
  });

  it("has the tone of its parts by their areas, and none where too little of it is known", () => {
    const plain = (x: number, w: number, colour: string) => ({
      ...({ at: rect(x, 0, w, 10), is: { kind: "plain", colour }, veils: 0, isBehind: true } as const),
    });
    const tone = toneOfGround([plain(0, 30, "#000000"), plain(30, 10, "#ffffff")], new Map());
    expect(tone?.mean).toBeCloseTo(255 / 4, 3);
    expect(tone?.spread).toBeCloseTo(255 * Math.sqrt(3 / 16), 3);
    const gone = {
      ...plain(0, 30, ""),
      is: { kind: "picture", photoId: "gone", frame: { x: 0, y: 0, w: 1, h: 1 }, look: NO_LOOK } as const,
    };
    expect(toneOfGround([gone, plain(30, 10, "#ffffff")], new Map())).toBeNull();
    expect(toneOfGround([], new Map())).toBeNull();
    // A picture behind two sheets of vellum is paler, and less uneven, by both.
    const cells = { tone: Array(144).fill(40), busy: Array(144).fill(50) };
    const seen = toneOfGround([{ ...gone, veils: 2 }], new Map([["gone", cells]]));
    expect(seen?.mean).toBeCloseTo(throughVellum(40, 2), 3);
    expect(seen?.spread).toBeCloseTo(50 * (1 - VELLUM_HIDES) ** 2, 3);
  });

  it("is veiled by each sheet of vellum that lies over it", () => {
    const leaf = (id: string, kind: "vellum" | "full") => newLeaf(id, makeOf({ kind }), NOBODY, NOBODY);
    for (const sheets of [0, 1, 3]) {
      const veils = Array.from({ length: sheets }, (_, nth) => leaf(`v${nth}`, "vellum"));
      const leaves = readBook({ format: preset, unit: "inch" }, [], [...veils, leaf("paper", "full")]).leaves;
      const { right } = spreadAt(leaves, 0, preset);
      const { page } = right.at(-1) ?? {};
      if (!page) throw new Error("a page");
      const ground = groundBehind(right, rect(page.x + 9000, page.y + 9000, 100, 100), 0);
      expect(ground.map((each) => each.veils)).toEqual([sheets]);
    }
  });
});

describe("lettering on what is behind it", () => {
  it("has the contrast of WCAG 2.2, by the part that is most like it", () => {
    // WCAG 2.2, relative luminance and contrast ratio: white on black 21, #767676 on white 4.54 (a value of its techniques).
    expect(contrastOf(luminanceOfColour("#ffffff"), luminanceOfColour("#000000"))).toBeCloseTo(21, 6);
    expect(contrastOf(luminanceOfColour("#767676"), luminanceOfColour("#ffffff"))).toBeCloseTo(4.54, 2);
    expect(standsOut("white", { mean: 255, spread: 0 })).toEqual({ how: "alike", contrast: 1 });
    expect(standsOut("black", { mean: 255, spread: 0 }).how).toBe("reads");
    fc.assert(
      fc.property(fc.constantFrom(...NUMERAL_COLOURS), fc.nat(255), fc.nat(90), (ink, mean, spread) => {
        const { how, contrast } = standsOut(ink, { mean, spread });
        const own = luminanceOfColour(INKS[INK_OF[ink]]);
        // No grey within the spread is more like it than what is said.
        for (let grey = Math.max(0, mean - spread); grey <= Math.min(255, mean + spread); grey++)
          expect(contrastOf(own, luminance(grey))).toBeGreaterThanOrEqual(contrast - 0.06);
        expect(how === "reads").toBe(inksThatRead([ink], { mean, spread }).length === 1);
        // What is more uneven reads no better.
        expect(standsOut(ink, { mean, spread: spread + 10 }).contrast).toBeLessThanOrEqual(contrast);
      }),
    );
  });

  it("is the same on a coarser map of a picture, over all of it", () => {
    const cell = fc.tuple(fc.nat(255), fc.nat(60));
    fc.assert(
      fc.property(fc.array(cell, { minLength: 576, maxLength: 576 }), (cells) => {
        const fine = { tone: cells.map(([tone]) => tone), busy: cells.map(([, busy]) => busy) };
        const whole = { x: 0, y: 0, w: 1, h: 1 };
        const [a, b] = [toneUnder(fine, whole, NO_LOOK), toneUnder(coarser(fine, 12), whole, NO_LOOK)];
        expect(b.mean).toBeCloseTo(a.mean, 0);
        expect(b.spread).toBeCloseTo(a.spread, 0);
      }),
      { numRuns: 20 },
    );
  });
});
