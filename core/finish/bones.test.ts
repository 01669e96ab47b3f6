import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { datesOf, type Span } from "../month/span.ts";
import { bonesOf, type OldAlbum } from "./bones.ts";

const date = (text: string) => text as CalendarDate;
const december = (year: number): Span => ({ start: date(`${year}-12-01`), end: date(`${year}-12-31`) });
const prompted = (on: string, text: string) => ({
  date: date(on),
  content: { ...EMPTY_DAY, title: "Hers", note: "Mine", prompt: { text, slip: "noticing/sound-3" } },
});
const old = (days: OldAlbum["days"], pattern: OldAlbum["pattern"] = null): OldAlbum => ({
  ...({
    span: december(2025),
    preparing: "parts",
    photoRule: "that-day",
    days,
    pattern,
    tallies: [],
  } as unknown as OldAlbum),
});

describe("the bones of an album", () => {
  it("are its prompts on the same days, with their slips, and what it is prepared like", () => {
    const { days, preparing } = bonesOf(old([prompted("2025-12-09", "What rang?")]), december(2026));
    const prompt = { text: "What rang?", slip: "noticing/sound-3" };
    expect([...days]).toEqual([["2026-12-09", { prompt, title: "", everyYear: false }]]);
    expect(preparing).toBe("parts");
  });

  it("are on the day as far in, where the new month is another; what has no such day stays behind", () => {
    const from = old([prompted("2025-12-09", "What rang?"), prompted("2025-12-31", "What ended?")]);
    const february = { start: date("2027-02-01"), end: date("2027-02-28") };
    expect([...bonesOf(from, february).days.keys()]).toEqual(["2027-02-09"]);
  });

  it("have a day that stands every year with its title, asked or not, and what is counted, from none", () => {
    const content = {
      ...EMPTY_DAY,
      title: "The lantern walk",
      note: "Mine",
      everyYear: true,
      nextYear: "Leave at four",
    };
    const from = {
      ...old([{ date: date("2025-12-24"), content }]),
      tallies: [{ name: "Films" }, { name: "Visitors" }],
    };
    const { days, tallies } = bonesOf(from, december(2026));
    expect([...days]).toEqual([
      ["2026-12-24", { prompt: EMPTY_DAY.prompt, title: "The lantern walk", everyYear: true }],
    ]);
    expect(tallies).toEqual(["Films", "Visitors"]);
  });

  it("have the pattern with its single days moved, and without those that are no day of the new span", () => {
    const pattern = {
      cycle: ["a", "b"],
      without: [date("2025-12-24"), date("2025-12-02")],
      rules: [
        { when: "weekday", weekday: 6, template: "c" },
        { when: "dates", dates: [date("2025-12-05")], template: "d" },
        { when: "dates", dates: [date("2025-12-31")], template: "e" },
      ],
    } as const;
    const short = { start: date("2026-12-01"), end: date("2026-12-24") };
    expect(bonesOf(old([], pattern), short).pattern).toEqual({
      cycle: ["a", "b"],
      without: ["2026-12-24", "2026-12-02"],
      rules: [pattern.rules[0], { when: "dates", dates: ["2026-12-05"], template: "d" }],
    });
  });

  it("are never its photos or words, whatever is on its days", () => {
    fc.assert(
      fc.property(anyAlbum, fc.integer({ min: -800, max: 800 }), ({ plan, days }, by) => {
        const span = { start: addDays(plan.span.start, by), end: addDays(plan.span.end, by) };
        const bones = bonesOf({ ...plan, days, pattern: null, photoRule: "that-day", tallies: [] } as never, span);
        const asked = new Set(days.map(({ content }) => content.prompt.text));
        const traditions = new Set(days.flatMap(({ content }) => (content.everyYear ? [content.title] : [])));
        for (const [on, { prompt, title, everyYear, ...rest }] of bones.days) {
          expect(datesOf(span)).toContain(on);
          expect(asked.has(prompt.text)).toBe(true);
          expect(everyYear ? traditions.has(title) : title === "").toBe(true);
          expect(rest).toEqual({});
        }
        expect(Object.keys(bones).sort()).toEqual(["days", "pattern", "photoRule", "preparing", "tallies"]);
      }),
    );
  });
});
