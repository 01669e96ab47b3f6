import { pageOf } from "#app/places/album/view.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import { type AlbumRead, type Page, pagesOf } from "#core/album/page.ts";
import { type CalendarDate, datesFrom, daysBetween, weekdayNumber } from "#core/month/dates.ts";
import type { Hours } from "#core/pace/capacity.ts";
import {
  DARK_UNDER,
  type Daylight,
  daylight,
  freeDaylight,
  type Place,
  wallTime,
  wantsDayAndNight,
} from "#core/pace/daylight.ts";
import type { DaylightView, LightRow } from "./daylight.tsx";

type Source = AlbumRead & { readonly album: AlbumPlan & { readonly id: string } };

/** How far into its day a time on the wall is, as a share. */
const share = (time: string): number => (Number(time.slice(0, 2)) * 60 + Number(time.slice(3))) / 1440;

const asksForBoth = ({ days }: Page): boolean =>
  wantsDayAndNight(
    days.flatMap(({ content: { title, note, prompt, technique } }) => [title, note, prompt.text, technique.text]),
  );

/** Days enough are named on which pictures may be taken for the dark ones. */
const MOST_BANK = 3;

export function daylightView(
  source: Source,
  place: Place | null,
  hours: Hours,
  timeZone: string,
  today: CalendarDate,
  onRoll: number,
): DaylightView {
  const { album } = source;
  const pages = pagesOf(source);
  const dates = datesFrom(album.span.start, daysBetween(album.span.start, album.span.end) + 1);
  const rows = place
    ? dates.flatMap((date): LightRow[] => {
        const page = pageOf(pages, date);
        if (!page || page.skipped) return [];
        const light = daylight(date, place);
        const free = freeDaylight(date, light, hours, timeZone);
        const away = hours.away[weekdayNumber(date) - 1] ?? null;
        return [
          {
            ...{ date, label: page.label ?? "", free, dark: free < DARK_UNDER, said: lightSaid(light, timeZone) },
            sun: sunOf(light, timeZone),
            twilight: twilightOf(light, timeZone),
            away: away && ([share(away.from), share(away.to)] as const),
            pictures: page.content.photos.length,
            both:
              light.kind === "day" && light.dusk !== null && asksForBoth(page) ? wallTime(light.dusk, timeZone) : null,
          },
        ];
      })
    : [];
  const firstDark = rows.find((row) => row.dark && row.date >= today)?.date;
  const lastDark = rows.findLast((row) => row.dark)?.date ?? today;
  const bank = rows
    .filter((row) => !row.dark && row.date >= today && row.date < lastDark)
    .sort((a, b) => b.free - a.free || (a.date < b.date ? -1 : 1))
    .slice(0, MOST_BANK)
    .map(({ date }) => date)
    .sort();
  return {
    ...{ albumId: album.id, place, timeZone, rows, today, onRoll },
    bank: firstDark ? bank : [],
  };
}

function lightSaid(light: Daylight, timeZone: string): string {
  switch (light.kind) {
    case "polar-day":
      return "The sun does not set.";
    case "polar-night":
      return light.dawn === null
        ? "The sun does not rise, and there is no twilight."
        : `The sun does not rise; twilight ${wallTime(light.dawn, timeZone)} to ${light.dusk === null ? "midnight" : wallTime(light.dusk, timeZone)}.`;
    case "day":
      return `${wallTime(light.sunrise, timeZone)} to ${wallTime(light.sunset, timeZone)},`;
  }
}

function sunOf(light: Daylight, timeZone: string): LightRow["sun"] {
  if (light.kind === "polar-day") return [0, 1];
  return light.kind === "day"
    ? [share(wallTime(light.sunrise, timeZone)), share(wallTime(light.sunset, timeZone))]
    : null;
}

function twilightOf(light: Daylight, timeZone: string): LightRow["twilight"] {
  if (light.kind === "polar-day") return null;
  const [dawn, dusk] = [light.dawn, light.dusk];
  if (light.kind === "day")
    return [dawn === null ? 0 : share(wallTime(dawn, timeZone)), dusk === null ? 1 : share(wallTime(dusk, timeZone))];
  return dawn === null || dusk === null ? null : [share(wallTime(dawn, timeZone)), share(wallTime(dusk, timeZone))];
}
