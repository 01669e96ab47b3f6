import { rrulestr } from "rrule";
import { describe, expect, it } from "vitest";
import type { CalendarDate } from "../core/month/dates.ts";
import { readCalendar } from "./calendar-read.ts";

const date = (text: string) => text as CalendarDate;
const DECEMBER = { start: date("2026-12-01"), end: date("2026-12-31") };
const bytes = (text: string) => new TextEncoder().encode(text);
const file = (...lines: string[]) =>
  bytes(["BEGIN:VCALENDAR", "VERSION:2.0", ...lines, "END:VCALENDAR", ""].join("\r\n"));
const event = (...lines: string[]) => ["BEGIN:VEVENT", ...lines, "END:VEVENT"];
const read = (given: Uint8Array, span = DECEMBER, zone = "Europe/Oslo") => {
  const found = readCalendar(given, span, zone);
  if (!found.ok) throw new Error(found.reason);
  return found;
};
const short = (given: Uint8Array, span = DECEMBER, zone = "Europe/Oslo") =>
  read(given, span, zone).events.map(({ title, from, to, starts, ends }) =>
    [title, from, to === from ? "" : to, starts ?? "", ends ?? ""].join(" ").replace(/ +/g, " ").trim(),
  );

describe("the clock of an event", () => {
  it("is the household's, whichever zone it was told in: UTC, one of the world's, one of the file's, none", () => {
    const own = [
      "BEGIN:VTIMEZONE",
      "TZID:Village time",
      "BEGIN:STANDARD",
      "DTSTART:19700101T000000",
      "TZOFFSETFROM:-0330",
    ];
    const zone = [...own, "TZOFFSETTO:-0330", "TZNAME:VT", "END:STANDARD", "END:VTIMEZONE"];
    const given = file(
      ...zone,
      ...event("UID:1", "SUMMARY:Utc", "DTSTART:20261205T233000Z", "DTEND:20261206T003000Z"),
      ...event("UID:2", "SUMMARY:There", "DTSTART;TZID=America/New_York:20261205T200000", "DURATION:PT90M"),
      ...event(
        "UID:3",
        "SUMMARY:File",
        "DTSTART;TZID=Village time:20261205T120000",
        "DTEND;TZID=Village time:20261205T130000",
      ),
      ...event("UID:4", "SUMMARY:Own", "DTSTART:20261205T180000", "DTEND:20261205T180000"),
      ...event("UID:5", "SUMMARY:Nowhere", "DTSTART;TZID=Moon/Far side:20261205T070000"),
    );
    expect(short(given)).toEqual([
      "Utc 2026-12-06 00:30 01:30",
      "There 2026-12-06 02:00 03:30",
      "File 2026-12-05 16:30 17:30",
      "Own 2026-12-05 18:00",
      "Nowhere 2026-12-05 07:00",
    ]);
    expect(read(given).unknownZones).toBeGreaterThan(0);
  });

  it("stays where it is over a change of the clock, in its own zone", () => {
    const given = file(
      ...event(
        "UID:1",
        "SUMMARY:Call",
        "DTSTART;TZID=America/New_York:20261023T120000",
        "DURATION:PT1H",
        "RRULE:FREQ=WEEKLY;COUNT=3",
      ),
    );
    const autumn = { start: date("2026-10-20"), end: date("2026-11-10") };
    // Oslo leaves summer time on 25 October 2026, New York on 1 November.
    expect(short(given, autumn)).toEqual([
      "Call 2026-10-23 18:00 19:00",
      "Call 2026-10-30 17:00 18:00",
      "Call 2026-11-06 18:00 19:00",
    ]);
  });

  it("takes whole days to the last of them, and what only lasts into the month", () => {
    const given = file(
      ...event("UID:1", "SUMMARY:Journey", "DTSTART;VALUE=DATE:20261129", "DTEND;VALUE=DATE:20261203"),
      ...event("UID:2", "SUMMARY:One day", "DTSTART;VALUE=DATE:20261224"),
      ...event("UID:3", "SUMMARY:Before", "DTSTART;VALUE=DATE:20261129", "DTEND;VALUE=DATE:20261201"),
      ...event("UID:4", "SUMMARY:To midnight", "DTSTART:20261231T200000", "DTEND:20270101T000000"),
      ...event("UID:5", "SUMMARY:After", "DTSTART:20270101T000000"),
    );
    expect(short(given)).toEqual([
      "Journey 2026-11-29 2026-12-02",
      "One day 2026-12-24",
      "To midnight 2026-12-31 20:00 00:00",
    ]);
  });
});

