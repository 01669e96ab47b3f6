import ical from "ical.js";
import { Temporal } from "temporal-polyfill";
import { LIMITS } from "../core/limits.ts";
import { addDays, type CalendarDate, daysBetween, isTimeZone, wallClock } from "../core/month/dates.ts";
import type { KnownRead } from "../core/month/known.ts";
import type { Span } from "../core/month/span.ts";
import { clean } from "../core/words/clean.ts";
import { decode } from "./decode-text.ts";

export type CalendarRead =
  | {
      readonly ok: true;
      /** What the calendar calls itself; empty where it does not say. */
      readonly name: string;
      readonly events: readonly KnownRead[];
      /** Events in a zone that is neither in the file nor known: their times were taken as they stand. */
      readonly unknownZones: number;
      /** Events that could not be read, or repeat so often that only the first of it was. */
      readonly leftOut: number;
    }
  | { readonly ok: false; readonly reason: "not-a-calendar" | "cut-off" };

/** No calendar needs more repeats to be looked through than this; one that never ends would need them all. */
const MOST_REPEATS = 40_000;
const MOST_REPEATS_OF_ONE = 10_000;
const MOST_LETTERS = 200;

/**
 * Reads a calendar file (RFC 5545): what of it falls into `span`, on the clock of `timeZone`. Repeats are followed to the
 * end of the span, with what was moved, left out and cancelled of them; what only lasts into the span is there too.
 */
export function readCalendar(bytes: Uint8Array, span: Span, timeZone: string): CalendarRead {
  const { text } = decode(bytes);
  if (!/BEGIN:VCALENDAR/i.test(text)) return { ok: false, reason: "not-a-calendar" };
  let parsed: unknown;
  try {
    parsed = ical.parse(text);
  } catch (error) {
    const cut = error instanceof Error && error.message.includes("did not end");
    return { ok: false, reason: cut ? "cut-off" : "not-a-calendar" };
  }
  const calendars = (typeof (parsed as unknown[])[0] === "string" ? [parsed] : parsed) as unknown[][];
  const reader = new Reader(span, timeZone);
  let name = "";
  for (const each of calendars) {
    const calendar = new ical.Component(each);
    name ||= cut(calendar.getFirstPropertyValue("x-wr-calname"));
    reader.readAll(each[2] as unknown[][]);
  }
  const { events, unknownZones, leftOut } = reader;
  return { ok: true, name, events, unknownZones, leftOut };
}

const cut = (value: unknown): string =>
  clean(String(value ?? ""))
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, MOST_LETTERS);

const two = (n: number) => String(n).padStart(2, "0");
const dateOf = ({ year, month, day }: ical.Time): CalendarDate =>
  `${String(year).padStart(4, "0")}-${two(month)}-${two(day)}` as CalendarDate;

/** A time as the household's clock shows it. */
type Wall = { readonly date: CalendarDate; readonly time: string | null };

/** An event by itself: what belongs to its series is looked for here, once, and not anew for each. */
const ALONE = { strictExceptions: true, exceptions: [] };
const daysOf = (event: ical.Event): number => Math.ceil(Math.max(0, event.duration.toSeconds()) / 86_400);

/** The zone that one of an event's times says it is in, by the name the file has for it. */
const zoneSaid = (component: ical.Component, name: "dtstart" | "dtend" | "recurrence-id"): string | undefined =>
  component.getFirstProperty(name)?.getFirstParameter("tzid");

class Reader {
  readonly events: KnownRead[] = [];
  unknownZones = 0;
  leftOut = 0;
  private repeats = 0;
  private readonly zones = new Map<string, string | null>();
  /** Zones as the file itself tells them. */
  private readonly ofFile = new Map<string, ical.Timezone>();

  /** Zones move a time by less than a day and a half: what is further away than this needs no reckoning. */
  private readonly near: Span;

  constructor(
    private readonly span: Span,
    private readonly timeZone: string,
  ) {
    this.near = { start: addDays(span.start, -2), end: addDays(span.end, 2) };
  }

  /** Every event of a calendar, those that are one series together. */
  readAll(parts: readonly unknown[][]): void {
    const series = new Map<string, ical.Component[]>();
    // Each by itself: within its calendar a component looks through all others whenever it is asked for a time.
    for (const [at, part] of parts.entries()) {
      const each = new ical.Component(part);
      if (each.name === "vtimezone")
        this.ofFile.set(String(each.getFirstPropertyValue("tzid")), new ical.Timezone(each));
      if (each.name !== "vevent" || this.isFarAway(each)) continue;
      // An event has to have a name of its own; one that has none is called by what it is.
      const uid = String(each.getFirstPropertyValue("uid") ?? `${each.getFirstPropertyValue("dtstart")} ${at}`);
      const known = series.get(uid);
      if (known) known.push(each);
      else series.set(uid, [each]);
    }
    for (const [uid, all] of series) {
      try {
        this.readSeries(uid, all);
      } catch {
        this.leftOut += 1;
      }
    }
  }

  /** Whether an event is once, and too far away for any zone to bring it into the span; seen without reading its times. */
  private isFarAway(component: ical.Component): boolean {
    if (["rrule", "rdate", "recurrence-id"].some((name) => component.hasProperty(name))) return false;
    const said = (name: "dtstart" | "dtend") => String(component.getFirstProperty(name)?.jCal[3] ?? "").slice(0, 10);
    const [start, end] = [said("dtstart"), said("dtend")];
    return start > this.near.end || (end !== "" && end < this.near.start);
  }

