import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { openTestStore } from "../../tests/household.ts";
import { IN_WORLD, ownWorld } from "../../tests/matrix/own-world.ts";
import { takeBack } from "../journal/take-back.ts";
import { OWN_KINDS } from "./kinds.ts";
import { putOwnAway, renameOwn } from "./own.ts";
import { readKeptTray, takeBackKept } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

const TABLES = [
  ["deck", "deck"],
  ["hand", "hand"],
  ["stamp-set", "stamp_set"],
  ["template", "template"],
  ["making", "kept_making"],
  ["format", "measured_format"],
] as const;

describe("what a household keeps to use again", () => {
  it("of every kind is renamed, put away, brought back, and goes back with its line; another household's is not there", async () => {
    const { ids, author } = await ownWorld(db);
    const { author: stranger } = await ownWorld(db);
    for (const kind of OWN_KINDS) {
      const id = ids[IN_WORLD[kind]];
      const inTray = async () => (await readKeptTray(db, author.householdId)).find((each) => each.id === id)?.name;
      for (const refused of [
        await renameOwn(db, stranger, kind, id, "Stolen"),
        await putOwnAway(db, stranger, kind, id),
      ])
        expect(refused, kind).toEqual({ ok: false, reason: "not-found" });
      expect(await renameOwn(db, author, kind, id, `Our ${kind}`), kind).toEqual({ ok: true });
      expect(await putOwnAway(db, author, kind, id), kind).toEqual({ ok: true });
      expect(await inTray()).toBe(`Our ${kind}`);
      expect(await renameOwn(db, author, kind, id, "In the tray"), kind).toEqual({ ok: false, reason: "not-found" });
      expect(await takeBackKept(db, author.householdId, kind, id), kind).toBe(true);
      expect(await putOwnAway(db, author, kind, id), kind).toEqual({ ok: true });
      expect(await takeBack(db, author), kind).toMatchObject({ ok: true, did: { how: "put-away", thing: kind } });
      expect(await inTray()).toBeUndefined();
    }
  });

  it("has one name each: another of its kind with that name refuses it, one of another kind does not", async () => {
    const { ids, author } = await ownWorld(db);
    const { ids: more } = await ownWorld(db);
    for (const kind of OWN_KINDS)
      expect(await renameOwn(db, author, kind, ids[IN_WORLD[kind]], "Same")).toEqual({ ok: true });
    // Others of this household, beside those that have the name by now.
    for (const [kind, table] of TABLES) {
      const copy = more[IN_WORLD[kind]];
      await db.execute(sql`update ${sql.identifier(table)} set household_id = ${ids.householdId} where id = ${copy}`);
      expect(await renameOwn(db, author, kind, copy, "Same"), kind).toEqual({ ok: false, reason: "name-taken" });
      expect(await renameOwn(db, author, kind, copy, "Other"), kind).toEqual({ ok: true });
    }
  });
});
