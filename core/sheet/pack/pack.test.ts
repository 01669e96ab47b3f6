import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, type Length, ticks } from "../../measure/length.ts";
import { contains, overlap, type Rect, rect, rectOf } from "../../measure/rect.ts";
import { size } from "../../measure/size.ts";
import { relax } from "./bound.ts";
import { judgePlan, packSheets, planAfter } from "./pack.ts";
import { mostWorth } from "./pattern.ts";
import { normalPlaces, rasterOf } from "./raster.ts";
import { largestThatFits, type PackTask, tooLarge } from "./task.ts";
import { layOut } from "./tidy.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const LETTER_INSIDE = { area: by(8, 10.5) };

/** Whether rectangles can be parted by straight cuts from edge to edge, found from where they lie alone. */
function isGuillotine(rects: readonly Rect[]): boolean {
  if (rects.length <= 1) return true;
  for (const axis of ["x", "y"] as const) {
    const side = axis === "x" ? "w" : "h";
    for (const line of new Set(rects.map((each) => each[axis]))) {
      const before = rects.filter((each) => each[axis] + each[side] <= line);
      const after = rects.filter((each) => each[axis] >= line);
      if (before.length > 0 && after.length > 0 && before.length + after.length === rects.length)
        return isGuillotine(before) && isGuillotine(after);
    }
  }
  return false;
}

const edge = (most: number) => fc.integer({ min: 1, max: most }).map((halves) => inches(halves / 2) as Length);
const ORDER: fc.Arbitrary<PackTask> = fc.record({
  wanted: fc.uniqueArray(
    fc.record({
      size: fc.record({ w: edge(16), h: edge(16) }),
      count: fc.integer({ min: 1, max: 9 }),
      canTurn: fc.boolean(),
    }),
    { minLength: 1, maxLength: 7, selector: ({ size: { w, h } }) => `${w} ${h}` },
  ),
  papers: fc.constantFrom([LETTER_INSIDE], [LETTER_INSIDE, { area: by(8, 8.5) }]),
  gap: fc.constantFrom(ticks(0), inches(1 / 8)),
});

describe("sheets of prints", () => {
  it("carry just what was ordered, nothing overlapping, all inside, gaps kept, parted by edge-to-edge cuts", () => {
    fc.assert(
      fc.property(ORDER, (task) => {
        fc.pre(tooLarge(task).length === 0);
        const plan = planAfter(task, 12);
        const made = task.wanted.map(() => 0);
        for (const sheet of plan.sheets) {
          const area = rectOf(task.papers[sheet.paper]?.area ?? by(0, 0));
          const { prints, waste } = layOut(sheet.root, area, task.wanted);
          for (const { type, at } of prints) {
            made[type] = (made[type] ?? 0) + 1;
            expect(contains(area, at)).toBe(true);
          }
          const grown = prints.map(({ at }) => rect(at.x, at.y, at.w + task.gap, at.h + task.gap));
          for (const [index, one] of grown.entries())
            for (const other of grown.slice(index + 1)) expect(overlap(one, other)).toBeNull();
          expect(isGuillotine(prints.map(({ at }) => at))).toBe(true);
          const sum = [...prints.map(({ at }) => at), ...waste].reduce((all, { w, h }) => all + w * h, 0);
          expect(sum).toBe(area.w * area.h);
        }
        expect(made).toEqual(task.wanted.map(({ count }) => count));
      }),
      { numRuns: 30 },
    );
  });

  it("are never fewer than the proof allows, and the proof is whole-number arithmetic", () => {
    fc.assert(
      fc.property(ORDER, (task) => {
        fc.pre(tooLarge(task).length === 0);
        const { sheets, atLeast, proof, proven } = planAfter(task, 12);
        expect(sheets.length).toBeGreaterThanOrEqual(atLeast);
        expect(proven).toBe(sheets.length === atLeast);
        const all = task.wanted.reduce((sum, { count }, type) => sum + count * (proof.worth[type] ?? 0), 0);
        expect(all).toBeGreaterThan((atLeast - 1) * proof.most);
        for (const { counts } of sheets) {
          const worth = counts.reduce((sum, count, type) => sum + count * (proof.worth[type] ?? 0), 0);
          expect(worth).toBeLessThanOrEqual(proof.most);
        }
      }),
      { numRuns: 30 },
    );
  });

  it("get better from plan to plan, never worse", () => {
    const task: PackTask = {
      wanted: [
        { size: by(4, 6), count: 7, canTurn: true },
        { size: by(3, 4), count: 11, canTurn: true },
        { size: by(2, 3), count: 5, canTurn: true },
      ],
      papers: [LETTER_INSIDE],
      gap: ticks(0),
    };
    let last: ReturnType<typeof judgePlan> | null = null;
    const search = packSheets(task);
    for (let looks = 0; looks < 60; looks++) {
      const { value, done } = search.next();
      if (done) break;
      const now = judgePlan(value.sheets, task);
      if (last) {
        expect(now.sheets).toBeLessThanOrEqual(last.sheets);
        if (now.sheets === last.sheets) expect(now.cuts).toBeLessThanOrEqual(last.cuts);
      }
      last = now;
    }
  });

  it("are an answer after as many looks as were given, also where it can never be proven", () => {
    // By area one sheet would do (80 of 84 square inches), and no way of cutting does: the search itself has no end.
    const task: PackTask = {
      wanted: [
        { size: by(2, 2), count: 5, canTurn: true },
        { size: by(3, 4), count: 5, canTurn: true },
      ],
      papers: [LETTER_INSIDE],
      gap: ticks(0),
    };
    const { sheets, atLeast, proven } = planAfter(task, 400);
    expect([sheets.length, atLeast, proven]).toEqual([2, 1, false]);
    expect(planAfter(task, 1).sheets.length).toBeGreaterThanOrEqual(2);
  });

  it("take a smaller paper where one does as well", () => {
    const plan = planAfter(
      {
        wanted: [{ size: by(4, 6), count: 4, canTurn: true }],
        papers: [LETTER_INSIDE, { area: by(4, 6) }],
        gap: ticks(0),
      },
      40,
    );
    // Three lie on a Letter sheet; the fourth needs no more than a 4 × 6.
    expect(plan.sheets.map(({ paper }) => paper).sort()).toEqual([0, 1]);
  });

  it("answer for a thousand prints", () => {
    const sizes = [by(4, 6), by(3, 4), by(6, 8), by(2, 2), by(3, 3), by(2, 3), by(4, 4), by(3, 8)];
    const task: PackTask = {
      wanted: sizes.map((each) => ({ size: each, count: 125, canTurn: true })),
      papers: [LETTER_INSIDE],
      gap: ticks(0),
    };
    const plan = planAfter(task, 5);
    expect(plan.sheets.reduce((sum, { counts }) => sum + counts.reduce((a, b) => a + b, 0), 0)).toBe(1000);
    expect(plan.sheets.length).toBeLessThanOrEqual(plan.atLeast + 2);
  });

  it("say which print no paper takes, and the largest of its proportion that fits", () => {
    const task: PackTask = {
      wanted: [
        { size: by(12, 9), count: 1, canTurn: true },
        { size: by(4, 6), count: 1, canTurn: true },
      ],
      papers: [LETTER_INSIDE],
      gap: ticks(0),
    };
    expect(tooLarge(task)).toEqual([0]);
    expect(() => packSheets(task).next()).toThrow(RangeError);
    // 12 : 9 on 10½ × 8 is 10½ × 7⅞.
    expect(largestThatFits(by(12, 9), task.papers, true)).toEqual(by(10.5, 7.875));
  });
});

