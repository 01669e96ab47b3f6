import { randomUUID } from "node:crypto";
import { and, eq, isNotNull } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import type { Piece } from "../core/album/leaf.ts";
import { AS_USUAL } from "../core/album/made-of.ts";
import { stockOf } from "../core/drawer/stock.ts";
import { newThing } from "../core/drawer/thing.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { size } from "../core/measure/size.ts";
import { FULL, newBook, piece } from "../tests/book.ts";
import { decemberPlan, openTestStore } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { createAlbum, readAlbum } from "./album.ts";
import { saveBookEdit } from "./book.ts";
import {
  cutSheet,
  dropThing,
  keepThing,
  pictureThing,
  readColoured,
  readDrawer,
  readDrawerWithAges,
  readThings,
} from "./drawer.ts";
import { takeBack } from "./journal/take-back.ts";
import { readTemplates, saveTemplate } from "./library/pages.ts";
import { coloursOfPhotos } from "./photo.ts";
import { putOnDay } from "./put-on-day.ts";
import { markPhotos, readRoll } from "./roll.ts";
import { leaf as leafTable, side, thing as thingTable } from "./schema/index.ts";
import { emptyTray } from "./tray.ts";
import { addTryOut, arrangeTryOut } from "./try-out.ts";
import { readUses, usesOf } from "./uses.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const of = (thing: string) => ({ ...AS_USUAL, thing });
const star = (thing: string): Piece => ({ ...piece("star"), of: of(thing) });

/** A book with a page on the fifth, a star and a paper in the drawer. */
async function drawerAndBook() {
  const made = await newBook(store);
  const [paper, stars] = [randomUUID(), randomUUID()];
  await keepThing(db, made.author(), paper, newThing("Oak", "paper", 2));
  await keepThing(db, made.author(), stars, newThing("Gold star", "sticker", 1));
  const leaf = await made.give("2026-12-05");
  const { householdId } = made.author();
  const uses = async () => (await readUses(db, householdId, usesOf(await made.look()))).flatMap((each) => each.uses);
  const left = async (id: string) => {
    const [thing] = await readThings(db, householdId, [id]);
    const mine = (await uses()).filter((each) => each.thing === id);
    return thing && stockOf(thing, mine);
  };
  return { ...made, paper, stars, leaf, uses, left, householdId };
}

