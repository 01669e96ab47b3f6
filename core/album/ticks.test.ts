import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { inches, ticks } from "../measure/length.ts";
import { type Built, type Leaf, leafOfDay, type Piece, PLAIN_PAPER, sidesOf } from "./leaf.ts";
import { EMPTY_DAY, STEPS } from "./model.ts";
import { type AlbumRead, pagesOf } from "./page.ts";
import { leavesOfDays } from "./page-leaves.ts";
import { poolContent, stepsFor, TYPICAL_MINUTES } from "./steps.ts";
import { isMade, isOfLeaves, tickBuilt, tickLeaf, tickSteps } from "./ticks.ts";

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

describe("what is done at the bench", () => {
  const built: Built = {
    ...{ kind: "flip-up", closed: [], micrometres: 0, blanks: [], lengths: {}, counts: {}, holds: [], ticked: [] },
    steps: [
      { minutes: 4, dries: 0 },
      { minutes: 2, dries: 30 },
      { minutes: 1, dries: 0 },
    ],
  };
  const piece = (id: string): Piece => ({
    ...({ id, at: { x: ticks(0), y: ticks(0) }, turn: 0, outside: false, dayId: null } as const),
    what: { kind: "construction", name: "", size: { w: inches(3), h: inches(4) }, built },
  });
  const leaf: Leaf = {
    ...leafOfDay("leaf", PLAIN_PAPER, "day"),
    front: { ...leafOfDay("leaf", PLAIN_PAPER, "day").front, pieces: [piece("a"), piece("b")] },
  };
  const build = (leaves: readonly Leaf[]) =>
    stepsFor(poolContent(EMPTY_DAY, []), leavesOfDays(leaves, ["day"]), "ring").find(({ step }) => step === "build");

  it("is one step of the day: minutes and drying of what is left, ticked one by one or all at once", () => {
    expect(build([leafOfDay("leaf", PLAIN_PAPER, "day")])).toBeUndefined();
    expect(build([leaf])).toMatchObject({ ring: "paper", minutes: 14, dries: 30, done: false });
    const begun = tickBuilt(leaf, { face: "front", piece: "a", nth: 1 }, true);
    expect(build([begun])).toMatchObject({ minutes: 12, dries: 30, done: false });
    const one = tickBuilt(begun, { face: "front", piece: "a", nth: null }, true);
    expect(build([one])).toMatchObject({ minutes: 7, dries: 30, done: false });
    expect(build([one])?.on.map(({ done }) => done)).toEqual([true, false]);
    const planned = stepsFor(poolContent(EMPTY_DAY, []), leavesOfDays([leaf], ["day"]), "ring");
    const all = tickSteps([leaf], planned, ["build"], true);
    expect(build(all)).toMatchObject({ minutes: TYPICAL_MINUTES.build, dries: 0, done: true });
    expect(tickSteps(all, planned, ["build"], false)).toEqual([leaf]);
    // Back again to the tick, and nothing for a piece that is gone.
    expect(tickBuilt(begun, { face: "front", piece: "a", nth: 1 }, false)).toEqual(leaf);
    expect(tickBuilt(leaf, { face: "front", piece: "gone", nth: null }, true)).toEqual(leaf);
    expect([leaf, begun].map(isMade)).toEqual([false, true]);
  });
});