describe("repeats", () => {
  const weekly = [
    "DTSTART;TZID=Europe/Oslo:20200107T170000",
    "DTEND;TZID=Europe/Oslo:20200107T180000",
    "RRULE:FREQ=WEEKLY",
    "EXDATE;TZID=Europe/Oslo:20261215T170000",
  ];
  const moved = (id: string, ...lines: string[]) => event("UID:choir", "SUMMARY:Choir", `RECURRENCE-ID${id}`, ...lines);

  it("follow what was left out, moved and cancelled, in whatever zone that is told; and keep their names when moved", () => {
    const plain = file(...event("UID:choir", "SUMMARY:Choir", ...weekly));
    expect(short(plain).map((line) => line.slice(6, 16))).toEqual([
      "2026-12-01",
      "2026-12-08",
      "2026-12-22",
      "2026-12-29",
    ]);
    const changed = file(
      ...event("UID:choir", "SUMMARY:Choir", ...weekly),
      ...moved(";TZID=Europe/Oslo:20261208T170000", "DTSTART;TZID=Europe/Oslo:20261209T190000"),
      ...moved(":20261222T160000Z", "DTSTART;TZID=Europe/Oslo:20261222T170000", "STATUS:CANCELLED"),
      // From January it comes into the month.
      ...moved(";TZID=Europe/Oslo:20270105T170000", "DTSTART;TZID=Europe/Oslo:20261230T170000"),
    );
    expect(short(changed).sort()).toEqual([
      "Choir 2026-12-01 17:00 18:00",
      "Choir 2026-12-09 19:00",
      "Choir 2026-12-29 17:00 18:00",
      "Choir 2026-12-30 17:00",
    ]);
    const keyOf = (given: Uint8Array, from: string) => read(given).events.find((each) => each.from === from)?.key;
    expect(keyOf(changed, "2026-12-09")).toBe(keyOf(plain, "2026-12-08"));
  });

  it("are found however long ago they began, as all of them would be", () => {
    const span = { start: date("2026-05-01"), end: date("2026-05-31") };
    // The second Sunday of May, from a day that is none; and every third year.
    const rules = ["FREQ=YEARLY;BYMONTH=5;BYDAY=2SU", "FREQ=YEARLY;INTERVAL=3", "FREQ=WEEKLY;INTERVAL=3;BYDAY=MO,FR"];
    for (const [at, rule] of rules.entries()) {
      const first = ["19500101", "19520520", "19510503"][at];
      const given = file(...event("UID:1", "SUMMARY:E", `DTSTART;VALUE=DATE:${first}`, `RRULE:${rule}`));
      const theirs = rrulestr(`DTSTART:${first}T000000Z\nRRULE:${rule}`)
        .between(new Date("2026-05-01T00:00:00Z"), new Date("2026-05-31T00:00:00Z"), true)
        .map((each) => each.toISOString().slice(0, 10));
      expect(read(given, span).events.map(({ from }) => from)).toEqual(theirs);
    }
  });

  it("end, however often they come", () => {
    const given = file(
      ...event("UID:1", "SUMMARY:Every second", "DTSTART:20100101T000000", "RRULE:FREQ=SECONDLY"),
      ...event("UID:2", "SUMMARY:Every minute", "DTSTART:20261201T000000", "RRULE:FREQ=MINUTELY"),
      ...event("UID:3", "SUMMARY:Every day", "DTSTART;VALUE=DATE:19000101", "RRULE:FREQ=DAILY"),
    );
    const found = read(given);
    expect(found.leftOut).toBeGreaterThan(0);
    expect(found.events.length).toBeLessThanOrEqual(2000);
    const daily = file(
      ...event("UID:3", "SUMMARY:Every day", "DTSTART;VALUE=DATE:19000101", "RRULE:FREQ=DAILY;INTERVAL=5"),
    );
    // 1 January 1900 lies 46,359 days before 5 December 2026, which is no multiple of five; 46,360 is.
    expect(short(daily).map((line) => line.slice(-2))).toEqual(["01", "06", "11", "16", "21", "26", "31"]);
  });
});

