import type { CalendarDate } from "#core/month/dates.ts";

const WEEKDAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"] as const;
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"] as const;

/** `Wed`, of an ISO date; for lists drawn in the browser, without a calendar library there. */
export const shortWeekday = (date: string): string => WEEKDAYS[new Date(`${date}T00:00:00Z`).getUTCDay()] ?? "";

/** The date after an ISO date; without a calendar library too. */
export const dayAfter = (date: CalendarDate): CalendarDate =>
  new Date(Date.parse(`${date}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10) as CalendarDate;

/** 1 Monday to 7 Sunday, of an ISO date. */
export const weekdayOf = (date: string): number => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;

/** `9 Dec`, of an ISO date. */
export const shortDate = (date: string): string =>
  `${Number(date.slice(8))} ${MONTHS[Number(date.slice(5, 7)) - 1] ?? ""}`;

/** `Wed 9 Dec`, or `Wed 9 Dec, Thu 10 Dec` of the dates that share a page. */
export const datedAs = (dates: readonly string[]): string =>
  dates.map((date) => `${shortWeekday(date)} ${shortDate(date)}`).join(", ");
