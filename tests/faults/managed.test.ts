import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { readOriginal } from "../../store/photo.ts";
import { photo } from "../../store/schema/index.ts";
import { startManaged } from "../managed.ts";
import { dayId, edit, get, makeAlbum, nobody, sendFile, signUp, type Visitor } from "./visitor.ts";

/** A database that somebody else keeps, and a program over it that may do there only what its own tables need. */
let managed: Awaited<ReturnType<typeof startManaged>>;
let server: Running;
let keeper: Visitor;
let album: string;
beforeAll(async () => {
  managed = await startManaged("faults-managed");
  server = await startServer(managed.url);
  keeper = await signUp(server.base);
  album = await makeAlbum(keeper);
});
afterAll(async () => {
  await server.stop();
  await managed.end();
});

/** These machines have other work. */
const PATIENT = { timeout: 60_000 };
const ready = async ({ base }: Running) => {
  const answer = await get(nobody(base), "/ready");
  return [answer.status, await answer.text()];
};
/** What an answer of the database was, of a store that is opened for one question. */
async function answerAt(url: string): Promise<string> {
  const store = openStore(url, 1);
  const answer = await store.pool.query("select 1").then(
    () => "answered",
    (error: Error) => error.message,
  );
  await store.close();
  return answer;
}

describe("a database that somebody else keeps", () => {
  it("is reached by TLS alone, by a user that owns it and is nothing more", async () => {
    const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
    const large = sharp({ create: { width: 2400, height: 1800, channels: 3, background: "#23424a", noise } });
    const picture = await large.jpeg({ quality: 95 }).toBuffer();
    const taken = (await (await sendFile(keeper, "/photos", picture)).json()) as { id: string };
    const store = openStore(managed.url, 1);
    const [found] = await store.db.select({ householdId: photo.householdId }).from(photo).where(eq(photo.id, taken.id));
    const kept = await readOriginal(store.db, found?.householdId ?? "", taken.id);
    await store.close();
    expect(kept?.bytes.equals(picture)).toBe(true);

    const connections = await managed.asked<{ ssl: boolean; superuser: boolean }>(
      `select s.ssl, r.rolsuper as superuser from pg_stat_activity a
       join pg_stat_ssl s using (pid) join pg_roles r on r.rolname = a.usename where a.datname = 'tenant'`,
    );
    expect(connections.length).toBeGreaterThan(0);
    for (const each of connections) expect(each).toEqual({ ssl: true, superuser: false });
    expect(await answerAt(managed.url)).toBe("answered");
    expect(await answerAt(managed.wrong.trusted)).toMatch(/self-signed certificate/);
    expect(await answerAt(managed.wrong.plain)).toMatch(/no encryption/);
  });

  it("is lost and replaced by its standby: processes go on, one that waited starts, and what was acknowledged is there", async () => {
    const standby = await managed.startStandby();
    const jotted: string[] = [];
    const id = await dayId(keeper, album, "2026-12-07");
    const jot = async (text: string) => {
      const change = { kind: "add-jotting", jotting: { id: text, text, at: "2026-12-07T18:40" } };
      const answer = await edit(keeper, album, { what: "edit", dayId: id, base: null, edit: change });
      if (answer.ok) jotted.push(text);
      return answer.status;
    };
    // One that is started with the standby's own address waits for it.
    let waits = true;
    const starting = startServer(standby).finally(() => {
      waits = false;
    });
    await expect.poll(managed.triesAtStandby, PATIENT).toBeGreaterThan(1);
    for (let nth = 0; nth < 5; nth++) expect(await jot(randomUUID())).toBe(200);
    let going = true;
    const writing = (async () => {
      while (going) await jot(randomUUID()).catch(() => {});
    })();
    expect(waits).toBe(true);
    await managed.failOver();
    await expect.poll(() => ready(server), PATIENT).toEqual([200, "ready"]);
    const soFar = jotted.length;
    await expect.poll(() => jotted.length, PATIENT).toBeGreaterThan(soFar);
    going = false;
    await writing;
    const second = await starting;
    for (const base of [server.base, second.base]) {
      const page = await (await get({ ...keeper, base }, `${album}/days/2026-12-07.data`)).text();
      for (const text of jotted) expect(page).toContain(text);
    }
    await second.stop();
  });
});
