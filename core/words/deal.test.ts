import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate, datesFrom, weekdayNumber } from "../month/dates.ts";
import { type Dealt, deal, dealAtOnce, swap } from "./deal.ts";
import { type DealAsk, type DealDay, WISHES, type Wish } from "./deal-ask.ts";
import { whyNot } from "./deal-check.ts";
import { deckRows, readLines, readOn, readRows, writeLines, writeOn } from "./deck-text.ts";
import { DECKS } from "./decks.ts";
import { ANY_DAY, type On, type Slip } from "./slip.ts";

const FIRST = "2026-12-01" as CalendarDate;
const ALL: ReadonlySet<Wish> = new Set(WISHES);
const openDays = (count: number): DealDay[] => datesFrom(FIRST, count).map((date) => ({ date, state: "open" }));

const anyOn: fc.Arbitrary<On> = fc.oneof(
  { weight: 4, arbitrary: fc.constant(ANY_DAY) },
  fc.nat(6).map((day): On => ({ kind: "date", date: addDays(FIRST, day).slice(5) })),
  fc
    .uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 3 })
    .map((days): On => ({ kind: "weekdays", days: [...days].sort() })),
);
const anySlips = (most: number) =>
  fc
    .array(fc.record({ kind: fc.constantFrom("a", "b", "c"), on: anyOn }), { maxLength: most })
    .map((all) => all.map((slip, at): Slip => ({ ...slip, id: `s${at}`, text: `t${at}` })));
const anyDay = (date: CalendarDate): fc.Arbitrary<DealDay> =>
  fc.oneof(
    { weight: 5, arbitrary: fc.constant<DealDay>({ date, state: "open" }) },
    fc.constant<DealDay>({ date, state: "away" }),
    fc.constantFrom("a", "b", null).map((kind): DealDay => ({ date, state: "kept", slip: null, kind })),
  );
const anyDays = (count: number) => fc.tuple(...datesFrom(FIRST, count).map(anyDay));
const anyWishes = fc.subarray([...WISHES]).map((wishes) => new Set(wishes));

/** Whether a deal keeps to its wishes, said anew. */
function isFair({ days, slips, wishes }: DealAsk, dealt: readonly Dealt[]): boolean {
  const byDate = new Map(dealt.map(({ date, slip }) => [date, slip]));
  const open = days.filter(({ state }) => state === "open");
  if (open.length !== dealt.length || !open.every(({ date }) => byDate.has(date))) return false;
  if (wishes.has("none-twice") && new Set(dealt.map(({ slip }) => slip.id)).size < dealt.length) return false;
  const kindOn = (day: DealDay | undefined) =>
    !day || day.state === "away" ? null : day.state === "kept" ? day.kind : (byDate.get(day.date)?.kind ?? null);
  const touching = days.every((day, at) => {
    const before = days[at - 1];
    if (day.state !== "open" && before?.state !== "open") return true;
    const [one, other] = [kindOn(before), kindOn(day)];
    return one === null || one !== other;
  });
  if (wishes.has("kinds-apart") && !touching) return false;
  return dealt.every(({ date, slip }) => {
    const own = slips.some(({ on }) => on.kind === "date" && on.date === date.slice(5));
    if (wishes.has("dates-kept")) {
      if (slip.on.kind === "date" && slip.on.date !== date.slice(5)) return false;
      if (own && slip.on.kind !== "date") return false;
    }
    return !wishes.has("weekdays-kept") || slip.on.kind !== "weekdays" || slip.on.days.includes(weekdayNumber(date));
  });
}

/** Whether any fair deal exists at all, every way tried. */
function existsFair(ask: DealAsk): boolean {
  const open = ask.days.filter(({ state }) => state === "open");
  const tries = (at: number, dealt: readonly Dealt[]): boolean => {
    const day = open[at];
    if (!day) return isFair(ask, dealt);
    return ask.slips.some((slip) => tries(at + 1, [...dealt, { date: day.date, slip }]));
  };
  return tries(0, []);
}

