import { type CalendarDate, datesFrom, daysBetween, parseDate } from "./dates.ts";

/** The days an album is for, both ends included. */
export type Span = { readonly start: CalendarDate; readonly end: CalendarDate };

/** Two months with their holidays; more is another album. */
export const LONGEST_SPAN = 62;

export type SpanProblem = "not-a-date" | "reversed" | "too-long";

export const spanLength = ({ start, end }: Span): number => daysBetween(start, end) + 1;
export const inSpan = ({ start, end }: Span, date: CalendarDate): boolean => start <= date && date <= end;

/** Checks two dates as typed: in order, and 1 to 62 days. */
export function parseSpan(start: string, end: string): { ok: true; span: Span } | { ok: false; reason: SpanProblem } {
  const from = parseDate(start);
  const to = parseDate(end);
  if (!from || !to) return { ok: false, reason: "not-a-date" };
  if (to < from) return { ok: false, reason: "reversed" };
  const span = { start: from, end: to };
  return spanLength(span) > LONGEST_SPAN ? { ok: false, reason: "too-long" } : { ok: true, span };
}

/** Every date of the span, in order. */
export function datesOf(span: Span): CalendarDate[] {
  return datesFrom(span.start, spanLength(span));
}
