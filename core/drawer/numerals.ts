/** What numbers a set has: whole ones, each so many times; single digits, each so many times; or as many as are wanted. */
export type NumberSet =
  | { readonly kind: "whole"; readonly from: number; readonly to: number; readonly each: number }
  /** How many of each digit there are, from nought to nine. `turns`: a six and a nine are one piece. */
  | { readonly kind: "digits"; readonly counts: readonly number[]; readonly turns: boolean }
  | { readonly kind: "unlimited" };

/** What there is of numbers in several of one set. */
export function several(set: NumberSet, count: number): NumberSet {
  if (set.kind === "whole") return { ...set, each: set.each * count };
  return set.kind === "digits" ? { ...set, counts: set.counts.map((each) => each * count) } : set;
}

/** A number that is to be shown, as it is written: `7`, or `07` with a nought before it. */
export const digitsOf = (number: number, zero: boolean): readonly number[] =>
  [...String(number).padStart(zero ? 2 : 1, "0")].map(Number);

/** How often each digit is needed for these numbers, from nought to nine. */
export function digitsNeeded(numbers: readonly number[], zero: boolean): readonly number[] {
  const counts = Array.from({ length: 10 }, () => 0);
  for (const digit of numbers.flatMap((number) => digitsOf(number, zero))) counts[digit] = (counts[digit] ?? 0) + 1;
  return counts;
}

/** Where a number comes from. `cut`: from the digits of whole numbers that are left over, as a 2 of a spare 25. */
export type Source = "whole" | "digits" | "cut";
export type Covered = { readonly number: number; readonly source: Source };
export type Coverage = {
  readonly covered: readonly Covered[];
  /** The numbers that are to be made instead. */
  readonly without: readonly number[];
  /** Digits that would be missing to cover them too, each once for each time. */
  readonly missing: readonly number[];
  /** False where the search was ended: then it is a good choice and perhaps not the best. */
  readonly isProven: boolean;
};

/** Steps of the search after which it ends with the best found. */
const MOST_STEPS = 100_000;

/**
 * Which of these numbers a set covers: as many as its digits allow, and of choices of as many those that cover the earlier
 * ones. A whole number stands for itself; those left over are cut into their digits. Exact: each number is taken or left in
 * turn, and a branch is given up that by what its digits are worth could not cover more than the best so far.
 */
export function cover(set: NumberSet, numbers: readonly number[], zero: boolean): Coverage {
  if (set.kind === "unlimited") {
    const covered = numbers.map((number): Covered => ({ number, source: "digits" }));
    return { covered, without: [], missing: [], isProven: true };
  }
  const turns = set.kind === "digits" && set.turns;
  // A six and a nine that are one piece are counted as sixes.
  const slot = (digit: number) => (turns && digit === 9 ? 6 : digit);
  const { left, whole } =
    set.kind === "digits" ? { left: inSlots(set.counts, slot), whole: new Map() } : asWhole(set, numbers);
  const source = new Map<number, Source>();
  const rest = numbers.flatMap((number, at) => {
    const there = whole.get(number) ?? 0;
    if (there === 0) return [at];
    whole.set(number, there - 1);
    source.set(at, "whole");
    return [];
  });
  const digits = (at: number) => digitsOf(numbers[at] ?? 0, zero).map(slot);
  const { chosen, isProven } = mostOf(rest.map(digits), left);
  rest.forEach((at, nth) => {
    if (!chosen[nth]) return;
    source.set(at, set.kind === "whole" ? "cut" : "digits");
    for (const digit of digits(at)) left[digit] = (left[digit] ?? 0) - 1;
  });
  const without = numbers.filter((_, at) => !source.has(at));
  const missing = without
    .flatMap((number) => digitsOf(number, zero))
    .filter((digit) => {
      left[slot(digit)] = (left[slot(digit)] ?? 0) - 1;
      return (left[slot(digit)] ?? 0) < 0;
    });
  return {
    covered: numbers.flatMap((number, at) => {
      const from = source.get(at);
      return from ? [{ number, source: from }] : [];
    }),
    without,
    missing: missing.sort((a, b) => a - b),
    isProven,
  };
}

