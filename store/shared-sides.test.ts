import { randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { presetById } from "../core/album/formats.ts";
import { numeralOf, type Piece } from "../core/album/leaf.ts";
import { newCard } from "../core/album/model.ts";
import { pagesOf } from "../core/album/page.ts";
import type { BookEdit } from "../core/book/edit.ts";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import { SENT_MARK } from "../core/photo/roll-schema.ts";
import { newBook, piece } from "../tests/book.ts";
import { freshDatabase } from "../tests/fresh-database.ts";
import { openTestStore } from "../tests/household.ts";
import { planColumns, readAlbum } from "./album.ts";
import { saveDayEdit } from "./day.ts";
import { openStore } from "./db.ts";
import { takeBack } from "./journal/take-back.ts";
import { changeMatter } from "./matter.ts";
import { migrateStore } from "./migrate.ts";
import { readShelf } from "./shelf.ts";
import { putLeafOrTryOutBack } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

/** Day 1 has a page whose front day 2 shares. */
async function sharedPage() {
  const book = await newBook(store);
  const leaf = await book.give("2026-12-01");
  const [host, guest] = [await book.dayId("2026-12-01"), await book.dayId("2026-12-02")];
  const share = (shares: boolean, dayId = guest): BookEdit => ({
    ...({ kind: "share-side", leaf, face: "front", dayId, shares } as const),
  });
  await book.save(share(true));
  const front = async () => (await book.look()).leaves[0]?.front;
  return { ...book, leaf, host, guest, share, front };
}
const tick = (leaf: string, guest: string | null): BookEdit => ({
  ...({ kind: "tick", leaf, face: "front", guest, step: "assemble", done: true } as const),
});
const room = (id: string, dayId: string | null): Piece => ({
  ...piece(id),
  what: { kind: "room", keeps: "card", size: size(inches(3), inches(4)) },
  dayId,
});
const numberOf = (dayId: string): Piece => ({
  ...piece("number"),
  what: numeralOf(size(inches(1), inches(1))),
  dayId,
});

describe("a side that two days share", () => {
  it("is kept with what is done of each, and every step of it can be taken back", async () => {
    const { leaf, guest, share, save, front, author } = await sharedPage();
    const laid = [piece("a"), numberOf(guest)];
    await save({ kind: "arrange", leaf, face: "front", pieces: laid });
    await save(tick(leaf, guest));
    expect(await front()).toMatchObject({ done: [], guests: [{ dayId: guest, done: ["assemble"] }] });
    await save(tick(leaf, null));
    expect(await front()).toMatchObject({ done: ["assemble"], guests: [{ done: ["assemble"] }] });
    await save(share(false));
    expect(await front()).toMatchObject({ done: ["assemble"], guests: [], pieces: [piece("a")] });
    await takeBack(db, author());
    expect(await front()).toMatchObject({ guests: [{ done: ["assemble"] }], pieces: laid });
    for (const _ of ["the owner's tick", "the guest's", "what lies there", "the sharing"])
      expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect(await front()).toMatchObject({ done: [], guests: [], pieces: null });
  });

  it("has no day of another album as its guest, and none of another household's is written", async () => {
    const [mine, theirs] = [await sharedPage(), await sharedPage()];
    expect(await mine.save(mine.share(true, theirs.guest))).toEqual({ ok: false, reason: "not-found" });
    expect(await theirs.save(mine.share(false))).toEqual({ ok: false, reason: "leaf-gone" });
    expect(await mine.save(mine.share(true, randomUUID()))).toEqual({ ok: false, reason: "not-found" });
    expect(await mine.front()).toMatchObject({ guests: [{ dayId: mine.guest }] });
  });

  it("comes back from the tray shared; a page of the front matter that shares one is not taken away", async () => {
    const { leaf, guest, share, save, front, keeper, author } = await sharedPage();
    await save({ kind: "remove-leaf", leaf });
    expect(await front()).toBeUndefined();
    await putLeafOrTryOutBack(db, keeper.householdId, "leaf", leaf, author());
    expect(await front()).toMatchObject({ guests: [{ dayId: guest }] });
    const id = randomUUID();
    await changeMatter(db, author(), { what: "matter", how: "add", id, matter: "before" });
    await save(share(true, id));
    const away = () => changeMatter(db, author(), { what: "matter", how: "remove", id });
    expect(await away()).toEqual({ ok: false, reason: "matter-not-empty" });
    await save(share(false, id));
    expect(await away()).toEqual({ ok: true });
  });

  it("keeps its rooms apart: a card of the guest takes the guest's, one of the owner the owner's", async () => {
    const { leaf, host, guest, save, front, author } = await sharedPage();
    await save({ kind: "arrange", leaf, face: "front", pieces: [room("a", guest), room("b", null), room("c", guest)] });
    const add = async (dayId: string) => {
      const card = newCard(randomUUID(), size(inches(2), inches(2)), "a word");
      await saveDayEdit(db, author(), dayId, null, { kind: "add-card", card });
      return card.id;
    };
    const whats = async () =>
      (await front())?.pieces?.map(({ what }) => (what.kind === "card" ? what.card : what.kind));
    const own = await add(host);
    expect(await whats()).toEqual(["room", own, "room"]);
    // No room is left for another of it: it lies beside.
    await add(host);
    expect(await whats()).toEqual(["room", own, "room"]);
    const theirs = [await add(guest), await add(guest)];
    expect(await whats()).toEqual([theirs[0], own, theirs[1]]);
  });

  it("says on the shelf as far as on the month how far each day is", async () => {
    const { leaf, guest, save, look, keeper, albumId } = await sharedPage();
    await save({ kind: "arrange", leaf, face: "front", pieces: [numberOf(guest)] });
    await save(tick(leaf, guest));
    await save({ kind: "tick", leaf, face: null, guest: null, step: "file", done: true });
    const whole = await look();
    const shelved = (await readShelf(db, keeper.householdId)).find(({ album }) => album.id === albumId);
    if (!shelved) throw new Error("on the shelf");
    const states = (album: Parameters<typeof pagesOf>[0]) => pagesOf(album).map((page) => page.states);
    expect(states(shelved)).toEqual(states(whole));
    expect(states(whole)[1]?.book).toBe("done");
    expect(states(whole)[0]?.book).not.toBe("done");
  });
});

describe("a mark that waited on a device since before pictures were said to be set aside", () => {
  it("is taken by its name of now", () => {
    const sent = { what: "mark", ids: [randomUUID()], mark: { kind: "rejected", on: true } };
    expect(SENT_MARK.parse(sent).mark).toEqual({ kind: "set-aside", on: true });
    expect(SENT_MARK.safeParse({ ...sent, mark: { kind: "thrown", on: true } }).success).toBe(false);
  });
});

/** The last step of the tables before sides were shared. */
const BEFORE = 14;
const MIGRATIONS = "store/migrations";

/** A database as the version before left it. */
async function asBefore() {
  const database = await freshDatabase();
  const folder = mkdtempSync(path.join(tmpdir(), "hearth-sides-"));
  cpSync(MIGRATIONS, folder, { recursive: true });
  const journal = JSON.parse(readFileSync(path.join(folder, "meta/_journal.json"), "utf8"));
  journal.entries = journal.entries.filter(({ idx }: { idx: number }) => idx <= BEFORE);
  writeFileSync(path.join(folder, "meta/_journal.json"), JSON.stringify(journal));
  const old = openStore(database.url);
  await migrateStore(old, folder);
  rmSync(folder, { recursive: true });
  return { old, drop: () => old.close().then(database.drop) };
}

describe("an album from before sides were shared", () => {
  it("has every piece where it was, each number saying which day it stands for, and its last change can be taken back", async () => {
    const { old, drop } = await asBefore();
    const insert = (table: string, row: Record<string, unknown>) =>
      old.pool.query(
        `insert into ${table} (${Object.keys(row)}) values (${Object.keys(row).map((_, at) => `$${at + 1}`)})`,
        Object.values(row),
      );
    const ids = () => randomUUID();
    const [household, member, album, day, leaf] = [ids(), ids(), ids(), ids(), ids()];
    await insert("household", { id: household, name: "Orrin Skerry", time_zone: "UTC" });
    await insert("member", { id: member, household_id: household, name: "Orrin" });
    const preset = presetById("ring-6x8");
    if (!preset) throw new Error("shipped");
    const { id: _, unit, ...format } = preset;
    const span = { start: "2026-12-01" as never, end: "2026-12-02" as never };
    const columns = planColumns({ title: "Before", unit, numbering: "date", preparing: "parts", format, span });
    const snake = (name: string) =>
      name === "capacity" ? "capacity_micrometres" : name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
    const named = Object.entries(columns).map(([name, value]) => [snake(name), value]);
    await insert("album", { id: album, household_id: household, ...Object.fromEntries(named) });
    await insert("day", { id: day, album_id: album, date: "2026-12-01" });
    await insert("leaf", { id: leaf, album_id: album, position: 0, kind: "full", version: 3 });
    const what = { kind: "numeral", size: { w: 1, h: 1 }, look: null, zero: true };
    const lies = { at: { x: 5, y: 6 }, turn: 1, outside: true };
    const number = { id: "numeral", what: { ...what, dayId: day }, ...lies };
    const mat = { kind: "mat", size: { w: 1, h: 1 }, name: "n" };
    const paper = { id: "f", what: mat, ...lies };
    const laid = JSON.stringify([paper, number]);
    const of = { leaf_id: leaf, album_id: album, day_id: day };
    await insert("side", { ...of, face: "front", pieces: laid });
    await insert("side", { ...of, face: "back" });
    const tried = { id: ids(), leaf_id: leaf, face: "front", name: "B", pieces: laid, made_at: new Date() };
    await insert("try_out", tried);
    const template = JSON.stringify([
      { what: { ...what, dayId: null }, ...lies },
      { what: mat, ...lies },
    ]);
    await insert("template", {
      household_id: household,
      name: "T",
      page_w: 1,
      page_h: 1,
      kind: "full",
      pieces: template,
    });
    const sha256 = "a".repeat(64);
    await insert("picture", { sha256, mime: "image/png", bytes: Buffer.from("a") });
    const picture = { household_id: household, sha256, name: "a.png", width: 1, height: 1, has_place: false };
    await insert("photo", { ...picture, rejected: true });

    await migrateStore(old, MIGRATIONS);
    const look = async () => {
      const read = await readAlbum(old.db, household, album);
      if (!read) throw new Error("the album is not there any more");
      return read;
    };
    const now = [
      { ...paper, what: { ...mat, kind: "photo-mat" }, dayId: null },
      { ...number, what, dayId: day },
    ];
    const { leaves, tryOuts } = await look();
    expect(leaves[0]?.front).toEqual({ owner: { kind: "day", dayId: day }, guests: [], pieces: now, done: [] });
    expect(leaves[0]?.back.pieces).toBeNull();
    expect(tryOuts[0]?.pieces).toEqual(now);
    expect((await old.pool.query("select pieces from template")).rows).toEqual([
      {
        pieces: [
          { what, ...lies },
          { what: { ...mat, kind: "photo-mat" }, ...lies },
        ],
      },
    ]);
    expect((await old.pool.query("select set_aside from photo")).rows).toEqual([{ set_aside: true }]);
    await drop();
  });
});
