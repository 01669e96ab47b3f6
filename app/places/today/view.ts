import type { PageRow } from "#app/drawing/page-row.ts";
import { pageName } from "#app/places/album/view.ts";
import type { EveningView } from "#app/places/pace/evening-view.ts";
import type { Jotting, Step } from "#core/album/model.ts";
import { type AlbumRead, pagesOf } from "#core/album/page.ts";
import type { Tally } from "#core/album/tally.ts";
import { type CalendarDate, monthName, printShort, weekdayName } from "#core/month/dates.ts";
import type { Look } from "#core/photo/look.ts";

export type TodayDay = {
  readonly date: CalendarDate;
  readonly dayId: string;
  readonly label: string;
  readonly name: string;
  readonly said: string;
  readonly prompt: string;
  readonly technique: string;
  readonly jottings: readonly Jotting[];
  /** The pictures of the day, with words or without. */
  readonly photos: readonly {
    readonly id: string;
    readonly photoId: string;
    readonly alt: string;
    readonly look: Look;
  }[];
  /** What is still to do on its page, in the order of the work. */
  readonly toDo: readonly { readonly step: Step; readonly minutes: number }[];
};
export type TodayView = {
  readonly memberId: string;
  /** Null when the household has no album yet. */
  readonly album: { readonly id: string; readonly title: string; readonly rows: readonly PageRow[] } | null;
  readonly timeZone: string;
  /** A clock that stands still, `YYYY-MM-DDTHH:MM`: the demo's. */
  readonly fixedNow: string | null;
  readonly now: { readonly date: CalendarDate; readonly time: string };
  /** The household's other albums, those under way first. */
  readonly others: readonly {
    readonly id: string;
    readonly title: string;
    readonly startsOn: CalendarDate;
    readonly endsOn: CalendarDate;
  }[];
  readonly days: readonly TodayDay[];
  /** What is counted over the album's month. */
  readonly tallies: readonly Tally[];
  /** What the album before noted for its days. */
  readonly noted: readonly { readonly date: CalendarDate; readonly album: string; readonly text: string }[];
  /** The day that was asked for; null for today, whichever it is. */
  readonly asked: CalendarDate | null;
  /** What is worth doing tonight; null without an album. */
  readonly evening: EveningView | null;
  /** Names this page as it was sent: words sent twice from it by a browser without our scripts are kept once. */
  readonly page: string;
  /** How many pages of days before today are not done, and about how long they take. */
  readonly before: { readonly pages: number; readonly minutes: number };
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
        photos: day.content.photos.map(({ id, photoId, alt, picture }) => ({ id, photoId, alt, look: picture.look })),
        toDo: page.steps.flatMap(({ step, minutes, done }) => (done ? [] : [{ step, minutes }])),
      })),
    );
}

/** What waits on the pages of the days before this one. */
export function waitingBefore(aggregate: AlbumRead, today: CalendarDate): TodayView["before"] {
  const left = pagesOf(aggregate)
    .filter(({ days }) => days.every(({ date }) => date < today))
    .map(({ steps }) => minutesOf(steps.filter(({ done }) => !done)))
    .filter((minutes) => minutes > 0);
  return { pages: left.length, minutes: left.reduce((sum, minutes) => sum + minutes, 0) };
}

/** How long some steps take together. */
export const minutesOf = (steps: readonly { readonly minutes: number }[]): number =>
  steps.reduce((sum, { minutes }) => sum + minutes, 0);

/** When an album is, in a few words, seen from a day. */
export const whenSaid = ({ startsOn, endsOn }: TodayView["others"][number], today: CalendarDate): string =>
  startsOn > today ? `begins ${printShort(startsOn)}` : endsOn < today ? `ended ${printShort(endsOn)}` : "under way";

/** The day that is open: the one chosen, or today's, or the nearest the album has. */
export function openDay(days: readonly TodayDay[], today: CalendarDate, chosen: CalendarDate | null): TodayDay | null {
  const own = days.find(({ date }) => date === (chosen ?? today));
  if (own) return own;
  const [first] = days;
  return first && today < first.date ? first : (days.findLast(({ date }) => date <= today) ?? first ?? null);
}

export const dayShort = (day: TodayDay): string => `${printShort(day.date)}: ${day.name}`;
