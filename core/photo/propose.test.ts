import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { assign, NEVER } from "./assign.ts";
import { NO_LOOK } from "./look.ts";
import {
  type Candidate,
  EMPTY_COST,
  losesMuch,
  type ProposeSettings,
  propose,
  type Wanted,
  weighAll,
} from "./propose.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const day = (n: number) => `2026-12-${String(n).padStart(2, "0")}` as CalendarDate;
const want = (id: string, page: number, print = by(6, 4)): Wanted => ({
  ...{ id, page, dates: [day(page + 1)], print, canTurn: false },
});
const photo = (id: string, given: Partial<Candidate> = {}): Candidate => ({
  id,
  facts: { width: 4032, height: 3024, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] },
  taken: null,
  banked: false,
  star: false,
  group: null,
  rank: 0,
  placed: false,
  ...given,
});

const weigh = (where: Wanted, candidate: Candidate, settings: ProposeSettings) =>
  weighAll([where], [candidate], settings)[0]?.[0] ?? null;

describe("assignment", () => {
  it("is as cheap as the cheapest of all ways, tried one by one", () => {
    const cell = fc.oneof(
      { weight: 6, arbitrary: fc.integer({ min: -20, max: 60 }) },
      { weight: 1, arbitrary: fc.constant(NEVER) },
    );
    const matrix = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 2 })).chain(([rows, more]) =>
      fc.array(fc.array(cell, { minLength: rows + more, maxLength: rows + more }), {
        minLength: rows,
        maxLength: rows,
      }),
    );
    fc.assert(
      fc.property(matrix, (cost) => {
        const price = (given: readonly (number | null)[]) => {
          const real = given.flatMap((column, row) => (column === null ? [] : [cost[row]?.[column] ?? NEVER]));
          return { filled: real.length, sum: real.reduce((a, b) => a + b, 0) };
        };
        const ways = (row: number, taken: readonly number[]): (number | null)[][] =>
          row === cost.length
            ? [[]]
            : [
                null,
                ...(cost[row] ?? []).flatMap((each, column) =>
                  Number.isFinite(each) && !taken.includes(column) ? [column] : [],
                ),
              ].flatMap((column) =>
                ways(row + 1, column === null ? taken : [...taken, column]).map((rest) => [column, ...rest]),
              );
        const best = ways(0, [])
          .map(price)
          .reduce((a, b) => (b.filled > a.filled || (b.filled === a.filled && b.sum < a.sum) ? b : a));
        const got = assign(cost);
        expect(price(got)).toEqual(best);
        const columns = got.filter((column) => column !== null);
        expect(new Set(columns).size).toBe(columns.length);
      }),
      { numRuns: 200 },
    );
  });

  it("refuses fewer columns than rows", () => {
    expect(() => assign([[1], [2]])).toThrow(RangeError);
  });
});

