import { type CalendarDate, dayOfMonth, daysBetween, printShort } from "./dates.ts";
import { type Group, groupsOf, type Slot } from "./slots.ts";
import { datesOf, type Span } from "./span.ts";

/** What the number on a page means. */
export const NUMBERINGS = ["date", "countdown", "story"] as const;
export type Numbering = (typeof NUMBERINGS)[number];

export type NumberedGroup = {
  readonly group: Group;
  /** What is said and printed for the group: `9`, `13·14`, `1 Jan`; null for a skipped day of a story album. */
  readonly label: string | null;
  /** The numerals to make for it, one for each date it covers. */
  readonly numerals: readonly number[];
};

/** Days of the month that come twice in the span (26 December to 31 January), and so need their month said. */
function repeated(span: Span): Set<number> {
  const seen = new Set<number>();
  const twice = new Set<number>();
  for (const date of datesOf(span)) (seen.has(dayOfMonth(date)) ? twice : seen).add(dayOfMonth(date));
  return twice;
}

/**
 * Numbers every page's worth of days: by **date**, by **countdown** (days left; the last date is 1) or by **story**
 * (in the order told, skipped days not counted). No two groups get the same label.
 */
export function numberDays(slots: readonly Slot[], span: Span, numbering: Numbering): NumberedGroup[] {
  const groups = groupsOf(slots, span);
  if (numbering === "story") {
    let told = 0;
    return groups.map((group) => {
      if (group.lead.skipped) return { group, label: null, numerals: [] };
      told += 1;
      return { group, label: String(told), numerals: [told] };
    });
  }
  const twice = numbering === "date" ? repeated(span) : new Set<number>();
  const numeral = (date: CalendarDate) => (numbering === "date" ? dayOfMonth(date) : daysBetween(date, span.end) + 1);
  return groups.map((group) => {
    const numerals = group.members.map(({ date }) => numeral(date));
    const words = group.members.map(({ date }, at) =>
      twice.has(dayOfMonth(date)) ? printShort(date) : String(numerals[at]),
    );
    return { group, label: words.join("·"), numerals };
  });
}
