import fc from "fast-check";
import polygonClipping, { type Polygon } from "polygon-clipping";
import { describe, expect, it } from "vitest";
import { presetById } from "../../core/album/formats.ts";
import { readBook } from "../../core/book/read.ts";
import { spreadAt } from "../../core/book/spread.ts";
import { windowsOf } from "../../core/book/windows.ts";
import { closingOf } from "../../core/bulk/closing.ts";
import { greatest, type Patch } from "../../core/bulk/heights.ts";
import { MATERIALS, micrometres } from "../../core/material/material.ts";
import { inches } from "../../core/measure/length.ts";
import { overlap, type Rect, rect } from "../../core/measure/rect.ts";
import { anyLeaves } from "../samples.ts";

const anyPatch = fc
  .tuple(fc.nat(40), fc.nat(40), fc.integer({ min: 4, max: 30 }), fc.integer({ min: 4, max: 30 }), fc.boolean())
  .chain(([x, y, w, h, round]) =>
    fc.integer({ min: 1, max: 5 }).map(
      (thick): Patch => ({
        ...{ at: rect(x * 10, y * 10, w * 10, (round ? w : h) * 10), round },
        thick: micrometres(thick),
      }),
    ),
  );

/** A patch as a polygon: a circle by one of many corners that lies within it, or round it. */
function polygonOf({ at, round }: Patch, isRoundIt: boolean): Polygon {
  const corners = 180;
  const [cx, cy, r] = [at.x + at.w / 2, at.y + at.h / 2, at.w / 2];
  const far = isRoundIt ? r / Math.cos(Math.PI / corners) : r;
  return round
    ? [
        Array.from({ length: corners }, (_, nth) => {
          const turn = (2 * Math.PI * nth) / corners;
          return [cx + far * Math.cos(turn), cy + far * Math.sin(turn)];
        }),
      ]
    : [
        [
          [at.x, at.y],
          [at.x + at.w, at.y],
          [at.x + at.w, at.y + at.h],
          [at.x, at.y + at.h],
        ],
      ];
}

/** The most that any patches which share some area come to, by the library's intersections of every set of them. */
function mostShared(patches: readonly Patch[], isRoundIt: boolean): number {
  let most = 0;
  for (let set = 1; set < 2 ** patches.length; set++) {
    const some = patches.filter((_, at) => set & (1 << at));
    const sum = some.reduce((all, { thick }) => all + thick, 0);
    if (sum <= most) continue;
    const [first, ...others] = some.map((patch) => polygonOf(patch, isRoundIt));
    if (first && polygonClipping.intersection(first, ...others).length > 0) most = sum;
  }
  return most;
}

describe("how high everything lies (reference library: polygon-clipping)", () => {
  it("is the most that any pieces which share some area come to, circles between the polygons in and round them", () => {
    fc.assert(
      fc.property(fc.array(anyPatch, { minLength: 1, maxLength: 6 }), (patches) => {
        const height = greatest(patches)?.height ?? 0;
        expect(height).toBeGreaterThanOrEqual(mostShared(patches, false));
        expect(height).toBeLessThanOrEqual(mostShared(patches, true));
      }),
      { numRuns: 60 },
    );
  });
});

describe("an opening as the eye sees it (reference library: polygon-clipping)", () => {
  const areaOf = (all: readonly Rect[]): number => {
    const [first, ...others] = all.map((at) => polygonOf({ at, round: false, thick: micrometres(1) }, false));
    if (!first) return 0;
    return polygonClipping.union(first, ...others).reduce((sum, polygon) => {
      // A ring of corners by the shoelace formula; its holes are taken off.
      const [outer = 0, ...holes] = polygon.map((ring) =>
        Math.abs(
          ring.reduce((twice, [x, y], nth) => {
            const [px, py] = ring.at(nth - 1) ?? [x, y];
            return twice + px * y - x * py;
          }, 0) / 2,
        ),
      );
      return sum + holes.reduce((left, hole) => left - hole, outer);
    }, 0);
  };

  it("ends every part of it at one leaf: what stops the eye overlaps nowhere, and is what is seen but for the windows", () => {
    const format = presetById("ring-6x8");
    if (!format) throw new Error("shipped");
    fc.assert(
      fc.property(anyLeaves, fc.nat(8), (leaves, turn) => {
        const { leaves: read } = readBook({ format, unit: "inch" }, [], leaves);
        const { left, right } = spreadAt(read, turn % (read.length + 1), format);
        for (const side of [left, right]) {
          const stops = side.flatMap((lying) => lying.stops);
          const summed = stops.reduce((sum, { w, h }) => sum + w * h, 0);
          expect(areaOf(stops) / Math.max(1, summed)).toBeCloseTo(summed > 0 ? 1 : 0, 9);
          for (const { read: of, face, visible, page, stops: own } of side) {
            const windows = windowsOf(of, face).map(({ x, y, w, h }) => rect(page.x + x, page.y + y, w, h));
            const both = areaOf([
              ...own,
              ...windows.flatMap((each) => visible.flatMap((part) => overlap(part, each) ?? [])),
            ]);
            expect(both / Math.max(1, areaOf(visible))).toBeCloseTo(visible.length > 0 ? 1 : 0, 9);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("the closed book by hand", () => {
  /** Typical calipers, from memory, in millimetres. */
  const HAND = { cardstock: 0.29, film: 0.09, chipboard: 1.1, print: 0.25 };

  it("is as thick as the stack of its layers, and gapes by similar triangles (checks.md, wedge under a board)", () => {
    // 25 pages of 80 lb cardstock in protectors, each with a print and a chipboard number in the same corner.
    const leaf = (at: ReturnType<typeof rect>, mm: number): Patch => ({
      ...{ at, round: false },
      thick: micrometres(mm * 1000),
    });
    const page = rect(0, 0, inches(7), inches(8.25));
    const number = rect(inches(5), 0, inches(2), inches(2));
    const print = rect(inches(1), inches(3), inches(3), inches(4));
    const book = Array.from({ length: 25 }, () => [
      leaf(page, HAND.cardstock + 2 * HAND.film),
      leaf(number, HAND.chipboard),
      leaf(print, HAND.print),
    ]).flat();
    const closing = closingOf(book, { depth: micrometres(25_400), board: inches(7.25), margin: inches(13 / 16) });
    const leaves = 25 * 0.47;
    expect(closing.atBinding).toBe(Math.round(leaves * 1000));
    expect(closing.thickest?.height).toBe(Math.round((leaves + 25 * 1.1) * 1000));
    const t = leaves + 25 * 1.1 - 25.4;
    expect(closing.gape / 1000).toBeCloseTo((t * 7.25) / 5, 2);
    expect([MATERIALS.chipboard.caliper, MATERIALS["photo-paper"].caliper]).toEqual([1100, 250]);
  });
});
