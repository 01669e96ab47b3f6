import { Temporal } from "temporal-polyfill";

/** A plain calendar date, `YYYY-MM-DD`, without a time zone. Two of them compare as text. */
export type CalendarDate = string & { readonly __date: "plain" };

/**
 * Reads an ISO date of the years 1000 to 8999; null when it is not one, or not a day of the calendar. Neither the database
 * nor a month reckoned onwards meets the ends of what dates can be.
 */
export function parseDate(text: string): CalendarDate | null {
  if (!/^[1-8]\d{3}-\d{2}-\d{2}$/.test(text)) return null;
  try {
    return Temporal.PlainDate.from(text, { overflow: "reject" }).toString() as CalendarDate;
  } catch {
    return null;
  }
}

/** Whether a text is a date and a time of day as a clock on the wall shows them, to the minute or the second. */
export function isWallTime(text: string): boolean {
  const [date = "", time = "", ...more] = text.split("T");
  return more.length === 0 && parseDate(date) !== null && /^([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/.test(time);
}

const plain = (date: CalendarDate) => Temporal.PlainDate.from(date);

export const addDays = (date: CalendarDate, days: number): CalendarDate =>
  plain(date).add({ days }).toString() as CalendarDate;

/** `count` dates in a row from `first`. A month's worth is asked for at every reading, so it is counted in days of UTC. */
export function datesFrom(first: CalendarDate, count: number): CalendarDate[] {
  const start = Date.parse(`${first}T00:00:00Z`);
  return Array.from({ length: count }, (_, at) => {
    const date = new Date(start + at * 86_400_000);
    return date.toISOString().slice(0, 10) as CalendarDate;
  });
}

/** Days from `from` to `to`, negative when `to` is earlier. */
export const daysBetween = (from: CalendarDate, to: CalendarDate): number => plain(from).until(plain(to)).days;

/** Days since 1 January 1970, for comparing many dates. */
export const dayCount = (date: CalendarDate): number => Date.parse(date) / 86_400_000;

export const dayOfMonth = (date: CalendarDate): number => Number(date.slice(8));
export const monthOf = (date: CalendarDate): number => Number(date.slice(5, 7));

export const lastOfMonth = (date: CalendarDate): CalendarDate =>
  plain(date)
    .with({ day: plain(date).daysInMonth })
    .toString() as CalendarDate;

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;
const MONTHS = [
  ...(["January", "February", "March", "April", "May", "June"] as const),
  ...(["July", "August", "September", "October", "November", "December"] as const),
];

export const weekdayName = (date: CalendarDate): string => WEEKDAYS[plain(date).dayOfWeek - 1] ?? "";
/** 1 Monday to 7 Sunday. Source: ISO 8601. */
export const weekdayNumber = (date: CalendarDate): number => plain(date).dayOfWeek;
export const monthName = (date: CalendarDate): string => MONTHS[monthOf(date) - 1] ?? "";

/** `9 December 2026` */
export const printDate = (date: CalendarDate): string => `${dayOfMonth(date)} ${monthName(date)} ${date.slice(0, 4)}`;
/** `9 Dec` */
export const printShort = (date: CalendarDate): string => `${dayOfMonth(date)} ${monthName(date).slice(0, 3)}`;

/** The date and wall-clock minute in a time zone at an instant given in milliseconds since 1970. */
export function wallClock(epochMilliseconds: number, timeZone: string): { date: CalendarDate; time: string } {
  const there = Temporal.Instant.fromEpochMilliseconds(epochMilliseconds).toZonedDateTimeISO(timeZone);
  return {
    date: there.toPlainDate().toString() as CalendarDate,
    time: there.toPlainTime().toString({ smallestUnit: "minute" }),
  };
}

/** The zones there are, by name, and with them one that is kept under a name of its own, as `UTC` is. */
export const timeZones = (kept: string): string[] => [...new Set([...Intl.supportedValuesOf("timeZone"), kept])].sort();

/** Whether the calendar library knows the zone; guards a time zone that came from a form. */
export function isTimeZone(name: string): boolean {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
    return true;
  } catch {
    return false;
  }
}
