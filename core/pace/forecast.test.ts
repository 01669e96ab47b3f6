import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { STEPS, type Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { TYPICAL_MINUTES } from "../album/steps.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { chanceFrom } from "../words/chance.ts";
import { type Hours, USUAL_HOURS } from "./capacity.ts";
import { beta, gamma, normal } from "./draws.ts";
import { type Ask, chanceBy, doneBy, forecast, LONGEST_DAYS, type Work, workLeft } from "./forecast.ts";
import { ownMinutes, TYPICAL } from "./minutes.ts";

const FIRST = "2026-12-01" as CalendarDate;
const MONTH: Work[] = Array.from({ length: 31 }, (_, at) => ({
  ...{ page: `${at}`, from: addDays(FIRST, at) },
  steps: ["choose", "print", "trim", "write", "letter", "base", "assemble", "file"],
}));
const every = (minutes: number): Hours => ({ ...USUAL_HOURS, weekly: Array.from({ length: 7 }, () => minutes) });
const SURE = ownMinutes([], Object.fromEntries(STEPS.map((step) => [step, 10])));
const ask = (change: Partial<Ask> = {}): Ask => ({
  ...{ today: FIRST, work: MONTH, hours: USUAL_HOURS, own: TYPICAL, kept: { meant: 0, kept: 0 }, seed: 7, runs: 400 },
  ...change,
});

describe("draws", () => {
  const chance = chanceFrom(3);
  const mean = (draw: () => number, count = 40_000) => {
    const all = Array.from({ length: count }, draw);
    const middle = all.reduce((sum, each) => sum + each, 0) / count;
    return [middle, all.reduce((sum, each) => sum + (each - middle) ** 2, 0) / count] as const;
  };
  it("have the mean and variance of their distributions (any textbook)", () => {
    const near = ([m, v]: readonly [number, number], mean0: number, variance: number) => {
      expect(Math.abs(m - mean0)).toBeLessThan(5 * Math.sqrt(variance / 40_000));
      expect(v / variance).toBeGreaterThan(0.93);
      expect(v / variance).toBeLessThan(1.07);
    };
    near(
      mean(() => normal(chance)),
      0,
      1,
    );
    for (const shape of [0.5, 1, 3, 20])
      near(
        mean(() => gamma(chance, shape)),
        shape,
        shape,
      );
    near(
      mean(() => beta(chance, 3, 2)),
      3 / 5,
      6 / (25 * 6),
    );
  });
});

describe("what is left to do", () => {
  const wet = (driesUntil: CalendarDate | null) =>
    ({
      ...{ days: [{ id: "a", date: FIRST }], content: { waived: [], driesUntil }, skipped: false, leaves: [] },
      steps: STEPS.map((step) => ({ step, done: step === "base" })),
    }) as unknown as Page;
  const left = (driesUntil: CalendarDate | null, today = FIRST) =>
    workLeft([wet(driesUntil)], today, "nothing", () => true).map(({ from, steps }) => [from, steps]);

  it("of a page that dries is done when it is dry, as far as it goes on it", () => {
    const dry = addDays(FIRST, 2);
    const onIt = ["number", "assemble", "punch", "file"];
    const now = ["choose", "print", "trim", "write", "letter", "insert", "build"];
    expect(left(dry)).toEqual([
      [FIRST, now],
      [dry, onIt],
    ]);
    expect(left(dry, dry)).toEqual([[dry, STEPS.filter((step) => step !== "base")]]);
    expect(left(null)).toEqual([[FIRST, STEPS.filter((step) => step !== "base")]]);
    const seen = forecast(ask({ work: workLeft([wet(addDays(FIRST, 40))], FIRST, "nothing", () => true) }));
    expect(Math.min(...seen.ends.book)).toBeGreaterThanOrEqual(40);
  });
});

describe("the finish", () => {
  it("is the same of the same seed, and another of another", () => {
    const ends = (seed: number) => [...forecast(ask({ seed })).ends.book];
    expect(ends(1)).toEqual(ends(1));
    expect(ends(1)).not.toEqual(ends(2));
  });

  it("is plain arithmetic where nothing is left to chance", () => {
    const work = [{ page: "1", from: FIRST, steps: ["write", "letter", "file"] as Step[] }];
    const bench = [{ page: "1", from: FIRST, steps: ["build"] as Step[], build: 50 }];
    const atBench = forecast(ask({ work: bench, hours: every(10), own: SURE, kept: null, varies: 0 }));
    // Who says ten minutes of what typically takes twenty takes half of these fifty.
    expect(TYPICAL_MINUTES.build).toBe(20);
    expect(new Set(atBench.ends.book)).toEqual(new Set([2]));
    // 30 minutes of work at 10 an evening: the third evening, counted from none.
    const sure = forecast(ask({ work, hours: every(10), own: SURE, kept: null, varies: 0 }));
    expect([doneBy(sure.ends.words, 0.5), doneBy(sure.ends.book, 0.9)]).toEqual([1, 2]);
    expect(doneBy(sure.ends.photos, 0.5)).toBe(0);
    expect([chanceBy(sure.ends.book, 1), chanceBy(sure.ends.book, 2)]).toEqual([0, 1]);
  });

  it("comes no earlier for less time, for a later start, or for more work, and no page is done before it is lived", () => {
    const anyHours = fc.array(fc.integer({ min: 0, max: 120 }), { minLength: 7, maxLength: 7 });
    fc.assert(
      fc.property(anyHours, fc.nat(40), fc.integer({ min: 1, max: 31 }), (weekly, later, pages) => {
        const hours = { ...USUAL_HOURS, weekly };
        const base = ask({ hours, kept: null, runs: 30, work: MONTH.slice(0, pages) });
        const days = (change: Partial<Ask>) =>
          (["photos", "words", "book"] as const).map((stage) => [...forecast({ ...base, ...change }).ends[stage]]);
        const usual = days({});
        const less = days({ hours: { ...hours, weekly: weekly.map((each) => Math.floor(each / 2)) } });
        const start = days({ today: addDays(FIRST, later) });
        const more = days({ work: [...base.work, ...base.work] });
        usual.forEach((ends, stage) => {
          ends.forEach((end, run) => {
            expect(less[stage]?.[run]).toBeGreaterThanOrEqual(end);
            expect(Math.min(LONGEST_DAYS, (start[stage]?.[run] ?? 0) + later)).toBeGreaterThanOrEqual(end);
            expect(end).toBeGreaterThanOrEqual(Math.min(pages - 1, LONGEST_DAYS));
          });
        });
        expect(more[2]?.at(-1)).toBeGreaterThanOrEqual(usual[2]?.at(-1) ?? 0);
      }),
      { numRuns: 20 },
    );
  });

  it("of no time at all, or more work than any year, is none; of nothing to do it is there", () => {
    const none = forecast(ask({ hours: every(0) }));
    expect([doneBy(none.ends.book, 0.5), chanceBy(none.ends.book, LONGEST_DAYS)]).toEqual([null, 0]);
    const much = forecast(ask({ work: Array.from({ length: 40 }, () => MONTH).flat(), hours: every(5), runs: 20 }));
    expect(doneBy(much.ends.book, 0.1)).toBeNull();
    expect(doneBy(forecast(ask({ work: [] })).ends.book, 0.9)).toBe(0);
  });
});
