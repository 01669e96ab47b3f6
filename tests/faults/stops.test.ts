import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Cluster, postgresProgram, startPostgres } from "../../scripts/postgres.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { migrateStore, NewerSchema } from "../../store/migrate.ts";
import { makeWorld, quickVisitor, type World } from "../matrix/world.ts";
import { edit, get, sendForm, type Visitor } from "./visitor.ts";

/** The plug pulled and the program killed, at so many moments; `./hearth test --large` tries more of them. */
const MOMENTS = process.env.HEARTH_LARGE === "1" ? 20 : 3;
const MIGRATIONS = "store/migrations";
/** The name of the last step of the tables, as the list of them has it. */
const LATEST: string = JSON.parse(readFileSync(`${MIGRATIONS}/meta/_journal.json`, "utf8")).entries.at(-1).tag;

let cluster: Cluster;
let server: Running;
beforeAll(async () => {
  cluster = await startPostgres("faults-stops");
  server = await startServer(cluster.url);
});
afterAll(async () => {
  await server.stop();
  await cluster.stop();
});

/** Writes of every kind, by several hands, until told to stop; what was acknowledged is noted. */
function hands(who: Visitor, ids: World, count: number) {
  const acknowledged: { cards: string[]; jottings: string[]; leaves: string[] } = {
    cards: [],
    jottings: [],
    leaves: [],
  };
  const answers = new Set<number>();
  let going = true;
  const album = `/albums/${ids.album}`;
  const size = { w: 24_384, h: 32_512 };
  const act = (sent: object) => edit(who, album, { act: randomUUID(), ...sent });
  const onDay = (change: object) => ({ what: "edit", dayId: ids.secondDay, base: null, edit: change });
  const writes: ((id: string) => { send: () => Promise<Response>; noted?: string[] })[] = [
    (id) => ({ send: () => act(onDay({ kind: "add-card", card: { id, size, text: id } })), noted: acknowledged.cards }),
    (id) => ({
      send: () => act(onDay({ kind: "add-jotting", jotting: { id, text: id, at: "2026-12-02T18:40" } })),
      noted: acknowledged.jottings,
    }),
    (id) => ({
      send: () =>
        act({
          what: "book",
          seen: null,
          edit: {
            kind: "add-leaf",
            id,
            after: null,
            front: { kind: "nobody" },
            back: { kind: "nobody" },
            make: { kind: "paper", layout: null, size: null, basePaper: "", insert: null, note: "", oldHoles: null },
          },
        }),
      noted: acknowledged.leaves,
    }),
    () => ({
      send: () => act({ what: "mark", ids: [ids.photo, ids.loose], mark: { kind: "star", on: true } }),
    }),
    () => ({ send: () => act(onDay({ kind: "title", text: randomUUID() })) }),
    () => ({ send: () => sendForm(who, `${album}/changes.data`, { way: "back", act: randomUUID() }) }),
    () => ({ send: () => get(who, `${album}/month`) }),
  ];
  const one = async (hand: number) => {
    // The hand that takes back has an album of its own, or it would take back what the others note.
    const mine = writes.filter((_, at) => at !== 5);
    for (let round = hand; going; round++) {
      const id = randomUUID();
      const write = mine[round % mine.length]?.(id);
      const answer = await write?.send().catch(() => null);
      if (answer) answers.add(answer.status);
      if (answer?.status === 200) write?.noted?.push(id);
      else await wait(20);
    }
  };
  const all = Promise.all(Array.from({ length: count }, (_, hand) => one(hand)));
  return {
    acknowledged,
    answers,
    stop: async () => {
      going = false;
      await all;
    },
  };
}

async function kept(ids: World) {
  const store = openStore(cluster.url);
  try {
    const all = async (statement: string) =>
      (await store.pool.query<{ id: string }>(statement)).rows.map(({ id }) => id);
    return {
      cards: await all(`select id from card where day_id = '${ids.secondDay}'`),
      jottings: await all(`select id from jotting where day_id = '${ids.secondDay}'`),
      leaves: await all(`select id from leaf where album_id = '${ids.album}'`),
    };
  } finally {
    await store.close();
  }
}

describe("stops in the middle of writes of every kind", () => {
  const kinds = ["the plug is pulled from the database", "the database is restarted in order", "the program is killed"];
  for (let moment = 0; moment < MOMENTS; moment++) {
    const kind = moment % kinds.length;
    it(`lose nothing that was acknowledged: ${kinds[kind]} (${moment + 1})`, async () => {
      const store = openStore(cluster.url);
      const who = await quickVisitor(store.db, server.base);
      const ids = await makeWorld(store.db, who);
      await store.close();
      const writing = hands(who, ids, 8);
      // Under way: something of each kind has been acknowledged.
      while (Object.values(writing.acknowledged).some((each) => each.length === 0)) await wait(5);
      await wait(37 * moment);
      if (kind === 2) {
        server.process.kill("SIGKILL");
        server = await startServer(cluster.url, Number(new URL(server.base).port));
      } else {
        await cluster.stop(kind === 0 ? "immediate" : "fast");
        await wait(150);
        // The program is still there, and says what it can.
        expect(server.process.exitCode).toBeNull();
        const told = await edit(who, `/albums/${ids.album}`, {
          what: "move-jotting",
          dayId: ids.day,
          id: ids.jotting,
          to: "2026-12-02",
        });
        expect(told.status).toBe(503);
        expect(await told.text()).toContain("store-gone");
        await cluster.start();
      }
      await wait(400);
      await writing.stop();
      expect(server.process.exitCode).toBeNull();
      expect([...writing.answers].filter((status) => ![200, 202, 503].includes(status))).toEqual([]);
      const there = await kept(ids);
      for (const what of ["cards", "jottings", "leaves"] as const) {
        expect(writing.acknowledged[what].length).toBeGreaterThan(0);
        expect(there[what]).toEqual(expect.arrayContaining(writing.acknowledged[what]));
      }
    });
  }
});