describe("what a page is made of", () => {
  it("is reserved when it is laid, used when its step is ticked, and free again when it is taken off or back", async () => {
    const { save, leaf, stars, paper, left, author } = await drawerAndBook();
    await save({ kind: "make", leaf, make: { ...FULL, of: of(paper) } });
    await save({ kind: "arrange", leaf, face: "front", pieces: [star(stars)] });
    expect([await left(paper), await left(stars)]).toMatchObject([
      { reserved: 1, used: 0, left: 1 },
      { reserved: 1, used: 0, left: 0 },
    ]);
    await save({ kind: "tick", leaf, face: "front", guest: null, step: "assemble", done: true });
    expect(await left(stars)).toMatchObject({ reserved: 0, used: 1 });
    await save({ kind: "arrange", leaf, face: "front", pieces: [] });
    expect(await left(stars)).toMatchObject({ used: 0, left: 1 });
    await takeBack(db, author());
    expect(await left(stars)).toMatchObject({ used: 1, left: 0 });
  });

  it("is taken by every album of the household, those in the tray and leaves put away left out", async () => {
    const { keeper, householdId, author, stars, save, leaf, look, left } = await drawerAndBook();
    await save({ kind: "arrange", leaf, face: "front", pieces: [star(stars)] });
    const beside = await createAlbum(db, keeper.householdId, decemberPlan());
    const other = await readAlbum(db, householdId, beside);
    const there = { ...author(), albumId: beside };
    const id = randomUUID();
    await saveBookEdit(db, there, null, { kind: "give-leaf", id, make: FULL, dayId: other?.days[0]?.id ?? "" });
    await saveBookEdit(db, there, null, { kind: "arrange", leaf: id, face: "front", pieces: [star(stars)] });
    expect(await left(stars)).toMatchObject({ reserved: 2, short: 1 });
    expect((await readUses(db, householdId, usesOf(await look()))).map(({ title }) => title)).toHaveLength(2);
    await saveBookEdit(db, there, null, { kind: "remove-leaf", leaf: id });
    expect(await left(stars)).toMatchObject({ reserved: 1, short: 0 });
  });

  it("is marked as cut with its sheet, whose remainders lie in the drawer then, and is taken back in one", async () => {
    const { save, leaf, author, householdId, look, left } = await drawerAndBook();
    const by = (w: number, h: number) => size(inches(w), inches(h));
    const sheet = randomUUID();
    await keepThing(db, author(), sheet, {
      ...newThing("Tide", "paper", 2),
      size: by(12, 12),
      hasTop: true,
      note: "n",
    });
    await keepThing(db, author(), randomUUID(), { ...newThing("tide", "paper", 1), size: by(6, 12) });
    await save({ kind: "make", leaf, make: { ...FULL, of: of(sheet) } });
    await save({ kind: "arrange", leaf, face: "front", pieces: [star(sheet), piece("plain")] });
    const before = await readDrawer(db, householdId);
    const cut = [
      { leaf, face: null, piece: null },
      { leaf, face: "front" as const, piece: "star" },
      { leaf, face: "front" as const, piece: "plain" },
      { leaf: randomUUID(), face: null, piece: null },
    ];
    const rests = [by(6, 12), by(3, 4), by(3, 4)];
    expect(await cutSheet(db, author(), { thing: sheet, cut, rests, kept: null })).toEqual({ ok: true });
    const [now] = (await look()).leaves;
    expect(now?.make.of).toEqual({ ...of(sheet), cut: true });
    expect(now?.front.pieces?.map((each) => each.of?.cut)).toEqual([true, undefined]);
    const sized = (await readDrawer(db, householdId)).filter((each) => each.name.toLowerCase() === "tide");
    expect(sized.map((each) => [each.size?.w, each.count, each.hasTop]).sort()).toEqual(
      [
        [inches(12), 1, true],
        [inches(3), 2, true],
        [inches(6), 2, false],
      ].sort(),
    );
    expect(await left(sheet)).toMatchObject({ used: 0, reserved: 0, left: 1 });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "stash", how: "cut" } });
    expect(await readDrawer(db, householdId)).toEqual(before);
    expect((await look()).leaves[0]?.make.of).toEqual(of(sheet));
  });

  it("keeps its motif on what is left of it, which no plain remainder of that size becomes", async () => {
    const { author, householdId } = await drawerAndBook();
    const by = (w: number, h: number) => size(inches(w), inches(h));
    const sheet = randomUUID();
    const motif = rect(0, 0, inches(2), inches(2));
    await keepThing(db, author(), sheet, { ...newThing("Tide", "paper", 2), size: by(12, 12), motif });
    const asked = { thing: sheet, cut: [], rests: [by(3, 12)], kept: { size: by(3, 12), motif } };
    for (const count of [1, 0]) {
      expect(await cutSheet(db, author(), asked)).toEqual({ ok: true });
      const tide = (await readDrawer(db, householdId)).filter(({ name }) => name === "Tide");
      expect(tide.find(({ id }) => id === sheet)).toMatchObject({ count, motif });
      const rests = tide.filter(({ id }) => id !== sheet).map((each) => [each.count, each.motif]);
      expect(rests).toHaveLength(3 - count);
      expect(rests).toContainEqual([2 - count, null]);
      expect(rests).toContainEqual([1, motif]);
    }
    const large = { ...asked, kept: { size: by(9, 12), motif } };
    expect(await cutSheet(db, author(), large)).toEqual({ ok: false, reason: "not-found" });
  });

  it("is cut of no sheet that is not there, not one's own, of no size, or smaller than its remainders", async () => {
    const { author, paper, householdId } = await drawerAndBook();
    const { stars: foreign } = await drawerAndBook();
    const sheet = randomUUID();
    const six = size(inches(6), inches(6));
    await keepThing(db, author(), sheet, { ...newThing("Tide", "paper", 1), size: six });
    const asked = (thing: string, rests = [size(inches(1), inches(1))]) =>
      cutSheet(db, author(), { thing, cut: [], rests, kept: null });
    for (const thing of [foreign, randomUUID(), paper])
      expect(await asked(thing)).toEqual({ ok: false, reason: "not-found" });
    expect(await asked(sheet, [six])).toEqual({ ok: false, reason: "not-found" });
    const twice = await Promise.all([asked(sheet), asked(sheet)]);
    expect(twice.filter((each) => each.ok)).toHaveLength(1);
    expect(twice.filter((each) => !each.ok)).toEqual([{ ok: false, reason: "none-left" }]);
    expect((await readDrawer(db, householdId)).find(({ id }) => id === sheet)?.count).toBe(0);
  });

  it("is of the household's own drawer: another's thing is as if it were not there, on a page as beside one", async () => {
    const { save, leaf, look, author } = await drawerAndBook();
    const { stars: foreign } = await drawerAndBook();
    for (const thing of [foreign, randomUUID()]) {
      const gone = { ok: false, reason: "not-found" };
      expect(await save({ kind: "arrange", leaf, face: "front", pieces: [star(thing)] })).toEqual(gone);
      expect(await save({ kind: "make", leaf, make: { ...FULL, of: of(thing) } })).toEqual(gone);
      const given = { id: randomUUID(), leafId: leaf, face: "front" as const, pieces: [star(thing)] };
      expect(await addTryOut(db, author(), given)).toEqual(gone);
      await addTryOut(db, author(), { ...given, pieces: [] });
      expect(await arrangeTryOut(db, author(), given.id, null, given.pieces)).toEqual(gone);
    }
    expect((await look()).leaves[0]).toMatchObject({ make: { of: null }, front: { pieces: null } });
  });

  it("is not kept in a template, which is for many pages", async () => {
    const { stars, householdId } = await drawerAndBook();
    const { dayId: _, id: __, ...lies } = star(stars);
    const page = { w: lies.at.x, h: lies.at.y };
    const id = await saveTemplate(db, householdId, {
      ...{ name: "Stars", page, kind: "full", layout: null, pieces: [{ ...lies, what: lies.what as never }] },
    });
    const kept = (await readTemplates(db, householdId)).find((each) => each.id === id);
    expect(kept?.pieces[0]?.of).toEqual(AS_USUAL);
  });

  it("stays while a page is made of it, put away and the tray emptied; and its page can be worked on", async () => {
    const { save, leaf, stars, paper, householdId, author } = await drawerAndBook();
    await save({ kind: "arrange", leaf, face: "front", pieces: [star(stars)] });
    await dropThing(db, author(), stars);
    await dropThing(db, author(), paper);
    expect(await readDrawer(db, householdId)).toEqual([]);
    await emptyTray(db, householdId);
    const away = and(eq(thingTable.householdId, householdId), isNotNull(thingTable.deletedAt));
    expect((await db.select({ id: thingTable.id }).from(thingTable).where(away)).map(({ id }) => id)).toEqual([stars]);
    expect(await save({ kind: "arrange", leaf, face: "front", pieces: [{ ...star(stars), turn: 1 }] })).toMatchObject({
      ok: true,
    });
  });
});

