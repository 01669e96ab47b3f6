import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { type Leaf, sidesOf } from "./leaf.ts";
import { STEPS } from "./model.ts";
import { type AlbumRead, pagesOf } from "./page.ts";
import { isOfLeaves, tickLeaf, tickSteps } from "./ticks.ts";

/** The pages of an album, and one of them. */
const read = (album: Omit<AlbumRead, "prints">, nth: number) => {
  const pages = pagesOf({ ...album, prints: [] }).filter(({ skipped }) => !skipped);
  return pages[nth % Math.max(1, pages.length)];
};

describe("a tick of a day", () => {
  it("is there for each leaf and side it is done for, is no tick of another day's side, and goes again", () => {
    fc.assert(
      fc.property(anyAlbum, fc.nat(), fc.constantFrom(...STEPS), ({ plan, days, leaves }, nth, step) => {
        const album = { album: plan, days, leaves };
        const page = read(album, nth);
        const planned = page?.steps.find((each) => each.step === step);
        if (!page || !planned) return;
        const ticked = tickSteps(leaves, page.steps, [step], true);
        const own = new Set(page.days.map(({ id }) => id));
        const after = read({ ...album, leaves: ticked }, nth);
        const is = (name: typeof step) => after?.steps.find((each) => each.step === name);
        if (isOfLeaves(step) && planned.on.length > 0) expect(is(step)?.done).toBe(true);
        else expect(ticked).toEqual(leaves);
        // What is put into the book is assembled.
        if (step === "file" && planned.on.length > 0) {
          expect(is("assemble")?.done).toBe(true);
          expect(after?.states.book).toBe("done");
        }
        // What is not these days': of a side they share, all but their own ticks.
        const others = (all: readonly Leaf[]) =>
          all.flatMap((leaf) =>
            sidesOf(leaf).map((side) => {
              const isOwn = side.owner.kind === "day" && own.has(side.owner.dayId);
              return {
                ...side,
                done: isOwn ? [] : side.done,
                guests: side.guests.filter(({ dayId }) => !own.has(dayId)),
              };
            }),
          );
        expect(others(ticked)).toEqual(others(leaves));
        if (planned.on.length === 0) return;
        const back = read({ ...album, leaves: tickSteps(ticked, after?.steps ?? [], [step], false) }, nth);
        expect(back?.steps.find((each) => each.step === step)?.on.some(({ done }) => done)).toBe(false);
      }),
      { numRuns: 60 },
    );
  });

  it("changes nothing of a leaf where the step is of a side, nor of a side where it is of the leaf", () => {
    fc.assert(
      fc.property(anyAlbum, ({ leaves }) => {
        for (const leaf of leaves) {
          for (const step of ["number", "assemble"] as const)
            expect(tickLeaf(leaf, { face: null, guest: null, step }, true)).toBe(leaf);
          for (const step of ["base", "punch", "file"] as const)
            expect(tickLeaf(leaf, { face: "front", guest: null, step }, true)).toBe(leaf);
        }
      }),
      { numRuns: 20 },
    );
  });
});
