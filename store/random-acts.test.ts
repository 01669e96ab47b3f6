import fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import type { Leaf } from "../core/album/leaf.ts";
import { anyActOfBook, perform } from "../tests/acts.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import type { AlbumAggregate } from "./album.ts";
import { takeBack } from "./journal/take-back.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

/**
 * All of the book and the month that an act may change, without what counts its changes. What is done is a set: a step
 * that was opened and is done again stands last in it.
 */
const stateOf = ({ leaves, days }: AlbumAggregate): unknown => {
  const state = {
    leaves: leaves.map(({ version: _, ...leaf }) => leaf),
    days: days.map(({ version: _, ...day }) => day),
  };
  return JSON.parse(
    JSON.stringify(state, (key, said) => (key === "done" || key === "undone" ? [...said].sort() : said)),
  );
};
/** Acts that make a side's ticks untrue, its own days' as its guests': what is on the day is another thing then. */
const OPENS: readonly string[] = ["card", "words"];
const unticked = ({ front, back, ...leaf }: Leaf): Leaf => {
  const open = (side: Leaf["front"]): Leaf["front"] => ({
    ...side,
    done: [],
    guests: side.guests.map((guest) => ({ ...guest, done: [] })),
  });
  return { ...leaf, front: open(front), back: open(back) };
};
const without = (leaves: readonly Leaf[], ids: readonly string[]) =>
  new Map(leaves.flatMap(({ version: _, ...leaf }) => (ids.includes(leaf.id) ? [] : [[leaf.id, leaf] as const])));

describe("any sequence of acts on the book and the month", () => {
  it("leaves every piece of every side where it was but on the leaves it is of, and is taken back act by act to the start", async () => {
    let [taken, shared] = [0, 0];
    await fc.assert(
      fc.asyncProperty(fc.array(anyActOfBook, { minLength: 6, maxLength: 14 }), async (acts) => {
        const { look, give, author } = await newBook(store);
        for (const date of ["2026-12-02", "2026-12-04"]) await give(date);
        const states = [stateOf(await look())];
        for (const act of acts) {
          const before = await look();
          const touched = await perform(db, author(), act, before);
          if (touched === null) continue;
          const after = await look();
          const seen = ({ leaves: all }: AlbumAggregate) =>
            without(OPENS.includes(act.kind) ? all.map(unticked) : all, touched);
          expect(seen(after)).toEqual(seen(before));
          if (after.leaves.some(({ front, back }) => front.guests.length + back.guests.length > 0)) shared++;
          const state = stateOf(after);
          if (JSON.stringify(state) !== JSON.stringify(states.at(-1))) states.push(state);
        }
        for (let nth = states.length - 2; nth >= 0; nth--) {
          expect(await takeBack(db, author())).toMatchObject({ ok: true });
          expect(stateOf(await look())).toEqual(states[nth]);
          taken++;
        }
      }),
      { numRuns: 12, endOnFailure: true },
    );
    expect(taken).toBeGreaterThan(20);
    expect(shared).toBeGreaterThan(0);
  });
});