describe("the tables", () => {
  const database = (name: string) => cluster.url.replace(/\/[^/]*$/, `/${name}`);
  async function fresh(name: string): Promise<string> {
    const client = new pg.Client({ connectionString: cluster.url });
    await client.connect();
    await client.query(`drop database if exists ${name}`);
    await client.query(`create database ${name}`);
    await client.end();
    return database(name);
  }
  const withStore = async <T>(url: string, work: (store: ReturnType<typeof openStore>) => Promise<T>): Promise<T> => {
    const store = openStore(url);
    try {
      return await work(store);
    } finally {
      await store.close();
    }
  };

  it("made by a newer program are refused by name, and nothing is changed", async () => {
    const url = await fresh("newer");
    await withStore(url, async (store) => {
      expect(await migrateStore(store, MIGRATIONS)).toBe(LATEST);
      await store.pool.query("insert into schema_step (tag) values ('9999_lighthouse')");
      await expect(migrateStore(store, MIGRATIONS)).rejects.toThrow(NewerSchema);
      await expect(migrateStore(store, MIGRATIONS)).rejects.toThrow(/9999_lighthouse, which a newer program made/);
    });
    await expect(startServer(url)).rejects.toThrow("the server ended with 1");
  });

  it("are brought up to date by one program while a second waits for it, however long a statement may take elsewhere", async () => {
    const url = await fresh("waiting");
    const first = new pg.Client({ connectionString: url });
    await first.connect();
    await first.query("alter database waiting set statement_timeout = '100ms'");
    await first.query("select pg_advisory_lock(481516)");
    await withStore(url, async (store) => {
      let ready = false;
      const second = migrateStore(store, MIGRATIONS).then(() => {
        ready = true;
      });
      await wait(500);
      expect(ready).toBe(false);
      await first.end();
      await second;
      expect(ready).toBe(true);
    });
  });

  it("of the version before are carried over with all that is in them", async () => {
    const url = await fresh("before");
    const folder = mkdtempSync(path.join(tmpdir(), "hearth-before-"));
    cpSync(MIGRATIONS, folder, { recursive: true });
    const journal = JSON.parse(readFileSync(path.join(folder, "meta/_journal.json"), "utf8"));
    journal.entries = journal.entries.filter(({ idx }: { idx: number }) => idx <= 6);
    writeFileSync(path.join(folder, "meta/_journal.json"), JSON.stringify(journal));
    await withStore(url, async (store) => {
      expect(await migrateStore(store, folder)).toBe("0006_stash_tray");
      const { rows } = await store.pool.query<{ id: string }>(
        "insert into household (name, time_zone) values ('Orrin Skerry', 'UTC') returning id",
      );
      await store.pool.query("insert into hand (household_id, name, em, line) values ($1, 'Petra', 1, 1)", [
        rows[0]?.id,
      ]);
      await store.pool.query("insert into sign_in_try (key, at) values ('x', now())");
      expect(await migrateStore(store, MIGRATIONS)).toBe(LATEST);
      const after = await store.pool.query(
        "select h.name, n.name as hand from household h join hand n on n.household_id = h.id",
      );
      expect(after.rows).toEqual([{ name: "Orrin Skerry", hand: "Petra" }]);
    });
    rmSync(folder, { recursive: true });
  });

  it("come back from a backup as they were, and a program that is started over them shows them", async () => {
    const url = await fresh("restored");
    const store = openStore(cluster.url);
    const who = await quickVisitor(store.db, "");
    const ids = await makeWorld(store.db, who);
    await store.close();
    const file = path.join(mkdtempSync(path.join(tmpdir(), "hearth-backup-")), "hearth.dump");
    execFileSync(postgresProgram("pg_dump"), ["--format=custom", `--file=${file}`, `--dbname=${cluster.url}`]);
    execFileSync(postgresProgram("pg_restore"), ["--no-owner", `--dbname=${url}`, file]);
    const restored = await startServer(url);
    try {
      const there = { ...who, base: restored.base };
      expect(await (await get(there, `/albums/${ids.album}/cards/${ids.card}.data`)).text()).toContain("Words");
      expect((await get(there, `/photos/${ids.photo}/480`)).status).toBe(200);
    } finally {
      await restored.stop();
    }
  });
});
