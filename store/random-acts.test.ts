import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import { FACES, type Leaf } from "../core/album/leaf.ts";
import { newCard } from "../core/album/model.ts";
import { type BookEdit, leavesTouched } from "../core/book/edit.ts";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import { mergeWithNeighbour, moveStory, setSkipped, split } from "../core/month/slots.ts";
import { datesOf } from "../core/month/span.ts";
import { FULL, newBook, piece, TAG } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import type { AlbumAggregate } from "./album.ts";
import { changeMonth, saveDayEdit, undoLastChange } from "./day.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

/** One thing a keeper may do, with numbers that choose of what there is then. */
const anyAct = fc.record({
  kind: fc.constantFrom(
    ...([
      "give",
      "insert",
      "arrange",
      "own",
      "share",
      "unshare",
      "order",
      "turn",
      "remove",
      "tick",
      "guest-tick",
    ] as const),
    ...(["skip", "merge", "split", "move", "card", "finish"] as const),
  ),
  a: fc.nat(30),
  b: fc.nat(30),
  face: fc.constantFrom(...FACES),
});
type Act = typeof anyAct extends fc.Arbitrary<infer T> ? T : never;
const of = <T>(all: readonly T[], nth: number): T | undefined => all[nth % Math.max(1, all.length)];

/** All of the book and the month that an act may change, without what counts its changes. */
const stateOf = ({ leaves, days }: AlbumAggregate) => ({
  leaves: leaves.map(({ version: _, ...leaf }) => leaf),
  days: days.map(({ version: _, ...day }) => day),
});
const without = (leaves: readonly Leaf[], ids: readonly string[]) =>
  new Map(leaves.flatMap(({ version: _, ...leaf }) => (ids.includes(leaf.id) ? [] : [[leaf.id, leaf] as const])));

function bookEdit({ kind, a, b, face }: Act, { leaves, days }: AlbumAggregate): BookEdit | null {
  const leaf = of(leaves, a)?.id;
  const dayId = of(days.slice(0, 6), b)?.id ?? "";
  if (kind === "give" || kind === "insert")
    return { kind: "give-leaf", id: randomUUID(), make: kind === "give" ? FULL : TAG, dayId };
  if (!leaf) return null;
  const on = { leaf, face };
  switch (kind) {
    case "arrange":
      return { kind: "arrange", ...on, pieces: [piece(`p${a}`, b), { ...piece(`q${b}`), dayId }] };
    case "own":
      return { kind: "own-side", ...on, owner: b % 4 === 0 ? { kind: "nobody" } : { kind: "day", dayId } };
    case "share":
    case "unshare":
      return { kind: "share-side", ...on, dayId, shares: kind === "share" };
    case "order":
      return { kind: "move-leaf", leaf, after: b % 3 === 0 ? null : (of(leaves, b)?.id ?? null) };
    case "turn":
      return { kind: "turn-leaf", leaf };
    case "remove":
      return { kind: "remove-leaf", leaf };
    case "tick":
      return { kind: "tick", leaf, face: null, guest: null, step: "file", done: b % 2 === 0 };
    case "guest-tick":
      return { kind: "tick", ...on, guest: dayId, step: "assemble", done: b % 3 > 0 };
    default:
      return null;
  }
}

describe("any sequence of acts on the book and the month", () => {
  it("leaves every piece of every side where it was but on the leaves it is of, and is taken back act by act to the start", async () => {
    let [taken, shared] = [0, 0];
    await fc.assert(
      fc.asyncProperty(fc.array(anyAct, { minLength: 6, maxLength: 14 }), async (acts) => {
        const { look, save, give, author } = await newBook(store);
        for (const date of ["2026-12-02", "2026-12-04"]) await give(date);
        const began = Date.now();
        // Acts of one moment have no order: each is a little later than the one before.
        const who = (nth: number) => ({ ...author(), at: new Date(began + nth * 10) });
        const states = [stateOf(await look())];
        for (const [nth, act] of acts.entries()) {
          const before = await look();
          const { a, b } = act;
          const span = { start: before.album.span.start, end: before.album.span.end };
          const day = of(before.days.slice(0, 6), a)?.id ?? "";
          const to = of(datesOf(span).slice(0, 8), b);
          let touched: readonly string[] = [];
          const edit = bookEdit(act, before);
          if (edit) {
            touched = leavesTouched(edit);
            await save(edit, null, who(nth));
          } else if (act.kind === "skip")
            await changeMonth(db, who(nth), (slots, its) => setSkipped(slots, its, day, b % 2 === 0));
          else if (act.kind === "merge")
            await changeMonth(db, who(nth), (slots, its) =>
              mergeWithNeighbour(slots, its, day, b % 2 ? "after" : "before"),
            );
          else if (act.kind === "split") await changeMonth(db, who(nth), (slots, its) => split(slots, its, day));
          else if (act.kind === "move" && to)
            await changeMonth(db, who(nth), (slots, its) => moveStory(slots, its, day, to));
          else if (act.kind === "card") {
            const card = newCard(randomUUID(), size(inches(3), inches(4)), `card ${a}`);
            await saveDayEdit(db, who(nth), day, null, { kind: "add-card", card });
          } else if (act.kind === "finish") {
            touched = before.leaves.map(({ id }) => id);
            await saveDayEdit(db, who(nth), day, null, { kind: "finish" });
          } else continue;
          const after = await look();
          expect(without(after.leaves, touched)).toEqual(without(before.leaves, touched));
          if (after.leaves.some(({ front, back }) => front.guests.length + back.guests.length > 0)) shared++;
          const state = stateOf(after);
          if (JSON.stringify(state) !== JSON.stringify(states.at(-1))) states.push(state);
        }
        for (let nth = states.length - 2; nth >= 0; nth--) {
          expect(await undoLastChange(db, who(1000 + states.length - nth))).toMatchObject({ ok: true });
          expect(stateOf(await look())).toEqual(states[nth]);
          taken++;
        }
      }),
      { numRuns: 12 },
    );
    expect(taken).toBeGreaterThan(20);
    expect(shared).toBeGreaterThan(0);
  });
});