describe("a month dealt", () => {
  it("is fair, or refused because there is no fair deal; and what it says to drop is the least that makes one possible", () => {
    const subsets = (all: readonly Wish[]): Wish[][] =>
      all.reduce<Wish[][]>((so, wish) => [...so, ...so.map((each) => [...each, wish])], [[]]);
    let refused = 0;
    fc.assert(
      fc.property(anyDays(4), anySlips(5), anyWishes, fc.nat(99), (days, slips, wishes, seed) => {
        const ask = { days, slips, wishes, seed };
        const found = deal(ask);
        const least = whyNot(ask);
        if (found.ok) {
          expect(isFair(ask, found.dealt)).toBe(true);
          expect(least).toBeNull();
          return;
        }
        refused++;
        expect(found).toMatchObject({ certain: true, dropCertain: true, blame: least });
        expect(existsFair(ask)).toBe(false);
        // Every way to give wishes up, tried by brute force: what is said is all of the least that would do, and nothing else.
        const help = subsets([...wishes]).filter((dropped) =>
          existsFair({ ...ask, wishes: new Set([...wishes].filter((wish) => !dropped.includes(wish))) }),
        );
        const fewest = Math.min(...help.map((dropped) => dropped.length));
        const said = (all: readonly (readonly Wish[])[]) => all.map((each) => [...each].sort().join()).sort();
        expect(said(found.drop)).toEqual(said(help.filter((dropped) => dropped.length === fewest)));
      }),
      { numRuns: 400 },
    );
    expect(refused).toBeGreaterThan(50);
  });

  it("that cannot be says so at once, and names the slips or the days that are to blame", () => {
    const decks = DECKS.slice(0, 3).flatMap(({ slips }) => slips);
    const own = (id: string, date: string, kind: string): Slip => ({ id, text: id, kind, on: { kind: "date", date } });
    // Two dated slips of one kind on neighbouring days, at the far end of the month: a search would try all before them.
    const [one, other] = [own("one", "12-30", "boat"), own("other", "12-31", "boat")];
    const found = deal({ days: openDays(31), slips: [...decks, one, other], seed: 1, wishes: ALL });
    expect(found).toMatchObject({ ok: false, certain: true, drop: [["kinds-apart"], ["dates-kept"]] });
    expect(!found.ok && found.blame).toEqual({
      kind: "neighbours",
      days: [
        { date: "2026-12-30", slip: one },
        { date: "2026-12-31", slip: other },
      ],
    });
    // A day between them that has but their kind or one more is no way out; one of two other kinds is.
    const between = (kinds: readonly string[]) =>
      whyNot({
        ...{ days: openDays(3), seed: 1, wishes: ALL },
        slips: [
          own("a", "12-01", "x"),
          own("c", "12-03", "z"),
          ...kinds.map((kind, at) => own(`b${at}`, "12-02", kind)),
        ],
      });
    expect(between(["x"])).toMatchObject({ kind: "neighbours" });
    expect(between(["x", "z"])).toMatchObject({ kind: "neighbours", days: [{}, {}, {}] });
    expect(between(["x", "y"])).toBeNull();
    // Ten days at a weekend, and four slips that may lie there.
    const sundays: Slip[] = [1, 2, 3, 4].map((at) => ({
      ...{ id: `s${at}`, text: `s${at}`, kind: `k${at}`, on: { kind: "weekdays", days: [7] } },
    }));
    const weekdays: Slip[] = Array.from({ length: 60 }, (_, at) => ({
      ...{ id: `w${at}`, text: `w${at}`, kind: `k${at % 7}`, on: { kind: "weekdays", days: [1, 2, 3, 4, 5, 6] } },
    }));
    const few = deal({
      days: openDays(31).slice(5),
      slips: [...sundays.slice(0, 3), ...weekdays],
      seed: 1,
      wishes: ALL,
    });
    expect(!few.ok && few.blame).toEqual({
      ...{ kind: "too-few", slips: 3 },
      dates: ["2026-12-06", "2026-12-13", "2026-12-20", "2026-12-27"],
    });
    expect(!few.ok && few.drop).toEqual([["none-twice"], ["weekdays-kept"]]);
    expect(dealAtOnce({ days: openDays(31), slips: decks, seed: 4, wishes: ALL })).toMatchObject({ ok: true });
  });

  it("is the same from the same seed, and another from another", () => {
    const ask = (seed: number) => ({ days: openDays(31), slips: DECKS[0]?.slips ?? [], seed, wishes: ALL });
    expect(deal(ask(7))).toEqual(deal(ask(7)));
    expect(deal(ask(7))).not.toEqual(deal(ask(8)));
  });

  it("from each shipped deck of thirty-one is fair, and spreads the kinds over the month by their share", () => {
    for (const { slips } of DECKS) {
      for (let seed = 0; seed < 10; seed++) {
        const ask = { days: openDays(31), slips, seed, wishes: ALL };
        const found = deal(ask);
        if (!found.ok) throw new Error("a shipped deck cannot be dealt");
        expect(isFair(ask, found.dealt)).toBe(true);
        const kinds = [...new Set(slips.map(({ kind }) => kind))];
        for (const kind of kinds) {
          const share = slips.filter((slip) => slip.kind === kind).length / slips.length;
          let used = 0;
          for (const [at, { slip }] of found.dealt.entries()) {
            if (slip.kind === kind) used += 1;
            expect(Math.abs(used - share * (at + 1))).toBeLessThan(2.5);
          }
        }
      }
    }
  });

  it("says how many slips are missing when there are fewer than days", () => {
    const found = deal({ days: openDays(31), slips: (DECKS[0]?.slips ?? []).slice(0, 20), seed: 1, wishes: ALL });
    expect(found).toMatchObject({ ok: false, short: 11, drop: [["none-twice"]], certain: true, dropCertain: true });
  });

  it("has another slip for one day that keeps to everything round it, and none when the jar is empty", () => {
    const slips = DECKS[0]?.slips ?? [];
    const found = deal({ days: openDays(31), slips, seed: 3, wishes: ALL });
    if (!found.ok) throw new Error("no deal");
    const kept = found.dealt
      .slice(0, 20)
      .map(({ date, slip }): DealDay => ({ date, state: "kept", slip: slip.id, kind: slip.kind }));
    const date = found.dealt[9]?.date ?? FIRST;
    const other = swap({ days: kept, slips, seed: 5, wishes: ALL }, date, new Set());
    const kindOf = (at: number) => found.dealt[at]?.slip.kind;
    expect(other && [kindOf(8), kindOf(10)].includes(other.kind)).toBe(false);
    expect(kept.some((day) => day.state === "kept" && day.slip === other?.id)).toBe(false);
    expect(
      swap({ days: kept, slips: slips.slice(0, 3), seed: 5, wishes: ALL }, date, new Set(slips.map(({ id }) => id))),
    ).toBeNull();
  });
});

