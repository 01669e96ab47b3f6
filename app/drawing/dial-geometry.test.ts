import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cell, DIAL, point, ringRadii, wedgeAt, wedges } from "./dial-geometry.ts";

describe("the dial", () => {
  it("goes once round from the top, clockwise, each wedge as wide as its dates", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 62 }), (dates) => {
        const all = wedges(dates);
        expect(all[0]?.from).toBe(0);
        expect(all.at(-1)?.to).toBe(1);
        for (const [at, { from, to }] of all.entries()) {
          expect(to - from).toBeCloseTo((dates[at] ?? 0) / dates.reduce((a, b) => a + b), 9);
          if (at > 0) expect(from).toBe(all[at - 1]?.to);
        }
      }),
    );
  });

  it("has five rings that neither touch nor reach the hub", () => {
    for (let ring = 0; ring < 5; ring++) {
      const { outer, inner } = ringRadii(ring);
      expect(inner).toBeGreaterThan(60);
      expect(outer - inner).toBe(DIAL.depth);
      if (ring > 0) expect(outer).toBeLessThan(ringRadii(ring - 1).inner);
    }
  });

  it("finds the wedge under every point that it draws it at", () => {
    const turns = wedges([1, 2, 1, 3, 1]);
    for (const [at, { from, to }] of turns.entries()) {
      for (const turn of [from + 0.001, (from + to) / 2, to - 0.001]) {
        const { x, y } = point(turn, 150);
        expect(wedgeAt(turns, Number(x), Number(y), 60)).toBe(at);
      }
    }
    expect(wedgeAt(turns, 300, 300, 60)).toBe(-1);
    expect(wedgeAt(turns, 2, 2, 60)).toBe(-1);
  });

  it("draws every wedge inside its picture, even the only day of an album", () => {
    for (const path of [cell(0, 1, 240, 209), cell(0.25, 0.28, 240, 209), cell(0.2, 0.9, 100, 70)]) {
      for (const number of path.match(/\d+\.\d/g) ?? []) expect(Number(number)).toBeLessThanOrEqual(DIAL.size);
    }
  });
});
