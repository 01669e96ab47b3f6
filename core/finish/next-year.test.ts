import { describe, expect, it } from "vitest";
import { type DayContent, EMPTY_DAY, newCard } from "../album/model.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type AlbumForNext, albumBefore, countedAgain, notedBefore, takenOver, traditionsOf } from "./next-year.ts";

const date = (text: string) => text as CalendarDate;
const of = (start: string, end: string) => ({ start: date(start), end: date(end) });
const december = (year: number) => of(`${year}-12-01`, `${year}-12-31`);

/** An album with these days, by their date in its year. */
function album(
  title: string,
  span: { start: CalendarDate; end: CalendarDate },
  told: Record<string, Partial<DayContent> & { skipped?: boolean }> = {},
  more: Partial<AlbumForNext> = {},
): AlbumForNext {
  const days = Object.entries(told).map(([on, { skipped = false, ...content }]) => ({
    ...{ id: `${title} ${on}`, date: date(`${span.start.slice(0, 4)}-${on}`), skipped },
    content: { ...EMPTY_DAY, ...content },
  }));
  return { id: title, title, span, days, matters: [], tallies: [], nextYear: "", ...more };
}
const marks = (...dates: string[]) => dates.map((on, at) => ({ id: `${at}`, date: date(on), text: "" }));

describe("the album before", () => {
  it("is the latest earlier one of the same dates, else the latest earlier one, else none", () => {
    const [one, two, october] = [
      album("2024", december(2024)),
      album("2025", december(2025)),
      album("o", of("2026-10-01", "2026-10-31")),
    ];
    const earlier = (span: ReturnType<typeof of>) => albumBefore(span, [two, october, one])?.title;
    expect(earlier(december(2026))).toBe("2025");
    expect(earlier(of("2026-02-01", "2026-02-28"))).toBe("2025");
    expect(earlier(of("2027-02-01", "2027-02-28"))).toBe("o");
    expect(earlier(december(2024))).toBeUndefined();
  });
});

describe("what was noted for next year", () => {
  const last = album(
    "2025",
    december(2025),
    { "12-24": { nextYear: " Leave at four " }, "12-02": { nextYear: "Two films" }, "12-31": { nextYear: "Sleep" } },
    {
      nextYear: "Paper in September",
      matters: [{ id: "m", matter: "closing", content: { ...EMPTY_DAY, nextYear: "A list instead" } }],
    },
  );
  const older = album("2024", december(2024), { "12-05": { nextYear: "Long done" } });

  it("comes up in the next album: of the whole, of its other pages, then on the same days", () => {
    const short = of("2026-12-01", "2026-12-25");
    expect(notedBefore(short, [older, last]).map(({ text, on }) => [text, on])).toEqual([
      ["Paper in September", { what: "album" }],
      ["A list instead", { what: "page", entry: "m", matter: "closing" }],
      ["Two films", { what: "day", date: "2025-12-02", here: "2026-12-02" }],
      ["Leave at four", { what: "day", date: "2025-12-24", here: "2026-12-24" }],
    ]);
  });

  it("is of a month of other dates only what was noted of the whole and its other pages; of the first album nothing", () => {
    expect(notedBefore(of("2026-10-01", "2026-10-31"), [last]).map(({ text }) => text)).toEqual([
      ...["Paper in September", "A list instead"],
    ]);
    expect(notedBefore(december(2024), [last])).toEqual([]);
  });
});

describe("days that stand every year", () => {
  const said = { cards: [newCard("c", { w: inches(3), h: inches(4) }, "Nobody spoke.")] };
  const older = album("2024", december(2024), {
    "12-24": { everyYear: true, title: "The lantern walk", prompt: { text: "Who came?", slip: null }, ...said },
    "12-01": { title: "Boxes" },
    "12-03": { everyYear: true, title: "Skipped", skipped: true },
  });
  const last = album("2025", december(2025), {
    "12-24": { title: "The walk in rain" },
    "12-01": { everyYear: true, title: "The lamps out" },
  });

  it("are told in the order of the month, with what each album had there, and whether this one has them too", () => {
    const here = album("2026", december(2026), { "12-01": { everyYear: true }, "12-24": {} });
    const all = traditionsOf(here, [older, last]);
    expect(all.map(({ here: day, stands, title, prompt }) => [day?.date, stands, title, prompt])).toEqual([
      ["2026-12-01", true, "The lamps out", ""],
      ["2026-12-24", false, "The lantern walk", "Who came?"],
    ]);
    expect(all[1]?.years.map(({ title, words }) => [title, words])).toEqual([
      ["The walk in rain", []],
      ["The lantern walk", ["Nobody spoke."]],
    ]);
    expect(all[0]?.years.map(({ title }) => title)).toEqual(["The lamps out", "Boxes"]);
  });

  it("have no day here where the month has no such date, or the day is skipped", () => {
    const short = album("2026", of("2026-12-01", "2026-12-10"), { "12-01": { skipped: true } });
    const all = traditionsOf(short, [older, last]);
    expect(all.map(({ here, title }) => [here, title])).toEqual([
      [null, "The lamps out"],
      [null, "The lantern walk"],
    ]);
  });
});

describe("a day made to stand every year, as another album has it", () => {
  const from = { title: "The lantern walk", prompt: "Who came?" };

  it("is called and asks the same", () => {
    expect(takenOver(EMPTY_DAY, from)).toEqual([
      { kind: "every-year", on: true },
      { kind: "title", text: "The lantern walk" },
      { kind: "prompt", text: "Who came?", slip: null },
    ]);
  });

  it("keeps what it has of its own", () => {
    const own = { title: "Home", prompt: { text: "What smelled?", slip: "s" } };
    expect(takenOver(own, from)).toEqual([{ kind: "every-year", on: true }]);
    expect(takenOver(EMPTY_DAY, { title: "", prompt: "" })).toEqual([{ kind: "every-year", on: true }]);
  });
});

describe("what is counted every year", () => {
  const films = (name: string, ...dates: string[]) => ({ tallies: [{ id: name, name, marks: marks(...dates) }] });
  const [here, last, other] = [
    album("2026", december(2026), {}, films("Films seen", "2026-12-02", "2026-12-09")),
    album("2025", december(2025), {}, films("films  seen", "2025-12-01", "2025-12-09", "2025-12-10", "2025-12-28")),
    album("2024", december(2024), {}, films("Guests", "2024-12-01")),
  ];

  it("stands with each album's number, and with how many it was by today's date", () => {
    const [counted] = countedAgain(here, [other, last], date("2026-12-09"));
    expect(counted?.name).toBe("Films seen");
    expect(counted?.years.map(({ album: title, total, byNow }) => [title, total, byNow])).toEqual([
      ["2026", 2, 2],
      ["2025", 4, 2],
    ]);
  });

  it("has no number by today once the month is over, and is nothing where no other album counted it", () => {
    // A year later the day is one of another album.
    for (const today of ["2027-01-01", "2027-12-09", "2025-12-09"])
      expect(countedAgain(here, [last], date(today))[0]?.years.map(({ byNow }) => byNow)).toEqual([null, null]);
    expect(countedAgain(here, [other], date("2026-12-09"))).toEqual([]);
    expect(countedAgain(other, [here, last], date("2026-12-09"))).toEqual([]);
  });
});
