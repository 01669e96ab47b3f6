import fc from "fast-check";
import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { type CalendarEntry, calendarDays, calendarEvenings } from "../core/format/calendar.ts";
import { addDays, type CalendarDate } from "../core/month/dates.ts";
import { ofPerson } from "../core/pace/of-person.ts";
import { FOR_GOOD } from "../core/share/share.ts";
import { anyAlbum } from "../tests/samples.ts";
import { writeCalendar } from "./calendar.ts";

const NOW = new Date("2026-12-09T18:40:00Z");
const DAY = "2026-12-09" as CalendarDate;
const entry = (change: Partial<CalendarEntry> = {}): CalendarEntry => ({
  ...{ id: "one", from: DAY, to: addDays(DAY, 1), title: "Counting lit windows", words: "" },
  ...change,
});

/** What another parser reads in a calendar (ical.js). */
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((each) => {
    const event = new ICAL.Event(each);
    const plain = (time: ICAL.Time) => ({ date: time.toString().slice(0, 10), isDate: time.isDate });
    return {
      id: event.uid,
      from: plain(event.startDate),
      to: plain(event.endDate),
      title: event.summary,
      words: event.description ?? "",
    };
  });
const asRead = ({ id, from, to, title, words }: CalendarEntry) => ({
  ...{ id: `${id}@hearth-clock`, from: { date: from, isDate: true }, to: { date: to, isDate: true }, title, words },
});

describe("a calendar file", () => {
  it("is read by another parser as it was meant, whatever is in its words", () => {
    // What no calendar keeps: a carriage return is a line break, and control characters are no text (RFC 5545 §3.3.11).
    const anyWords = fc
      .string({ unit: "grapheme", maxLength: 200 })
      .map((text) => text.replace(/\p{Cc}/gu, " ").trim());
    const anyEntry = fc
      .record({
        title: anyWords.map((text) => `T${text}`),
        words: anyWords,
        at: fc.nat(400),
        days: fc.integer({ min: 1, max: 9 }),
        id: fc.uuid(),
      })
      .map(({ title, words, at, days, id }) =>
        entry({ id, title, words, from: addDays(DAY, at), to: addDays(DAY, at + days) }),
      );
    fc.assert(
      fc.property(fc.uniqueArray(anyEntry, { selector: ({ id }) => id, maxLength: 8 }), (entries) => {
        expect(read(writeCalendar("Any", entries, NOW))).toEqual(entries.map(asRead));
      }),
      { numRuns: 40 },
    );
  });

  it("has lines of at most 75 octets that end in CRLF, and a day that ends with the day after (RFC 5545 §3.1, §3.6.1)", () => {
    const text = writeCalendar(
      "Lanterns, lit; “all”",
      [entry({ title: "Größe über allem ✶ ".repeat(9), words: "a;b,c\\d\ne" })],
      NOW,
    );
    const lines = text.split("\r\n");
    expect(text.endsWith("END:VCALENDAR\r\n")).toBe(true);
    expect(text.replaceAll("\r\n", "")).not.toMatch(/[\r\n]/);
    for (const line of lines) {
      expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
      // Folded inside of a character, it would not be text any more.
      expect(line).not.toContain("\uFFFD");
    }
    expect(text).toContain("DTSTART;VALUE=DATE:20261209");
    expect(text).toContain("DTEND;VALUE=DATE:20261210");
    expect(text).toContain("DESCRIPTION:a\\;b\\,c\\\\d\\ne");
  });
});

describe("the days of an album", () => {
  it("are one entry for each page that is told, the same each time, and of a private day its date alone", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const album = { ...plan, id: "album" };
        const secret = days.map((day) => ({
          ...day,
          content: { ...day.content, title: "SECRET", privateUntil: FOR_GOOD },
        }));
        const whole = (some: typeof days) => ({ album, days: some, matters: [], leaves, tryOuts: [], prints: [] });
        const entries = calendarDays(whole(days), DAY);
        expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
        expect(calendarDays(whole(days), DAY)).toEqual(entries);
        for (const { from, to } of entries) expect(from < to).toBe(true);
        const closed = calendarDays(whole(secret), DAY);
        expect(closed.map(({ from, to }) => [from, to])).toEqual(entries.map(({ from, to }) => [from, to]));
        expect(JSON.stringify(closed)).not.toContain("SECRET");
        const person = ofPerson({ hours: null, minutes: {}, sittings: [], atWork: [] }, plan.span, DAY);
        const evenings = calendarEvenings(whole(days), DAY, person, ({ items }) => String(items.length));
        // Half an hour or more is usual on every day of the week, and a step is planned in one evening only.
        expect(evenings.map(({ from }) => from)).toEqual(Array.from({ length: 7 }, (_, at) => addDays(DAY, at)));
      }),
      { numRuns: 25 },
    );
  });
});
