import { randomUUID } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { eq } from "drizzle-orm";
import fc from "fast-check";
import pg from "pg";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { day } from "../../store/schema/index.ts";
import { startBalancer } from "../balancer.ts";
import { freshDatabase } from "../fresh-database.ts";
import {
  archiveOf,
  dayId,
  edit,
  get,
  handArchiveIn,
  makeAlbum,
  nobody,
  PASSPHRASE,
  putOnDay,
  sendForm,
  signUp,
  type Visitor,
  workEnd,
} from "./visitor.ts";

/** Two processes over one database, started at once while it is empty, and a balancer that sends every request to the other one. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let processes: Running[];
let balancer: Awaited<ReturnType<typeof startBalancer>>;
let keeper: Visitor;
let album: string;
beforeAll(async () => {
  database = await freshDatabase();
  processes = await Promise.all([1, 2].map(() => startServer(database.url)));
  balancer = await startBalancer(processes.map(({ base }) => base));
  keeper = await signUp(balancer.base);
  album = await makeAlbum(keeper);
});
afterAll(async () => {
  await balancer.stop();
  for (const each of processes) await each.stop();
  await database.drop();
});

/** These machines have other work. */
const PATIENT = { timeout: 60_000 };
/** The same visitor, at one of the processes itself. */
const at = (nth: number): Visitor => ({ ...keeper, base: processes[nth]?.base ?? "" });
const jpeg = (colour: string) =>
  sharp({ create: { width: 400, height: 300, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();

describe("several processes over one database", () => {
  it("are one program to whoever comes by the balancer: what one has acknowledged, the other shows", async () => {
    const id = await dayId(keeper, album, "2026-12-02");
    const writes = fc.array(
      fc.record({ by: fc.nat(1), title: fc.string({ unit: fc.constantFrom(..."abcé "), minLength: 1, maxLength: 8 }) }),
      {
        minLength: 1,
        maxLength: 6,
      },
    );
    await fc.assert(
      fc.asyncProperty(writes, async (all) => {
        for (const { by, title } of all) {
          const sent = { what: "edit", dayId: id, base: null, edit: { kind: "title", text: title } };
          expect(await (await edit(at(by), album, sent)).json()).toMatchObject({ ok: true });
          // Asked of both, so that neither shows what it remembers instead of what is.
          for (const nth of [0, 1])
            expect(await (await get(at(nth), `${album}/days/2026-12-02.data`)).text()).toContain(JSON.stringify(title));
        }
      }),
      { numRuns: 12 },
    );
    expect(Math.min(...balancer.served)).toBeGreaterThan(0);
  });

  it("tell two windows of each other, whichever process each is with", async () => {
    const id = await dayId(keeper, album, "2026-12-03");
    const note = (by: number, text: string, base: number) =>
      edit(at(by), album, { what: "edit", dayId: id, base, edit: { kind: "note", text } }).then((answer) =>
        answer.json(),
      );
    expect(await note(0, "of the first", 0)).toMatchObject({ ok: true });
    expect(await note(1, "of the second", 0)).toMatchObject({ ok: false, reason: "clash" });
  });

  it("show pictures that another one took in, and read an archive whose parts came to both", async () => {
    const pictures = await Promise.all(["#b8451b", "#23424a", "#e8b04a"].map(jpeg));
    for (const bytes of pictures) expect((await putOnDay(keeper, album, "2026-12-05", bytes)).status).toBe(200);
    const page = await (await get(keeper, `${album}/photos.data`)).text();
    const photos = [...new Set(page.match(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g) ?? [])];
    let seen = 0;
    for (const id of photos)
      for (const nth of [0, 1]) if ((await get(at(nth), `/photos/${id}/480`)).status === 200) seen += 1;
    expect(seen).toBe(2 * pictures.length);

    const archive = await archiveOf(keeper, album);
    const other = await signUp(balancer.base);
    const read = await workEnd(other, await handArchiveIn(other, archive));
    expect(read).toMatchObject({ state: "done", outcome: { ok: true } });
    const copy = `/albums/${read.outcome?.albumId}`;
    for (const nth of [0, 1])
      expect((await get({ ...other, base: processes[nth]?.base ?? "" }, `${copy}/days/2026-12-05`)).status).toBe(200);
  });

  it("count tries together, and end a session everywhere at once", async () => {
    const { mail, cookie } = await signUp(balancer.base);
    const again = await sendForm(nobody(balancer.base), "/sign-in", { mail, passphrase: PASSPHRASE });
    const second = (again.headers.getSetCookie()[0] ?? "").split(";")[0] ?? "";
    expect((await get({ ...keeper, cookie: second }, "/shelf")).status).toBe(200);
    await sendForm({ ...keeper, cookie }, "/household.data", { intent: "end-others" });
    for (const nth of [0, 1]) expect((await get({ ...at(nth), cookie: second }, "/shelf")).status).toBe(302);
    expect((await get({ ...keeper, cookie }, "/shelf")).status).toBe(200);

    const wrong = () => sendForm(nobody(balancer.base), "/sign-in.data", { mail, passphrase: "not what it is at all" });
    const said: string[] = [];
    for (let nth = 0; nth < 9; nth++) said.push(await (await wrong()).text());
    expect(said.slice(0, 8).filter((text) => text.includes("Too many tries"))).toEqual([]);
    expect(said[8]).toContain("Too many tries");
  });

  it("go on where one of them is killed: what it acknowledged is there, and its work is done by the other", async () => {
    const [first, second] = processes;
    if (!first || !second) throw new Error("there are two");
    const id = await dayId(keeper, album, "2026-12-07");
    const acknowledged: string[] = [];
    const writer = { ...keeper, base: second.base };
    const write = async () => {
      const text = randomUUID();
      const jotting = { id: text, text, at: "2026-12-07T18:40" };
      const answer = await edit(writer, album, {
        what: "edit",
        dayId: id,
        base: null,
        edit: { kind: "add-jotting", jotting },
      });
      if (answer.ok) acknowledged.push(text);
    };
    const work = randomUUID();
    const asked = { kind: "write-archive", id: work, albumId: album.replace("/albums/", ""), forWhom: "self" };
    const writing = (async () => {
      for (let nth = 0; nth < 40; nth++) await write();
    })().catch(() => {});
    await wait(150);
    await fetch(`${second.base}/work`, {
      method: "POST",
      body: JSON.stringify(asked),
      headers: { origin: second.base, "content-type": "application/json", cookie: keeper.cookie },
    });
    second.process.kill("SIGKILL");
    await writing;
    expect(acknowledged.length).toBeGreaterThan(0);
    const page = await (await get(at(0), `${album}/days/2026-12-07.data`)).text();
    for (const text of acknowledged) expect(page).toContain(text);
    // It counts as lost at once, instead of after 20 seconds.
    const client = new pg.Client({ connectionString: database.url });
    await client.connect();
    await client.query("update work set beat_at = beat_at - interval '1 minute' where state = 'running'");
    await client.end();
    expect((await workEnd(at(0), work)).state).toBe("done");
    processes[1] = await startServer(database.url, Number(new URL(second.base).port));
    expect((await get(at(1), `${album}/days/2026-12-07.data`)).status).toBe(200);
  });

  it("say whether more may be sent to them: not while the database only reads, nor while they end", async () => {
    expect([(await get(at(0), "/ready")).status, (await get(at(1), "/ready")).status]).toEqual([200, 200]);
    const client = new pg.Client({ connectionString: database.url });
    await client.connect();
    const name = new URL(database.url).pathname.slice(1);
    /** As when a standby takes the place of its database, or is made one: whoever is connected has to connect anew. */
    const connectAnew = async (change: string) => {
      await client.query(`alter database ${name} ${change}`);
      await client.query(
        "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()",
      );
    };
    const ready = async (nth: number) => {
      const answer = await get(at(nth), "/ready");
      return [answer.status, await answer.text()];
    };
    await connectAnew("set default_transaction_read_only = on");
    const onlyReads = [503, "the database only reads: it is a standby, or set so"];
    for (const nth of [0, 1]) await expect.poll(() => ready(nth), PATIENT).toEqual(onlyReads);
    await client.query("set default_transaction_read_only = off");
    await connectAnew("reset default_transaction_read_only");
    await client.end();
    for (const nth of [0, 1]) await expect.poll(() => ready(nth), PATIENT).toEqual([200, "ready"]);
    expect((await get(keeper, "/shelf")).status).toBe(200);

    const ending = await startServer(database.url, 0, "silent", { HEARTH_DRAIN: "120" });
    const stopped = ending.stop();
    const said = async () => (await get(nobody(ending.base), "/ready")).text();
    await expect.poll(said, PATIENT).toBe("this process is ending");
    expect((await get(nobody(ending.base), "/ready")).status).toBe(503);
    // What comes all the same is answered still.
    expect((await get({ ...keeper, base: ending.base }, "/shelf")).status).toBe(200);
    // Nobody waits for the rest of it.
    ending.process.kill("SIGKILL");
    await stopped;
  });

  it("hold no more connections than they were told to", async () => {
    const small = await startServer(database.url, 0, "silent", { HEARTH_POOL: "2" });
    const store = openStore(database.url);
    const visitor = { ...keeper, base: small.base };
    const many = async () => {
      const { rows } = await store.pool.query<{ many: number }>(
        "select count(*)::int as many from pg_stat_activity where datname = current_database()",
      );
      return rows[0]?.many ?? 0;
    };
    const without = await many();
    const answers = await Promise.all(Array.from({ length: 30 }, () => get(visitor, `${album}/month`)));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    expect((await many()) - without).toBeLessThanOrEqual(2 + 4);
    expect(await store.db.$count(day, eq(day.albumId, album.replace("/albums/", "")))).toBe(31);
    await small.stop();
    await store.close();
  });
});
