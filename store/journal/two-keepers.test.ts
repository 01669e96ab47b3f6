import fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import { anyAct, perform } from "../../tests/acts.ts";
import { newBook } from "../../tests/book.ts";
import { openTestStore, secondMember } from "../../tests/household.ts";
import { inUse } from "../../tests/matrix/states.ts";
import { aPhoto } from "../../tests/prints.ts";
import { readJournal } from "./read.ts";
import { doAgain, type Turned, takeBack, turnLine } from "./take-back.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

/** One column of one row, or whether the row is there at all, by name; read past the store and past the journal. */
type Cells = ReadonlyMap<string, string>;
const KEYS = ["id", "leaf_id", "face", "day_id", "household_id"];
const nameOf = (table: string, row: Record<string, unknown>) =>
  `${table} ${(table === "side" || table === "side_guest" ? ["leaf_id", "face", ...(table === "side" ? [] : ["day_id"])] : ["id"]).map((key) => row[key]).join(" ")}`;

async function cellsOf(householdId: string): Promise<Cells> {
  const cells = new Map<string, string>();
  for (const [table, rows] of Object.entries(await inUse(db, householdId))) {
    if (table === "order") continue;
    for (const text of rows as string[]) {
      const row = JSON.parse(text) as Record<string, unknown>;
      const name = nameOf(table, row);
      cells.set(name, "there");
      for (const [column, value] of Object.entries(row))
        if (!KEYS.includes(column) || (table === "side" && column === "day_id"))
          cells.set(`${name} ${column}`, JSON.stringify(value));
    }
  }
  return cells;
}

/** The cells that differ, with what they were and what they became; a cell of a row that was not there is undefined. */
function changed(before: Cells, after: Cells): ReadonlyMap<string, readonly [string | undefined, string | undefined]> {
  const names = new Set([...before.keys(), ...after.keys()]);
  return new Map(
    [...names].flatMap((name) =>
      before.get(name) === after.get(name) ? [] : [[name, [before.get(name), after.get(name)]] as const],
    ),
  );
}
/** A column that holds a set has parts of several people in it. */
const isSet = (name: string) => / (done|waived|cuts_done)$/.test(name);
/** What hangs on a row that came or went is there or not with it. */
const touches = (name: string, names: ReadonlySet<string>) =>
  names.has(name) ||
  [...names].some((each) => name.startsWith(`${each} `)) ||
  (/^side/.test(name) && names.has(`leaf ${name.split(" ")[1]}`));

const anyTurn = fc.record({ who: fc.nat(1), turn: fc.constantFrom("back", "again", "other's"), nth: fc.nat(9) });
const anyStep = fc.oneof(
  { weight: 3, arbitrary: fc.record({ who: fc.nat(1), act: anyAct }) },
  { weight: 2, arbitrary: anyTurn },
);

describe("two people in one album, doing, putting back and doing again in any order", () => {
  it("touches nothing but what the line had changed, makes that as it was, and refuses only where somebody wrote since", async () => {
    let [back, again, refused, others] = [0, 0, 0, 0];
    await fc.assert(
      fc.asyncProperty(fc.array(anyStep, { minLength: 10, maxLength: 24 }), async (steps) => {
        const { keeper, look, give, author } = await newBook(store);
        const both = [keeper, await secondMember(store, keeper, "Tobiah")] as const;
        const as = (who: number) => author(both[who % 2]);
        for (const date of ["2026-12-02", "2026-12-04"]) await give(date);
        const roll = [(await aPhoto(store, keeper.householdId)).kept.id];
        /** What each line did, as seen from outside, by the name of the line. */
        const did = new Map<string, ReadonlyMap<string, readonly [string | undefined, string | undefined]>>();
        /** What was taken back, or done again, on something that lay in the tray then: it comes out as that made it. */
        const unseen = new Set<string>();
        const lines = () => readJournal(db, as(0), 200, null);
        for (const step of steps) {
          const before = await cellsOf(keeper.householdId);
          if ("act" in step) {
            const known = new Set((await lines()).map(({ id }) => id));
            await perform(db, as(step.who), step.act, await look(), roll);
            const line = (await lines()).find(({ id }) => !known.has(id));
            const changes = changed(before, await cellsOf(keeper.householdId));
            // What changed something is a line, and one line only.
            if (changes.size > 0) expect(line).toBeDefined();
            if (line) did.set(line.id, changes);
            continue;
          }
          const all = await lines();
          const mine = all.filter(({ isOwn }) => (step.who === 0) === isOwn);
          let turned: Turned;
          let meant = all[step.nth % Math.max(1, all.length)];
          if (step.turn === "other's") {
            if (!meant?.open) continue;
            turned = await turnLine(db, as(step.who), meant.takenBack ? "again" : "back", meant.id);
            others++;
          } else if (step.turn === "back") {
            meant = mine.find(({ open, takenBack }) => open && !takenBack);
            turned = await takeBack(db, as(step.who));
          } else {
            turned = await doAgain(db, as(step.who));
            // The one taken back last; which one that is, the list says by what has changed in it.
            const now = new Map((await lines()).map((each) => [each.id, each.takenBack]));
            meant = mine.find(({ id, takenBack }) => takenBack && now.get(id) === false);
          }
          const changes = changed(before, await cellsOf(keeper.householdId));
          if (!turned.ok) {
            expect(changes.size).toBe(0);
            refused++;
            const line = meant && did.get(meant.id);
            if (turned.reason !== "changed-since" || !line || !meant) continue;
            const stands = [...line].every(([name, [was, is]]) => before.get(name) === (meant.takenBack ? was : is));
            // Where all of it stands it is refused for the order of the leaves, for days that share a page, or for try-outs.
            if (stands && line.size > 0) expect(turned.did.what).toMatch(/^(book|told|try-out)$/);
            continue;
          }
          if (!meant) continue;
          if (meant.takenBack) again++;
          else back++;
          const line = new Map(did.get(meant.id));
          const names = new Set(line.keys());
          for (const name of names) {
            if (changes.has(name)) continue;
            const was = line.get(name)?.[meant.takenBack ? 1 : 0];
            // What stayed stands as it should already, or lies in the tray, where this does not look.
            const isHere = before.has(name) || was === undefined;
            if (isHere && !isSet(name) && !unseen.has(name)) expect(before.get(name), `${name} stays`).toBe(was);
            unseen.add(name);
          }
          for (const [name, [, is]] of changes) {
            // A column of a row that comes or goes is of the line when the row is.
            if (names.size > 0) expect(touches(name, names), `${name} of ${JSON.stringify(turned.did)}`).toBe(true);
            const was = line.get(name);
            if (was && !isSet(name) && !unseen.has(name)) expect(is, name).toBe(was[meant.takenBack ? 1 : 0]);
          }
          // What goes with a row and was changed since goes as it was just now, and comes again as that.
          for (const [name, [left, is]] of changes)
            if (line.has(name)) line.set(name, meant.takenBack ? [left, is] : [is, left]);
          did.set(meant.id, line);
        }
      }),
      { numRuns: 14, endOnFailure: true },
    );
    expect(back).toBeGreaterThan(10);
    expect([again, refused, others].every((count) => count > 0)).toBe(true);
  }, 60_000);
});
