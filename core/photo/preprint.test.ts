import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyCorners } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { WHOLE } from "./crop.ts";
import { ALL_OF_IT, areCorners, type Corners, intoPicture, readStraightKey, straightKey } from "./preprint.ts";

describe("a card in a picture of it", () => {
  it("has its corners where they were said to be, its middle where its diagonals cross, and straight edges", () => {
    fc.assert(
      fc.property(anyCorners, fc.double({ min: 0, max: 1, noNaN: true }), (corners, share) => {
        const into = intoPicture(corners);
        const shares = corners.map(({ x, y }) => ({ x: x / WHOLE, y: y / WHOLE }));
        const [a, b, c, d] = shares;
        if (!a || !b || !c || !d) throw new Error("four corners");
        for (const [at, [u, v]] of (
          [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 1],
          ] as const
        ).entries()) {
          expect(into(u, v).x).toBeCloseTo(shares[at]?.x ?? -1, 9);
          expect(into(u, v).y).toBeCloseTo(shares[at]?.y ?? -1, 9);
        }
        type Point = { x: number; y: number };
        const off = (p: Point, from: Point, to: Point) =>
          ((to.x - from.x) * (p.y - from.y) - (to.y - from.y) * (p.x - from.x)) /
          Math.hypot(to.x - from.x, to.y - from.y);
        // Perspective keeps lines: a point of an edge is on that edge, and the middle is on both diagonals.
        expect(off(into(share, 0), a, b)).toBeCloseTo(0, 9);
        expect(off(into(1, share), b, c)).toBeCloseTo(0, 9);
        expect(off(into(0.5, 0.5), a, c)).toBeCloseTo(0, 9);
        expect(off(into(0.5, 0.5), b, d)).toBeCloseTo(0, 9);
      }),
    );
  });

  it("is all of a scan that was cut to it, and nothing is moved", () => {
    const into = intoPicture(ALL_OF_IT);
    for (const [u, v] of [
      [0.1, 0.9],
      [0.5, 0.25],
    ] as const) {
      expect(into(u, v).x).toBeCloseTo(u, 12);
      expect(into(u, v).y).toBeCloseTo(v, 12);
    }
  });

  it("has no corners that cross, turn the wrong way, or make a line; and is read back from its address", () => {
    const [a, b, c, d] = ALL_OF_IT;
    expect(
      [ALL_OF_IT, [b, a, c, d], [a, d, c, b], [a, b, b, a]].map((each) => areCorners(each as unknown as Corners)),
    ).toEqual([...[true, false, false, false]]);
    fc.assert(
      fc.property(anyCorners, (corners) => {
        const word = straightKey(corners, size(inches(3), inches(4)));
        expect(readStraightKey(word)).toEqual({ corners, shape: 1.33 });
      }),
    );
    for (const word of [
      "",
      "0-0_1-1",
      straightKey([a, d, c, b], size(inches(3), inches(4))),
      "0-0_99999-0_9-9_0-9_100",
    ])
      expect(readStraightKey(word)).toBeNull();
  });
});
