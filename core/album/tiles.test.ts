import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { overlap, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { readPrintOf, tileAt, tilesOf, writePrintOf } from "./tiles.ts";

const GRID = fc.record({ across: fc.integer({ min: 1, max: 6 }), down: fc.integer({ min: 1, max: 6 }) });
const WHOLE = fc
  .record({ w: fc.integer({ min: 800, max: 400_000 }), h: fc.integer({ min: 800, max: 400_000 }) })
  .map(({ w, h }) => size(ticks(w), ticks(h)));

describe("the parts of a print", () => {
  it("cover it edge to edge, none over another, alike to a tick", () => {
    fc.assert(
      fc.property(WHOLE, GRID, (whole, grid) => {
        const parts = tilesOf(grid).map((tile) => tileAt(whole, tile));
        expect(parts.reduce((area, { w, h }) => area + w * h, 0)).toBe(whole.w * whole.h);
        for (const [at, one] of parts.entries()) {
          expect(Math.abs(one.w - whole.w / grid.across)).toBeLessThan(1);
          expect(Math.abs(one.h - whole.h / grid.down)).toBeLessThan(1);
          for (const other of parts.slice(at + 1)) expect(overlap(one, other)).toBeNull();
        }
      }),
    );
  });

  it("are two halves of a 12 × 9", () => {
    const [left, right] = tilesOf({ across: 2, down: 1 }).map((tile) => tileAt(size(inches(12), inches(9)), tile));
    expect(left).toEqual(rect(0, 0, inches(6), inches(9)));
    expect(right).toEqual(rect(inches(6), 0, inches(6), inches(9)));
  });

  it("are told apart by a word that reads back as what was written", () => {
    fc.assert(
      fc.property(fc.uuid(), GRID, (id, grid) => {
        for (const tile of [null, ...(grid.across * grid.down > 1 ? tilesOf(grid) : [])])
          expect(readPrintOf(writePrintOf({ id, tile }))).toEqual({ id, tile });
      }),
    );
  });

  it("are none outside their grid, of a grid of one, or of anything that is no id", () => {
    const id = "00000000-0000-4000-8000-000000000000";
    for (const word of [`${id}~2x1.2.0`, `${id}~1x1.0.0`, `${id}~0x2.0.0`, `${id}~99x1.0.0`, `${id}~2x1`, "it", ""])
      expect(readPrintOf(word)).toBeNull();
  });
});
