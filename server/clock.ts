import { type CalendarDate, parseDate, wallClock } from "../core/month/dates.ts";
import type { Household } from "../store/household.ts";

/** What the wall says in a household: its own date and minute. */
export type Wall = { readonly date: CalendarDate; readonly time: string };

/** The household's wall clock; the demo's stands still. */
export function wallOf(household: Household, now: Date): Wall {
  const [date, time] = household.fixedNow?.split("T") ?? [];
  const fixed = date && time ? parseDate(date) : null;
  return fixed && time ? { date: fixed, time } : wallClock(now.getTime(), household.timeZone);
}
