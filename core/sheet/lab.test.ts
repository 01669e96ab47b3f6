import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { contains, rectOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { isToCut, madeUpFor, onLabPaper, stretchAtLab } from "./lab.ts";
import { anyLab } from "./printer.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const papers = [by(4, 6), by(5, 7), by(8, 10)];

describe("a print at a lab", () => {
  it("comes on the paper of its own size either way up, else on the smallest that takes it, else not at all", () => {
    const paperOf = (print: Size) => onLabPaper(print, { papers })?.paper ?? null;
    expect(paperOf(by(6, 4))).toEqual(by(6, 4));
    expect(paperOf(by(4, 6))).toEqual(by(4, 6));
    // Three by four goes on four by six: common practice.
    expect(paperOf(by(4, 3))).toEqual(by(4, 6));
    expect(paperOf(by(6, 5))).toEqual(by(7, 5));
    expect(paperOf(by(8, 8))).toEqual(by(8, 10));
    expect(paperOf(by(12, 12))).toBeNull();
    expect(onLabPaper(by(12, 12), { papers: [] })?.paper).toEqual(by(12, 12));
    const cut = [by(4, 3), by(6, 4)].map((print) => onLabPaper(print, { papers }));
    expect(cut.map((on) => on && isToCut(on))).toEqual([true, false]);
  });

  it("lies whole on the smallest paper there is for it, in the middle, and after the lab's stretch where it should", () => {
    const side = fc.integer({ min: 2000, max: 80_000 });
    const by3 = fc.double({ min: 0.95, max: 1.05, noNaN: true });
    fc.assert(
      fc.property(side, side, by3, by3, (w, h, x, y) => {
        const print = size(ticks(w), ticks(h));
        const on = onLabPaper(print, { papers });
        const fits = papers.filter((paper) => (paper.w >= w && paper.h >= h) || (paper.h >= w && paper.w >= h));
        expect(on === null).toBe(fits.length === 0);
        if (!on) return;
        expect(on.paper.w * on.paper.h).toBe(Math.min(...fits.map((paper) => paper.w * paper.h)));
        expect(contains(rectOf(on.paper), on.at)).toBe(true);
        expect(Math.abs(on.at.x * 2 + w - on.paper.w)).toBeLessThanOrEqual(1);
        const file = madeUpFor(on, { x, y });
        const came = (at: number, whole: number, stretch: number) => whole / 2 + (at - whole / 2) * stretch;
        expect(came(file.x, on.paper.w, x)).toBeCloseTo(on.at.x, 6);
        expect(came(file.y + file.h, on.paper.h, y)).toBeCloseTo(on.at.y + on.at.h, 6);
      }),
    );
  });

  it("is made up for what the lab does to the edge only where nothing white is round it", () => {
    const lab = { ...anyLab("inch"), borderless: { across: inches(3.09), along: inches(3.06) } };
    const full = onLabPaper(by(6, 4), lab.lab);
    const small = onLabPaper(by(4, 3), { papers });
    if (!full || !small) throw new Error("both come");
    const edge = stretchAtLab(lab, full, { border: ticks(0) });
    expect([edge.x, edge.y].map((by) => by.toFixed(3))).toEqual(["1.030", "1.020"]);
    expect(stretchAtLab(lab, full, { border: inches(1 / 4) })).toEqual({ x: 1, y: 1 });
    expect(stretchAtLab(lab, small, { border: ticks(0) })).toEqual({ x: 1, y: 1 });
  });
});