describe("RFC 5545 §3.8.5.3: the examples, onto days", () => {
  const FROM = "19970902T090000";
  const years = { start: date("1997-09-02"), end: date("1999-12-31") };
  /** Rules of the section that begin on 2 September 1997 at nine, New York. */
  const RULES = [
    "FREQ=DAILY;COUNT=10",
    "FREQ=DAILY;UNTIL=19971224T000000Z",
    "FREQ=DAILY;INTERVAL=2",
    "FREQ=DAILY;INTERVAL=10;COUNT=5",
    "FREQ=WEEKLY;COUNT=10",
    "FREQ=WEEKLY;UNTIL=19971224T000000Z",
    "FREQ=WEEKLY;INTERVAL=2;WKST=SU",
    "FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH",
    "FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH",
    "FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH",
    "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15",
    "FREQ=MONTHLY;INTERVAL=2;BYDAY=TU",
    "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1",
    "FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13",
    "FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13",
    "FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2",
    "FREQ=MONTHLY;BYMONTHDAY=-3",
  ];
  const days = (rule: string, first = FROM) => {
    const given = file(...event("UID:1", "SUMMARY:E", `DTSTART;TZID=America/New_York:${first}`, `RRULE:${rule}`));
    return read(given, years, "America/New_York").events.map(({ from }) => from);
  };

  it.each(RULES)("%s: as a second library reads it (rrule)", (rule) => {
    const theirs = rrulestr(`DTSTART:${FROM}Z\nRRULE:${rule}`)
      .between(new Date("1997-09-02T00:00:00Z"), new Date("1999-12-31T23:59:59Z"), true)
      .map((each) => each.toISOString().slice(0, 10));
    expect(theirs.length).toBeGreaterThan(2);
    // A rule whose pattern the first day is not of: whether that day counts is left open by the standard (§3.8.5.3).
    const ours = days(rule);
    expect(ours[0] === "1997-09-02" && theirs[0] !== "1997-09-02" ? ours.slice(1) : ours).toEqual(theirs);
  });

  it("has the dates that the section prints", () => {
    expect(days("FREQ=DAILY;INTERVAL=10;COUNT=5")).toEqual([
      ...["1997-09-02", "1997-09-12", "1997-09-22", "1997-10-02", "1997-10-12"],
    ]);
    expect(days("FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH")).toEqual([
      ...["1997-09-02", "1997-09-04", "1997-09-16", "1997-09-18"],
      ...["1997-09-30", "1997-10-02", "1997-10-14", "1997-10-16"],
    ]);
    expect(days("FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13").slice(-5)).toEqual([
      ...["1998-02-13", "1998-03-13", "1998-11-13", "1999-08-13"].slice(-5),
    ]);
    expect(days("FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3", "19970904T090000")).toEqual([
      ...["1997-09-04", "1997-10-07", "1997-11-06"],
    ]);
  });
});

describe("what is no calendar", () => {
  it("is told from one that ends in the middle, and from one without events", () => {
    expect(readCalendar(bytes("Dear Ottoline, the fog came in"), DECEMBER, "UTC")).toEqual({
      ok: false,
      reason: "not-a-calendar",
    });
    const whole = new TextDecoder().decode(file(...event("UID:1", "SUMMARY:Fair", "DTSTART:20261205T120000")));
    expect(readCalendar(bytes(whole.slice(0, 90)), DECEMBER, "UTC")).toEqual({ ok: false, reason: "cut-off" });
    expect(readCalendar(new Uint8Array(), DECEMBER, "UTC").ok).toBe(false);
    expect(read(file()).events).toEqual([]);
  });

  it("is passed over event by event: what cannot be read is counted, the rest is there", () => {
    const given = file(
      "X-WR-CALNAME:Family at Fennimoor",
      ...event("UID:1", "SUMMARY:No day"),
      ...event("UID:2", "SUMMARY:Fair\\, with lamps", "DTSTART:20261205T120000"),
      ...event("UID:3", "DTSTART;VALUE=DATE:20261206"),
    );
    expect(read(given)).toMatchObject({ name: "Family at Fennimoor", leftOut: 1 });
    expect(short(given)).toEqual(["Fair, with lamps 2026-12-05 12:00", "An event without a name 2026-12-06"]);
  });
});
