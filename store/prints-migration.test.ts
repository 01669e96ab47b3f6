import { randomUUID } from "node:crypto";
import { expect, it } from "vitest";
import { madeAs } from "../core/album/print.ts";
import { AS_IT_COMES } from "../core/photo/crop.ts";
import { NO_LOOK } from "../core/photo/look.ts";
import { MIGRATIONS, storeAsOf } from "../tests/earlier-store.ts";
import { freshDatabase } from "../tests/fresh-database.ts";
import { decemberPlan } from "../tests/household.ts";
import { planColumns, readAlbum } from "./album.ts";
import { openStore } from "./db.ts";
import { migrateStore } from "./migrate.ts";
import { readPrinters } from "./printers.ts";
import { readSheets } from "./printing.ts";

/** The last step before a print said of which picture it was made. */
const BEFORE = 19;

it("a print of before is known again as one of the picture that its use had, also where it comes back from the journal", async () => {
  const database = await freshDatabase();
  const earlier = await storeAsOf(database.url, BEFORE);
  const query = (text: string, values: unknown[] = []) => earlier.pool.query(text, values);
  const insert = (table: string, row: Record<string, unknown>) => {
    const names = Object.keys(row).map((name) => `"${name}"`);
    const places = names.map((_name, at) => `$${at + 1}`);
    return query(`insert into ${table} (${names.join()}) values (${places.join()})`, Object.values(row));
  };
  const [household, album, day, photo, use, gone, line] = [1, 2, 3, 4, 5, 6, 7].map(() => randomUUID());
  await insert("household", { id: household, name: "Orrin Skerry", time_zone: "UTC" });
  const snake = (name: string) =>
    name === "capacity" ? "capacity_micrometres" : name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  const columns = Object.entries(planColumns(decemberPlan())).map(([name, value]) => [snake(name), value]);
  await insert("album", { id: album, household_id: household, ...Object.fromEntries(columns) });
  await insert("day", { id: day, album_id: album, date: "2026-12-01" });
  const sha256 = "a".repeat(64);
  await insert("picture", { sha256, mime: "image/jpeg", bytes: "" });
  const size = { width: 400, height: 300 };
  await insert("photo", { id: photo, household_id: household, sha256, name: "a.jpg", has_place: false, ...size });
  await insert("day_photo", { id: use, day_id: day, photo_id: photo, position: 0, w: 48_768, h: 32_512, alt: "" });
  const picture = { ...size, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] };
  const now = madeAs({ photoId: photo ?? "", crop: AS_IT_COMES, picture, onIt: [], repeat: null, together: null });
  const then = now.split(" ").slice(2).join(" ");
  await insert("printer", { household_id: household, margin: 2032, across: 48_000, along: 48_768, bar: 48_768 });
  await insert("print_sheet", {
    album_id: album,
    number: 1,
    paper_w: 1,
    paper_h: 1,
    cuts: "[]",
    waste: "[]",
    made_at: new Date(),
  });
  const lies = { x: 0, y: 0, w: 48_768, h: 32_512, turned: false, spare: false };
  await insert("print", { album_id: album, use_id: use, place: 0, ...lies, made_as: then, state: "trimmed" });
  await insert("journal_line", { id: line, household_id: household, album_id: album, at: new Date(), did: "{}" });
  const measures = { household_id: household, margin: 2032, across: 48_768, along: 48_768, bar: 48_768 };
  const changed = { before: measures, after: { ...measures, across: 48_000 } };
  await insert("journal_row", { line_id: line, of: "printer", key: { household_id: household }, ...changed });
  const before = { id: gone, use_id: use, made_as: then };
  await insert("journal_row", { line_id: line, of: "print", key: { id: gone }, before, after: null });
  await earlier.close();
  const store = openStore(database.url);
  await migrateStore(store, MIGRATIONS);
  const read = await readAlbum(store.db, household ?? "", album ?? "");
  expect(read?.prints.map((print) => print.madeAs)).toEqual([now]);
  // The printer there was is one of several that there may be, and its sheets and its changes are still its own.
  const [printer] = await readPrinters(store.db, household ?? "");
  expect(printer).toMatchObject({ name: "The printer", across: 48_000, borderless: null, last: null });
  expect((await readSheets(store.db, album ?? "")).map(({ printerId }) => printerId)).toEqual([printer?.id]);
  const rowsOf = (of: string) =>
    store.pool.query(`select "key", "before", "after" from journal_row where line_id = $1 and "of" = $2`, [line, of]);
  expect((await rowsOf("printer")).rows[0]).toMatchObject({
    ...{ key: { id: printer?.id }, before: { id: printer?.id, across: 48_768 }, after: { name: "The printer" } },
  });
  const [{ key: _, ...row }] = (await rowsOf("print")).rows;
  expect(row).toEqual({ before: { ...before, made_as: now }, after: null });
  await store.close();
  await database.drop();
});
