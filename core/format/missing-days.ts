import { type DayContent, EMPTY_DAY } from "../album/model.ts";
import { datesFrom } from "../month/dates.ts";
import type { Slot } from "../month/slots.ts";
import { type Span, spanLength } from "../month/span.ts";

/** An album has a day for each date of its span: the dates of it that none of these days has, each as an empty day. */
export function missingDays(
  days: readonly Pick<Slot, "date">[],
  span: Span,
  newId: () => string,
): (Slot & { readonly content: DayContent })[] {
  const there = new Set(days.map(({ date }) => date));
  return datesFrom(span.start, spanLength(span))
    .filter((date) => !there.has(date))
    .map((date) => ({ id: newId(), date, skipped: false, mergedInto: null, content: EMPTY_DAY }));
}
