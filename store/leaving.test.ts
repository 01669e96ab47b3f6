import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { freshDatabase } from "../tests/fresh-database.ts";
import { makeWorld, quickVisitor } from "../tests/matrix/world.ts";
import { openStore, type Store } from "./db.ts";
import { feedOf, openFeed } from "./feed.ts";
import { findDemoMember } from "./household.ts";
import { dropGone, GOING_DAYS, sayGoing, sayStaying } from "./leaving.ts";
import { migrateStore } from "./migrate.ts";
import { household, member } from "./schema/index.ts";
import { openShare, sharedBy } from "./share.ts";

/** A database of its own: it is looked through for what is left. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let store: Store;
beforeAll(async () => {
  database = await freshDatabase();
  store = openStore(database.url);
  await migrateStore(store, "store/migrations");
});
afterAll(async () => {
  await store.close();
  await database.drop();
});

const now = new Date("2026-12-09T18:40:00Z");
const days = (count: number) => new Date(now.getTime() + count * 86_400_000);

/** How many rows each table has; what is written down of the tables themselves aside. */
async function counted(): Promise<Record<string, number>> {
  const { rows } = await store.db.execute<{ name: string }>(
    sql`select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  const all = rows.map(({ name }) => name).filter((name) => !/^(schema_step|try_count|cut_kind)$/.test(name));
  return Object.fromEntries(
    await Promise.all(
      all.sort().map(async (name) => {
        const { rows: found } = await store.db.execute<{ many: number }>(
          sql`select count(*)::int as many from ${sql.identifier(name)}`,
        );
        return [name, found[0]?.many ?? 0] as const;
      }),
    ),
  );
}

describe("a household that goes", () => {
  it("is there for seven days, looked into by nobody from outside, and taken back as if nothing had been said", async () => {
    const ids = await makeWorld(store.db, await quickVisitor(store.db, "http://nowhere"));
    const author = { householdId: ids.householdId, albumId: ids.album, memberId: ids.keeper, at: now };
    const link = await openShare(store.db, author, ids.share);
    if (!link.ok) throw new Error(link.reason);
    const feed = (await openFeed(store.db, author)) ?? "";
    expect(await sharedBy(store.db, link.secret)).not.toBeNull();

    const goesAt = await sayGoing(store.db, ids.householdId, now);
    expect(goesAt).toEqual(days(GOING_DAYS));
    expect(await sayGoing(store.db, ids.householdId, days(3))).toEqual(goesAt);
    expect([await sharedBy(store.db, link.secret), await feedOf(store.db, feed)]).toEqual([null, null]);
    expect(await dropGone(store.db, days(GOING_DAYS - 1))).toBe(0);

    await sayStaying(store.db, ids.householdId);
    expect(await sharedBy(store.db, link.secret)).not.toBeNull();
    expect(await feedOf(store.db, feed)).not.toBeNull();
    expect(await dropGone(store.db, days(400))).toBe(0);
  });

  it("leaves nothing behind, and all that is another's", async () => {
    const staying = await makeWorld(store.db, await quickVisitor(store.db, "http://nowhere"));
    const without = await counted();
    const going = await makeWorld(store.db, await quickVisitor(store.db, "http://nowhere"));
    const withIt = await counted();
    // A world has something in most of the tables.
    expect(Object.keys(without).filter((name) => (withIt[name] ?? 0) > (without[name] ?? 0)).length).toBeGreaterThan(
      25,
    );
    await sayGoing(store.db, going.householdId, now);
    expect(await dropGone(store.db, days(GOING_DAYS + 1))).toBe(1);
    expect(await counted()).toEqual(without);
    expect(await store.db.$count(household, eq(household.id, staying.householdId))).toBe(1);
  });

  it("is not the demo's: that is everybody's", async () => {
    const ids = await makeWorld(store.db, await quickVisitor(store.db, "http://nowhere"));
    await store.db.update(household).set({ isDemo: true }).where(eq(household.id, ids.householdId));
    expect(await sayGoing(store.db, ids.householdId, now)).toBeNull();
    expect(await sayGoing(store.db, randomUUID(), now)).toBeNull();
    // Whoever looks round in it is its own keeper, and nobody who came in with a passphrase, whatever they are called.
    await store.db.update(member).set({ name: "Aino" }).where(eq(member.id, ids.keeper));
    expect(await findDemoMember(store.db)).toBe(ids.person);
  });
});
