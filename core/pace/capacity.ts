import { type CalendarDate, datesFrom, dayCount, daysBetween } from "../month/dates.ts";

/** Nobody has more of a day than this, in minutes. */
export const MOST_MINUTES = 16 * 60;
export const MOST_EXCEPTIONS = 100;

/** Dates that are not as their weekday usually is: none, more, a journey of several days. */
export type Exception = {
  readonly from: CalendarDate;
  /** The last of them. */
  readonly to: CalendarDate;
  readonly minutes: number;
  readonly why: string;
};

/** Away from home between two times of day, `HH:MM`: what daylight there is then is not free. */
export type Away = { readonly from: string; readonly to: string };

/** When one person has time. Lists of seven begin on Monday (ISO 8601). */
export type Hours = {
  readonly weekly: readonly number[];
  readonly exceptions: readonly Exception[];
  /** Null: at home all day. */
  readonly away: readonly (Away | null)[];
};

/** Until somebody says: half an hour on working days, an hour and a half at the weekend. From memory. */
export const USUAL_HOURS: Hours = {
  weekly: [30, 30, 30, 30, 30, 90, 90],
  exceptions: [],
  away: [...Array.from({ length: 5 }, () => ({ from: "08:00", to: "17:00" })), null, null],
};

const isOn = ({ from, to }: Exception, date: CalendarDate) => from <= date && date <= to;

/** What is said of a date beside its weekday; of several the one that was said last. */
export const exceptionOn = ({ exceptions }: Hours, date: CalendarDate): Exception | undefined =>
  exceptions.findLast((each) => isOn(each, date));

/** Minutes there are on a date. The first of January 1970 was a Thursday, the fourth of seven. */
export const minutesOn = (hours: Hours, date: CalendarDate): number =>
  exceptionOn(hours, date)?.minutes ?? hours.weekly[(dayCount(date) + 3) % 7] ?? 0;

/** Minutes there are from one date to another, both counted; none where the last is earlier. */
export function minutesBetween(hours: Hours, from: CalendarDate, to: CalendarDate): number {
  return datesFrom(from, Math.max(0, daysBetween(from, to) + 1)).reduce((sum, date) => sum + minutesOn(hours, date), 0);
}
