import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FIRST_STEPS, firstEvening } from "./first-evening.ts";

const NOTHING = { prompts: 0, leaves: 0, pictures: 0, inBook: 0 };
const openOf = (has: typeof NOTHING, settled: readonly string[] = []) =>
  firstEvening(has, settled)?.flatMap(({ step, open }) => (open ? [step] : [])) ?? null;

describe("the first evening", () => {
  it("begins with the ruler and leads to the pictures", () => {
    expect(openOf(NOTHING)).toEqual(["measure", "prompts", "pages", "pictures"]);
  });

  it("closes what the album has, and what was left or measured", () => {
    expect(openOf({ ...NOTHING, prompts: 1 })).toEqual(["measure", "pages", "pictures"]);
    expect(openOf({ ...NOTHING, leaves: 1, pictures: 1 }, ["measure"])).toEqual(["prompts"]);
    // What cannot be seen from the album is closed only where somebody says so.
    expect(openOf({ ...NOTHING, prompts: 31, leaves: 31, pictures: 9 })).toEqual(["measure"]);
  });

  it("is over when nothing is open, or a page is in the book", () => {
    expect(firstEvening(NOTHING, FIRST_STEPS)).toBeNull();
    expect(firstEvening({ ...NOTHING, inBook: 1 }, [])).toBeNull();
  });

  it("never opens a step again by doing more", () => {
    const some = fc.record({ prompts: fc.nat(31), leaves: fc.nat(31), pictures: fc.nat(9), inBook: fc.constant(0) });
    fc.assert(
      fc.property(some, some, fc.subarray([...FIRST_STEPS]), (has, more, settled) => {
        const all = {
          prompts: has.prompts + more.prompts,
          leaves: has.leaves + more.leaves,
          pictures: has.pictures + more.pictures,
          inBook: 0,
        };
        const before = openOf(has, settled) ?? [];
        for (const step of openOf(all, settled) ?? []) expect(before).toContain(step);
      }),
    );
  });
});
