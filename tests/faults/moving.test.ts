import { randomUUID } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore, type Store } from "../../store/db.ts";
import { photo } from "../../store/schema/index.ts";
import { freshDatabase } from "../fresh-database.ts";
import { makeWorld, quickVisitor } from "../matrix/world.ts";
import { saidIn } from "../moved.ts";
import { get, handArchiveIn, sendFile, sendJson, sendPart, type Visitor, workEnd } from "./visitor.ts";

/** A machine: a database of its own and a program over it, which may be killed and started again at the same address. */
async function machine() {
  const database = await freshDatabase();
  let server: Running = await startServer(database.url);
  const store: Store = openStore(database.url);
  return {
    store,
    base: server.base,
    /** Killed without a word, and started again; what it was doing counts as lost at once instead of after 20 seconds. */
    crash: async () => {
      const gone = new Promise((resolve) => server.process.once("exit", resolve));
      server.process.kill("SIGKILL");
      await gone;
      await store.db.execute(sql`update work set beat_at = beat_at - interval '1 minute' where state = 'running'`);
      server = await startServer(database.url, Number(new URL(server.base).port));
    },
    end: async () => {
      await server.stop();
      await store.close();
      await database.drop();
    },
  };
}

let old: Awaited<ReturnType<typeof machine>>;
let fresh: Awaited<ReturnType<typeof machine>>;
let keeper: Visitor;
let file: Buffer;
beforeAll(async () => {
  [old, fresh] = await Promise.all([machine(), machine()]);
  keeper = await quickVisitor(old.store.db, old.base);
  const { householdId } = await makeWorld(old.store.db, keeper);
  for (let nth = 0; nth < 5; nth++) {
    const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
    const picture = sharp({ create: { width: 900, height: 700, channels: 3, background: "#23424a", noise } });
    await sendFile(keeper, "/photos", await picture.jpeg({ quality: 95 }).toBuffer(), `${nth}.jpg`);
  }
  // A world says when its pictures were taken; the pictures themselves, which are asked when they come in, do not.
  await old.store.db.update(photo).set({ capturedAt: null }).where(eq(photo.householdId, householdId));
});
afterAll(async () => {
  await Promise.all([old.end(), fresh.end()]);
});

async function fileOf(who: Visitor, id: string): Promise<Buffer> {
  return Buffer.from(await (await get(who, `/work/${id}/file`)).arrayBuffer());
}
async function written(who: Visitor, crashes: readonly number[] = [], crash = async () => {}): Promise<Buffer> {
  const id = randomUUID();
  expect(await (await sendJson(who, "/work", { kind: "write-household", id })).json()).toEqual({ ok: true });
  for (const moment of crashes) {
    await wait(moment);
    await crash();
  }
  const end = await workEnd(who, id);
  expect(end.state).toBe("done");
  const file = await fileOf(who, id);
  expect(file.length).toBe(end.outcome?.bytes);
  return file;
}

describe("a household moved from one machine to another", () => {
  it("is the same there, and the program may be killed at any moment of writing and of reading it", async () => {
    const whole = saidIn(await written(keeper));
    file = await written(keeper, [20, 250], old.crash);
    expect(saidIn(file)).toEqual(whole);

    const there = await quickVisitor(fresh.store.db, fresh.base);
    const id = await handArchiveIn(there, file);
    for (const moment of [60, 500]) {
      await wait(moment);
      await fresh.crash();
    }
    expect(await workEnd(there, id)).toMatchObject({ state: "done", outcome: { ok: true } });
    expect(saidIn(await written(there))).toEqual(whole);
  });

  it("finds no room where a household may keep no more, before any of it is sent", async () => {
    const small = await startServer(fresh.store.url, 0, "silent", { HEARTH_QUOTA_GB: "0.0005" });
    const there = await quickVisitor(fresh.store.db, small.base);
    const id = randomUUID();
    const asked = await sendJson(there, "/work", { kind: "read-archive", id, copy: false, bytes: file.length });
    expect(await asked.json()).toEqual({ ok: false, reason: "no-room" });
    expect(await (await sendPart(there, id, 0, file.subarray(0, 1000))).json()).toMatchObject({ ok: false });
    expect((await get(there, `/work/${id}`)).status).toBe(404);
    await small.stop();
  });

  it("goes on where it broke off on its way in: what came stays, and is not asked for twice", async () => {
    const there = await quickVisitor(fresh.store.db, fresh.base);
    const id = randomUUID();
    await sendJson(there, "/work", { kind: "read-archive", id, copy: false, bytes: file.length });
    expect(((await (await get(there, `/work/${id}`)).json()) as { state: string }).state).toBe("gathering");
    await fresh.crash();
    await handArchiveIn(there, file, id);
    expect(await workEnd(there, id)).toMatchObject({ state: "done", outcome: { ok: true } });
  });
});
