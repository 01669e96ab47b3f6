import { pageOf } from "#app/places/album/view.ts";
import type { AlbumPlan, MatterEntry } from "#core/album/model.ts";
import { type AlbumRead, pagesOf } from "#core/album/page.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { datesOf as datesKnown, type Known } from "#core/month/known.ts";
import { datesOf } from "#core/month/span.ts";
import type { Hours } from "#core/pace/capacity.ts";
import { type Taken, takenAs } from "#core/pace/taken-over.ts";

/** Something known on one of its days, and what became of it there. */
export type KnownRow = Pick<Known, "key" | "title" | "starts" | "ends" | "source" | "onPage"> & {
  readonly taken: Taken;
  /** Whether it lasts over several days. */
  readonly isLong: boolean;
};
export type KnownDay = {
  readonly date: CalendarDate;
  readonly label: string;
  readonly isSkipped: boolean;
  /** Whether the day has a prompt, which another would take the place of. */
  readonly hasPrompt: boolean;
  readonly rows: readonly KnownRow[];
};
export type KnownView = {
  readonly albumId: string;
  readonly first: CalendarDate;
  readonly last: CalendarDate;
  readonly today: CalendarDate;
  readonly days: readonly KnownDay[];
  /** The calendars that something is known from, by the names they have. */
  readonly sources: readonly string[];
  /** A page that it could stand on; null: the book has no month calendar. */
  readonly calendarPage: string | null;
};

type Source = AlbumRead & {
  readonly album: AlbumPlan & { readonly id: string };
  readonly matters: readonly MatterEntry[];
  readonly known: readonly Known[];
};

/** The days of an album that something is known of ahead. */
export function knownView(source: Source, hours: Hours, today: CalendarDate): KnownView {
  const { album, known, matters } = source;
  const pages = pagesOf(source);
  const on = new Map<CalendarDate, Known[]>();
  for (const each of known)
    for (const date of datesKnown(each, album.span)) on.set(date, [...(on.get(date) ?? []), each]);
  const days = datesOf(album.span).flatMap((date): KnownDay[] => {
    const day = source.days.find((each) => each.date === date);
    const all = on.get(date);
    if (!day || !all) return [];
    const page = pageOf(pages, date);
    const rows = all.map((each): KnownRow => {
      const { key, title, starts, ends, source: from, onPage } = each;
      const taken = takenAs(each, date, day.content, hours);
      return { key, title, starts, ends, source: from, onPage, taken, isLong: each.from !== each.to };
    });
    const hasPrompt = day.content.prompt.text !== "";
    return [{ date, label: page?.label ?? "", isSkipped: page?.skipped ?? false, hasPrompt, rows }];
  });
  return {
    ...{ albumId: album.id, first: album.span.start, last: album.span.end, today, days },
    sources: [...new Set(known.map((each) => each.source).filter(Boolean))].sort(),
    calendarPage: matters.find(({ matter }) => matter === "month-calendar")?.id ?? null,
  };
}
