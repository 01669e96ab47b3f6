import { wcagContrast } from "culori";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NO_LOOK } from "./look.ts";
import { readOn } from "./quiet.ts";
import { CELLS } from "./traits.ts";

const WHOLE = { x: 0, y: 0, w: 1, h: 1 };
const even = (grey: number, busy = 0) => ({
  light: new Uint8Array(CELLS * CELLS).fill(grey),
  busy: new Uint8Array(CELLS * CELLS).fill(busy),
});
const grey = (level: number) => {
  const two = Math.round(level).toString(16).padStart(2, "0");
  return `#${two}${two}${two}`;
};
const SOOT = "#202020";

describe("lettering on a picture", () => {
  it("is light on what is dark and dark on what is light, its contrast as WCAG 2.2 counts it (culori, within a tenth)", () => {
    for (const level of [0, 40, 90, 117, 150, 200, 255]) {
      const read = readOn(even(level) as never, WHOLE, NO_LOOK);
      const [light, dark] = [wcagContrast("#ffffff", grey(level)), wcagContrast(SOOT, grey(level))];
      expect(read.lettering).toBe(light >= dark ? "light" : "dark");
      expect(Math.abs(read.contrast - Math.max(light, dark))).toBeLessThan(0.1);
      expect(read.reads).toBe("quiet");
    }
  });

  it("is called readable at once only where it has 3 : 1 on the worst of the spot, which large lettering needs (WCAG 2.2)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 80 }), (level, busy) => {
        const read = readOn(even(level, busy) as never, WHOLE, NO_LOOK);
        const [low, high] = [Math.max(0, level - busy), Math.min(255, level + busy)];
        const worst = Math.max(wcagContrast("#ffffff", grey(high)), wcagContrast(SOOT, grey(low)));
        if (read.reads === "quiet") expect(worst).toBeGreaterThanOrEqual(3);
      }),
      { numRuns: 400 },
    );
  });

  it("is never called readable at once on what is uneven, however light or dark", () => {
    for (const level of [20, 117, 235]) {
      expect(readOn(even(level, 60) as never, WHOLE, NO_LOOK).reads).toBe("busy");
      expect(readOn(even(level, 20) as never, WHOLE, NO_LOOK).reads).toBe("vellum");
    }
  });
});
