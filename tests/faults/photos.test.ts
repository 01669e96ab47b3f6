import { createHash, randomUUID } from "node:crypto";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { freshDatabase } from "../fresh-database.ts";

/** The built program over a database of its own, ended by force while pictures come in. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let server: Running;
beforeAll(async () => {
  database = await freshDatabase();
  server = await startServer(database.url);
});
afterAll(async () => {
  await server.stop();
  await database.drop();
});

async function signUp(): Promise<string> {
  const form = {
    name: "Keeper",
    mail: `${randomUUID()}@example.org`,
    passphrase: "four plain words here",
    timeZone: "UTC",
  };
  const answer = await fetch(`${server.base}/sign-up`, {
    method: "POST",
    redirect: "manual",
    body: new URLSearchParams(form),
    headers: { origin: server.base },
  });
  return answer.headers.get("set-cookie")?.split(";")[0] ?? "";
}

let painted = 0;
/** A picture that compresses badly, so that reading it takes a while. */
function picture(width = 200): Promise<Buffer> {
  painted += 1;
  return sharp({
    create: {
      width,
      height: 700,
      channels: 3,
      background: { r: painted, g: 80, b: 20 },
      noise: { type: "gaussian", mean: 120 + painted, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer();
}

type Taken = { ok: boolean; id?: string; isNew?: boolean; reason?: string };
async function hand(cookie: string, bytes: Buffer, name = "a.jpg"): Promise<Taken> {
  const form = new FormData();
  form.append("photo", new Blob([new Uint8Array(bytes)], { type: "image/jpeg" }), name);
  const answer = await fetch(`${server.base}/photos`, {
    method: "POST",
    body: form,
    headers: { origin: server.base, cookie },
  });
  if (!answer.ok) throw new Error(`refused: ${answer.status}`);
  return (await answer.json()) as Taken;
}
async function known(cookie: string, pictures: readonly Buffer[]): Promise<string[]> {
  const hashes = pictures.map((bytes) => createHash("sha256").update(bytes).digest("hex"));
  const answer = await fetch(`${server.base}/photos`, {
    method: "POST",
    body: JSON.stringify({ hashes }),
    headers: { origin: server.base, cookie, "content-type": "application/json" },
  });
  return ((await answer.json()) as { known: string[] }).known;
}

describe("the door of the roll", () => {
  it("keeps everything it acknowledged when the server is killed half-way, and takes the rest afterwards, none twice", async () => {
    const cookie = await signUp();
    const all = await Promise.all(Array.from({ length: 15 }, () => picture()));
    const acknowledged = new Set<Buffer>();
    let killed = false;
    const lanes = Array.from({ length: 3 }, async (_, lane) => {
      for (const bytes of all.filter((__, at) => at % 3 === lane)) {
        if (killed) return;
        try {
          if ((await hand(cookie, bytes)).ok) acknowledged.add(bytes);
        } catch {
          return;
        }
        if (acknowledged.size >= 5 && !killed) {
          killed = true;
          server.process.kill("SIGKILL");
        }
      }
    });
    await Promise.all(lanes);
    expect(acknowledged.size).toBeLessThan(all.length);
    server = await startServer(database.url);
    const there = new Set(await known(cookie, all));
    for (const bytes of acknowledged) expect(there.has(createHash("sha256").update(bytes).digest("hex"))).toBe(true);
    for (const bytes of all) expect((await hand(cookie, bytes)).ok).toBe(true);
    expect(await known(cookie, all)).toHaveLength(all.length);
    for (const bytes of all) expect((await hand(cookie, bytes)).isNew).toBe(false);
  });

  it("says so when the disk is full, keeps what it acknowledged, and takes the rest when there is room again", async () => {
    const cookie = await signUp();
    const [before, after] = [await picture(), await picture()];
    expect((await hand(cookie, before)).ok).toBe(true);
    const store = openStore(database.url);
    try {
      // The database's own answer to a full disk: SQLSTATE 53100 (PostgreSQL's table of error codes).
      await store.pool.query(
        `create function disk_is_full() returns trigger language plpgsql as $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$`,
      );
      await store.pool.query("create trigger full_disk before insert on picture execute function disk_is_full()");
      await expect(hand(cookie, after)).rejects.toThrow("refused: 503");
      expect(await known(cookie, [before, after])).toHaveLength(1);
      await store.pool.query("drop trigger full_disk on picture");
      expect((await hand(cookie, after)).ok).toBe(true);
      expect(await known(cookie, [before, after])).toHaveLength(2);
    } finally {
      await store.pool.query("drop function if exists disk_is_full cascade");
      await store.close();
    }
  });

  it("keeps one when the same file comes many times at once", async () => {
    const cookie = await signUp();
    const bytes = await picture();
    const taken = await Promise.all(Array.from({ length: 6 }, (_, at) => hand(cookie, bytes, `${at}.jpg`)));
    expect(new Set(taken.map(({ id }) => id)).size).toBe(1);
    expect(taken.filter(({ isNew }) => isNew)).toHaveLength(1);
  });

  it("refuses what is no picture with a reason, holds up no other, and answers pages meanwhile", async () => {
    const cookie = await signUp();
    const busy = Promise.all(Array.from({ length: 6 }, async () => hand(cookie, await picture(2600))));
    const began = performance.now();
    const page = await fetch(`${server.base}/shelf`, { headers: { cookie } });
    const answered = performance.now() - began;
    expect(page.status).toBe(200);
    const taken = await busy;
    expect(performance.now() - began).toBeGreaterThan(answered);
    expect(taken.every(({ ok }) => ok)).toBe(true);
    expect(await hand(cookie, Buffer.from("not a picture"), "a.jpg")).toEqual({ ok: false, reason: "not-a-picture" });
    const jpeg = await picture();
    expect(await hand(cookie, jpeg.subarray(0, Math.floor(jpeg.length / 2)))).toEqual({ ok: false, reason: "damaged" });
  });

  it("is shut to whoever has no session, and gives nobody another household's picture", async () => {
    const [owner, stranger] = [await signUp(), await signUp()];
    const { id } = await hand(owner, await picture());
    expect((await fetch(`${server.base}/photos/${id}/480`, { headers: { cookie: owner } })).status).toBe(200);
    expect((await fetch(`${server.base}/photos/${id}/480/b1s0l0c0`, { headers: { cookie: owner } })).status).toBe(200);
    expect((await fetch(`${server.base}/photos/${id}/480/b9s0l0c0`, { headers: { cookie: owner } })).status).toBe(404);
    expect((await fetch(`${server.base}/photos/${id}/480`, { headers: { cookie: stranger } })).status).toBe(404);
    const answer = await fetch(`${server.base}/photos`, {
      method: "POST",
      redirect: "manual",
      body: new FormData(),
      headers: { origin: server.base },
    });
    expect(answer.status).toBe(401);
  });
});
