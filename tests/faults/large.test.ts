import { createHash, randomBytes, randomUUID } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { LIMITS } from "../../core/limits.ts";
import { dropPostgres, startPostgres } from "../../scripts/postgres.ts";
import { startServer } from "../../scripts/running-server.ts";
import { readAlbum, readAlbums } from "../../store/album.ts";
import { saveDayEdit } from "../../store/day.ts";
import { openStore } from "../../store/db.ts";
import { keepPhoto, newUse } from "../../store/photo.ts";
import { photo } from "../../store/schema/index.ts";
import { makeWorld, quickVisitor } from "../matrix/world.ts";
import { get, sendJson, sendPart, type Visitor, workEnd } from "./visitor.ts";

/** Five gigabytes out and in again, into a machine that has none of it; only in `./hearth test --large`. */
const PICTURES = 130;
const MEGABYTE = 1024 * 1024;
/** What a process may hold more than before while it writes or reads any file, in megabytes. */
const MOST_MEMORY = 300;
const LONGEST = 3_600_000;
/** As often as a page asks. */
const LOOK_EVERY_MS = 1000;

/** A machine: a database with nothing in it and a program over it, whose memory is looked at. */
async function machine(name: string) {
  await dropPostgres(name);
  const cluster = await startPostgres(name);
  const server = await startServer(cluster.url, 0, "silent", { HEARTH_QUOTA_GB: "100" });
  const store = openStore(cluster.url);
  const told = (file: string) => `/proc/${server.process.pid}/${file}`;
  const megabytes = (which: string) =>
    Number(new RegExp(`${which}:\\s+(\\d+)`).exec(readFileSync(told("status"), "utf8"))?.[1]) / 1024;
  return {
    store,
    base: server.base,
    /** The most memory that the program holds while something is done, over what it held before; Linux keeps the mark. */
    most: async <T>(work: () => Promise<T>): Promise<{ done: T; megabytes: number; seconds: number }> => {
      const before = megabytes("VmRSS");
      writeFileSync(told("clear_refs"), "5");
      const started = performance.now();
      const done = await work();
      return {
        ...{ done, megabytes: Math.round(megabytes("VmHWM") - before) },
        seconds: Math.round((performance.now() - started) / 1000),
      };
    },
    householdOf: async ({ mail }: Visitor): Promise<string> => {
      const { rows } = await store.db.execute<{ id: string }>(
        sql`select household_id as id from member where mail = ${mail}`,
      );
      return rows[0]?.id ?? "";
    },
    end: async () => {
      await server.stop();
      await store.close();
      await dropPostgres(name);
    },
  };
}
type Machine = Awaited<ReturnType<typeof machine>>;