describe("the raster", () => {
  it("has every sum of edges and no other place", () => {
    const places = normalPlaces(
      [
        { length: 3, count: 2 },
        { length: 4, count: 1 },
      ],
      10,
    );
    expect([...(places ?? [])]).toEqual([0, 3, 4, 6, 7, 10]);
  });

  it("is given up when there would be too many places", () => {
    const odd = Array.from({ length: 40 }, (_, at) => ({ length: 1000 + at * 37, count: 5 }));
    expect(normalPlaces(odd, 80_000)).toBeNull();
  });
});

describe("the linear program", () => {
  /** The most of one size on a sheet, by counting rows and columns of either way: enough for sizes that divide the sheet. */
  it("finds the known best for a single size: 12 cards of 2 × 3 … on 6 × 12, no waste (common practice: 12 × 12 gives twelve 3 × 4)", () => {
    const task: PackTask = {
      wanted: [{ size: by(3, 4), count: 25, canTurn: true }],
      papers: [{ area: by(12, 12) }],
      gap: ticks(0),
    };
    const raster = rasterOf(task, 0);
    if (!raster) throw new Error("a raster");
    expect(mostWorth(raster, [1]).value).toBe(12);
    expect(relax([raster], [25]).atLeast).toBe(3);
  });

  it("is worth as much as trying every guillotine cutting of a small sheet", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 30 })),
          {
            minLength: 1,
            maxLength: 4,
          },
        ),
        (given) => {
          const [wide, high] = [7, 6];
          const task: PackTask = {
            wanted: given.map(([w, h]) => ({ size: size(ticks(w), ticks(h)), count: 50, canTurn: false })),
            papers: [{ area: size(ticks(wide), ticks(high)) }],
            gap: ticks(0),
          };
          const worth = given.map(([, , each]) => each);
          const known = new Map<string, number>();
          const every = (w: number, h: number): number => {
            const key = `${w} ${h}`;
            const before = known.get(key);
            if (before !== undefined) return before;
            let best = Math.max(0, ...given.map(([pw, ph, each]) => (pw <= w && ph <= h ? each : 0)));
            for (let cut = 1; cut < w; cut++) best = Math.max(best, every(cut, h) + every(w - cut, h));
            for (let cut = 1; cut < h; cut++) best = Math.max(best, every(w, cut) + every(w, h - cut));
            known.set(key, best);
            return best;
          };
          const raster = rasterOf(task, 0);
          expect(raster && mostWorth(raster, worth).value).toBe(every(wide, high));
        },
      ),
    );
  });
});
