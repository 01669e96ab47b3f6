import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate } from "./dates.ts";
import { numberDays } from "./numbering.ts";
import { groupsOf, mergeWithNeighbour, type Slot } from "./slots.ts";
import { spreadOver, tellDays } from "./told.ts";

const START = "2026-12-01" as CalendarDate;
const month = (days: number, skipped: readonly number[] = []): Slot[] =>
  Array.from({ length: days }, (_, at) => ({
    id: `day${at}`,
    date: addDays(START, at),
    skipped: skipped.includes(at),
    mergedInto: null,
  }));
const spanOf = (days: number) => ({ start: START, end: addDays(START, days - 1) });

describe("several days skipped and taken up at once", () => {
  it("changes those and no others, and a shared page as one", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 31 }),
        fc.func(fc.constantFrom("tell", "skip", "leave")),
        fc.nat(),
        (days, wish, pair) => {
          const span = spanOf(days);
          const merged = mergeWithNeighbour(
            month(days, [0]),
            span,
            `day${1 + (pair % Math.max(1, days - 2))}`,
            "after",
          );
          const slots = merged.ok ? merged.slots : month(days, [0]);
          const groups = groupsOf(slots, span);
          const wishes = groups.map(({ lead }) => wish(lead.id));
          const of = (which: string) =>
            groups.flatMap(({ members }, at) => (wishes[at] === which ? (members.at(-1)?.id ?? []) : []));
          const told = tellDays(slots, span, { tell: of("tell"), skip: of("skip") });
          const expected = groups.map(({ lead }, at) =>
            wishes[at] === "leave" ? lead.skipped : wishes[at] === "skip",
          );
          if (expected.every(Boolean)) expect(told).toEqual({ ok: false, reason: "all-skipped" });
          else {
            if (!told.ok) throw new Error(told.reason);
            expect(groupsOf(told.slots, span).map(({ members }) => members.map(({ skipped }) => skipped))).toEqual(
              groups.map(({ members }, at) => members.map(() => expected[at])),
            );
            expect(told.slots.map(({ skipped: _, ...rest }) => rest)).toEqual(
              slots.map(({ skipped: _, ...rest }) => rest),
            );
          }
        },
      ),
    );
  });

  it("refuses a day that is not there, and one that is set aside", () => {
    const slots = month(5);
    expect(tellDays(slots, spanOf(5), { tell: [], skip: ["nobody"] })).toEqual({ ok: false, reason: "no-such-day" });
    expect(tellDays(slots, spanOf(4), { tell: [], skip: ["day4"] })).toEqual({ ok: false, reason: "set-aside" });
  });

  it("twelve stories of thirty-one days are numbered 1 to 12, and a skipped day has no number", () => {
    const told = spreadOver(Array<boolean>(31).fill(false), 12);
    const skip = told.flatMap((is, at) => (is ? [] : [`day${at}`]));
    const done = tellDays(month(31), spanOf(31), { tell: [], skip });
    if (!done.ok) throw new Error(done.reason);
    const numbered = numberDays(done.slots, spanOf(31), "story");
    expect(numbered.flatMap(({ label }) => label ?? [])).toEqual(Array.from({ length: 12 }, (_, at) => String(at + 1)));
    for (const { group, label, numerals } of numbered)
      expect([label === null, numerals.length === 0]).toEqual([group.lead.skipped, group.lead.skipped]);
  });
});

/** The sum that is to be least, of told days at these places. */
const uneven = (told: readonly boolean[]): number => {
  const at = told.flatMap((is, day) => (is ? [day] : []));
  return [...at, told.length].reduce((sum, day, nth) => sum + (day - (at[nth - 1] ?? -1)) ** 2, 0);
};

describe("stories spread over a month", () => {
  it("no other choice of as many days that keeps what holds something lies more evenly: each one tried", () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 11 }), fc.nat(12), (holds, count) => {
        const told = spreadOver(holds, count);
        const held = holds.filter(Boolean).length;
        expect(told.filter(Boolean)).toHaveLength(Math.min(holds.length, Math.max(held, count)));
        expect(holds.every((is, at) => !is || told[at])).toBe(true);
        for (let bits = 0; bits < 2 ** holds.length; bits += 1) {
          const other = holds.map((_, at) => (bits & (1 << at)) !== 0);
          if (other.filter(Boolean).length !== told.filter(Boolean).length) continue;
          if (holds.some((is, at) => is && !other[at])) continue;
          expect(uneven(told)).toBeLessThanOrEqual(uneven(other));
        }
      }),
    );
  });

  it("lies as evenly as whole days can in a December of ten", () => {
    const at = spreadOver(Array<boolean>(31).fill(false), 10).flatMap((is, day) => (is ? [day] : []));
    const gaps = at.slice(1).map((day, nth) => day - (at[nth] ?? 0));
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1);
  });
});
