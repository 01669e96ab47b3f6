import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { captionFeet } from "./captions.ts";

const thing = (x: number, w: number, caption: string) => ({ x, y: 0, w, h: 100, caption });

describe("words under things on the mat", () => {
  it("stand right under them, and a line lower where they would run into their neighbour's", () => {
    expect(captionFeet([thing(0, 80, "Page 9"), thing(92, 80, "Page 10")], 4)).toEqual([7, 7]);
    const row = [thing(0, 25, "Small leaf. 1 × 8"), thing(37, 25, "Small leaf. 1 × 8, back"), thing(74, 60, "Page 9")];
    expect(captionFeet(row, 4)).toEqual([7, 7, 11.8]);
  });

  it("never print over each other, among up to four in a row", () => {
    const anyThing = fc.record({ w: fc.integer({ min: 5, max: 60 }), letters: fc.integer({ min: 0, max: 40 }) });
    fc.assert(
      fc.property(fc.array(anyThing, { maxLength: 4 }), fc.integer({ min: 3, max: 6 }), (row, letter) => {
        let x = 0;
        const things = row.map(({ w, letters }) => {
          const at = thing(x, w, "x".repeat(letters));
          x += w + 12;
          return at;
        });
        const feet = captionFeet(things, letter);
        const boxes = things.map((each, nth) => ({
          left: each.x,
          right: each.x + each.caption.length * letter * 0.52,
          foot: feet[nth] ?? 0,
        }));
        for (const [nth, one] of boxes.entries())
          for (const other of boxes.slice(nth + 1)) {
            const beside = one.right <= other.left || other.right <= one.left;
            expect(beside || Math.abs(one.foot - other.foot) >= letter).toBe(true);
          }
      }),
    );
  });
});
