import { addDays, type CalendarDate, datesFrom, daysBetween, monthOf, weekdayNumber } from "./dates.ts";
import { datesOf, type Known } from "./known.ts";
import type { MonthPage, WeekStart } from "./month-kind.ts";
import type { Span } from "./span.ts";

/** One square. Null where another month's day would stand, which is left blank. */
export type MonthSquare = {
  readonly date: CalendarDate;
  /** Whether it is one of the album's days. */
  readonly isInAlbum: boolean;
  readonly lines: readonly { readonly text: string; readonly of: "day" | "known" }[];
} | null;

/** A month as weeks of seven squares. */
export type MonthGrid = {
  readonly first: CalendarDate;
  readonly weekStart: WeekStart;
  readonly weeks: readonly MonthSquare[][];
};

type Titled = { readonly date: CalendarDate; readonly title: string };

/** A longer album has no page that would hold its squares. */
const MOST_MONTHS = 2;

/**
 * The months that an album's span touches, each as the squares of its weeks. A journey of several days stands in each of
 * them. Of a span over more months than two only the first two are there.
 */
export function monthGrids(
  page: MonthPage,
  span: Span,
  titles: readonly Titled[],
  known: readonly Known[],
): MonthGrid[] {
  if (page.kind === "by-hand") return [];
  const lines = new Map<CalendarDate, { text: string; of: "day" | "known" }[]>();
  const say = (date: CalendarDate, text: string, of: "day" | "known") => {
    const [words, all] = [text.trim(), lines.get(date) ?? []];
    // A day that is called as what was known of it says so once.
    if (words !== "" && !all.some((each) => each.text === words)) lines.set(date, [...all, { text: words, of }]);
  };
  if (page.kind === "both" || page.kind === "known")
    for (const each of known) if (each.onPage) for (const date of datesOf(each, span)) say(date, each.title, "known");
  if (page.kind === "both" || page.kind === "titles") for (const { date, title } of titles) say(date, title, "day");
  return monthsOf(span)
    .slice(0, MOST_MONTHS)
    .map((first) => ({ first, weekStart: page.weekStart, weeks: weeksOf(first, page.weekStart, span, lines) }));
}

const isFirst = (date: CalendarDate): boolean => date.endsWith("-01");
const firstOfMonth = (date: CalendarDate) => `${date.slice(0, 8)}01` as CalendarDate;

/** The first of each month that a span touches. */
function monthsOf({ start, end }: Span): CalendarDate[] {
  const from = firstOfMonth(start);
  return datesFrom(from, daysBetween(from, end) + 1).filter(isFirst);
}

function weeksOf(
  first: CalendarDate,
  weekStart: WeekStart,
  span: Span,
  lines: ReadonlyMap<CalendarDate, NonNullable<MonthSquare>["lines"]>,
): MonthSquare[][] {
  const before = (weekdayNumber(first) - weekStart + 7) % 7;
  const weeks: MonthSquare[][] = [];
  for (let from = addDays(first, -before); from <= first || monthOf(from) === monthOf(first); from = addDays(from, 7))
    weeks.push(
      datesFrom(from, 7).map((date) =>
        monthOf(date) === monthOf(first)
          ? { date, isInAlbum: span.start <= date && date <= span.end, lines: lines.get(date) ?? [] }
          : null,
      ),
    );
  return weeks;
}