describe("something made ahead", () => {
  it("goes onto a day in one act, as a card of the day or as a piece, where there is room; and is taken back in one", async () => {
    const { author, look, dayId, householdId, left } = await drawerAndBook();
    const [day, bare] = [await dayId("2026-12-05"), await dayId("2026-12-06")];
    const cards = randomUUID();
    await keepThing(db, author(), cards, { ...newThing("Boat cards", "card", 2), size: size(inches(3), inches(4)) });
    const put = (change: object) =>
      putOnDay(db, author(), { thing: cards, day, as: "card", id: randomUUID(), ...change });
    expect(await put({})).toEqual({ ok: true });
    const content = async () => (await look()).days.find(({ id }) => id === day)?.content;
    const pieces = async () => (await look()).leaves[0]?.front.pieces ?? [];
    const [card] = (await content())?.cards ?? [];
    expect(card).toMatchObject({ size: { w: inches(3), h: inches(4) }, text: "" });
    expect((await pieces()).find(({ id }) => id === card?.id)).toMatchObject({
      ...{ what: { kind: "card", card: card?.id }, of: { thing: cards } },
    });
    expect(await left(cards)).toMatchObject({ reserved: 1, left: 1 });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "stash", how: "put-on" } });
    expect([(await content())?.cards, await pieces()]).toEqual([[], []]);

    expect(await put({ as: "tag" })).toEqual({ ok: true });
    expect((await pieces()).at(-1)?.what).toMatchObject({ kind: "tag", name: "Boat cards" });
    expect(await put({ day: bare })).toEqual({ ok: false, reason: "no-room" });
    const { stars: foreign, dayId: elsewhere } = await drawerAndBook();
    for (const change of [{ thing: foreign }, { day: await elsewhere("2026-12-05") }, { thing: randomUUID() }])
      expect(await put(change)).toEqual({ ok: false, reason: "not-found" });
    const unsized = (await readDrawer(db, householdId)).find(({ size: is }) => is === null);
    expect(await put({ thing: unsized?.id ?? "" })).toEqual({ ok: false, reason: "no-size" });
    // A 6 × 8 page takes four of 3 × 4, and its back four more.
    const all = [];
    for (let nth = 0; nth < 9; nth++) all.push((await put({ as: "tag" })).ok);
    expect(all.filter(Boolean).length).toBeLessThan(9);
    const [leaf] = (await look()).leaves;
    const lie = [...(leaf?.front.pieces ?? [])].map(({ at }) => `${at.x} ${at.y}`);
    expect(new Set(lie).size).toBe(lie.length);
  });
});