function inSlots(counts: readonly number[], slot: (digit: number) => number): number[] {
  const left = Array.from({ length: 10 }, () => 0);
  counts.forEach((count, digit) => {
    left[slot(digit)] = (left[slot(digit)] ?? 0) + count;
  });
  return left;
}

/** The whole numbers that stand for themselves, how many of each, and the digits that the others can be cut into. */
function asWhole({ from, to, each }: Extract<NumberSet, { kind: "whole" }>, numbers: readonly number[]) {
  const left = Array.from({ length: 10 }, () => 0);
  const whole = new Map<number, number>();
  for (let number = from; number <= to; number++) {
    const used = Math.min(each, numbers.filter((wanted) => wanted === number).length);
    whole.set(number, used);
    for (const digit of digitsOf(number, false)) left[digit] = (left[digit] ?? 0) + each - used;
  }
  return { left, whole };
}

/** The most numbers, each given by its digits, that can be made of so many digits; the earlier ones where there is a choice. */
function mostOf(
  numbers: readonly (readonly number[])[],
  there: readonly number[],
): { chosen: readonly boolean[]; isProven: boolean } {
  const left = Int32Array.from(there);
  const now = numbers.map(() => false);
  let best: { chosen: boolean[]; count: number } = { chosen: [...now], count: 0 };
  let steps = 0;
  const worth = worthOfDigits(numbers, there);
  const priced = (digits: readonly number[]) =>
    Math.max(0, 1 - digits.reduce((sum, digit) => sum + (worth[digit] ?? 0), 0));
  // From each number on: what there is to be had beyond what its digits are worth.
  const after = new Float64Array(numbers.length + 1);
  for (let at = numbers.length - 1; at >= 0; at--) after[at] = (after[at + 1] ?? 0) + priced(numbers[at] ?? []);
  const atMost = (from: number): number =>
    Math.floor(left.reduce((sum, each, digit) => sum + each * (worth[digit] ?? 0), 0) + (after[from] ?? 0) + 1e-9);
  const fits = (digits: readonly number[]): boolean =>
    digits.every((digit, at) => (left[digit] ?? 0) > digits.slice(0, at).filter((each) => each === digit).length);
  const go = (at: number, count: number): void => {
    if (++steps > MOST_STEPS) return;
    if (count > best.count) best = { chosen: [...now], count };
    if (at >= numbers.length || count + atMost(at) <= best.count) return;
    const digits = numbers[at] ?? [];
    if (fits(digits)) {
      for (const digit of digits) left[digit] = (left[digit] ?? 0) - 1;
      now[at] = true;
      go(at + 1, count + 1);
      now[at] = false;
      for (const digit of digits) left[digit] = (left[digit] ?? 0) + 1;
    }
    go(at + 1, count);
  };
  go(0, 0);
  return { chosen: best.chosen, isProven: steps <= MOST_STEPS };
}

/**
 * What each digit is worth, nought, a half or one number, so that no choice is more than all digits there are at their worth
 * and, of each number, what its digits' worth falls short of one (the dual of the choice as a linear programme; where numbers
 * have two digits, halves are enough for it: half-integrality of matchings, Balinski 1965, from memory). Changed digit by digit as long
 * as that bound falls; any worth gives a true bound.
 */
function worthOfDigits(numbers: readonly (readonly number[])[], there: readonly number[]): readonly number[] {
  const bound = (worth: readonly number[]): number =>
    there.reduce((sum, each, digit) => sum + each * (worth[digit] ?? 0), 0) +
    numbers.reduce(
      (sum, digits) => sum + Math.max(0, 1 - digits.reduce((all, digit) => all + (worth[digit] ?? 0), 0)),
      0,
    );
  let best: number[] = [];
  let least = Number.POSITIVE_INFINITY;
  for (const first of [0.5, 1, 0]) {
    const worth = there.map(() => first);
    for (let changed = true; changed; ) {
      changed = false;
      for (let digit = 0; digit < worth.length; digit++) {
        let low = bound(worth);
        for (const other of [0, 0.5, 1]) {
          const kept = worth[digit] ?? 0;
          worth[digit] = other;
          const now = bound(worth);
          if (now < low) {
            low = now;
            changed = true;
          } else worth[digit] = kept;
        }
      }
    }
    const now = bound(worth);
    if (now < least) {
      least = now;
      best = worth;
    }
  }
  return best;
}
