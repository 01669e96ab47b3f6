import { type CalendarDate, monthName, parseDate, weekdayNumber } from "../month/dates.ts";

/** A date said in words: the words, and the day and month they mean; the year and the weekday where they are said. */
export type SaidDate = {
  readonly said: string;
  readonly day: number;
  readonly month: number;
  readonly year: number | null;
  readonly weekday: number | null;
};

const MONTHS = Array.from({ length: 12 }, (_, at) =>
  monthName(`2000-${String(at + 1).padStart(2, "0")}-01` as CalendarDate),
);
const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const MONTH = `(${MONTHS.map((name) => `${name}|${name.slice(0, 3)}\\.?`).join("|")})`;
const WEEKDAY = `(?:(${WEEKDAYS.map((name) => `${name}|${name.slice(0, 3)}\\.?`).join("|")}),? +(?:the +)?)?`;
const DAY = "(\\d{1,2})(?:st|nd|rd|th)?";
const YEAR = "(?:,? +(\\d{4}))?";
const DAY_FIRST = new RegExp(`\\b${WEEKDAY}${DAY} +(?:of +)?${MONTH}${YEAR}(?![\\p{L}\\d])`, "giu");
const MONTH_FIRST = new RegExp(`\\b${WEEKDAY}${MONTH} +(?:the +)?${DAY}${YEAR}(?![\\p{L}\\d])`, "giu");
const ISO = /\b(\d{4})-(\d{2})-(\d{2})\b/g;

const numberOf = (names: readonly string[], said: string | undefined): number | null => {
  const at = said ? names.findIndex((name) => name.toLowerCase().startsWith(said.slice(0, 3).toLowerCase())) : -1;
  return at < 0 ? null : at + 1;
};

/** The dates that a text says in full, in English or as ISO 8601. */
export function datesSaid(text: string): SaidDate[] {
  const found: SaidDate[] = [];
  const add = (said: string, weekday?: string, day?: string, month?: string, year?: string) => {
    const [number, at] = [Number(day), numberOf(MONTHS, month)];
    if (at && number >= 1 && number <= 31)
      found.push({
        said,
        day: number,
        month: at,
        year: year ? Number(year) : null,
        weekday: numberOf(WEEKDAYS, weekday),
      });
  };
  for (const [said, weekday, day, month, year] of text.matchAll(DAY_FIRST)) add(said, weekday, day, month, year);
  for (const [said, weekday, month, day, year] of text.matchAll(MONTH_FIRST)) add(said, weekday, day, month, year);
  for (const [said, year, month, day] of text.matchAll(ISO))
    if (parseDate(said))
      found.push({ said, day: Number(day), month: Number(month), year: Number(year), weekday: null });
  return found;
}

/** Whether a date that was said can be one of some days. */
export const isOneOf = (said: SaidDate, dates: readonly CalendarDate[]): boolean =>
  dates.some(
    (date) =>
      Number(date.slice(5, 7)) === said.month &&
      Number(date.slice(8)) === said.day &&
      (said.year === null || Number(date.slice(0, 4)) === said.year) &&
      (said.weekday === null || weekdayNumber(date) === said.weekday),
  );