describe("a picture of something in the drawer", () => {
  it("is one of the household's roll, gives its colours, and is taken back", async () => {
    const { author, stars, paper, householdId } = await drawerAndBook();
    const { stars: foreign, householdId: elsewhere } = await drawerAndBook();
    const { kept } = await aPhoto(store, householdId);
    const { kept: strange } = await aPhoto(store, elsewhere);
    expect(await pictureThing(db, author(), stars, kept.id)).toEqual({ ok: true });
    // It is a picture of no day: none is offered it.
    expect((await readRoll(db, householdId)).map(({ setAside }) => setAside)).toEqual([true]);
    const gone = { ok: false, reason: "not-found" };
    expect(await pictureThing(db, author(), stars, strange.id)).toEqual(gone);
    expect(await pictureThing(db, author(), foreign, kept.id)).toEqual(gone);
    const [coloured, ...others] = await readColoured(db, householdId);
    expect(others).toEqual([]);
    expect(coloured).toMatchObject({ id: stars, name: "Gold star", photoId: kept.id });
    expect(coloured?.colours.every((colour) => /^#[0-9a-f]{6}$/.test(colour))).toBe(true);
    expect([...(await coloursOfPhotos(db, householdId, [kept.id, strange.id])).keys()]).toEqual([kept.id]);
    // What is said of it anew leaves its picture where it is.
    await keepThing(db, author(), stars, newThing("Gold stars", "sticker", 3));
    expect((await readDrawerWithAges(db, householdId)).map(({ photoId }) => photoId)).toEqual([kept.id, null]);
    await takeBack(db, author());
    await takeBack(db, author());
    expect(await readColoured(db, householdId)).toEqual([]);
    expect(await pictureThing(db, author(), paper, null)).toEqual({ ok: true });
    // Put away on the roll it shows a thing all the same, and stays when the tray is emptied.
    await pictureThing(db, author(), stars, kept.id);
    await markPhotos(db, householdId, [kept.id], { kind: "away" });
    await emptyTray(db, householdId);
    expect(await readColoured(db, householdId)).toHaveLength(1);
  });
});

describe("what a page is made of is seen on it", () => {
  it("as its picture shows it, at the size of its sheet, until it is taken away; and nothing of that is written", async () => {
    const { author, save, leaf, look, householdId } = await drawerAndBook();
    const oak = randomUUID();
    const sheet = size(inches(12), inches(12));
    await keepThing(db, author(), oak, { ...newThing("Oak", "paper", 2), size: sheet });
    await save({ kind: "make", leaf, make: { ...FULL, of: of(oak) } });
    await save({ kind: "arrange", leaf, face: "front", pieces: [star(oak)] });
    const shown = async () => {
      const [there] = (await look()).leaves;
      return [there?.make.of?.shows, there?.front.pieces?.[0]?.of?.shows];
    };
    expect(await shown()).toEqual([undefined, undefined]);
    const { kept } = await aPhoto(store, householdId);
    await pictureThing(db, author(), oak, kept.id);
    const seen = { photoId: kept.id, picture: kept.facts, sheet, oneSided: false };
    expect(await shown()).toEqual([seen, seen]);
    // Sent back as it was read, it is as it was.
    const [there] = (await look()).leaves;
    await save({ kind: "arrange", leaf, face: "front", pieces: there?.front.pieces ?? [] });
    const rows = await db.select({ pieces: side.pieces }).from(side).where(eq(side.leafId, leaf));
    await save({ kind: "make", leaf, make: { ...(there?.make ?? FULL), note: "lifted" } });
    const bases = await db.select({ of: leafTable.of }).from(leafTable).where(eq(leafTable.id, leaf));
    expect(JSON.stringify([rows, bases])).not.toContain("shows");
    expect(bases[0]?.of).toEqual(of(oak));
    await keepThing(db, author(), oak, newThing("Oak", "paper", 2));
    expect(await shown()).toMatchObject([{ sheet: null }, { sheet: null }]);
    await pictureThing(db, author(), oak, null);
    expect(await shown()).toEqual([undefined, undefined]);
  });
});
