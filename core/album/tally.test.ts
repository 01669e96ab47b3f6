import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate } from "../month/dates.ts";
import {
  changeTallies,
  countedIn,
  countUntil,
  type Tally,
  type TallyChange,
  type TallyMark,
  tallyLines,
} from "./tally.ts";

const date = (day: number) => addDays("2026-12-01" as CalendarDate, day - 1);
const songs = (...said: [day: number, text: string][]): Tally => ({
  ...{ id: "songs", name: "Songs played" },
  marks: said.map(([day, text], at) => ({ id: `${at}`, date: date(day), text })),
});

const anyMark: fc.Arbitrary<TallyMark> = fc.record({
  id: fc.uuid(),
  date: fc.integer({ min: 1, max: 31 }).map(date),
  text: fc.constantFrom("", "  ", "Silver Net", "silver net!", "The Long Swell", "…", "×2"),
});

describe("what is counted over a month", () => {
  it("is each thing once, however it is written, under its last words, with all its dates", () => {
    const tally = songs([9, "silver net"], [3, "The Long Swell"], [5, "Silver  Net!"], [9, ""], [9, "Silver Net"]);
    expect(countedIn(tally, "by-date")).toEqual({
      things: [
        { text: "The Long Swell", dates: [date(3)] },
        { text: "Silver Net", dates: [date(5), date(9), date(9)] },
      ],
      unnamed: 1,
    });
    expect(countedIn(tally, "most-first").things.map(({ text }) => text)).toEqual(["Silver Net", "The Long Swell"]);
  });

  it("adds up: every mark is in one thing or has no name, in either order", () => {
    fc.assert(
      fc.property(fc.array(anyMark), fc.constantFrom("by-date" as const, "most-first" as const), (marks, order) => {
        const { things, unnamed } = countedIn({ marks }, order);
        expect(things.reduce((sum, { dates }) => sum + dates.length, unnamed)).toBe(marks.length);
        expect(unnamed).toBe(marks.filter(({ text }) => text.trim() === "").length);
        expect([...things.flatMap(({ dates }) => dates)].sort()).toEqual(
          marks.flatMap((mark) => (mark.text.trim() === "" ? [] : [mark.date])).sort(),
        );
        const firsts = things.map(({ dates: [first] }) => first ?? "");
        const counts = things.map(({ dates }) => -dates.length);
        if (order === "by-date") expect(firsts).toEqual([...firsts].sort());
        else expect(counts).toEqual([...counts].sort((a, b) => a - b));
      }),
    );
  });

  it("is counted up to a day, that day included", () => {
    const tally = songs([3, ""], [5, ""], [5, "x"], [9, ""]);
    expect([1, 3, 5, 8, 31].map((day) => countUntil(tally, date(day)))).toEqual([0, 1, 3, 3, 4]);
  });

  it("makes the lines of a list: how many, each thing, how often, when, and how many have no name", () => {
    const tally = songs([9, "Silver Net"], [3, "The Long\nSwell"], [5, "silver net"], [9, ""], [10, ""]);
    expect(tallyLines(tally, { order: "by-date", dates: true })).toEqual([
      ...["Songs played: 5", "3 Dec  The Long Swell", "5 Dec  silver net ×2", "and 2 more"],
    ]);
    expect(tallyLines(tally, { order: "most-first", dates: false })[1]).toBe("silver net ×2");
    // Where nothing has a name the number is all there is to say.
    expect(tallyLines(songs([9, ""], [9, ""]), { order: "by-date", dates: true })).toEqual(["Songs played: 2"]);
  });
});

describe("a change of what is counted", () => {
  const mark = (id: string, text = ""): TallyMark => ({ id, date: date(4), text });
  const changed = (...changes: TallyChange[]) => changes.reduce<readonly Tally[]>(changeTallies, []);

  it("is made where it belongs", () => {
    const begun: TallyChange[] = [
      { how: "add", id: "a", name: "Films" },
      { how: "add", id: "b", name: "Guests" },
      { how: "mark", id: "b", mark: mark("1", "Ilo") },
      { how: "mark", id: "b", mark: mark("2") },
    ];
    expect(changed(...begun).map(({ name, marks }) => [name, marks.length])).toEqual([
      ["Films", 0],
      ["Guests", 2],
    ]);
    const named = changed(
      ...begun,
      { how: "name", id: "b", name: "Visitors" },
      { how: "mark-text", id: "2", text: "Mara" },
    );
    expect(named[1]).toEqual({ id: "b", name: "Visitors", marks: [mark("1", "Ilo"), mark("2", "Mara")] });
    expect(changed(...begun, { how: "unmark", id: "1" })[1]?.marks).toEqual([mark("2")]);
    expect(changed(...begun, { how: "remove", id: "a" }).map(({ id }) => id)).toEqual(["b"]);
  });

  it("does nothing a second time, nor to what is gone", () => {
    const anyChange: fc.Arbitrary<TallyChange> = fc.oneof(
      fc.record({ how: fc.constant("add" as const), id: fc.constantFrom("a", "b"), name: fc.constantFrom("x", "y") }),
      fc.record({ how: fc.constant("name" as const), id: fc.constantFrom("a", "b"), name: fc.constantFrom("x", "y") }),
      fc.record({ how: fc.constant("remove" as const), id: fc.constantFrom("a", "b") }),
      fc.record({ how: fc.constant("mark" as const), id: fc.constantFrom("a", "b"), mark: anyMark }),
      fc.record({ how: fc.constant("mark-text" as const), id: fc.constantFrom("1", "2"), text: fc.string() }),
      fc.record({ how: fc.constant("unmark" as const), id: fc.constantFrom("1", "2") }),
    );
    fc.assert(
      fc.property(fc.array(anyChange), anyChange, (before, change) => {
        const once = changeTallies(changed(...before), change);
        expect(changeTallies(once, change)).toEqual(once);
      }),
    );
    expect(changed({ how: "mark", id: "gone", mark: mark("1") })).toEqual([]);
  });
});
