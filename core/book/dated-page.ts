import type { Page } from "../album/page.ts";
import { type CalendarDate, weekdayNumber } from "../month/dates.ts";
import type { BookPage } from "./read.ts";

/** A page's worth of days as the book's places work on it: what it holds, and which days of the week it is for. */
export type DatedPage = Omit<BookPage, "days"> & {
  readonly days: readonly {
    readonly id: string;
    readonly date: CalendarDate;
    readonly weekday: number;
    readonly title: string;
  }[];
};

/** Notes and prompts stay behind: no leaf shows them. */
export const toDatedPage = ({ label, skipped, content, days }: Page): DatedPage => ({
  label,
  skipped,
  content: { ...content, prompt: { text: "", slip: null } },
  days: days.map(({ id, date, content: own }) => ({ id, date, weekday: weekdayNumber(date), title: own.title })),
});
