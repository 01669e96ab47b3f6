import type { Step } from "../album/model.ts";
import type { CalendarDate } from "../month/dates.ts";
import { datesFrom, daysBetween } from "../month/dates.ts";
import type { Span } from "../month/span.ts";
import { type Hours, minutesOn, USUAL_HOURS } from "./capacity.ts";
import { type Kept, TYPICAL_KEPT } from "./forecast.ts";
import { type OwnMinutes, ownMinutes, shared } from "./minutes.ts";

/** What is known of a person's time, as it is kept. */
export type Known = {
  readonly hours: Hours | null;
  readonly minutes: Readonly<Partial<Record<Step, number>>>;
  readonly sittings: readonly { readonly minutes: number; readonly steps: readonly Step[] }[];
  readonly atWork: readonly CalendarDate[];
};

export type OfPerson = {
  readonly hours: Hours;
  readonly own: OwnMinutes;
  readonly kept: Kept;
  /** The share of the evenings meant that is kept, in the mean of what is known. */
  readonly share: number;
};

/** What follows from what is known of a person: hours, minutes, and how many of the evenings meant since the album began they kept. */
export function ofPerson({ hours: said, minutes, sittings, atWork }: Known, span: Span, today: CalendarDate): OfPerson {
  const hours = said ?? USUAL_HOURS;
  const timed = sittings.flatMap((each) => shared(each.minutes, each.steps));
  // Today is not over, and nothing is said of it.
  const past = datesFrom(span.start, Math.max(0, daysBetween(span.start, today)));
  const meant = past.filter((date) => minutesOn(hours, date) > 0);
  const kept = meant.filter((date) => atWork.includes(date)).length;
  return {
    hours,
    own: ownMinutes(timed, minutes),
    kept: { meant: meant.length, kept },
    share: (TYPICAL_KEPT.kept + kept) / (TYPICAL_KEPT.kept + TYPICAL_KEPT.missed + meant.length),
  };
}
