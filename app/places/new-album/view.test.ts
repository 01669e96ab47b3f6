import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate, dayOfMonth, daysBetween, monthOf, parseDate } from "#core/month/dates.ts";
import { newAlbumView, nextOf } from "./view.ts";

const on = (date: string) => newAlbumView(parseDate(date) ?? ("" as CalendarDate), []);
const named = (date: string) => on(date).months.map(({ name }) => name);

describe("the months of a new album", () => {
  it("are the last two, this one and the next, and the last December where it is not among them", () => {
    expect(named("2026-11-27")).toEqual([
      ...["December 2025", "September 2026", "October 2026", "November 2026", "December 2026"],
      ...["January 2027", "February 2027", "March 2027"],
    ]);
    expect(named("2027-01-31")[1]).toBe("December 2026");
    expect(named("2027-01-31").filter((name) => name.startsWith("December"))).toHaveLength(1);
  });

  it("begin with a December that is near, else with this month; each is whole and offered once", () => {
    expect(on("2026-10-02").months[on("2026-10-02").usual]?.name).toBe("December 2026");
    expect(on("2026-12-31").months[on("2026-12-31").usual]?.name).toBe("December 2026");
    expect(on("2027-01-01").months[on("2027-01-01").usual]?.name).toBe("January 2027");
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (days) => {
        const today = addDays("2020-01-01" as CalendarDate, days);
        const { months, usual } = newAlbumView(today, []);
        expect(new Set(months.map(({ start }) => start)).size).toBe(months.length);
        for (const { start, end } of months) {
          const [from, to] = [parseDate(start), parseDate(end)];
          if (!from || !to) throw new Error("dates");
          expect(dayOfMonth(from)).toBe(1);
          expect(dayOfMonth(addDays(to, 1))).toBe(1);
          expect(daysBetween(from, to)).toBeLessThan(31);
        }
        expect(months.some(({ start, end }) => start <= today && today <= end)).toBe(true);
        expect(months.some(({ start }) => start <= today && monthOf(start as CalendarDate) === 12)).toBe(true);
        expect((months[usual]?.end ?? "") >= today).toBe(true);
      }),
    );
  });
});

describe("the days of the next album", () => {
  const next = (start: string, end: string) => {
    const span = { start: start as CalendarDate, end: end as CalendarDate };
    return Object.values(nextOf({ title: "Hers", span }));
  };

  it("are the same a year later, a month as a month, however many days it has then", () => {
    expect(next("2025-12-01", "2025-12-31")).toEqual(["December 2026", "2026-12-01", "2026-12-31"]);
    expect(next("2027-02-01", "2027-02-28")).toEqual(["February 2028", "2028-02-01", "2028-02-29"]);
    expect(next("2028-02-01", "2028-02-29")).toEqual(["February 2029", "2029-02-01", "2029-02-28"]);
  });

  it("keep the title where they are no month", () => {
    expect(next("2026-12-26", "2027-01-06")).toEqual(["Hers", "2027-12-26", "2028-01-06"]);
    expect(next("2028-02-10", "2028-02-29")).toEqual(["Hers", "2029-02-10", "2029-02-28"]);
  });
});
