import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cover, digitsNeeded, digitsOf, type NumberSet, several } from "./numerals.ts";

const upTo = (last: number) => Array.from({ length: last }, (_, at) => at + 1);
const sum = (counts: readonly number[]) => counts.reduce((all, each) => all + each, 0);

describe("the digits an album needs", () => {
  it("are 53 for 1 to 31, 41 for 1 to 25, 39 for 24 to 1, and 62 and 50 with a nought before (facts of arithmetic)", () => {
    expect(digitsNeeded(upTo(31), false)).toEqual([3, 14, 13, 5, 3, 3, 3, 3, 3, 3]);
    expect(digitsNeeded(upTo(25), false)).toEqual([2, 13, 9, 3, 3, 3, 2, 2, 2, 2]);
    expect(sum(digitsNeeded(upTo(31), false))).toBe(53);
    expect(sum(digitsNeeded(upTo(25), false))).toBe(41);
    expect(sum(digitsNeeded(upTo(24).reverse(), false))).toBe(39);
    expect(sum(digitsNeeded(upTo(31), true))).toBe(62);
    expect(sum(digitsNeeded(upTo(25), true))).toBe(50);
  });
});

/** The most numbers that any choice of them covers, tried one choice after the other. */
function byTryingAll(numbers: readonly number[], counts: readonly number[], turns: boolean): number {
  let most = 0;
  for (let mask = 0; mask < 1 << numbers.length; mask++) {
    const used = Array.from({ length: 10 }, () => 0);
    const chosen = numbers.filter((_, at) => mask & (1 << at));
    for (const digit of chosen.flatMap((number) => digitsOf(number, false))) used[digit] = (used[digit] ?? 0) + 1;
    const fits = (digit: number) => (used[digit] ?? 0) <= (counts[digit] ?? 0);
    const both = (all: readonly number[]) => (all[6] ?? 0) + (all[9] ?? 0);
    const isFine = upTo(9)
      .concat(0)
      .every((digit) => (turns && (digit === 6 || digit === 9) ? true : fits(digit)));
    if (isFine && (!turns || both(used) <= both(counts))) most = Math.max(most, chosen.length);
  }
  return most;
}

describe("which days a set covers", () => {
  it("is as many as any choice of them covers, whatever digits there are, with sixes and nines that turn or do not", () => {
    const anySet = fc.record({
      counts: fc.array(fc.nat(3), { minLength: 10, maxLength: 10 }),
      turns: fc.boolean(),
      numbers: fc.uniqueArray(fc.integer({ min: 1, max: 31 }), { minLength: 1, maxLength: 11 }),
    });
    fc.assert(
      fc.property(anySet, ({ counts, turns, numbers }) => {
        const found = cover({ kind: "digits", counts, turns }, numbers, false);
        expect(found.isProven).toBe(true);
        expect(found.covered.length).toBe(byTryingAll(numbers, counts, turns));
        // Every number is covered or is not, in the album's order.
        const both = [...found.covered.map(({ number }) => number), ...found.without];
        expect(both.sort((a, b) => a - b)).toEqual([...numbers].sort((a, b) => a - b));
        // With the missing digits beside those there are, all of them go.
        const more = counts.map((count, digit) => count + found.missing.filter((each) => each === digit).length);
        expect(cover({ kind: "digits", counts: more, turns }, numbers, false).without).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it("with the digits it needs is all of them, and with one fewer all but one", () => {
    const needed = digitsNeeded(upTo(31), false);
    expect(cover({ kind: "digits", counts: needed, turns: false }, upTo(31), false).without).toEqual([]);
    const oneTwoFewer = needed.map((count, digit) => (digit === 2 ? count - 1 : count));
    const found = cover({ kind: "digits", counts: oneTwoFewer, turns: false }, upTo(31), false);
    expect(found).toMatchObject({ missing: [2], isProven: true });
    expect(found.without).toHaveLength(1);
    // A six more stands for the nine that is missing where it may be turned.
    const nineAsSix = needed.map((count, digit) => (digit === 6 ? count + 1 : digit === 9 ? count - 1 : count));
    expect(cover({ kind: "digits", counts: nineAsSix, turns: true }, upTo(31), false).without).toEqual([]);
    expect(cover({ kind: "digits", counts: nineAsSix, turns: false }, upTo(31), false).without).toHaveLength(1);
  });

  it("of whole numbers are those that are there, and what spare ones can be cut into (common practice)", () => {
    const set: NumberSet = { kind: "whole", from: 1, to: 25, each: 1 };
    const found = cover(set, upTo(31), false);
    expect(found.without).toEqual([26, 27, 28, 29, 30, 31]);
    // Twelve days up to Twelfth Night count down from 12: 13 to 25 are spare, and of a second 25 comes a 2.
    expect(cover(set, upTo(12).reverse(), false).without).toEqual([]);
    const two = cover(several(set, 2), [...upTo(25), 26], false);
    expect(two.without).toEqual([]);
    expect(two.covered.at(-1)).toEqual({ number: 26, source: "cut" });
  });

  it("of what never runs out is all of them", () => {
    expect(cover({ kind: "unlimited" }, upTo(31), true)).toMatchObject({ without: [], missing: [], isProven: true });
    expect(cover({ kind: "digits", counts: [], turns: false }, [7], false)).toMatchObject({
      without: [7],
      missing: [7],
    });
  });
});
