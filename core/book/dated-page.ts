import type { MatterPage } from "../album/matter.ts";
import type { Page } from "../album/page.ts";
import { type CalendarDate, weekdayNumber } from "../month/dates.ts";
import type { BookPage } from "./read.ts";

/** A page's worth of days as the book's places work on it: what it holds, and which days of the week it is for. */
export type DatedPage = Omit<BookPage, "days" | "matter"> & {
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

/** A page of the front or back matter as the book's places work on it. */
export type MatterInBook = BookPage & { readonly matter: MatterPage["matter"] };
export const toMatterInBook = ({ label, skipped, content, days, matter }: MatterPage): MatterInBook => ({
  ...{ label, skipped, matter, days: days.map(({ id }) => ({ id })) },
  content: { ...content, prompt: { text: "", slip: null } },
});

/** A day's page or one of the front or back matter, as the book's places work on them. */
export type InBook = DatedPage | MatterInBook;
export const toInBook = (page: Page | MatterPage): InBook =>
  "matter" in page ? toMatterInBook(page) : toDatedPage(page);
/** Whether a page of the book is of days. */
export const isDated = (page: InBook): page is DatedPage => !("matter" in page);
