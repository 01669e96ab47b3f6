import { type AlbumRead, type Page, pagesOf } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import { addDays, type CalendarDate, datesFrom } from "../month/dates.ts";
import { minutesOn } from "../pace/capacity.ts";
import type { OfPerson } from "../pace/of-person.ts";
import { type Evening, planEvening } from "../pace/tonight.ts";
import { type Shareable, shareable } from "../share/share.ts";

/** A whole-day entry of a calendar: `to` is the day after its last (RFC 5545). `id` is the same whenever it is written. */
export type CalendarEntry = {
  readonly id: string;
  readonly from: CalendarDate;
  readonly to: CalendarDate;
  readonly title: string;
  readonly words: string;
};

type Whole = AlbumRead & Shareable & { readonly album: { readonly id: string } };

/** The days of an album, each page's worth one entry, without what is private as of `today`. */
export function calendarDays(whole: Whole, today: CalendarDate): CalendarEntry[] {
  const { album } = whole;
  return pagesOf(shareable(whole, today)).flatMap((page) => {
    const [first, last] = [page.days[0], page.days.at(-1)];
    if (page.skipped || !first || !last) return [];
    const title = page.days.flatMap(({ content }) => content.title || []).join(" / ");
    return [
      {
        ...{ id: `${album.id}.${first.id}`, from: first.date, to: addDays(last.date, 1) },
        title: [`${album.title} ${page.label ?? ""}`.trim(), title].filter(Boolean).join(": "),
        words: page.content.prompt.text,
      },
    ];
  });
}

/** What is to be done is said of so many evenings; further on too much of it will be otherwise. */
const EVENINGS_SAID = 7;

/**
 * The evenings to come with time for the album, each with what is worth doing in it when those before it went as planned.
 * `said` words one evening.
 */
export function calendarEvenings(
  whole: Whole,
  today: CalendarDate,
  { hours, own }: OfPerson,
  said: (evening: Evening) => string,
): CalendarEntry[] {
  const { album } = whole;
  let pages = pagesOf(shareable(whole, today));
  let told = 0;
  return datesFrom(today, 62).flatMap((date) => {
    const minutes = minutesOn(hours, date);
    if (minutes === 0 || told >= EVENINGS_SAID) return [];
    told += 1;
    const evening = planEvening(pages, date, minutes, album.preparing, own);
    pages = pages.map((page) => afterwards(page, evening));
    return [
      {
        ...{ id: `${album.id}.evening.${date}`, from: date, to: addDays(date, 1) },
        ...{ title: `${album.title}: ${minutes} min`, words: said(evening) },
      },
    ];
  });
}

/** A page when an evening went as it was planned. */
function afterwards(page: Page, { items }: Evening): Page {
  const did = new Set(items.flatMap((item) => (item.page === page ? [item.step.step] : [])));
  if (did.size === 0) return page;
  return {
    ...page,
    steps: page.steps.map((step): PlannedStep => (did.has(step.step) ? { ...step, done: true } : step)),
  };
}
