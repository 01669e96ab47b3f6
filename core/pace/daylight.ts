import { getTimes } from "suncalc";
import { Temporal } from "temporal-polyfill";
import { type CalendarDate, weekdayNumber } from "../month/dates.ts";
import type { Away, Hours } from "./capacity.ts";

/** In degrees, north and east of nought positive. */
export type Place = { readonly latitude: number; readonly longitude: number };
export const isPlace = ({ latitude, longitude }: Place): boolean =>
  Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;

/** Instants in milliseconds since 1970; `dawn` and `dusk` are civil, the sun 6° below the horizon; null: it is never so far down. */
export type Daylight =
  | {
      readonly kind: "day";
      readonly sunrise: number;
      readonly sunset: number;
      readonly dawn: number | null;
      readonly dusk: number | null;
    }
  | { readonly kind: "polar-day" }
  /** The sun does not rise; there may be twilight round noon. */
  | { readonly kind: "polar-night"; readonly dawn: number | null; readonly dusk: number | null };

/** The sun over a place on the day whose noon, by the sun, is nearest the middle of this date. */
export function daylight(date: CalendarDate, { latitude, longitude }: Place): Daylight {
  const noon = new Date(Date.parse(`${date}T12:00:00Z`) - (longitude / 360) * 86_400_000);
  const { sunrise, sunset, dawn, dusk, alwaysUp } = getTimes(noon, latitude, longitude);
  const at = (time: Date | null) => (time && Number.isFinite(time.getTime()) ? time.getTime() : null);
  const [rises, sets] = [at(sunrise), at(sunset)];
  if (rises !== null && sets !== null)
    return { kind: "day", sunrise: rises, sunset: sets, dawn: at(dawn), dusk: at(dusk) };
  return alwaysUp ? { kind: "polar-day" } : { kind: "polar-night", dawn: at(dawn), dusk: at(dusk) };
}

/** An instant as a clock on the wall there shows it, `HH:MM`. */
export const wallTime = (instant: number, timeZone: string): string =>
  Temporal.Instant.fromEpochMilliseconds(Math.round(instant / 60_000) * 60_000)
    .toZonedDateTimeISO(timeZone)
    .toPlainTime()
    .toString({ smallestUnit: "minute" });

const instantOf = (date: CalendarDate, time: string, timeZone: string): number =>
  Temporal.PlainDateTime.from(`${date}T${time}`).toZonedDateTime(timeZone).epochMilliseconds;

/** How much of a stretch lies outside another, in whole minutes. */
const outside = ([from, to]: readonly [number, number], away: readonly [number, number] | null): number => {
  const taken = away ? Math.max(0, Math.min(to, away[1]) - Math.max(from, away[0])) : 0;
  return Math.max(0, Math.round((to - from - taken) / 60_000));
};

/**
 * Minutes of daylight of a date at which somebody is at home, by the clock of the place, its changes included. The middle
 * of the night and twilight are no daylight.
 */
export function freeDaylight(date: CalendarDate, light: Daylight, hours: Hours, timeZone: string): number {
  if (light.kind === "polar-night") return 0;
  const gone: Away | null = hours.away[weekdayNumber(date) - 1] ?? null;
  const away = gone && ([instantOf(date, gone.from, timeZone), instantOf(date, gone.to, timeZone)] as const);
  const whole = [instantOf(date, "00:00", timeZone), instantOf(date, "23:59", timeZone) + 60_000] as const;
  return outside(light.kind === "polar-day" ? whole : [light.sunrise, light.sunset], away);
}

/** With less than this a picture by daylight wants luck, and one that was taken before is better. From memory. */
export const DARK_UNDER = 20;

/**
 * Whether a day asks for a picture by day and one by night of the same view: its words say both, in English, with nothing
 * but little words between.
 */
export const wantsDayAndNight = (words: readonly string[]): boolean =>
  words.some((text) =>
    /\b(day(light|time)?|light)\b[^.!?\n]{0,18}\b(night|dark)\b|\bnight\b[^.!?\n]{0,18}\bday\b/i.test(text),
  );
