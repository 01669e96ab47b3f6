import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { LIMITS } from "../core/limits.ts";
import { newKeeper, openTestStore } from "../tests/household.ts";
import {
  askWork,
  beatWork,
  beginWork,
  cancelWork,
  claimWork,
  dropExpiredWork,
  endWork,
  householdRoom,
  keepPart,
  keptBytes,
  letGoOfWork,
  partSize,
  partsOf,
  readPart,
  readWork,
} from "./work.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());
// Works are claimed whoever asked for them: what other tests left waiting is put out of the way.
beforeEach(() => db.execute(sql`delete from work`));

async function asker() {
  const { householdId, memberId } = await newKeeper(store);
  const ask = (fileBytes: number | null, id: string = randomUUID()) =>
    askWork(db, { id, householdId, memberId, kind: "read-archive", asked: {}, fileBytes, at: new Date() });
  return { householdId, ask };
}
const idOf = (work: Awaited<ReturnType<typeof askWork>>) => (typeof work === "string" ? work : work.id);

describe("a work's file", () => {
  it("comes in by parts in any order, each once, and the work begins when it is whole", async () => {
    const { householdId, ask } = await asker();
    const size = LIMITS.partBytes.most;
    const id = idOf(await ask(size + 5));
    const keep = (place: number, bytes: Buffer, who = householdId) => keepPart(db, who, id, place, bytes);
    expect(await keep(1, Buffer.from("12345"))).toBe(true);
    expect(await beginWork(db, householdId, id)).toBe(false);
    expect(await keep(0, Buffer.from("short"))).toBe(false);
    expect(await keep(2, Buffer.from("1"))).toBe(false);
    expect(await keep(0, Buffer.alloc(size), (await asker()).householdId)).toBe(false);
    expect([await keep(0, Buffer.alloc(size, 7)), await keep(0, Buffer.alloc(size, 8))]).toEqual([true, true]);
    expect(await partsOf(db, id)).toEqual([0, 1]);
    expect((await readPart(db, id, 0, size - 2, 9))?.toJSON().data).toEqual([7, 7]);
    expect((await readPart(db, id, 1, 1, 2))?.toString()).toBe("23");
    expect(await keptBytes(db, householdId)).toBe(size + 5);
    expect(await beginWork(db, householdId, id)).toBe(true);
    expect((await readWork(db, householdId, id))?.state).toBe("waiting");
  });

  it("has parts of one size and a last one", () => {
    const size = LIMITS.partBytes.most;
    expect([partSize(size * 2, 0), partSize(size * 2, 1), partSize(size * 2, 2)]).toEqual([size, size, null]);
    expect([partSize(3, 0), partSize(3, -1), partSize(3, 0.5)]).toEqual([3, null, null]);
  });
});

describe("a piece of work", () => {
  it("asked for twice is there once, and another household's is not to be had", async () => {
    const { householdId, ask } = await asker();
    const id = randomUUID();
    expect([idOf(await ask(null, id)), idOf(await ask(null, id))]).toEqual([id, id]);
    const other = await asker();
    expect(await other.ask(null, id)).toBe("not-found");
    expect(await readWork(db, other.householdId, id)).toBeNull();
    expect(await cancelWork(db, other.householdId, id)).toBe(false);
    expect((await readWork(db, householdId, id))?.state).toBe("waiting");
  });

  it("is done by one process of many, the oldest first", async () => {
    const { ask } = await asker();
    const asked = [idOf(await ask(null)), idOf(await ask(null)), idOf(await ask(null))];
    const claimed = await Promise.all(["a", "b", "c", "d"].map((by) => claimWork(db, by)));
    expect(claimed.flatMap((work) => work?.id ?? []).sort()).toEqual([...asked].sort());
  });

  it("goes to another when its process has fallen silent, who alone ends it then; four times, and is given up", async () => {
    const { householdId, ask } = await asker();
    const id = idOf(await ask(null));
    const silent = () => db.execute(sql`update work set beat_at = now() - interval '1 minute' where id = ${id}`);
    for (const by of ["a", "b", "c", "d"]) {
      expect((await claimWork(db, by))?.id).toBe(id);
      expect(await claimWork(db, "hasty")).toBeNull();
      expect(await beatWork(db, id, by, 1, 2)).toBe(true);
      await silent();
    }
    expect(await beatWork(db, id, "a", 2, 2)).toBe(false);
    await endWork(db, id, "a", "done", { ok: true }, true);
    expect((await readWork(db, householdId, id))?.state).toBe("running");
    expect(await claimWork(db, "e")).toBeNull();
    expect((await readWork(db, householdId, id))?.state).toBe("failed");
  });

  it("that its process lets go of, because it ends, waits again and has lost no try", async () => {
    const { householdId, ask } = await asker();
    const id = idOf(await ask(null));
    for (let time = 0; time < 6; time++) {
      expect((await claimWork(db, "a"))?.id).toBe(id);
      await letGoOfWork(db, id, "a");
    }
    expect(await readWork(db, householdId, id)).toMatchObject({ state: "waiting", claimedBy: null });
  });

  it("that is cancelled is done no further, and its file goes", async () => {
    const { householdId, ask } = await asker();
    const id = idOf(await ask(3));
    await keepPart(db, householdId, id, 0, Buffer.from("abc"));
    await beginWork(db, householdId, id);
    await claimWork(db, "a");
    expect(await cancelWork(db, householdId, id)).toBe(true);
    expect(await beatWork(db, id, "a", 1, 1)).toBe(false);
    await endWork(db, id, "a", "done", { ok: true }, true);
    expect([(await readWork(db, householdId, id))?.state, await partsOf(db, id)]).toEqual(["cancelled", []]);
  });

  it("is one of four at the most that a household has under way, and is kept for a day", async () => {
    const { householdId, ask } = await asker();
    const ids = [];
    for (let count = 0; count < 4; count++) ids.push(idOf(await ask(null)));
    expect(await ask(null)).toBe("too-many");
    await cancelWork(db, householdId, ids[0] ?? "");
    expect(typeof (await ask(null))).toBe("object");
    await dropExpiredWork(db, new Date(Date.now() + 23 * 3_600_000));
    expect(await readWork(db, householdId, ids[1] ?? "")).not.toBeNull();
    await dropExpiredWork(db, new Date(Date.now() + 25 * 3_600_000));
    expect(await readWork(db, householdId, ids[1] ?? "")).toBeNull();
  });
});

describe("the room of a household", () => {
  it("is what whoever runs the program says, else what the table of limits says", () => {
    expect(householdRoom("3")).toBe(3_000_000_000);
    for (const said of [undefined, "", "much", "-1", "0"]) expect(householdRoom(said)).toBe(LIMITS.householdBytes.most);
  });
});