describe("shipped decks", () => {
  it("are seven of thirty-one, no cue twice, every id its own", () => {
    expect(DECKS.map(({ slips }) => slips.length)).toEqual(Array.from({ length: 7 }, () => 31));
    const all = DECKS.flatMap(({ slips }) => slips);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(new Set(all.map(({ text }) => text)).size).toBe(all.length);
    expect(DECKS.filter(({ jar }) => jar === "technique").length).toBe(1);
  });
});

describe("a deck written down", () => {
  const anySlip = fc.record({
    text: fc
      .string({ unit: "grapheme", minLength: 1, maxLength: 80 })
      .map((text) =>
        text
          .replace(/[^\S\n]+/g, " ")
          .replace(/ ?\n ?/g, "\n")
          .replace(/\n{3,}/g, "\n\n")
          .trim(),
      )
      .filter(
        (text) =>
          text !== "" && !text.includes("\r") && !text.endsWith("\\") && !/^(text|prompt|technique|cue)$/i.test(text),
      ),
    kind: fc
      .string({ unit: fc.constantFrom(..."abc |"), maxLength: 8 })
      .map((kind) => kind.replace(/\s+/g, " ").trim()),
    on: anyOn,
  });
  const anyDeck = fc.uniqueArray(anySlip, { selector: ({ text }) => text.toLowerCase(), maxLength: 12 });

  it("is read back as it was, as plain text and as a table", () => {
    fc.assert(
      fc.property(anyDeck, (slips) => {
        expect(readRows(deckRows(slips), true)).toEqual({ slips, troubles: [], head: "text, kind, on" });
        expect(readLines(writeLines(slips))).toEqual({ slips, troubles: [], head: null });
      }),
    );
    // Line breaks are a slip's own, and a backslash is one.
    const lines = { text: "Three things\nSeen\nHeard\\now \\| or \\\\never", kind: "", on: ANY_DAY };
    expect(readRows(deckRows([lines]), true).slips).toEqual([lines]);
    expect(readLines(writeLines([lines])).slips).toEqual([lines]);
    expect(writeLines([lines]).trim().split("\n")).toHaveLength(1);
    expect(readRows([["  Seen \r\n\r\n\r\n  heard  it "]], false).slips[0]?.text).toBe("Seen\n\nheard it");
    for (const on of [ANY_DAY, { kind: "date", date: "12-24" }, { kind: "weekdays", days: [6, 7] }] as const)
      expect(readOn(writeOn(on))).toEqual(on);
  });

  it("tells doubles, lines of ten kilobytes and days nobody knows, each with its line, and keeps the rest", () => {
    const { slips, troubles } = readLines(
      `A bell\n\n${"x".repeat(10_240)}\na BELL\nA gull | birds | Sundays\nA rope | | someday\n2 | | 02-30`,
    );
    expect(slips.map(({ text }) => text)).toEqual(["A bell", "A gull"]);
    expect(troubles).toEqual([
      { line: 3, reason: "too-long", letters: 10_240 },
      { line: 4, reason: "double", of: 1 },
      { line: 6, reason: "unknown-day", said: "someday" },
      { line: 7, reason: "unknown-day", said: "02-30" },
    ]);
  });
});
