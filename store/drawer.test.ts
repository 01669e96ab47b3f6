import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { newThing } from "../core/drawer/thing.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { countThing, dropThing, keepList, keepThing, readDrawer } from "./drawer.ts";
import { takeBack } from "./journal/take-back.ts";
import { readKeptTray, takeBackKept } from "./library/tray.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const stars = newThing("Linen Stars", "paper", 2);

describe("the drawer", () => {
  it("has a thing once however often it is sent, as it was last said; put in the tray it is found there, and taken back", async () => {
    const { author, keeper } = await newBook(store);
    const { householdId } = keeper;
    const id = randomUUID();
    for (const name of ["Linen Stars", "Linen Stars", "Linen stars"])
      expect(await keepThing(db, author(), id, { ...stars, name })).toEqual({ ok: true });
    expect(await readDrawer(db, householdId)).toEqual([{ ...stars, id, name: "Linen stars" }]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "stash", thing: "thing" } });
    expect((await readDrawer(db, householdId))[0]?.name).toBe("Linen Stars");
    expect(await dropThing(db, author(), id)).toEqual({ ok: true });
    expect(await dropThing(db, author(), id)).toEqual({ ok: false, reason: "not-found" });
    expect(await readKeptTray(db, householdId)).toMatchObject([{ kind: "thing", name: "Linen Stars" }]);
    expect(await takeBackKept(db, householdId, "thing", id)).toBe(true);
    expect(await readDrawer(db, householdId)).toHaveLength(1);
  });

  it("gives its last one away once, to however many hands at a time; and never counts below nothing", async () => {
    const { author, keeper } = await newBook(store);
    const id = randomUUID();
    await keepThing(db, author(), id, { ...stars, count: 1 });
    const answers = await Promise.all([1, 2, 3].map(() => countThing(db, author(), id, -1)));
    expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
    expect(answers.filter((each) => !each.ok)).toEqual([
      { ok: false, reason: "none-left" },
      { ok: false, reason: "none-left" },
    ]);
    expect((await readDrawer(db, keeper.householdId))[0]?.count).toBe(0);
    expect(await countThing(db, author(), id, 200_000)).toEqual({ ok: false, reason: "too-many" });
    expect(await countThing(db, author(), randomUUID(), 1)).toEqual({ ok: false, reason: "not-found" });
    await expect(db.execute(sql`update thing set count = -1 where id = ${id}`)).rejects.toThrow();
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { how: "counted" } });
    expect((await readDrawer(db, keeper.householdId))[0]?.count).toBe(1);
  });

  it("takes a list in at once and twice without doubling, and is taken back in one", async () => {
    const { author, keeper } = await newBook(store);
    const list = [stars, newThing("Brass numerals", "numbers")];
    expect(await keepList(db, author(), list, randomUUID)).toEqual({ ok: true, fresh: 2, changed: 0, same: 0 });
    expect(await keepList(db, author(), list, randomUUID)).toEqual({ ok: true, fresh: 0, changed: 0, same: 2 });
    expect(await keepList(db, author(), [{ ...stars, count: 9 }], randomUUID)).toMatchObject({ changed: 1 });
    expect((await readDrawer(db, keeper.householdId)).map(({ count }) => count)).toEqual([1, 9]);
    const many = Array.from({ length: 4999 }, (_, at) => newThing(`Paper ${at}`, "paper"));
    expect(await keepList(db, author(), many, randomUUID)).toEqual({ ok: false, reason: "too-many" });
    await takeBack(db, author());
    await takeBack(db, author());
    expect(await readDrawer(db, keeper.householdId)).toEqual([]);
  });

  it("is its household's alone: another's thing is neither named anew nor counted nor put away", async () => {
    const [mine, theirs] = [await newBook(store), await newBook(store)];
    const id = randomUUID();
    await keepThing(db, mine.author(), id, stars);
    const author = theirs.author();
    expect(await keepThing(db, author, id, { ...stars, name: "Taken" })).toEqual({ ok: false, reason: "not-found" });
    expect(await countThing(db, author, id, 1)).toEqual({ ok: false, reason: "not-found" });
    expect(await dropThing(db, author, id)).toEqual({ ok: false, reason: "not-found" });
    expect(await readDrawer(db, mine.keeper.householdId)).toEqual([{ ...stars, id }]);
    expect(await readDrawer(db, theirs.keeper.householdId)).toEqual([]);
  });
});
