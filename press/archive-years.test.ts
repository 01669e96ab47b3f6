import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { buffer } from "node:stream/consumers";
import { unzipSync } from "fflate";
import { afterAll, describe, expect, it } from "vitest";
import type { CalendarDate } from "../core/month/dates.ts";
import { readAlbum } from "../store/album.ts";
import { saveDayEdit } from "../store/day.ts";
import { noteForNext } from "../store/next-year.ts";
import { changeTally } from "../store/tally.ts";
import { newAlbum, newKeeper, openTestStore } from "../tests/household.ts";
import { packAlbum, unpackAlbum } from "./archive.ts";
import type { ForWhom } from "./archive-words.ts";
import { readPicture } from "./picture.ts";

const store = openTestStore();
const folder = mkdtempSync(path.join(tmpdir(), "hearth-years-"));
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await store.close();
});
const { db } = store;

describe("what stays from year to year, in an archive", () => {
  it("is all in one's own, read again under other names, and nothing of it in one to hand on but which days stand", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const look = async (householdId: string, id: string) => {
      const read = await readAlbum(db, householdId, id);
      if (!read) throw new Error("the album is not there");
      return read;
    };
    const [day] = (await look(keeper.householdId, albumId)).days;
    const secret = "behind the spare wicks";
    for (const edit of [
      { kind: "every-year", on: true },
      { kind: "next-year", text: secret },
    ] as const)
      await saveDayEdit(db, author(), day?.id ?? "", null, edit);
    await noteForNext(db, author(), "", secret);
    const id = randomUUID();
    await changeTally(db, author(), { how: "add", id, name: secret });
    for (const text of ["", secret]) {
      const mark = { id: randomUUID(), date: "2026-12-05" as CalendarDate, text };
      await changeTally(db, author(), { how: "mark", id, mark });
    }
    const packed = async (forWhom: ForWhom) => {
      const today = "2026-12-09" as CalendarDate;
      const album = await look(keeper.householdId, albumId);
      return buffer((await packAlbum(db, keeper.householdId, album, forWhom, today, new Date(0))).zip);
    };
    const handed = Buffer.from(unzipSync(await packed("others"))["album.json"] ?? []).toString("utf8");
    expect(handed).not.toContain(secret);
    const { tallies, days } = JSON.parse(handed);
    expect([tallies, days[0].everyYear, days[1].everyYear]).toEqual([[], true, false]);

    const file = path.join(folder, "own.zip");
    writeFileSync(file, await packed("self"));
    const other = await newKeeper(store);
    const read = await unpackAlbum(db, other.householdId, file, { asCopy: false, readPicture });
    if (!read.ok) throw new Error(read.reason);
    const theirs = await look(other.householdId, read.albumId);
    expect(theirs.album.nextYear).toBe(secret);
    expect(theirs.days[0]?.content).toMatchObject({ everyYear: true, nextYear: secret });
    expect(theirs.tallies.map(({ name, marks }) => [name, marks.map(({ date, text }) => [date, text])])).toEqual([
      [
        secret,
        [
          ["2026-12-05", ""],
          ["2026-12-05", secret],
        ],
      ],
    ]);
    expect(theirs.tallies[0]?.id).not.toBe(id);
    // Read in a second time, beside itself, it is whole again.
    const copy = await unpackAlbum(db, keeper.householdId, file, { asCopy: true, readPicture });
    expect(copy.ok && (await look(keeper.householdId, copy.albumId)).tallies[0]?.marks).toHaveLength(2);
  });
});
