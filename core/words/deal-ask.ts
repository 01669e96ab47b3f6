import { type CalendarDate, weekdayNumber } from "../month/dates.ts";
import type { Slip } from "./slip.ts";

/** What a deal may be asked to keep to; any of it can be given up when there is no other way. */
export const WISHES = ["none-twice", "kinds-apart", "dates-kept", "weekdays-kept"] as const;
export type Wish = (typeof WISHES)[number];

/**
 * A day of the month in its order. `open`: wants a slip. `kept`: has one that stays, of a kind or of none that is known.
 * `away`: not part of the deal, and nobody's neighbour.
 */
export type DealDay =
  | { readonly date: CalendarDate; readonly state: "open" }
  | { readonly date: CalendarDate; readonly state: "kept"; readonly slip: string | null; readonly kind: string | null }
  | { readonly date: CalendarDate; readonly state: "away" };

export type DealAsk = {
  readonly days: readonly DealDay[];
  readonly slips: readonly Slip[];
  readonly seed: number;
  readonly wishes: ReadonlySet<Wish>;
};

/** Whether a slip may lie on a date, as far as its own dates and weekdays go. */
export function mayLieOn({ on }: Slip, date: CalendarDate, wishes: ReadonlySet<Wish>): boolean {
  if (on.kind === "date") return !wishes.has("dates-kept") || date.slice(5) === on.date;
  if (on.kind === "weekdays") return !wishes.has("weekdays-kept") || on.days.includes(weekdayNumber(date));
  return true;
}
