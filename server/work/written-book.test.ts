import { randomUUID } from "node:crypto";
import path from "node:path";
import { sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { LongDocument } from "../../core/document/asked.ts";
import { inches } from "../../core/measure/length.ts";
import { readPicture } from "../../press/picture.ts";
import { saveDayEdit } from "../../store/day.ts";
import { openStore, type Store } from "../../store/db.ts";
import { migrateStore } from "../../store/migrate.ts";
import { keepPhoto, newUse } from "../../store/photo.ts";
import { askWork, claimWork, partsOf, readPart, readWork } from "../../store/work.ts";
import { newBook } from "../../tests/book.ts";
import { freshDatabase } from "../../tests/fresh-database.ts";
import { doNext } from "./do-work.ts";
import { type Doing, KINDS } from "./kinds.ts";

/** The files of a whole book, written by works that end at any moment, in a database that may be full. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let store: Store;
let book: Awaited<ReturnType<typeof newBook>>;
const DATES = Array.from({ length: 10 }, (_, at) => `2026-12-${String(at + 1).padStart(2, "0")}`);
beforeAll(async () => {
  database = await freshDatabase();
  store = openStore(database.url);
  await migrateStore(store, path.resolve("store/migrations"));
  book = await newBook(store);
  for (const [at, date] of DATES.entries()) {
    await book.give(date);
    const day = await book.dayId(date);
    // Noise, which no JPEG makes small.
    const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
    const create = { width: 900, height: 1200, channels: 3, background: `#80808${at}`, noise } as const;
    const read = await readPicture(await sharp({ create }).jpeg({ quality: 95 }).toBuffer(), `${at}.jpg`);
    if (!read.ok) throw new Error(read.reason);
    const kept = await keepPhoto(store.db, book.keeper.householdId, read.photo);
    const photo = { ...newUse(randomUUID(), kept), print: { w: inches(6), h: inches(8) } };
    await saveDayEdit(store.db, book.author(), day, null, { kind: "add-photo", photo });
  }
});
afterAll(async () => {
  await store.close();
  await database.drop();
});

async function asked(document: LongDocument): Promise<string> {
  const { householdId, memberId } = book.keeper;
  const id = randomUUID();
  const what = { albumId: book.albumId, document, today: "2026-12-31" };
  await askWork(store.db, {
    id,
    householdId,
    memberId,
    kind: "write-document",
    at: new Date(),
    asked: what,
    fileBytes: null,
  });
  return id;
}
const worker = (name: string) => ({
  ...{ db: store.db, name, logError: () => {}, ending: new AbortController().signal },
  readPicture: () => Promise.reject(new Error("no picture is taken in here")),
});
const stateOf = async (id: string) => (await readWork(store.db, book.keeper.householdId, id))?.state;
async function fileOf(id: string): Promise<Buffer> {
  const parts: Buffer[] = [];
  for (let place = 0; ; place++) {
    const part = await readPart(store.db, id, place);
    if (!part || part.length === 0) return Buffer.concat(parts);
    parts.push(part);
  }
}
const LEAFING: LongDocument = { kind: "leafing", forWhom: "others" };

describe("a book that is written in the background", () => {
  it("is whole however far it was when its process was killed, and not there before", async () => {
    const whole = await asked(LEAFING);
    expect(await doNext(worker("first"))).toBe(true);
    const written = await fileOf(whole);
    expect(written.toString().endsWith("</html>\n")).toBe(true);
    // In several parts, so that one that is killed has left some.
    expect((await partsOf(store.db, whole)).length).toBeGreaterThan(1);

    for (const openings of [0, 1, 4, 8, 10]) {
      const id = await asked(LEAFING);
      const work = await claimWork(store.db, `killed ${openings}`);
      if (work?.id !== id) throw new Error("another work is under way");
      const kill = new AbortController();
      const doing: Doing = {
        ...worker("killed"),
        signal: kill.signal,
        progress: (done) => done > openings && kill.abort(new Error("killed")),
      };
      if (openings === 0) kill.abort(new Error("killed"));
      await expect(KINDS["write-document"](work, doing)).rejects.toThrow("killed");
      // It has said nothing since: another takes it over.
      expect(await stateOf(id)).toBe("running");
      await store.db.execute(sql`update work set beat_at = now() - interval '1 minute' where id = ${id}`);
      expect(await doNext(worker("next"))).toBe(true);
      expect(await stateOf(id)).toBe("done");
      expect((await fileOf(id)).equals(written)).toBe(true);
      await store.db.execute(sql`delete from work where id = ${id}`);
    }
  });

  it("waits where the disk is full, in whatever form, and is written whole once there is room", async () => {
    await store.db.execute(sql`
      create function no_room() returns trigger language plpgsql as
      $$ begin if new.place >= 1 then raise exception 'no room' using errcode = '53100'; end if; return new; end $$`);
    const forms: LongDocument[] = [
      LEAFING,
      { kind: "pictures", forWhom: "self" },
      { kind: "book", as: "pages", fit: "true", forWhom: "self" },
    ];
    for (const form of forms) {
      await store.db.execute(
        sql`create trigger no_room before insert on work_part for each row execute function no_room()`,
      );
      const id = await asked(form);
      const faults: unknown[] = [];
      await doNext({ ...worker("full"), logError: (error) => faults.push(error) });
      // No fault of the work's: it waits for room, and has lost no try.
      expect([form.kind, await stateOf(id), faults]).toEqual([form.kind, "waiting", []]);
      await store.db.execute(sql`drop trigger no_room on work_part`);
      await doNext(worker("room"));
      expect([form.kind, await stateOf(id)]).toEqual([form.kind, "done"]);
      const parts = await partsOf(store.db, id);
      expect(parts.length).toBeGreaterThan(1);
      const told = (await readWork(store.db, book.keeper.householdId, id))?.outcome as { bytes: number };
      expect((await fileOf(id)).length).toBe(told.bytes);
      await store.db.execute(sql`delete from work where id = ${id}`);
    }
  });

  it("is refused where the album has no leaf", async () => {
    const empty = await newBook(store);
    const { householdId, memberId } = empty.keeper;
    for (const kind of ["leafing", "pictures"] as const) {
      const id = randomUUID();
      const what = { albumId: empty.albumId, document: { kind, forWhom: "self" }, today: "2026-12-31" };
      await askWork(store.db, {
        id,
        householdId,
        memberId,
        kind: "write-document",
        at: new Date(),
        asked: what,
        fileBytes: null,
      });
      await doNext(worker("empty"));
      expect((await readWork(store.db, householdId, id))?.state).toBe("refused");
    }
  });
});
