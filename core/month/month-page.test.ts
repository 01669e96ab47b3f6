import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate, weekdayNumber } from "./dates.ts";
import type { Known } from "./known.ts";
import { type MonthPage, WEEK_STARTS } from "./month-kind.ts";
import { monthGrids } from "./month-page.ts";

const on = (date: string) => date as CalendarDate;
const DECEMBER = { start: on("2026-12-01"), end: on("2026-12-31") };
const known = (title: string, from: string, to = from, onPage = true): Known => ({
  ...{ key: title, source: "", title, from: on(from), to: on(to), starts: null, ends: null, onPage },
});
const said = (page: MonthPage, titles: { date: CalendarDate; title: string }[] = [], all: Known[] = []) =>
  monthGrids(page, DECEMBER, titles, all).flatMap(({ weeks }) =>
    weeks.flat().flatMap((square) => (square?.lines ?? []).map(({ text }) => `${square?.date.slice(8)} ${text}`)),
  );

describe("the squares of a month", () => {
  it("are each date of it once, under its weekday, in full weeks, whatever month and beginning of the week", () => {
    const anyDate = fc.integer({ min: 0, max: 40_000 }).map((n) => addDays(on("1990-01-01"), n));
    fc.assert(
      fc.property(anyDate, fc.constantFrom(...WEEK_STARTS), (start, weekStart) => {
        const [grid] = monthGrids({ kind: "room", weekStart }, { start, end: start }, [], []);
        const dates = grid?.weeks.flat().flatMap((square) => square?.date ?? []) ?? [];
        const month = new Date(Date.UTC(Number(start.slice(0, 4)), Number(start.slice(5, 7)), 0)).getUTCDate();
        expect(dates).toHaveLength(month);
        expect(new Set(dates).size).toBe(month);
        for (const week of grid?.weeks ?? [])
          for (const [at, square] of week.entries())
            if (square) expect(weekdayNumber(square.date)).toBe(((at + weekStart - 1) % 7) + 1);
        for (const week of grid?.weeks ?? []) expect([week.length, week.some(Boolean)]).toEqual([7, true]);
      }),
      { numRuns: 200 },
    );
  });

  it("have December 2026 as it hangs on the wall: from a Tuesday, five weeks from Monday, five from Sunday", () => {
    const weeks = (weekStart: MonthPage["weekStart"]) =>
      monthGrids({ kind: "room", weekStart }, DECEMBER, [], [])[0]?.weeks.map((week) =>
        week.map((square) => (square ? Number(square.date.slice(8)) : 0)),
      );
    expect(weeks(1)?.[0]).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(weeks(7)?.[0]).toEqual([0, 0, 1, 2, 3, 4, 5]);
    expect([weeks(1)?.length, weeks(7)?.length]).toEqual([5, 5]);
  });

  it("are of both months where a span touches two, and say which days are the album's", () => {
    const span = { start: on("2026-12-26"), end: on("2027-01-06") };
    const grids = monthGrids({ kind: "both", weekStart: 1 }, span, [], []);
    expect(grids.map(({ first }) => first)).toEqual(["2026-12-01", "2027-01-01"]);
    expect(grids.flatMap(({ weeks }) => weeks.flat()).filter((square) => square?.isInAlbum)).toHaveLength(12);
  });
});

describe("what stands in them", () => {
  const titles = [
    { date: on("2026-12-12"), title: "The parade" },
    { date: on("2026-12-13"), title: " " },
  ];
  const all = [
    known("The parade", "2026-12-12"),
    known("A visit", "2026-11-29", "2026-12-02"),
    known("The boat", "2026-12-04", "2026-12-04", false),
  ];

  it("is what was chosen: titles, what is known and was put there, each on all of its days, and once", () => {
    expect(said({ kind: "both", weekStart: 1 }, titles, all)).toEqual(["01 A visit", "02 A visit", "12 The parade"]);
    expect(said({ kind: "titles", weekStart: 1 }, titles, all)).toEqual(["12 The parade"]);
    expect(said({ kind: "known", weekStart: 1 }, titles, all)).toHaveLength(3);
    expect(said({ kind: "room", weekStart: 1 }, titles, all)).toEqual([]);
    expect(monthGrids({ kind: "by-hand", weekStart: 1 }, DECEMBER, titles, all)).toEqual([]);
  });
});
