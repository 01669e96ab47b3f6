import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Micrometres, micrometres } from "../material/material.ts";
import { inches, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { greatest, liesAt, type Patch } from "./heights.ts";

const anyPatch: fc.Arbitrary<Patch> = fc
  .tuple(fc.nat(60), fc.nat(60), fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }), fc.boolean())
  .chain(([x, y, w, h, round]) =>
    fc.integer({ min: 1, max: 9 }).map((thick) => ({
      ...{ at: rect(x * 8, y * 8, w * 8, (round ? w : h) * 8), round },
      thick: micrometres(thick),
    })),
  );
const anyPatches = fc.array(anyPatch, { maxLength: 9 });
const worths = [(height: number) => height, (height: number, x: number) => Math.max(0, height - 4) / Math.max(8, x)];

/** What lies at a point, by the shapes themselves. */
const heightAt = (patches: readonly Patch[], x: number, y: number): number =>
  patches.reduce((sum, { at, round, thick }) => {
    const r = Math.min(at.w, at.h) / 2;
    const isIn = round
      ? Math.hypot(x - at.x - at.w / 2, y - at.y - at.h / 2) < r
      : x > at.x && x < at.x + at.w && y > at.y && y < at.y + at.h;
    return isIn ? sum + thick : sum;
  }, 0);

/** Where round edges meet is found to within this. */
const A_TICK = 1;

/** The same by trying: of rectangles a point just within each pair of edges, of circles a fine grid. */
function byTrying(patches: readonly Patch[], worth: (height: number, x: number) => number): number {
  const isSquare = patches.every(({ round }) => !round);
  const fine = (to: number) => Array.from({ length: to / 4 }, (_, at) => at * 4 + 1.3);
  const xs = isSquare ? patches.map(({ at }) => at.x + 0.3) : fine(820);
  const ys = isSquare ? patches.map(({ at }) => at.y + 0.3) : fine(820);
  return Math.max(
    0,
    ...xs.flatMap((x) => ys.map((y) => worth(heightAt(patches, x, y), isSquare ? Math.floor(x) : x + A_TICK))),
  );
}

describe("how high everything lies", () => {
  it("is the most of exact sums: no place of rectangles is worth more, and no point of a fine grid over circles", () => {
    fc.assert(
      fc.property(anyPatches, fc.constantFrom(...worths), (patches, worth) => {
        const found = greatest(patches, worth);
        const its = found ? worth(found.height, found.x) : 0;
        const tried = byTrying(patches, worth);
        if (patches.every(({ round }) => !round)) expect(its).toBeCloseTo(tried, 9);
        else expect(its).toBeGreaterThanOrEqual(tried - 1e-9);
      }),
      { numRuns: 150 },
    );
  });

  it("is what lies at the place that is named", () => {
    fc.assert(
      fc.property(anyPatches, (patches) => {
        const found = greatest(patches);
        expect(found === null).toBe(patches.length === 0);
        if (!found) return;
        const there = patches.filter((patch) => liesAt(patch, found)).reduce((sum, { thick }) => sum + thick, 0);
        expect(there).toBe(found.height);
      }),
      { numRuns: 150 },
    );
  });

  it("never falls when something is added, and is that of its mirror", () => {
    fc.assert(
      fc.property(anyPatches, anyPatch, fc.constantFrom(...worths), (patches, more, worth) => {
        const value = (all: readonly Patch[]) => {
          const found = greatest(all, worth);
          return found ? worth(found.height, found.x) : 0;
        };
        expect(value([...patches, more])).toBeGreaterThanOrEqual(value(patches) - 1e-9);
        const upsideDown = patches.map((each) => ({
          ...each,
          at: { ...each.at, y: ticks(900 - each.at.y - each.at.h) },
        }));
        expect(value(upsideDown)).toBeCloseTo(value(patches), 6);
      }),
      { numRuns: 100 },
    );
  });

  it("adds nothing of what only touches, and misses nothing that is as narrow as a tick", () => {
    const thick = micrometres(100);
    const beside = [
      { at: rect(0, 0, 10, 10), round: false, thick },
      { at: rect(10, 0, 10, 10), round: false, thick },
    ];
    expect(greatest(beside)?.height).toBe(100);
    const below = { at: rect(0, 10, 10, 10), round: false, thick };
    expect(greatest([...beside, below])?.height).toBe(100);
    const narrow = { at: rect(9, 3, 2, 1), round: false, thick: micrometres(7) };
    expect(greatest([...beside, narrow])).toMatchObject({ x: 9, height: 107 });
    expect(greatest([])).toBeNull();
    expect(greatest([{ ...narrow, at: rect(4, 4, 0, 3) }])).toBeNull();
  });

  it("takes round pieces as round: two that overlap as squares and not as circles lie on nothing of each other", () => {
    const round = (x: number, y: number): Patch => ({
      ...{ at: rect(x, y, inches(1), inches(1)), round: true },
      thick: 2000 as Micrometres,
    });
    const apart = inches(0.8);
    expect(greatest([round(0, 0), round(apart, apart)])?.height).toBe(2000);
    // Middles 0.99 in apart are nearer than both radii together: they overlap in a sliver.
    const near = Math.floor(0.7 * inches(1));
    expect(greatest([round(0, 0), round(near, near)])?.height).toBe(4000);
  });
});
