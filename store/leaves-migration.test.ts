import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cardMadeAs } from "../core/album/card-printing.ts";
import { presetById } from "../core/album/formats.ts";
import type { Leaf } from "../core/album/leaf.ts";
import { newCard } from "../core/album/model.ts";
import { inches, type Length, ticks } from "../core/measure/length.ts";
import { MIGRATIONS, storeAsOf } from "../tests/earlier-store.ts";
import { freshDatabase } from "../tests/fresh-database.ts";
import { type AlbumAggregate, planColumns, readAlbum } from "./album.ts";
import { type MeasuredFormat, readFormats } from "./library/pages.ts";
import { migrateStore } from "./migrate.ts";
import { readTray } from "./tray.ts";
import { readWordings, type Wording } from "./wordings.ts";

/** The last step of the tables before leaves said themselves what they are. */
const BEFORE = 9;

let database: Awaited<ReturnType<typeof freshDatabase>>;
let album: AlbumAggregate;
let kept: MeasuredFormat[];
let tray: Awaited<ReturnType<typeof readTray>>;
const wordings: Wording[][] = [];
let saves: { version: number; fields: string[] }[] = [];
const ids = Object.fromEntries(
  [...(["album", "household", "shared", "lead", "second", "bare", "sized", "tagged", "away", "plain"] as const)].map(
    (name) => [name, randomUUID()],
  ),
) as Record<string, string>;

