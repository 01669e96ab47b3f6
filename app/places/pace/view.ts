import { matterPages, type WholeRead } from "#core/album/matter.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import { isBegun, type Page, pagesOf, progressOf } from "#core/album/page.ts";
import { addDays, type CalendarDate, datesFrom, daysBetween } from "#core/month/dates.ts";
import { type Ahead, ahead } from "#core/pace/ahead.ts";
import { minutesBetween, minutesOn } from "#core/pace/capacity.ts";
import { catchUpOffers, type Priced } from "#core/pace/catch-up.ts";
import { type Ask, workLeft } from "#core/pace/forecast.ts";
import { type Known, ofPerson } from "#core/pace/of-person.ts";

export type PaceView = {
  readonly albumId: string;
  readonly today: CalendarDate;
  readonly first: CalendarDate;
  readonly last: CalendarDate;
  /** Null where everything is done. */
  readonly ask: Ask | null;
  readonly offers: readonly Priced[];
  readonly inBook: number;
  readonly wanted: number;
  readonly hasSaid: boolean;
  /** Minutes in the week to come, and of them those that will be kept, as far as is known. */
  readonly week: { readonly meant: number; readonly kept: number };
  readonly kept: { readonly meant: number; readonly kept: number };
  /** Dates up to yesterday on which there was time, and whether something was done. */
  readonly evenings: readonly { readonly date: CalendarDate; readonly minutes: number; readonly kept: boolean }[];
  /** How many steps were timed. */
  readonly timed: number;
  readonly ahead: Ahead | null;
};

/** So many times over it is reckoned. */
const RUNS = 10_000;
/** The same album asked about twice on a day gets the same answer. */
const seedOf = (text: string): number => [...text].reduce((seed, sign) => (seed * 31 + sign.charCodeAt(0)) | 0, 7);

/** How an album stands to time, for one person. */
export function paceView(
  source: WholeRead & { readonly album: AlbumPlan & { readonly id: string } },
  known: Known,
  today: CalendarDate,
  declined: readonly string[],
): PaceView {
  const { album } = source;
  const pages = pagesOf(source);
  const person = ofPerson(known, album.span, today);
  const { hours, own, kept, share } = person;
  const work = workLeft(pages, today, album.preparing, (page: Page) => isBegun(page) || page.leaves.length > 0);
  const past = datesFrom(album.span.start, Math.max(0, daysBetween(album.span.start, today)));
  const week = minutesBetween(hours, today, addDays(today, 6));
  return {
    ...{ albumId: album.id, today, first: album.span.start, last: album.span.end, ...progressOf(pages) },
    ask: work.length > 0 ? { today, work, hours, own, kept, seed: seedOf(album.id + today), runs: RUNS } : null,
    offers: catchUpOffers(pages, work, today, own, new Set(declined)),
    hasSaid: known.hours !== null,
    week: { meant: week, kept: Math.round(week * share) },
    kept,
    evenings: past.map((date) => ({ date, minutes: minutesOn(hours, date), kept: known.atWork.includes(date) })),
    timed: Object.values(own).reduce((sum, { seen }) => sum + seen, 0),
    ahead: ahead({
      ...{ pages, today, preparing: album.preparing, hours, own, share },
      matters: matterPages(source),
    }),
  };
}
