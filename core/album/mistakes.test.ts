import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decemberDays } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { datesSaid, isOneOf } from "../words/dates-said.ts";
import { findIn } from "../words/find.ts";
import { applyEdit } from "./edit.ts";
import { type AboutWords, mistakesIn } from "./mistakes.ts";
import { type DayContent, EMPTY_DAY, newCard } from "./model.ts";
import { pagesOf } from "./page.ts";

const _TODAY = "2026-12-09" as CalendarDate;
const three = { w: inches(3), h: inches(4) };
const withText = (text: string, more: Partial<DayContent> = {}): DayContent => ({
  ...EMPTY_DAY,
  cards: [newCard("c", three, text)],
  ...more,
});

describe("mistakes in the words", () => {
  const mistakes = (
    contents: Record<string, DayContent>,
    facing: [number, number][] = [],
    people: string[] = ["Isolde"],
    more: Partial<AboutWords> = {},
  ) => {
    const { plan, days } = decemberDays(contents);
    return mistakesIn(pagesOf({ album: plan, days, leaves: [], prints: [] }), {
      ...{ facing, people, pieces: new Map(), taken: () => [] },
      ...more,
    });
  };

  it("are a phrase twice on a page or across a spread, and not on pages that never lie open together", () => {
    const one = withText("The tide did most of the work today.");
    const other = withText("As ever the tide did most of it.");
    expect(mistakes({ "2026-12-01": one, "2026-12-02": other })).toEqual([]);
    expect(mistakes({ "2026-12-01": one, "2026-12-02": other }, [[0, 1]])).toMatchObject([
      { kind: "twice", date: "2026-12-01", other: "2026-12-02", phrase: "the tide did most of" },
    ]);
    const both = { ...one, cards: [...one.cards, newCard("d", three, "Again: the tide did most of the work!")] };
    expect(mistakes({ "2026-12-01": both })).toMatchObject([
      { kind: "twice", other: "2026-12-01", phrase: "the tide did most of the work" },
    ]);
    const sentiment = { ...one, cards: [newCard("c", three, "Be merry"), newCard("d", three, "be MERRY")] };
    expect(mistakes({ "2026-12-01": sentiment })).toMatchObject([{ kind: "twice", phrase: "be merry" }]);
  });

  it("are a sentiment twice: a single word, and a short one within a longer, on a sticker as on a card", () => {
    const on = (...texts: string[]) => ({
      ...EMPTY_DAY,
      cards: texts.map((text, at) => newCard(`c${at}`, three, text)),
    });
    const phrases = (...texts: string[]) =>
      mistakes({ "2026-12-01": on(...texts) }).flatMap((each) => (each.kind === "twice" ? each.phrase : []));
    expect(phrases("Joy", "joy!")).toEqual(["joy"]);
    expect(phrases("Merry and bright", "May your days be merry and bright, and long")).toEqual(["merry and bright"]);
    expect(phrases("Be merry", "Eat, drink and be merry")).toEqual(["be merry"]);
    // By chance in a long text, and one word within others, is no slip.
    expect(phrases("The tide", "It was past nine before the tide let us over the bar and home again")).toEqual([]);
    expect(phrases("Joy", "Joy on the quay")).toEqual([]);
    const pieces = new Map([[0, [{ says: "JOY", kind: "embellishment" as const }]]]);
    expect(mistakes({ "2026-12-01": on("Joy") }, [], ["Isolde"], { pieces })).toMatchObject([
      { kind: "twice", phrase: "joy", on: "card", otherOn: "embellishment" },
    ]);
  });

  it("are told once: one that is left alone is told no more, for as long as its words are the same", () => {
    const day = withText("On the 3rd of December it froze.");
    const [slip] = mistakes({ "2026-12-01": day });
    expect(slip?.dayId).toBe("2026-12-01");
    const left = applyEdit(day, { kind: "leave-alone", slip: slip?.slip ?? "", on: true }, "ring");
    if (!left.ok) throw new Error(left.reason);
    expect(mistakes({ "2026-12-01": left.content })).toEqual([]);
    const other = withText("On the 4th of December it froze.", { leftAlone: left.content.leftAlone });
    expect(mistakes({ "2026-12-01": other })).toMatchObject([{ said: "4th of December" }]);
    const again = applyEdit(left.content, { kind: "leave-alone", slip: slip?.slip ?? "", on: false }, "ring");
    expect(again.ok && mistakes({ "2026-12-01": again.content })).toEqual([slip]);
  });

  it("are not that a day is told on another date than it was lived: its jottings or pictures know of it", () => {
    const told = withText("On the 3rd of December it froze.");
    const jotting = { id: "j", text: "Ice", at: "2026-12-03T08:00", privateUntil: null };
    expect(mistakes({ "2026-12-01": { ...told, jottings: [jotting] } })).toEqual([]);
    const taken = () => ["2026-12-03" as CalendarDate];
    expect(mistakes({ "2026-12-01": told }, [], ["Isolde"], { taken })).toEqual([]);
  });

  it("are a page that asks who is who, or who made which, and names nobody", () => {
    expect(
      mistakes({ "2026-12-01": withText("Two stars.", { note: "Who made which star?" }) }).map(({ kind }) => kind),
    ).toEqual(["nameless"]);
    const note = "Loose end: who is who on the quay?";
    expect(mistakes({ "2026-12-01": withText("Two of them ran.", { note }) })).toMatchObject([
      { kind: "nameless", note },
    ]);
    expect(mistakes({ "2026-12-01": withText("Isolde’s friend ran.", { note }) })).toEqual([]);
  });

  it("are a date that is not the day's, however it is said, and letters a face does not have", () => {
    expect(mistakes({ "2026-12-01": withText("On the 3rd of December it froze.") })).toMatchObject([
      { kind: "other-date", said: "3rd of December" },
    ]);
    expect(mistakes({ "2026-12-01": withText("On Tuesday, 1 December 2026 it froze. Mar 12 boats.") }).length).toBe(1);
    expect(mistakes({ "2026-12-01": withText("On Monday, 1 December it froze.") }).length).toBe(1);
    expect(mistakes({ "2026-12-01": withText("A shell 🐚") })).toMatchObject([{ kind: "no-letter", letters: ["🐚"] }]);
  });
});

describe("dates said in words", () => {
  it("are read day first, month first and as ISO 8601, and nothing else is taken for one", () => {
    const said = (text: string) => datesSaid(text).map(({ day, month }) => [day, month]);
    expect(said("12 December, Dec. 13th, 2026-12-14")).toEqual([
      [12, 12],
      [13, 12],
      [14, 12],
    ]);
    expect(said("May I have 12 mayflies, 3 marches and 40 December?")).toEqual([]);
    const [xmas] = datesSaid("25 December");
    expect(xmas && isOneOf(xmas, ["2030-12-25" as CalendarDate])).toBe(true);
  });
});

describe("finding", () => {
  it("finds every word of the query with accents and capitals aside, and shows the text as it is", () => {
    expect(findIn("The CAFÉ’s naïve windows", "cafe's naive")?.found).toBe("CAFÉ’s naïve");
    expect(findIn("one two", "two three")).toBeNull();
    expect(findIn("anything", "  ")).toBeNull();
    fc.assert(
      fc.property(fc.lorem({ maxCount: 40 }), fc.nat(39), (text, at) => {
        const words = text.split(" ");
        const word = words[at % words.length] ?? "";
        const found = findIn(text, word.toUpperCase());
        expect(found?.found.toLowerCase()).toBe(word.toLowerCase());
        expect(text).toContain(`${found?.before.replace(/^… /, "")}${found?.found}`);
      }),
    );
  });
});