/** A database as the version before left it, with one album in it that has a case of everything. */
beforeAll(async () => {
  database = await freshDatabase();
  const store = await storeAsOf(database.url, BEFORE);
  const query = (text: string, values: unknown[] = []) => store.pool.query(text, values);
  await query("insert into household (id, name, time_zone) values ($1, 'Orrin Skerry', 'UTC')", [ids.household]);
  const preset = presetById("ring-6x8");
  if (!preset) throw new Error("shipped");
  const { id: _, unit, ...today } = preset;
  // As it was shipped then: opening and margin together an eighth wider than the leaf.
  const { nominal } = today;
  const eighth = (length: Length) => ticks(length + inches(1 / 8));
  const format = { ...today, margin: inches(1), opening: { w: eighth(nominal.w), h: eighth(nominal.h) } };
  for (const measured of [format, { ...format, name: "By the ruler", margin: inches(0.75) }])
    await query("insert into measured_format (household_id, unit, format) values ($1, 'inch', $2)", [
      ids.household,
      JSON.stringify(measured),
    ]);
  // What came with the step that is tried here, and after it.
  const {
    preparing: _preparing,
    leafCount: _leafCount,
    bareW: _bareW,
    bareH: _bareH,
    ...columns
  } = planColumns({
    title: "Before",
    unit,
    numbering: "date",
    preparing: "parts",
    format,
    span: { start: "2026-12-01" as never, end: "2026-12-08" as never },
  });
  const snake = (name: string) =>
    name === "capacity" ? "capacity_micrometres" : name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  const named = { id: ids.album, householdId: ids.household, ...columns };
  await query(
    `insert into album (${Object.keys(named).map(snake).join(", ")}) values (${Object.keys(named)
      .map((_name, at) => `$${at + 1}`)
      .join(", ")})`,
    Object.values(named),
  );
  const full = JSON.stringify({ kind: "full", layout: null, basePaper: "Oak", note: "kept" });
  const pocket = JSON.stringify({ kind: "pocket", layout: "four", basePaper: "", note: "" });
  const day = (name: string, at: number, more: Record<string, unknown> = {}) => {
    const row = { id: ids[name], album_id: ids.album, date: `2026-12-0${at}`, ...more };
    const keys = Object.keys(row);
    return query(
      `insert into day (${keys.join(", ")}) values (${keys.map((_key, nth) => `$${nth + 1}`).join(", ")})`,
      Object.values(row),
    );
  };
  // 1: a page with a side of the next day on its back, all done. 2: a day on the back of it, assembled.
  await day("shared", 1, { foundation: full, done: ["choose", "base", "number", "file", "punch"] });
  await day("plain", 2, { done: ["assemble", "write"] });
  // 3 and 4 share a page. 5: a page that no leaf stands for. 6: a size alone. 7: inserts. 8: its page lies in the tray.
  await day("lead", 3, { foundation: pocket, page_w: 40_640, page_h: 65_024, done: ["base", "assemble", "insert"] });
  await day("second", 4, { merged_into: ids.lead, done: ["print"] });
  await day("bare", 5, { foundation: full, done: ["file"] });
  await day("sized", 6, { page_w: 30_000, page_h: 40_000 });
  await day("tagged", 7, { done: ["assemble", "file"] });
  await day("away", 8, { foundation: full, done: ["base", "write"] });
  const insert = (name: string, id: string, note: string, deleted: Date | null = null) =>
    query(
      "insert into day_insert (id, day_id, position, w, h, kind, note, deleted_at) values ($1, $2, 0, 16256, 32512, 'tag', $3, $4)",
      [id, ids[name], note, deleted],
    );
  const [onSecond, lost, stashed] = [randomUUID(), randomUUID(), randomUUID()];
  await insert("second", onSecond, "a tag");
  await insert("tagged", lost, "without a leaf");
  await insert("tagged", stashed, "put away", new Date("2026-12-02T10:00:00Z"));
  const leaf = async (
    position: number | null,
    of: [kind: string, day: string | null, insert?: string],
    sides: (string | null)[],
    stock: string | null = null,
  ) => {
    const id = randomUUID();
    await query(
      "insert into leaf (id, album_id, position, kind, day_id, insert_id, stock, deleted_at) values ($1, $2, $3, $4, $5, $6, $7, $8)",
      [id, ids.album, position, of[0], of[1], of[2] ?? null, stock, position === null ? new Date() : null],
    );
    for (const [at, owner] of sides.entries())
      await query("insert into side (leaf_id, album_id, face, day_id) values ($1, $2, $3, $4)", [
        id,
        ids.album,
        at === 0 ? "front" : "back",
        owner,
      ]);
    return id;
  };
  ids.pageLeaf = await leaf(0, ["page", ids.shared ?? ""], [ids.shared ?? "", ids.plain ?? ""]);
  ids.ownLeaf = await leaf(
    1,
    ["own", null],
    [null, ids.lead ?? ""],
    JSON.stringify({ kind: "vellum", layout: null, basePaper: "Mist", note: "over it", size: { w: 100, h: 200 } }),
  );
  ids.tagLeaf = await leaf(2, ["insert", ids.second ?? "", onSecond], [ids.second ?? "", ids.second ?? ""]);
  ids.leadLeaf = await leaf(3, ["page", ids.lead ?? ""], [ids.lead ?? "", ids.lead ?? ""]);
  await query("update side set matter = 'title' where leaf_id = $1 and face = 'front'", [ids.ownLeaf]);
  const numeral = {
    id: "numeral",
    what: { kind: "numeral", size: { w: 1, h: 1 } },
    at: { x: 0, y: 0 },
    turn: 0,
    outside: false,
  };
  const filler = { ...numeral, id: "filler", what: { kind: "filler", size: { w: 1, h: 1 }, name: "n" } };
  await query("update side set pieces = $2 where leaf_id = $1 and face = 'back'", [
    ids.leadLeaf,
    JSON.stringify([filler, numeral]),
  ]);
  ids.awayLeaf = await leaf(null, ["page", ids.away ?? ""], [ids.away ?? "", ids.away ?? ""]);
  await query(
    "insert into day_change (act, day_id, version, at, fields, before) values ($1, $2, 1, now(), '{foundation}', '{}')",
    [randomUUID(), ids.bare],
  );
  const save = (version: number, card: string | undefined, before: object[]) =>
    query("insert into day_change (act, day_id, version, at, fields, before) values ($1, $2, $3, now(), $4, $5)", [
      randomUUID(),
      ids.plain,
      version,
      [`card:${card}`],
      JSON.stringify({ content: { cards: before } }),
    ]);
  ids.written = randomUUID();
  ids.begun = randomUUID();
  await save(1, ids.written, []);
  await save(2, ids.written, [{ id: ids.written, text: "first", back: "behind" }]);
  await save(3, ids.begun, [{ id: ids.begun, text: "began so" }]);
  await query(
    "insert into book_change (act, album_id, at, made, before) values ($1, $2, now(), '{}', '{\"leaves\": [], \"order\": []}')",
    [randomUUID(), ids.album],
  );
  await query(
    "insert into card (id, day_id, position, w, h, text, setting) values ($3, $1, 0, 100, 100, 'said', $2), ($4, $1, 1, 100, 100, 'plain', null)",
    [
      ids.plain,
      JSON.stringify({ lettering: { kind: "typed", face: "book", size: 40 }, stock: "plain" }),
      ids.written,
      ids.begun,
    ],
  );
  // As the program of then said of a card how its print was made: with the card's own lettering, and with the usual one.
  const usual = cardMadeAs({ ...newCard("", { w: ticks(100), h: ticks(100) }), text: 'plain "face":' });
  const written = { stock: "plain", lettering: { face: "book", kind: "typed", size: 40 } };
  for (const [card, madeAs] of [
    [ids.written, JSON.stringify({ text: "said", back: "", setting: written })],
    [ids.begun, usual.replace('"typeface":', '"face":')],
  ])
    await query(
      "insert into print (album_id, place, card_id, x, y, w, h, turned, spare, made_as, state) values ($1, 0, $2, 0, 0, 1, 1, false, false, $3, 'trimmed')",
      [ids.album, card, madeAs],
    );
  await query("update card set text = $2 where id = $1", [ids.begun, 'plain "face":']);
  await migrateStore(store, MIGRATIONS);
  const read = await readAlbum(store.db, ids.household ?? "", ids.album ?? "");
  if (!read) throw new Error("the album is not there any more");
  album = read;
  kept = await readFormats(store.db, ids.household ?? "");
  tray = await readTray(store.db, ids.household ?? "");
  for (const card of [ids.written, ids.begun]) wordings.push(await readWordings(store.db, card ?? ""));
  saves = (await query("select day_id, version, fields from day_save order by day_id = $1, version", [ids.plain])).rows;
  await store.close();
});
afterAll(() => database.drop());

