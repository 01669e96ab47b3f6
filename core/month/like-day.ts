import { addDays, type CalendarDate, daysBetween } from "./dates.ts";
import { datesOf, type Span } from "./span.ts";

const inYear = (date: CalendarDate): string => date.slice(5);

/** The same date of the year in another span; null where it has none. */
export const sameDate = (date: CalendarDate, other: Span): CalendarDate | null =>
  datesOf(other).find((each) => inYear(each) === inYear(date)) ?? null;

/**
 * The day of another span that is the same day of its year: a December's 9th for a December's 9th. Of months that have no
 * date in common it is the one as far into its span; null where there is none.
 */
export function likeDay(date: CalendarDate, of: Span, other: Span): CalendarDate | null {
  const there = datesOf(other);
  const known = new Set(datesOf(of).map(inYear));
  if (there.some((each) => known.has(inYear(each)))) return sameDate(date, other);
  const like = addDays(other.start, daysBetween(of.start, date));
  return like >= other.start && like <= other.end ? like : null;
}