describe("a proposal", () => {
  it("loses much of a picture when more than a quarter of it is cropped away", () => {
    expect([0, 0.25, 0.2501, 0.6].map((lost) => losesMuch({ lost }))).toEqual([false, false, true, true]);
  });

  const settings = { rule: "banked", twice: false } as const;

  it("gives each day its own picture, and says so", () => {
    const { proposals, empty } = propose(
      [want("first", 0), want("second", 1), want("third", 2)],
      [photo("b", { taken: day(2) }), photo("a", { taken: day(1) })],
      settings,
    );
    expect(proposals.map(({ want: where, photo: which }) => [where, which])).toEqual([
      ["first", "a"],
      ["second", "b"],
    ]);
    expect(proposals[0]?.why).toMatchObject({ date: "that-day", daysOff: 0 });
    expect(empty).toEqual(["third"]);
  });

  it("keeps to the album's rule", () => {
    const banked = photo("banked", { taken: day(20), banked: true });
    const stray = photo("stray", { taken: day(20) });
    const where = want("first", 0);
    expect(weigh(where, banked, { rule: "that-day", twice: false })).toBeNull();
    expect(weigh(where, banked, settings)?.why.date).toBe("banked");
    expect(weigh(where, stray, settings)).toBeNull();
    expect(weigh(where, stray, { rule: "any", twice: false })?.why).toMatchObject({ date: "other-day", daysOff: 19 });
    expect(weigh(where, photo("none"), { rule: "any", twice: false })?.why.date).toBe("no-date");
  });

  it("uses no picture twice, and none that is on a page already, unless wished", () => {
    const placed = photo("placed", { taken: day(1), placed: true });
    expect(propose([want("first", 0)], [placed], settings).proposals).toEqual([]);
    const wished = propose([want("first", 0)], [placed], { ...settings, twice: true });
    expect(wished.proposals.map(({ why }) => why.again)).toEqual([true]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), (many, few) => {
        const wanted = Array.from({ length: many }, (_, at) => want(`want-${at}`, at));
        const photos = Array.from({ length: few }, (_, at) =>
          photo(`photo-${at}`, { taken: day(1 + (at % 5)), banked: true }),
        );
        const { proposals, empty } = propose(wanted, photos, settings);
        expect(new Set(proposals.map(({ photo: id }) => id)).size).toBe(proposals.length);
        expect(proposals.length + empty.length).toBe(many);
        for (const { cost } of proposals) expect(cost).toBeLessThan(EMPTY_COST);
      }),
    );
  });

  it("prefers the picture that loses less, has more pixels, and has a star", () => {
    const where = want("first", 0, by(4, 3));
    const cost = (given: Partial<Candidate>) =>
      weigh(where, photo("x", { taken: day(1), ...given }), settings)?.cost ?? NEVER;
    const facts = (width: number, height: number) => ({ facts: { ...photo("x").facts, width, height } });
    expect(cost({})).toBeLessThan(cost(facts(6000, 4000)));
    expect(cost({})).toBeLessThan(cost(facts(600, 450)));
    expect(cost({ star: true })).toBeLessThan(cost({}));
  });

  it("is as cheap as with every picture weighed for every print", () => {
    const wanted = Array.from({ length: 20 }, (_, at) => want(`want-${at}`, at));
    const photos = Array.from({ length: 300 }, (_, at) =>
      photo(`photo-${at}`, { taken: day(1 + ((at * 7) % 31)), star: at % 5 === 0, banked: at % 3 === 0 }),
    );
    const rule = { rule: "any", twice: false } as const;
    const { proposals } = propose(wanted, photos, rule);
    const all = wanted.map((each) => [
      ...photos.map((candidate) => Math.min(weigh(each, candidate, rule)?.cost ?? NEVER, NEVER)),
      ...wanted.map(() => EMPTY_COST),
    ]);
    const cheapest = assign(all).reduce<number>((sum, column, row) => sum + (all[row]?.[column ?? 0] ?? 0), 0);
    expect(proposals.reduce((sum, { cost }) => sum + cost, 0)).toBe(cheapest);
  });

  it("parts near-doubles: not on one page, nor on neighbours", () => {
    const doubles = ["sharp", "soft"].map((id, rank) => photo(id, { taken: day(1), group: "g", rank, banked: true }));
    const near = propose([want("a", 0), want("b", 1)], doubles, settings);
    expect(near.proposals).toHaveLength(1);
    expect(near.proposals[0]?.photo).toBe("sharp");
    const apart = propose([want("a", 0), want("b", 5)], doubles, settings);
    expect(apart.proposals).toHaveLength(2);
  });

  it("turns a print that no room holds, where that saves the picture, and never one that is kept a room", () => {
    const upright = photo("upright", { taken: day(1), facts: { ...photo("x").facts, width: 3024, height: 4032 } });
    const kept = weigh(want("kept", 0), upright, settings);
    const free = weigh({ ...want("free", 0), canTurn: true }, upright, settings);
    // Worked out by hand: an upright 3:4 on 6 × 4 shows a half of its height; on 4 × 6 eight ninths of its width.
    expect([kept?.why.turned, kept?.why.lost]).toEqual([false, expect.closeTo(1 / 2, 3)]);
    expect([free?.why.turned, free?.why.lost]).toEqual([true, expect.closeTo(1 / 9, 3)]);
    expect(weigh({ ...want("free", 0), canTurn: true }, photo("lying", { taken: day(1) }), settings)?.why.turned).toBe(
      false,
    );
  });

  it("tells for each print the next best, the cheapest first: those and no others that are proposed for none", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.array(
          fc.record({
            on: fc.integer({ min: 1, max: 9 }),
            star: fc.boolean(),
            width: fc.integer({ min: 600, max: 6000 }),
          }),
          {
            maxLength: 14,
          },
        ),
        (many, given) => {
          const wanted = Array.from({ length: many }, (_, at) => want(`want-${at}`, at));
          const photos = given.map(({ on, star, width }, at) =>
            photo(`photo-${at}`, { taken: day(on), star, facts: { ...photo("x").facts, width } }),
          );
          const rule = { rule: "any", twice: false } as const;
          const { proposals, others } = propose(wanted, photos, rule);
          const proposed = new Set(proposals.map(({ photo: id }) => id));
          for (const each of wanted) {
            const all = photos
              .filter(({ id }) => !proposed.has(id))
              .flatMap((candidate) => weigh(each, candidate, rule)?.cost ?? [])
              .sort((a, b) => a - b);
            const told = others.get(each.id) ?? [];
            expect(told.map(({ cost }) => cost)).toEqual(all.slice(0, 4));
            expect(told.every(({ photo: id, want: of }) => !proposed.has(id) && of === each.id)).toBe(true);
          }
        },
      ),
    );
  });
});
