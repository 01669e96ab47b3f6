import type { PageRow } from "#app/drawing/page-row.ts";
import { pageName } from "#app/places/album/view.ts";
import type { Jotting } from "#core/album/model.ts";
import { type AlbumRead, pagesOf } from "#core/album/page.ts";
import { type CalendarDate, monthName, printShort, weekdayName } from "#core/month/dates.ts";

export type TodayDay = {
  readonly date: CalendarDate;
  readonly dayId: string;
  readonly label: string;
  readonly name: string;
  readonly said: string;
  readonly prompt: string;
  readonly technique: string;
  readonly jottings: readonly Jotting[];
  readonly photos: number;
};
export type TodayView = {
  readonly memberId: string;
  /** Null when the household has no album yet. */
  readonly album: { readonly id: string; readonly title: string; readonly rows: readonly PageRow[] } | null;
  readonly timeZone: string;
  /** A clock that stands still, `YYYY-MM-DDTHH:MM`: the demo's. */
  readonly fixedNow: string | null;
  readonly now: { readonly date: CalendarDate; readonly time: string };
  readonly days: readonly TodayDay[];
};

/** Every day of the album that is not set aside, each date on its own: a shared page has several. */
export function todayDays(aggregate: AlbumRead): TodayDay[] {
  return pagesOf(aggregate)
    .filter(({ skipped }) => !skipped)
    .flatMap((page) =>
      page.days.map((day) => ({
        date: day.date,
        dayId: day.id,
        label: page.label ?? "",
        name: pageName(page),
        said: `${weekdayName(day.date)}, ${Number(day.date.slice(8))} ${monthName(day.date)}`,
        prompt: page.content.prompt.text,
        technique: page.content.technique.text,
        jottings: day.content.jottings,
        photos: page.content.photos.length,
      })),
    );
}

/** The day that is open: the one chosen, or today's, or the nearest the album has. */
export function openDay(days: readonly TodayDay[], today: CalendarDate, chosen: CalendarDate | null): TodayDay | null {
  const own = days.find(({ date }) => date === (chosen ?? today));
  if (own) return own;
  const [first] = days;
  return first && today < first.date ? first : (days.findLast(({ date }) => date <= today) ?? first ?? null);
}

export const dayShort = (day: TodayDay): string => `${printShort(day.date)}: ${day.name}`;
