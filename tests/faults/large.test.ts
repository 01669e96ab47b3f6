import { createHash, randomBytes, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { LIMITS } from "../../core/limits.ts";
import { type Cluster, startPostgres } from "../../scripts/postgres.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { readAlbum } from "../../store/album.ts";
import { saveDayEdit } from "../../store/day.ts";
import { openStore } from "../../store/db.ts";
import { keepPhoto, newUse } from "../../store/photo.ts";
import { makeWorld, quickVisitor } from "../matrix/world.ts";
import { get, sendJson, sendPart, type Visitor, workEnd } from "./visitor.ts";

/** Five gigabytes out and in again; only in `./hearth test --large`. */
const PICTURES = 130;
const MEGABYTE = 1024 * 1024;

describe.runIf(process.env.HEARTH_LARGE === "1")("an archive of five gigabytes", () => {
  let cluster: Cluster;
  let server: Running;
  beforeAll(async () => {
    cluster = await startPostgres("faults-large");
    server = await startServer(cluster.url, 0, "silent", { HEARTH_QUOTA_GB: "100" });
  });
  afterAll(async () => {
    await server.stop();
    await cluster.stop();
  });
  const memory = () =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.process.pid}/status`, "utf8"))?.[1]) / 1024;
  /** The most memory that the server holds while something is done, over what it held before. */
  async function most<T>(work: () => Promise<T>): Promise<{ done: T; megabytes: number }> {
    const before = memory();
    let peak = before;
    const look = setInterval(() => {
      peak = Math.max(peak, memory());
    }, 200);
    try {
      return { done: await work(), megabytes: peak - before };
    } finally {
      clearInterval(look);
    }
  }

  /** A household whose one album has so many pictures, each a small one with a long tail that no reader minds. */
  async function heavyAlbum(): Promise<{ who: Visitor; album: string }> {
    const store = openStore(cluster.url);
    const who = await quickVisitor(store.db, server.base);
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
    await store.close();
    return { who, album: ids.album };
  }

  it("is written in 300 MB of memory and read back in 600, part by part", { timeout: 3_600_000 }, async () => {
    const { who, album } = await heavyAlbum();
    const id = randomUUID();
    const written = await most(async () => {
      await sendJson(who, "/work", { kind: "write-archive", id, albumId: album, forWhom: "self" });
      return workEnd(who, id);
    });
    const bytes = written.done.outcome?.bytes ?? 0;
    expect([written.done.state, bytes > 5e9]).toEqual(["done", true]);
    const store = openStore(cluster.url);
    const other = await quickVisitor(store.db, server.base);
    await store.close();
    const reading = randomUUID();
    const read = await most(async () => {
      await sendJson(other, "/work", { kind: "read-archive", id: reading, copy: false, bytes });
      const size = LIMITS.partBytes.most;
      for (let place = 0; place * size < bytes; place++) {
        const range = `bytes=${place * size}-${(place + 1) * size - 1}`;
        const part = Buffer.from(await (await get(who, `/work/${id}/file`, { range })).arrayBuffer());
        await sendPart(other, reading, place, part);
      }
      await sendJson(other, `/work/${reading}`, { act: "begin" });
      return workEnd(other, reading);
    });
    expect(read.done).toMatchObject({ state: "done", outcome: { ok: true } });
    process.stdout.write(
      `5 GB: written with ${Math.round(written.megabytes)} MB more, read with ${Math.round(read.megabytes)} MB more\n`,
    );
    expect(written.megabytes).toBeLessThan(300);
    expect(read.megabytes).toBeLessThan(600);
    const after = openStore(cluster.url);
    const { rows } = await after.db.execute<{ id: string }>(
      `select household_id as id from member where mail = '${other.mail}'`,
    );
    const there = await readAlbum(after.db, rows[0]?.id ?? "", read.done.outcome?.albumId ?? "");
    await after.close();
    // And the one that every made world has.
    expect(there?.photos.size).toBe(PICTURES + 1);
  });
});
