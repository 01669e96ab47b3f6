import { pageName } from "#app/places/album/view.ts";
import { matterPages } from "#core/album/matter.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import type { AlbumPlan, MatterEntry } from "#core/album/model.ts";
import { type AlbumRead, type Page, pagesOf } from "#core/album/page.ts";
import type { Tally } from "#core/album/tally.ts";
import type { Unit } from "#core/measure/length.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import { datesOf } from "#core/month/span.ts";
import { isPrivate } from "#core/share/share.ts";

/** A page that a list card can be put on: its entry, and how it is got to. */
export type ListPage = {
  readonly id: string;
  readonly said: string;
  readonly at: { date: CalendarDate } | { entry: string };
};

export type TalliesView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly tallies: readonly Tally[];
  readonly dates: readonly { readonly date: CalendarDate; readonly said: string }[];
  /** The day that is counted on at first: today, or the nearest there is. */
  readonly today: CalendarDate;
  readonly pages: readonly ListPage[];
  /** The page that is offered first. */
  readonly usualPage: string | null;
  /** Days that are private now: what was counted on them goes onto no list card. */
  readonly privateDates: readonly CalendarDate[];
  /** What could be counted, as other albums of the household do. */
  readonly offered: readonly string[];
};

type Aggregate = AlbumRead & {
  readonly album: AlbumPlan & { readonly id: string };
  readonly matters: readonly MatterEntry[];
  readonly tallies: readonly Tally[];
};

/** What families count over a month. Common practice. */
const OFTEN_COUNTED = ["Songs played", "Films seen", "Visitors"];

const told = (page: Page): ListPage[] => {
  const [lead] = page.days;
  if (page.skipped || !lead) return [];
  const name = pageName(page);
  // A number alone says little of where a card goes.
  return [{ id: lead.id, said: name === page.label ? printShort(lead.date) : name, at: { date: lead.date } }];
};

/** What is counted over an album's month, and where a list of it may go. */
export function talliesView(aggregate: Aggregate, elsewhere: readonly string[], today: CalendarDate): TalliesView {
  const { album, days, tallies } = aggregate;
  const { start, end } = album.span;
  const matters = matterPages(aggregate).map(({ entry }) => entry);
  const pages = [
    ...pagesOf(aggregate).flatMap(told),
    ...matters.map(({ id, matter }): ListPage => ({ id, said: MATTER_NAME[matter], at: { entry: id } })),
  ];
  const names = new Set(tallies.map(({ name }) => name));
  return {
    ...{ albumId: album.id, unit: album.unit, tallies, pages },
    dates: datesOf(album.span).map((date) => ({ date, said: printShort(date) })),
    today: today < start ? start : today > end ? end : today,
    usualPage:
      matters.find(({ matter }) => matter === "closing")?.id ?? pages.findLast(({ at }) => "date" in at)?.id ?? null,
    privateDates: days.filter(({ content }) => isPrivate(content, today)).map(({ date }) => date),
    offered: [...new Set([...elsewhere, ...OFTEN_COUNTED])].filter((name) => !names.has(name)),
  };
}
