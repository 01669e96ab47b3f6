import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { shapesInto } from "./own.ts";
import { doCross, isInside, type Polygon, polygonOf } from "./polygon.ts";
import { united } from "./united.ts";

const side = fc.integer({ min: 10, max: 400 });
const ring = fc
  .record({ x: side, y: side, w: side, h: side, back: fc.boolean() })
  .map(({ x, y, w, h, back }): Polygon => {
    const at = polygonOf(rect(x * 100, y * 100, w * 100, h * 100));
    return back ? [...at].reverse() : at;
  });
const within = (rings: readonly Polygon[], x: number, y: number) => rings.filter((each) => isInside(each, x, y)).length;

describe("outlines of one drawing", () => {
  it("cross nowhere once they are one, and go round nothing that none of them went round", () => {
    fc.assert(
      fc.property(fc.array(ring, { minLength: 1, maxLength: 6 }), side, side, (rings, x, y) => {
        const one = united(rings);
        for (const [nth, each] of one.entries())
          for (const other of one.slice(nth + 1)) expect(doCross(each, other)).toBe(false);
        // Halfway between two hundreds no edge runs.
        const at = [x * 150 + 50, y * 150 + 50] as const;
        if (within(rings, ...at) === 0) expect(within(one, ...at) % 2).toBe(0);
        if (within(rings, ...at) === 1) expect(within(one, ...at) % 2).toBe(1);
      }),
      { numRuns: 300 },
    );
  });

  it("are cut out of a part as one shape", () => {
    const rings = united([polygonOf(rect(0, 0, 4000, 1000)), polygonOf(rect(3000, 200, 3000, 600))]);
    const room = rect(100, 100, inches(2), ticks(500));
    expect(shapesInto("sheet", rings, room)).toHaveLength(1);
  });
});
