import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { EMPTY_DAY } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { type AheadAsk, ahead } from "./ahead.ts";
import { minutesBetween, USUAL_HOURS } from "./capacity.ts";
import { TYPICAL } from "./minutes.ts";

const DAY_1 = "2026-12-01" as CalendarDate;
/** A page of a day to come: bare, or with a base, a number and an insert still to be made. */
const pageOn = (at: number, kind: "bare" | "planned" | "made"): Page =>
  ({
    days: [{ date: addDays(DAY_1, at) }],
    skipped: false,
    content: EMPTY_DAY,
    states: { prompt: kind === "bare" ? "open" : "done" },
    leaves: kind === "bare" ? [] : [{}],
    steps:
      kind === "bare"
        ? []
        : (["base", "number", "insert"] as const).map((step) => ({
            step,
            done: kind === "made",
            ring: "paper",
            on: [],
          })),
  }) as unknown as Page;
const ask = (change: Partial<AheadAsk>): AheadAsk => ({
  ...{
    pages: [],
    matters: [],
    today: addDays(DAY_1, -20),
    preparing: "all",
    hours: USUAL_HOURS,
    own: TYPICAL,
    share: 1,
  },
  ...change,
});
const month = (kind: "bare" | "planned" | "made") => Array.from({ length: 31 }, (_, at) => pageOn(at, kind));

describe("before day 1", () => {
  it("counts what the way of preparing makes ahead, and nothing that is done", () => {
    const kinds = (preparing: AheadAsk["preparing"], kind: "bare" | "planned" | "made") =>
      ahead(ask({ pages: month(kind), preparing }))?.groups.map((group) => [group.kind, group.count]);
    expect(kinds("all", "planned")).toEqual([
      ["base", 31],
      ["number", 31],
      ["insert", 31],
    ]);
    expect(kinds("all", "bare")).toEqual([
      ["prompts", 31],
      ["base", 31],
      ["number", 31],
    ]);
    expect(kinds("parts", "planned")).toEqual([["insert", 31]]);
    expect(kinds("nothing", "planned")).toEqual([]);
    expect(kinds("nothing", "bare")).toEqual([["prompts", 31]]);
    expect(kinds("all", "made")).toEqual([]);
  });

  it("counts for what is made at the bench what it takes there", () => {
    const page = (minutes: number): Page => {
      const bare = pageOn(5, "made");
      const build = { step: "build", done: false, ring: "paper", on: [], minutes, dries: 0 } as const;
      return { ...bare, steps: [...bare.steps, build] } as Page;
    };
    const minutes = (each: number) => ahead(ask({ pages: [page(each)], preparing: "parts" }))?.minutes;
    expect([minutes(20), minutes(50)]).toEqual([20, 50]);
  });

  it("is to be begun on the last day from which there is time for it", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90 }),
        fc.integer({ min: 1, max: 100 }),
        fc.nat(31),
        (days, percent, count) => {
          const today = addDays(DAY_1, -days);
          const share = percent / 100;
          const found = ahead(ask({ pages: month("planned").slice(0, count), today, share }));
          if (!found || count === 0) {
            expect(found).toBeNull();
            return;
          }
          const there = (from: CalendarDate) => share * minutesBetween(USUAL_HOURS, from, addDays(DAY_1, -1));
          if (found.beginBy === null) {
            expect(found.short).toBe(Math.ceil(found.minutes - there(today)));
            expect(found.drop[0]).toBe("insert");
            const left = found.groups.filter(({ kind }) => !found.drop.includes(kind));
            expect(left.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(there(today));
          } else {
            expect(there(found.beginBy) + 1e-6).toBeGreaterThanOrEqual(found.minutes);
            expect(found.drop).toEqual([]);
            if (found.beginBy > today && found.minutes > 0)
              expect(there(addDays(found.beginBy, 1))).toBeLessThan(found.minutes);
          }
        },
      ),
      // Eleven bases, numbers and inserts take just as long as there is at 44 of 100: to the last bit.
      { numRuns: 60, examples: [[14, 44, 11]] },
    );
  });

  it("goes on for the days to come when the album is under way, and is over with the last", () => {
    const pages = month("planned");
    const found = ahead(ask({ pages, today: addDays(DAY_1, 10) }));
    expect(found).toMatchObject({ hasBegun: true, by: addDays(DAY_1, 11) });
    expect(found?.groups[0]?.count).toBe(20);
    // Each page is due before its own day: a base for tomorrow is begun today, however much time there is later.
    expect(found?.beginBy === null || found?.beginBy === addDays(DAY_1, 10)).toBe(true);
    const last = ahead(ask({ pages: [pageOn(30, "planned")], today: addDays(DAY_1, -30) }));
    expect(last?.by).toBe(addDays(DAY_1, 30));
    expect(ahead(ask({ pages, today: addDays(DAY_1, 31) }))).toBeNull();
    expect(ahead(ask({ pages: [] }))).toBeNull();
  });
});
