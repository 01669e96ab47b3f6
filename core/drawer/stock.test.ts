import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyThing } from "../../tests/samples.ts";
import { inches, ticks } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { isForgotten, lacking, leftOfSet, stockOf } from "./stock.ts";
import { newThing } from "./thing.ts";

const anyUse = fc.record({
  size: fc.record({
    w: fc.integer({ min: 1, max: 200_000 }).map(ticks),
    h: fc.integer({ min: 1, max: 200_000 }).map(ticks),
  }),
  layers: fc.integer({ min: 1, max: 4 }),
  says: fc.constantFrom(null, "7", "13·14", "25", "69", "BAZ", "ab"),
  cut: fc.boolean(),
  used: fc.boolean(),
});
const card = size(inches(3), inches(4));
const use = { size: card, layers: 1, says: null, cut: false, used: false };
const whole = { ...newThing("Brass", "numbers"), numbers: { kind: "whole", from: 1, to: 25, each: 1 } as const };
const digits = (counts: number[], turns = false) => ({
  ...newThing("Tin", "numbers"),
  numbers: { kind: "digits", counts, turns } as const,
});

describe("what there is of a thing", () => {
  it("is used, reserved or left, and what is short was never there", () => {
    fc.assert(
      fc.property(anyThing, fc.array(anyUse, { maxLength: 8 }), (thing, uses) => {
        const { had, used, reserved, left, short } = stockOf(thing, uses);
        if (had === null || left === null) {
          expect([thing.numbers?.kind, short]).toEqual(["unlimited", 0]);
          return;
        }
        expect(had + short).toBe(used + reserved + left);
        for (const count of [used, reserved, left, short]) expect(count).toBeGreaterThanOrEqual(0);
        expect(used).toBe(
          stockOf(
            thing,
            uses.filter((each) => each.used),
          ).used,
        );
      }),
    );
  });

  it("does not grow by one use more, and ticking one moves it from reserved to used", () => {
    fc.assert(
      fc.property(anyThing, fc.array(anyUse, { maxLength: 6 }), anyUse, (thing, uses, more) => {
        const [before, after] = [stockOf(thing, uses), stockOf(thing, [...uses, more])];
        expect(after.left ?? 0).toBeLessThanOrEqual(before.left ?? 0);
        expect(after.short).toBeGreaterThanOrEqual(before.short);
        const [open, ticked] = [false, true].map((is) => stockOf(thing, [...uses, { ...more, used: is }]));
        expect((ticked?.used ?? 0) + (ticked?.reserved ?? 0)).toBe((open?.used ?? 0) + (open?.reserved ?? 0));
        expect(ticked?.used).toBeGreaterThanOrEqual(open?.used ?? 0);
      }),
    );
  });

  it("counts sheets by the paper that is cut from them, and a piece larger than one as joined", () => {
    const paper = { ...newThing("Oak", "paper", 3), size: size(inches(12), inches(12)) };
    const cards = (many: number) => Array.from({ length: many }, () => use);
    // Twelve 3 × 4 cards are the whole of a 12 × 12: common practice.
    expect(stockOf(paper, cards(12))).toMatchObject({ reserved: 1, left: 2, short: 0 });
    expect(stockOf(paper, cards(13))).toMatchObject({ reserved: 2, left: 1 });
    expect(stockOf(paper, [...cards(12), { ...use, used: true }])).toMatchObject({ used: 1, reserved: 1, left: 1 });
    expect(stockOf(paper, [{ ...use, size: size(inches(13), inches(8)) }])).toMatchObject({ reserved: 2 });
    expect(stockOf(paper, [{ ...use, cut: true }])).toMatchObject({ reserved: 0, left: 3 });
    expect(stockOf({ ...paper, size: null }, cards(4))).toMatchObject({ reserved: 4, left: 0, short: 1 });
  });

  it("counts a set by its numbers: each once, digit by digit, a six for a nine where they are one piece", () => {
    const says = (text: string) => ({ ...use, says: text });
    expect(stockOf(whole, [says("7"), says("13·14"), says("07")])).toMatchObject({
      ...{ had: 25, reserved: 4, left: 22, short: 1, without: ["7"] },
    });
    const four = digits([0, 1, 1, 0, 0, 0, 1, 0, 0, 1]);
    expect(stockOf(four, [says("12"), says("9")])).toMatchObject({ had: 4, left: 1, short: 0 });
    expect(stockOf(four, [says("96"), says("6")])).toMatchObject({ short: 1, without: ["6"] });
    expect(stockOf(digits([0, 1, 1, 0, 0, 0, 1, 0, 0, 1], true), [says("66")])).toMatchObject({ short: 0 });
    expect(stockOf(digits([0, 0, 0, 0, 0, 0, 2, 0, 0, 0], true), [says("99")])).toMatchObject({ left: 0, short: 0 });
    expect(stockOf({ ...whole, numbers: { kind: "unlimited" } }, [says("7")])).toMatchObject({ had: null, short: 0 });
    const alphabet = { ...newThing("Tall", "letters"), letters: { counts: { A: 1, B: 2 }, onlyCapitals: true } };
    expect(stockOf(alphabet, [says("bab a")])).toMatchObject({ had: 3, left: 0, short: 1, without: ["A"] });
  });

  it("says what of a set is left, and nothing of what is no set", () => {
    expect(leftOfSet(whole, [{ ...use, says: "7" }])?.get("7")).toBe(0);
    expect(leftOfSet(whole, [{ ...use, says: "7", cut: true }])?.get("7")).toBe(1);
    expect(leftOfSet(newThing("Star", "sticker"), [])).toBeNull();
    const left = leftOfSet(whole, [{ ...use, says: "7" }]) ?? new Map();
    expect([lacking(whole, left, "7"), lacking(whole, left, "8·8"), lacking(whole, left, "26")]).toEqual([
      ["7"],
      ["8"],
      ["26"],
    ]);
  });
});

describe("what nobody used for a year", () => {
  it("comes up a year after it came, or after the last album with it", () => {
    const at = (text: string) => new Date(`${text}T12:00:00Z`);
    const now = at("2026-12-01");
    expect(isForgotten(at("2025-11-01"), null, now)).toBe(true);
    expect(isForgotten(at("2026-03-01"), null, now)).toBe(false);
    expect(isForgotten(at("2024-11-01"), at("2025-12-31"), now)).toBe(false);
    expect(isForgotten(at("2023-11-01"), at("2024-12-31"), now)).toBe(true);
  });
});
