import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ticks } from "./length.ts";
import { areaOf, centredIn, contains, mirrored, overlap, type Rect, rect, roomIn, subtract } from "./rect.ts";

const anyRect: fc.Arbitrary<Rect> = fc
  .tuple(
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 1, max: 60 }),
  )
  .map(([x, y, w, h]) => rect(x, y, w, h));

describe("rectangles", () => {
  it("what is left without a cover and what is shared make up the whole, without overlap", () => {
    fc.assert(
      fc.property(anyRect, anyRect, (from, cover) => {
        const left = subtract(from, cover);
        const shared = overlap(from, cover);
        expect(left.reduce((sum, part) => sum + areaOf(part), 0) + (shared ? areaOf(shared) : 0)).toBe(areaOf(from));
        for (const [at, part] of left.entries()) {
          expect(contains(from, part)).toBe(true);
          expect(overlap(part, cover)).toBeNull();
          for (const other of left.slice(at + 1)) expect(overlap(part, other)).toBeNull();
        }
      }),
    );
  });

  it("overlap is the same either way round, and inside both", () => {
    fc.assert(
      fc.property(anyRect, anyRect, (a, b) => {
        const shared = overlap(a, b);
        expect(overlap(b, a)).toEqual(shared);
        if (shared) expect(contains(a, shared) && contains(b, shared)).toBe(true);
      }),
    );
  });

  it("mirrored twice is where it was, and has its room on the other side in between", () => {
    fc.assert(
      fc.property(anyRect, fc.integer({ min: 1, max: 200 }), (one, width) => {
        const page = rect(0, 0, width, 200);
        const other = mirrored(one, ticks(width));
        expect(mirrored(other, ticks(width))).toEqual(one);
        expect(roomIn(page, other).left).toBe(roomIn(page, one).right);
      }),
    );
  });

  it("centred has as much room on one side as on the other, to the tick", () => {
    fc.assert(
      fc.property(anyRect, anyRect, (outer, size) => {
        const { left, right, top, bottom } = roomIn(outer, centredIn(outer, size));
        expect(Math.abs(left - right)).toBeLessThanOrEqual(1);
        expect(Math.abs(top - bottom)).toBeLessThanOrEqual(1);
      }),
    );
  });
});
