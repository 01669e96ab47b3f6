import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anySize } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { turned } from "../measure/size.ts";
import { fitInPocket } from "./dry-fit.ts";
import { POCKET_LAYOUTS, pocketsOf } from "./layout.ts";

describe("a pocket layout", () => {
  it("fills its opening exactly, without gap or overlap", () => {
    fc.assert(
      fc.property(fc.constantFrom(...POCKET_LAYOUTS), anySize, (layout, opening) => {
        const pockets = pocketsOf(layout, opening);
        expect(pockets.reduce((sum, { w, h }) => sum + w * h, 0)).toBe(opening.w * opening.h);
        for (const { x, y, w, h } of pockets) {
          expect(x + w).toBeLessThanOrEqual(opening.w);
          expect(y + h).toBeLessThanOrEqual(opening.h);
        }
      }),
    );
  });

  it("makes four 3 × 4 pockets of a 6 × 8 (common practice)", () => {
    const four = POCKET_LAYOUTS.find(({ id }) => id === "four");
    if (!four) throw new Error("shipped");
    for (const pocket of pocketsOf(four, { w: inches(6), h: inches(8) })) {
      expect([pocket.w, pocket.h]).toEqual([inches(3), inches(4)]);
    }
  });
});

describe("fit in a pocket", () => {
  it("is the same for a turned piece in the turned pocket", () => {
    fc.assert(
      fc.property(anySize, anySize, (piece, pocket) => {
        const fit = fitInPocket(piece, pocket);
        const mirrored = fitInPocket(turned(piece), turned(pocket));
        expect(fit?.turned).toBe(mirrored?.turned);
        expect(fit?.play.w).toBe(mirrored?.play.h);
      }),
    );
  });
});
