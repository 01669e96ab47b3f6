import ical, { ICalEventTransparency } from "ical-generator";
import type { CalendarEntry } from "../core/format/calendar.ts";

/** Writes whole-day entries as a calendar file (RFC 5545). They take nobody's time: a calendar shows whoever has them as free. */
export function writeCalendar(name: string, entries: readonly CalendarEntry[], now: Date): string {
  const calendar = ical({ name, prodId: { company: "Hearth Clock", product: "Album", language: "EN" } });
  for (const { id, from, to, title, words } of entries)
    calendar.createEvent({
      ...{ id: `${id}@hearth-clock`, stamp: now, allDay: true, transparency: ICalEventTransparency.TRANSPARENT },
      ...{ start: new Date(`${from}T00:00:00Z`), end: new Date(`${to}T00:00:00Z`) },
      ...{ summary: title, ...(words ? { description: words } : {}) },
    });
  const text = calendar.toString();
  return text.endsWith("\r\n") ? text : `${text}\r\n`;
}