  private readSeries(uid: string, all: readonly ical.Component[]): void {
    const isChanged = (each: ical.Component) => each.hasProperty("recurrence-id");
    const changed = all.filter(isChanged);
    for (const each of all) if (!isChanged(each)) this.readWhole(uid, each, changed);
    // A repeat that was moved comes from where it was moved to, whatever day it was of.
    for (const each of changed) {
      const event = new ical.Event(each, ALONE);
      if (!event.modifiesFuture()) this.take(`${uid}|${this.momentOf(each)}`, event, event.startDate, event.endDate);
    }
  }

  /** An event with its repeats, without those that were changed: they stand by themselves. */
  private readWhole(uid: string, component: ical.Component, changed: readonly ical.Component[]): void {
    const future = changed.filter((each) => new ical.Event(each, ALONE).modifiesFuture());
    const event = new ical.Event(component, { strictExceptions: true, exceptions: [...future] });
    if (!event.isRecurring()) {
      this.take(uid, event, event.startDate, event.endDate);
      return;
    }
    const isElsewhere = new Set(changed.filter((each) => !future.includes(each)).map((each) => this.momentOf(each)));
    // What lasts from before the span into it begins no earlier than this.
    const far = addDays(this.span.start, -daysOf(event) - 2);
    const repeats = event.iterator(this.begun(event, component));
    for (let of = 0; of < MOST_REPEATS_OF_ONE && this.repeats < MOST_REPEATS; of++) {
      const next = repeats.next();
      if (!next || dateOf(next) > this.near.end) return;
      this.repeats += 1;
      if (dateOf(next) < far) continue;
      const moment = this.moment(next, zoneSaid(component, "dtstart"));
      if (isElsewhere.has(moment)) continue;
      const { item, startDate, endDate } = event.getOccurrenceDetails(next);
      this.take(`${uid}|${moment}`, item, startDate, endDate);
    }
    this.leftOut += 1;
  }

  /**
   * Where following the repeats begins: an event that is repeated by the day, week or year for long is taken up shortly
   * before the span, at a date of its own pattern. One with a number of repeats is counted from its first.
   */
  private begun(event: ical.Event, component: ical.Component): ical.Time {
    const first = event.startDate;
    const [rule, other] = component.getAllProperties("rrule").map((each) => each.getFirstValue() as ical.Recur);
    if (!rule || other || rule.count) return first;
    const begun = first.clone();
    const before = daysBetween(dateOf(first), this.span.start) - daysOf(event) - 2;
    if (rule.freq === "YEARLY") {
      const years = Math.floor((before / 366 - 2) / rule.interval) * rule.interval;
      // The last of February is not in every year.
      if (years > 0 && first.day < 29) begun.year += years;
      return begun;
    }
    const step = rule.interval * ({ DAILY: 1, WEEKLY: 7 }[String(rule.freq)] ?? 0);
    const steps = step > 0 ? Math.floor(before / step) - 1 : 0;
    if (steps > 0) begun.adjust(steps * step, 0, 0, 0);
    return begun;
  }

  private take(key: string, event: ical.Event, start: ical.Time, end: ical.Time): void {
    const { component } = event;
    if (String(component.getFirstPropertyValue("status") ?? "").toUpperCase() === "CANCELLED") return;
    if (dateOf(start) > this.near.end || dateOf(end) < this.near.start) return;
    const said = zoneSaid(component, "dtstart");
    const from = this.wall(start, said);
    const to = this.wall(end, event.isRecurring() ? said : (zoneSaid(component, "dtend") ?? said));
    // An end is the first moment that is not of the event any more.
    const endsAtMidnight = to.time === null || to.time === "00:00";
    const last = to.date > from.date && endsAtMidnight ? addDays(to.date, -1) : to.date;
    if (from.date > this.span.end || last < this.span.start) return;
    if (this.events.length >= LIMITS.known.most) {
      this.leftOut += 1;
      return;
    }
    const endsBefore = last < from.date;
    const title = cut(event.summary) || "An event without a name";
    const times = { starts: from.time, ends: from.time === to.time && from.date === to.date ? null : to.time };
    this.events.push({
      key: key.slice(0, 500),
      title,
      from: from.date,
      // One that ends before it begins is taken for its first day.
      to: endsBefore ? from.date : last,
      ...times,
    });
  }

  private wall(time: ical.Time, said: string | undefined): Wall {
    const date = dateOf(time);
    if (time.isDate) return { date, time: null };
    const clock = `${two(time.hour)}:${two(time.minute)}`;
    const zone = this.zoneOf(time.zone?.tzid === "UTC" ? "UTC" : (said ?? ""));
    if (zone === this.timeZone) return { date, time: clock };
    if (zone !== null) {
      const there = Temporal.PlainDateTime.from(`${date}T${clock}`).toZonedDateTime(zone);
      return wallClock(there.epochMilliseconds, this.timeZone);
    }
    const told = this.ofFile.get(said ?? "");
    if (told) {
      const there = time.clone();
      there.zone = told;
      return wallClock(there.toUnixTime() * 1000, this.timeZone);
    }
    if (said) this.unknownZones += 1;
    return { date, time: clock };
  }

  /** A moment by which a repeat is known, in whatever zone it is told. */
  private moment(time: ical.Time, said: string | undefined): string {
    const { date, time: clock } = this.wall(time, said);
    return `${date} ${clock ?? ""}`.trim();
  }

  private momentOf(changed: ical.Component): string {
    return this.moment(new ical.Event(changed, ALONE).recurrenceId, zoneSaid(changed, "recurrence-id"));
  }

  /** A zone that clocks know, by its name; null for one that only the file knows, or nobody. */
  private zoneOf(name: string): string | null {
    const known = this.zones.get(name);
    if (known !== undefined) return known;
    const zone = name !== "" && isTimeZone(name) ? name : null;
    this.zones.set(name, zone);
    return zone;
  }
}
