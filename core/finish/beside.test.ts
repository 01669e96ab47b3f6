import { describe, expect, it } from "vitest";
import { decemberDays, fullDay, leavesOn, makeOf } from "../../tests/samples.ts";
import { matterPages } from "../album/matter.ts";
import { pagesOf } from "../album/page.ts";
import { type InBook, toInBook } from "../book/dated-page.ts";
import { readBook } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { type BesideBook, besideAt } from "./beside.ts";

const years = (date: string, by: number) => `${Number(date.slice(0, 4)) + by}${date.slice(4)}` as CalendarDate;

/** A December's book with leaves on some dates, so many years later. */
function bookOf(dates: readonly string[], by = 0): BesideBook & { format: Parameters<typeof spreadAt>[2] } {
  const { plan, days: all } = decemberDays(Object.fromEntries(dates.map((date) => [date, fullDay(date)])));
  const span = { start: years(plan.span.start, by), end: years(plan.span.end, by) };
  const album = { ...plan, span };
  const days = all.map((day) => ({ ...day, date: years(day.date, by) }));
  const leaves = dates.flatMap((date) => leavesOn(date, makeOf({ kind: "full" })));
  const read = { album, days, leaves, prints: [], matters: [] };
  const pages = [...pagesOf(read), ...matterPages(read)].map(toInBook);
  return { leaves: readBook<InBook>(album, pages, leaves).leaves, span, format: plan.format };
}
const DATES = ["2026-12-02", "2026-12-09", "2026-12-24"];

describe("a book that lies open beside another", () => {
  const here = bookOf(DATES);
  const dayAt = (at: number | null, of: BesideBook) => {
    const page = at === null ? null : of.leaves[at]?.front.page;
    return page && "days" in page ? (page.days[0] as { date?: string } | undefined)?.date : undefined;
  };

  it("is open at the same day of its own year", () => {
    const last = bookOf(["2026-12-01", "2026-12-09", "2026-12-24"], -1);
    for (const place of placesOfSpreads(here.leaves)) {
      const spread = spreadAt(here.leaves, place, here.format);
      const date = dayAt(place, here);
      const other = dayAt(besideAt(spread, here, last), last);
      if (date === "2026-12-09" || date === "2026-12-24") expect(other).toBe(years(date, -1));
    }
  });

  it("is open where a back is that day's, at the opening in which the back is up", () => {
    const plain = bookOf(["2026-12-08", "2026-12-09"], -1);
    const [first] = plain.leaves;
    if (!first) throw new Error("it has two leaves");
    const other = {
      ...plain,
      leaves: [{ ...first, back: { ...first.back, page: plain.leaves[1]?.front.page ?? null } }],
    };
    const ninth = placesOfSpreads(here.leaves).find((place) => dayAt(place, here) === "2026-12-09") ?? 0;
    const at = besideAt(spreadAt(here.leaves, ninth, here.format), here, other) ?? -1;
    expect(spreadAt(other.leaves, at, here.format).left[0]?.face).toBe("back");
  });

  it("is open as many openings in, where it has no such day; and nowhere without a leaf", () => {
    const other = bookOf(["2026-12-05", "2026-12-06"], -1);
    const places = placesOfSpreads(here.leaves);
    const [first, last] = [places[0] ?? 0, places.at(-1) ?? 0];
    const there = placesOfSpreads(other.leaves);
    expect(besideAt(spreadAt(here.leaves, first, here.format), here, other)).toBe(there[0]);
    expect(besideAt(spreadAt(here.leaves, last, here.format), here, other)).toBe(there.at(-1));
    const nothing = { leaves: [], span: { start: addDays(here.span.start, -365), end: here.span.end } };
    expect(besideAt(spreadAt(here.leaves, first, here.format), here, nothing)).toBeNull();
  });
});
