import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { FORMAT_PRESETS } from "./formats.ts";
import { checkHoles, HOLE_PRESETS, holePreset, NO_HOLES } from "./holes.ts";

const anyEdge = fc.integer({ min: inches(9), max: inches(14) }).map(ticks);

describe("a hole pattern", () => {
  it("of any preset is centred on its edge, and its holes lie on the leaf and clear of each other", () => {
    fc.assert(
      fc.property(fc.constantFrom(...HOLE_PRESETS), anyEdge, (id, along) => {
        const holes = holePreset(id, along);
        expect(checkHoles(holes, inches(6), along)).toBeNull();
        const [first = 0, last = along] = [holes.positions[0], holes.positions.at(-1)];
        expect(Math.abs(first + last - along)).toBeLessThanOrEqual(id === "none" ? along : 1);
      }),
    );
  });

  it("has as many holes as its name says, and none says none", () => {
    const count = (id: (typeof HOLE_PRESETS)[number]) => holePreset(id, inches(11)).positions.length;
    expect(HOLE_PRESETS.map(count)).toEqual([2, 3, 2, 3, 4, 0]);
    expect(checkHoles(NO_HOLES, inches(1), inches(1))).toBeNull();
  });

  it("is refused when a hole is off its leaf by any tick, at either end or at the side, or runs into the next", () => {
    const radius = inches(1 / 8);
    const at = (...positions: number[]) => ({
      positions: positions.map(ticks),
      inset: inches(1 / 2),
      diameter: inches(1 / 4),
    });
    const check = (...positions: number[]) => checkHoles(at(...positions), inches(6), inches(8));
    expect(check(radius)).toBeNull();
    expect(check(radius - 1)).toBe("hole-outside");
    expect(check(inches(8) - radius)).toBeNull();
    expect(check(inches(8) - radius + 1)).toBe("hole-outside");
    expect(checkHoles({ ...at(inches(1)), inset: ticks(radius - 1) }, inches(6), inches(8))).toBe("hole-outside");
    expect(check(inches(2), inches(2) + 2 * radius)).toBeNull();
    expect(check(inches(2), inches(2) + 2 * radius - 1)).toBe("holes-overlap");
    expect(checkHoles({ ...at(inches(1)), diameter: ticks(0) }, inches(6), inches(8))).toBe("hole-of-nothing");
  });

  it("of every preset book lies in its binding margin", () => {
    for (const { holes, margin, binding } of FORMAT_PRESETS) {
      if (binding === "sewn") expect(holes).toEqual(NO_HOLES);
      else expect(holes.inset + holes.diameter / 2).toBeLessThan(margin);
    }
  });
});
