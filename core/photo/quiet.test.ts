import { wcagContrast } from "culori";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NO_LOOK } from "./look.ts";
import { readOn } from "./quiet.ts";
import { CELLS, traitsOf } from "./traits.ts";

const WHOLE = { x: 0, y: 0, w: 1, h: 1 };
const even = (grey: number, busy = 0) => ({
  tone: new Uint8Array(CELLS * CELLS).fill(grey),
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

  it("is light or dark as WCAG 2.2 has it of any colour, not of its grey: 4,000 colours (culori)", () => {
    let off = 0;
    for (let at = 0; at < 4000; at++) {
      // A fixed walk through the colours: no two alike, all of the cube reached.
      const rgb = [at * 73, at * 151 + 40, at * 199 + 90].map((each) => each % 256) as [number, number, number];
      const raster = {
        width: 24,
        height: 24,
        rgb: Uint8Array.from({ length: 24 * 24 * 3 }, (_, nth) => rgb[nth % 3] ?? 0),
      };
      const read = readOn(traitsOf(raster, []), WHOLE, NO_LOOK);
      const colour = `#${rgb.map((each) => each.toString(16).padStart(2, "0")).join("")}`;
      const [light, dark] = [wcagContrast("#ffffff", colour), wcagContrast(SOOT, colour)];
      expect(Math.abs(read.contrast - Math.max(light, dark)), colour).toBeLessThan(0.12);
      if (read.lettering !== (light >= dark ? "light" : "dark")) off += Math.abs(light - dark) > 0.05 ? 1 : 0;
    }
    expect(off).toBe(0);
    // The colour of the finding: told as light at 4.1 to 1 before, where light has 2.3 and dark 7.0.
    const green = {
      width: 24,
      height: 24,
      rgb: Uint8Array.from({ length: 24 * 24 * 3 }, (_, nth) => [9, 196, 74][nth % 3] ?? 0),
    };
    expect(readOn(traitsOf(green, []), WHOLE, NO_LOOK)).toEqual({ reads: "quiet", lettering: "dark", contrast: 7 });
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