describe.runIf(process.env.HEARTH_LARGE === "1")("five gigabytes", () => {
  let old: Machine;
  let keeper: Visitor;
  let album: string;
  beforeAll(async () => {
    old = await machine("faults-large");
    keeper = await quickVisitor(old.store.db, old.base);
    album = await heavyAlbum(keeper);
  }, LONGEST);
  afterAll(() => old.end());

  /** A household whose one album has so many pictures, each a small one with a long tail that no reader minds. */
  async function heavyAlbum(who: Visitor): Promise<string> {
    const { store } = old;
    const ids = await makeWorld(store.db, who);
    const { rows } = await store.db.execute<{ id: string }>(
      `select id from member where household_id = '${ids.householdId}'`,
    );
    const author = { householdId: ids.householdId, albumId: ids.album, memberId: rows[0]?.id ?? "", at: new Date() };
    const days = (await readAlbum(store.db, ids.householdId, ids.album))?.days ?? [];
    const head = await sharp({ create: { width: 64, height: 48, channels: 3, background: "#b8451b" } })
      .jpeg()
      .toBuffer();
    for (let at = 0; at < PICTURES; at++) {
      const bytes = Buffer.concat([head, randomBytes(LIMITS.pictureBytes.most - MEGABYTE)]);
      const photo = await keepPhoto(store.db, ids.householdId, {
        sha256: createHash("sha256").update(bytes).digest("hex"),
        mime: "image/jpeg",
        bytes,
        name: `${at}.jpg`,
        width: 64,
        height: 48,
        capturedAt: null,
        offset: null,
        hasPlace: false,
        ownWords: "",
        versions: [{ longSide: 480, bytes: head }],
        traits: {
          fingerprint: "0".padEnd(160, "7"),
          sharpness: 1,
          focus: { x: 1, y: 1 },
          light: [],
          tone: [],
          busy: [],
          colours: [],
        } as never,
      });
      const day = days[at % days.length]?.id ?? "";
      await saveDayEdit(store.db, author, day, null, { kind: "add-photo", photo: newUse(randomUUID(), photo) });
    }
    return ids.album;
  }

  /** Has a file written, and reads it at another machine, part by part as it is taken away. */
  async function moved(what: string, asked: object) {
    const id = randomUUID();
    const written = await old.most(async () => {
      await sendJson(keeper, "/work", { ...asked, id });
      return workEnd(keeper, id, LOOK_EVERY_MS);
    });
    const bytes = written.done.outcome?.bytes ?? 0;
    expect([written.done.state, bytes > 5e9]).toEqual(["done", true]);
    const fresh = await machine("faults-large-fresh");
    try {
      const other = await quickVisitor(fresh.store.db, fresh.base);
      const reading = randomUUID();
      const handed = await fresh.most(async () => {
        await sendJson(other, "/work", { kind: "read-archive", id: reading, copy: false, bytes });
        const size = LIMITS.partBytes.most;
        for (let place = 0; place * size < bytes; place++) {
          const range = `bytes=${place * size}-${(place + 1) * size - 1}`;
          const part = Buffer.from(await (await get(keeper, `/work/${id}/file`, { range })).arrayBuffer());
          expect((await sendPart(other, reading, place, part)).status).toBe(200);
        }
      });
      const read = await fresh.most(async () => {
        await sendJson(other, `/work/${reading}`, { act: "begin" });
        return workEnd(other, reading, LOOK_EVERY_MS);
      });
      expect(read.done).toMatchObject({ state: "done", outcome: { ok: true } });
      const said = Object.entries({ written, handed, read }).map(
        ([step, { megabytes, seconds }]) => `${step} in ${seconds} s with ${megabytes} MB more`,
      );
      process.stdout.write(`${what}, ${(bytes / 1e9).toFixed(2)} GB: ${said.join(", ")}\n`);
      for (const { megabytes } of [written, handed, read]) expect(megabytes).toBeLessThan(MOST_MEMORY);
      const household = await fresh.householdOf(other);
      const rows = await fresh.store.db.select({ id: photo.id }).from(photo).where(eq(photo.householdId, household));
      return { photos: rows.length, albums: await readAlbums(fresh.store.db, household) };
    } finally {
      await fresh.end();
    }
  }

  it("of an album's archive are written, handed in and read in 300 MB each", { timeout: LONGEST }, async () => {
    const { albums } = await moved("archive", { kind: "write-archive", albumId: album, forWhom: "self" });
    const here = await readAlbum(old.store.db, await old.householdOf(keeper), album);
    expect(albums.map(({ photos }) => photos.size)).toEqual([here?.photos.size]);
    expect(here?.photos.size).toBeGreaterThan(PICTURES);
  });

  it("of a whole household are written, handed in and read in 300 MB each", { timeout: LONGEST }, async () => {
    const here = (await readAlbums(old.store.db, await old.householdOf(keeper))).length;
    const { photos, albums } = await moved("household", { kind: "write-household" });
    expect(albums).toHaveLength(here);
    expect(photos).toBeGreaterThan(PICTURES);
  });
});