const leafOf = (id: string | undefined): Leaf => {
  const found = album.leaves.find((leaf) => leaf.id === id);
  if (!found) throw new Error("a leaf is gone");
  return found;
};
const doneOf = (name: string) => album.days.find(({ id }) => id === ids[name])?.content.done;

describe("an album from before leaves said themselves what they are", () => {
  it("has its leaves in their order, each as its day, its insert or its stock said; what no leaf stood for comes last", () => {
    const known = [ids.pageLeaf, ids.ownLeaf, ids.tagLeaf, ids.leadLeaf];
    expect(album.leaves.slice(0, 4).map(({ id }) => id)).toEqual(known);
    expect(
      album.leaves.map(({ make: { kind, layout, basePaper, insert, note } }) => [
        kind,
        layout,
        basePaper,
        insert,
        note,
      ]),
    ).toEqual([
      ["full", null, "Oak", null, "kept"],
      ["vellum", null, "Mist", null, "over it"],
      ["paper", null, "", "tag", "a tag"],
      ["pocket", "four", "", null, ""],
      ["full", null, "Oak", null, "kept"],
      ["paper", null, "", null, ""],
      ["paper", null, "", "tag", "without a leaf"],
    ]);
    expect(album.leaves.map(({ make: { size } }) => size)).toEqual([
      null,
      { w: 100, h: 200 },
      { w: 16_256, h: 32_512 },
      { w: 40_640, h: 65_024 },
      null,
      { w: 30_000, h: 40_000 },
      { w: 16_256, h: 32_512 },
    ]);
    expect(album.leaves.slice(4).map(({ front, back }) => [front.owner, back.owner])).toEqual(
      ["bare", "sized", "tagged"].map((name) => Array(2).fill({ kind: "day", dayId: ids[name] })),
    );
  });

  it("has measures that agree where nobody put a ruler to it, a kept book too, and those that somebody measured", () => {
    const now = presetById("ring-6x8");
    expect([album.album.format.opening, album.album.format.margin]).toEqual([now?.opening, now?.margin]);
    expect(kept.map(({ format: { margin } }) => margin)).toEqual([now?.margin, inches(0.75)]);
  });

  it("has its bare leaves as they were drawn: without one of the album's size, as large as the whole leaf", () => {
    const { bare, outer } = album.album.format;
    expect(bare).toEqual(outer);
  });

  it("has each tick on every leaf and side of its day that it can mean, and keeps on the day what is the day's own", () => {
    expect(leafOf(ids.pageLeaf).done).toEqual(["base", "punch", "file"]);
    expect(leafOf(ids.pageLeaf).front.done).toEqual(["number", "assemble"]);
    expect(leafOf(ids.pageLeaf).back.done).toEqual(["assemble"]);
    // The lead's ticks count for the day that shares its page.
    expect([leafOf(ids.tagLeaf).done, leafOf(ids.tagLeaf).front.done]).toEqual([["base"], ["assemble"]]);
    expect([leafOf(ids.leadLeaf).done, leafOf(ids.leadLeaf).back.done]).toEqual([["base"], ["assemble"]]);
    expect([leafOf(ids.ownLeaf).done, leafOf(ids.ownLeaf).front.done]).toEqual([["base"], []]);
    expect(leafOf(ids.ownLeaf).back.done).toEqual(["assemble"]);
    expect(["shared", "plain", "lead", "second", "bare", "tagged"].map(doneOf)).toEqual([
      ["choose"],
      ["write"],
      [],
      ["print"],
      [],
      [],
    ]);
    // With its only leaf in the tray the day keeps what it had.
    expect(doneOf("away")).toEqual(["base", "write"]);
  });

  it("has its words set in the typeface they were set in", () => {
    const cards = album.days.find(({ id }) => id === ids.plain)?.content.cards;
    expect(cards?.map(({ setting }) => setting)).toEqual([
      { lettering: { kind: "typed", typeface: "book", size: 40 }, stock: "plain" },
      null,
    ]);
    // So that no card that is printed is wanted anew.
    const made = new Map(album.prints.map((print) => [print.of, print.madeAs]));
    for (const card of cards ?? []) expect(made.get(card.id)).toBe(cardMadeAs(card));
  });

  it("has its title page as an entry of its own, and its numbers a look that nobody has chosen yet", () => {
    const [title, ...more] = album.matters;
    expect([title?.matter, title?.date, title?.content.numeral.style, more]).toEqual(["title", null, "none", []]);
    expect(leafOf(ids.ownLeaf).front.owner).toEqual({ kind: "day", dayId: title?.id });
    expect(leafOf(ids.leadLeaf).back.pieces?.map(({ what, dayId }) => [what, dayId])).toEqual([
      [{ kind: "filler", size: { w: 1, h: 1 }, name: "n" }, null],
      [{ kind: "numeral", size: { w: 1, h: 1 }, look: null, zero: false }, null],
    ]);
  });

  it("lays nothing out by itself that was not, has in the tray what was there, and keeps the words and saves of before", () => {
    const untouched = (leaf: Leaf) => [leaf.front.pieces, leaf.back.pieces];
    expect(untouched(leafOf(ids.pageLeaf))).toEqual([null, null]);
    for (const id of [ids.ownLeaf, ids.tagLeaf]) expect(untouched(leafOf(id))).toEqual([[], []]);
    expect(tray.leaves.map(({ kind, date }) => [kind, date]).sort()).toEqual([
      ["leaf", "2026-12-07"],
      ["leaf", "2026-12-08"],
    ]);
    const words = wordings.map((all) => all.map(({ by, text, back }) => [by, text, back]));
    expect(words).toEqual([
      [
        ["", "said", ""],
        ["", "first", "behind"],
      ],
      [
        ["", 'plain "face":', ""],
        ["", "began so", ""],
      ],
    ]);
    expect(saves.map(({ version, fields }) => [version, fields])).toEqual([
      [1, ["foundation"]],
      [1, [`card:${ids.written}`]],
      [2, [`card:${ids.written}`]],
      [3, [`card:${ids.begun}`]],
    ]);
  });
});
