import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { afterAll, describe, expect, it } from "vitest";
import { newCard } from "../core/album/model.ts";
import { pagesOf } from "../core/album/page.ts";
import { readBook } from "../core/book/read.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { size } from "../core/measure/size.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { AS_IT_COMES } from "../core/photo/crop.ts";
import { NO_LOOK } from "../core/photo/look.ts";
import { standings } from "../core/photo/printing.ts";
import { waitingPrints } from "../core/photo/waiting.ts";
import type { GangedSheet } from "../core/sheet/gang.ts";
import { tileAt, tilesOf, writePrintOf } from "../core/sheet/tiles.ts";
import { cardStandings } from "../core/words/card-printing.ts";
import { usualSetting } from "../core/words/lettering.ts";
import { readPicture } from "../press/picture.ts";
import { newAlbum, newKeeper, openTestStore } from "../tests/household.ts";
import { readAlbum } from "./album.ts";
import { saveBookEdit } from "./book.ts";
import { saveDayEdit, undoLastChange } from "./day.ts";
import { keepOrder, markArrived } from "./lab-orders.ts";
import { findPhoto, keepPhoto, newUse, readOriginal, readTraits } from "./photo.ts";
import { placePhotos, setPhotoRule } from "./place-photos.ts";
import { dropSheet, makeSheets, markByHand, markSheetPrinted, markSpoiled, readSheets, tickCut } from "./printing.ts";
import { knownPictures, markPhotos, readRoll } from "./roll.ts";
import { readStashTray, takeBackStash } from "./stash-tray.ts";
import { dropExpired, emptyTray, putBack } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());

let colour = 0;
async function aPhoto(householdId: string) {
  colour += 1;
  const bytes = await sharp({
    create: { width: 120, height: 80, channels: 3, background: { r: (colour * 40) % 256, g: colour * 8, b: 20 } },
  })
    .jpeg()
    .toBuffer();
  const read = await readPicture(bytes, `a${colour}.jpg`);
  if (!read.ok) throw new Error(read.reason);
  return { kept: await keepPhoto(store.db, householdId, read.photo), photo: read.photo };
}

/** An album with two prints on its first day, and how to read it. */
async function withPrints() {
  const { keeper, albumId, author } = await newAlbum(store);
  const read = async () => {
    const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
    if (!aggregate) throw new Error("the album is not there");
    return { ...aggregate, pages: pagesOf(aggregate.album, aggregate.days) };
  };
  const dayId = (await read()).days[0]?.id ?? "";
  const uses = [];
  for (const _ of [1, 2]) {
    const use = newUse(randomUUID(), (await aPhoto(keeper.householdId)).kept);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "add-photo", photo: use });
    uses.push(use);
  }
  const [one, two] = uses;
  if (!one || !two) throw new Error("made above");
  const standing = async (id: string) => {
    const { pages, prints } = await read();
    return standings(pages, prints).find(({ use }) => use.id === id)?.standing.kind;
  };
  const done = async () => (await read()).days[0]?.content.done ?? [];
  return { keeper, albumId, author, read, dayId, one, two, standing, done };
}

/** A sheet with prints of 6 × 4 under each other, cut by one cut after another. */
function sheetOf(...ids: string[]): GangedSheet {
  return {
    paper: size(inches(8.5), inches(11)),
    prints: ids.map((id, at) => ({
      id,
      at: rect(0, inches(4 * at), inches(6), inches(4)),
      turned: false,
      spare: false,
    })),
    waste: [],
    cuts: ids.map((_, at) => ({
      piece: rect(0, inches(4 * at), inches(6), inches(11 - 4 * at)),
      ...{ axis: "y" as const, line: inches(4 * (at + 1)), from: "top" as const, measure: inches(4) },
      first: { kind: "print" as const, print: at },
      second:
        at === ids.length - 1
          ? { kind: "waste" as const }
          : { kind: "cut-on" as const, prints: ids.map((__, n) => n).slice(at + 1) },
    })),
  };
}

describe("the roll", () => {
  it("keeps a picture once with what is computed of it, and says whose it is", async () => {
    const keeper = await newKeeper(store);
    const other = await newKeeper(store);
    const { kept, photo } = await aPhoto(keeper.householdId);
    expect(kept.isNew).toBe(true);
    expect((await keepPhoto(store.db, keeper.householdId, photo)).isNew).toBe(false);
    const [first, ...rest] = await readRoll(store.db, keeper.householdId);
    expect(rest).toEqual([]);
    expect(first).toMatchObject({
      id: kept.id,
      star: false,
      rejected: false,
      banked: false,
      facts: { width: 120, height: 80, look: NO_LOOK },
    });
    expect(first?.fingerprint).toBe(photo.traits.fingerprint);
    expect(await readTraits(store.db, keeper.householdId, kept.id)).toEqual(photo.traits);
    expect(await readTraits(store.db, other.householdId, kept.id)).toBeNull();
    expect(await knownPictures(store.db, keeper.householdId, [photo.sha256, "f".repeat(64)])).toEqual([photo.sha256]);
    expect(await knownPictures(store.db, other.householdId, [photo.sha256])).toEqual([]);
  });

  it("is kept once when the same file comes twice at the same moment", async () => {
    const keeper = await newKeeper(store);
    const { photo } = await aPhoto((await newKeeper(store)).householdId);
    const kept = await Promise.all([1, 2, 3].map(() => keepPhoto(store.db, keeper.householdId, photo)));
    expect(new Set(kept.map(({ id }) => id)).size).toBe(1);
    expect(kept.filter(({ isNew }) => isNew)).toHaveLength(1);
  });

  it("says what is marked of its own pictures, and nothing of another household's", async () => {
    const keeper = await newKeeper(store);
    const other = await newKeeper(store);
    const { kept, photo } = await aPhoto(keeper.householdId);
    expect(await markPhotos(store.db, other.householdId, [kept.id], { kind: "star", on: true })).toBe(0);
    for (const kind of ["star", "rejected", "banked"] as const)
      await markPhotos(store.db, keeper.householdId, [kept.id], { kind, on: true });
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "date", date: "2026-12-03" as CalendarDate });
    const look = { ...NO_LOOK, blackAndWhite: true, straighten: -12 };
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "look", look });
    expect((await readRoll(store.db, keeper.householdId))[0]).toMatchObject({
      ...{ star: true, rejected: true, banked: true, givenDate: "2026-12-03", facts: { look } },
    });
    // Always reversible: the picture itself is what it was.
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "look", look: NO_LOOK });
    expect((await findPhoto(store.db, keeper.householdId, photo.sha256))?.facts).toEqual(kept.facts);
  });

  it("stay on the roll however long no day uses them, and whatever tray is emptied", async () => {
    const keeper = await newKeeper(store);
    const { kept, photo } = await aPhoto(keeper.householdId);
    await emptyTray(store.db, keeper.householdId);
    await dropExpired(store.db, new Date(Date.now() + 400 * 86_400_000));
    expect((await readRoll(store.db, keeper.householdId)).map(({ id }) => id)).toEqual([kept.id]);
    expect((await readOriginal(store.db, keeper.householdId, kept.id))?.bytes).toEqual(photo.bytes);
  });

  it("put away lie in the tray, come back from it or with their file, and are gone when it is emptied", async () => {
    const keeper = await newKeeper(store);
    const { householdId } = keeper;
    const { kept, photo } = await aPhoto(householdId);
    const roll = async () => (await readRoll(store.db, householdId)).map(({ id }) => id);
    const away = { kind: "away" } as const;
    expect(await markPhotos(store.db, householdId, [kept.id], away)).toBe(1);
    expect([await roll(), await knownPictures(store.db, householdId, [photo.sha256])]).toEqual([[], []]);
    expect(await readStashTray(store.db, householdId)).toMatchObject([{ kind: "picture", photoId: kept.id }]);
    expect(await takeBackStash(store.db, householdId, "picture", kept.id)).toBe(true);
    expect(await roll()).toEqual([kept.id]);
    await markPhotos(store.db, householdId, [kept.id], away);
    expect(await keepPhoto(store.db, householdId, photo)).toMatchObject({ id: kept.id, isNew: true });
    expect(await roll()).toEqual([kept.id]);
    await markPhotos(store.db, householdId, [kept.id], away);
    await dropExpired(store.db, new Date(Date.now() + 29 * 86_400_000));
    expect((await readStashTray(store.db, householdId)).length).toBe(1);
    await emptyTray(store.db, householdId);
    expect([await readStashTray(store.db, householdId), await roll()]).toEqual([[], []]);
    expect(await readOriginal(store.db, householdId, kept.id)).toBeNull();
  });

  it("are not put away while a day uses them, nor gone while a piece in the tray shows them", async () => {
    const { keeper, author, dayId, one } = await withPrints();
    const { householdId } = keeper;
    expect(await markPhotos(store.db, householdId, [one.photoId], { kind: "away" })).toBe(0);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "remove-photo", id: one.id });
    expect(await markPhotos(store.db, householdId, [one.photoId], { kind: "away" })).toBe(1);
    // The piece comes back from the tray: its picture is in use again.
    await putBack(store.db, householdId, "photo", one.id, author());
    expect(await readStashTray(store.db, householdId)).toEqual([]);
    expect((await readRoll(store.db, householdId)).map(({ id }) => id)).toContain(one.photoId);
    await emptyTray(store.db, householdId);
    expect(await readOriginal(store.db, householdId, one.photoId)).not.toBeNull();
  });

  it("gone for good, cannot be brought back by taking a change back, and nothing else is changed by trying", async () => {
    const { keeper, author, dayId, one, read } = await withPrints();
    await saveDayEdit(store.db, author(), dayId, null, { kind: "remove-photo", id: one.id });
    await markPhotos(store.db, keeper.householdId, [one.photoId], { kind: "away" });
    await emptyTray(store.db, keeper.householdId);
    const before = (await read()).days;
    expect(await undoLastChange(store.db, author())).toEqual({ ok: false, reason: "changed-since" });
    expect((await read()).days).toEqual(before);
  });

  it("tells every album that uses a picture when its look changes", async () => {
    const { keeper, read, one } = await withPrints();
    const look = { ...NO_LOOK, light: 12 };
    await read();
    await markPhotos(store.db, keeper.householdId, [one.photoId], { kind: "look", look });
    const { days } = await read();
    expect(days[0]?.content.photos[0]?.picture.look).toEqual(look);
  });
});

describe("prints", () => {
  it("are wanted until they are on a sheet, printed when it is, and cut out with their last cut; the page's steps follow", async () => {
    const { albumId, author, one, two, standing, done } = await withPrints();
    expect(await standing(one.id)).toBe("wanted");
    expect(await makeSheets(store.db, author(), "photos", [sheetOf(one.id, two.id)])).toEqual({
      ok: true,
      sheets: [1],
    });
    expect(await standing(one.id)).toBe("on-sheet");
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", true);
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["printed", "printed"]);
    expect(await done()).toContain("print");
    expect(await done()).not.toContain("trim");
    await tickCut(store.db, author(), sheet?.id ?? "", 0, true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["trimmed", "printed"]);
    await tickCut(store.db, author(), sheet?.id ?? "", 1, true);
    expect(await done()).toContain("trim");
    await tickCut(store.db, author(), sheet?.id ?? "", 1, false);
    expect(await standing(two.id)).toBe("printed");
    expect(await done()).not.toContain("trim");
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", false);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["on-sheet", "on-sheet"]);
    expect(await done()).not.toContain("print");
    expect((await readSheets(store.db, albumId))[0]?.cutsDone).toEqual([]);
  });

  it("are not made twice by two windows", async () => {
    const { author, one } = await withPrints();
    const both = await Promise.all([1, 2].map(() => makeSheets(store.db, author(), "photos", [sheetOf(one.id)])));
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });

  it("are not made twice in one go, nor a card in parts, nor anything that no day has", async () => {
    const { author, one } = await withPrints();
    const refused = { ok: false, reason: "changed-since" };
    const twice = [sheetOf(one.id), sheetOf(one.id)];
    expect(await makeSheets(store.db, author(), "photos", twice)).toEqual(refused);
    for (const word of [randomUUID(), `${one.id}~2x1.2.0`, "nothing"])
      expect(await makeSheets(store.db, author(), "photos", [sheetOf(word)])).toEqual(refused);
    expect(await makeSheets(store.db, author(), "cards", [sheetOf(one.id)])).toEqual(refused);
  });

  it("made in parts are done when their parts are; a part that is spoiled is wanted alone", async () => {
    const { author, one, standing, read } = await withPrints();
    const tiles = tilesOf({ across: 2, down: 1 });
    const half = (at: number) => {
      const tile = tiles[at];
      if (!tile) throw new Error("two halves");
      const { w, h } = tileAt(one.print, tile);
      const base = sheetOf(writePrintOf({ id: one.id, tile }));
      return { ...base, prints: base.prints.map((each) => ({ ...each, at: rect(0, 0, w, h) })) };
    };
    const both = await makeSheets(store.db, author(), "photos", [half(0), half(1)]);
    expect(both).toEqual({ ok: true, sheets: [1, 2] });
    expect(await standing(one.id)).toBe("on-sheet");
    const sheets = await readSheets(store.db, (await read()).album.id);
    for (const { id } of sheets) await markSheetPrinted(store.db, author(), id, true);
    expect(await standing(one.id)).toBe("printed");
    const right = (await read()).prints.find(({ tile }) => tile?.column === 1);
    expect(right?.tile).toEqual({ ...tiles[1], whole: one.print });
    await markSpoiled(store.db, author(), right?.id ?? "", true);
    expect(await standing(one.id)).toBe("wanted");
    expect((await makeSheets(store.db, author(), "photos", [half(0)])).ok).toBe(false);
    expect((await makeSheets(store.db, author(), "photos", [half(1)])).ok).toBe(true);
    expect(await standing(one.id)).toBe("on-sheet");
  });

  it("spoiled are wanted again, and a spare on the same sheet takes their place", async () => {
    const { author, one, standing, done, read } = await withPrints();
    const base = sheetOf(one.id);
    const spare = { id: one.id, at: rect(0, inches(4), inches(6), inches(4)), turned: false, spare: true };
    await makeSheets(store.db, author(), "photos", [{ ...base, prints: [...base.prints, spare] }]);
    const [sheet] = await readSheets(store.db, (await read()).album.id);
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", true);
    const prints = async () => (await read()).prints;
    const [first, second] = await prints();
    await markSpoiled(store.db, author(), first?.id ?? "", true);
    expect(await standing(one.id)).toBe("printed");
    await markSpoiled(store.db, author(), second?.id ?? "", true);
    expect(await standing(one.id)).toBe("wanted");
    expect(await done()).not.toContain("print");
    await markSpoiled(store.db, author(), second?.id ?? "", false);
    expect(await standing(one.id)).toBe("printed");
  });

  it("are wanted again when their size, their crop or their picture's look changes", async () => {
    const { keeper, author, dayId, one, two, standing, albumId } = await withPrints();
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id, two.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", true);
    await saveDayEdit(store.db, author(), dayId, null, {
      kind: "photo-crop",
      id: one.id,
      crop: { ...AS_IT_COMES, closer: 130 },
    });
    expect(await standing(one.id)).toBe("wanted");
    await undoLastChange(store.db, author());
    expect(await standing(one.id)).toBe("printed");
    await markPhotos(store.db, keeper.householdId, [two.photoId], {
      kind: "look",
      look: { ...NO_LOOK, blackAndWhite: true },
    });
    expect(await standing(two.id)).toBe("wanted");
  });

  it("of a sheet that is put away unprinted are wanted again; a printed sheet stays", async () => {
    const { author, one, standing, albumId } = await withPrints();
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", true);
    expect(await dropSheet(store.db, author(), sheet?.id ?? "")).toEqual({ ok: false, reason: "printed" });
    await markSheetPrinted(store.db, author(), sheet?.id ?? "", false);
    expect(await dropSheet(store.db, author(), sheet?.id ?? "")).toEqual({ ok: true });
    expect(await standing(one.id)).toBe("wanted");
  });

  it("wait at the lab until their order has come", async () => {
    const { author, one, two, standing, done } = await withPrints();
    const dates = { orderedOn: "2026-12-01" as CalendarDate, dueOn: "2026-12-04" as CalendarDate };
    const order = await keepOrder(store.db, author(), [one.id, two.id], dates);
    if (!order.ok) throw new Error(order.reason);
    expect(await standing(one.id)).toBe("at-lab");
    expect(await keepOrder(store.db, author(), [one.id], dates)).toEqual({ ok: false, reason: "changed-since" });
    await markArrived(store.db, author(), order.orderId, true);
    expect(await done()).toEqual(expect.arrayContaining(["print", "trim"]));
    await markArrived(store.db, author(), order.orderId, false);
    expect(await standing(two.id)).toBe("at-lab");
    expect(await done()).not.toContain("print");
  });

  it("made elsewhere are so when the keeper says so", async () => {
    const { author, one, two, standing, done } = await withPrints();
    await markByHand(store.db, author(), "photos", [one.id], true);
    expect(await standing(one.id)).toBe("trimmed");
    expect(await done()).not.toContain("print");
    await markByHand(store.db, author(), "photos", [two.id], true);
    expect(await done()).toContain("print");
    await markByHand(store.db, author(), "photos", [two.id], false);
    expect(await standing(two.id)).toBe("wanted");
  });

  it("on cards that have their own print are so when the keeper says so; a tick made by hand is left alone", async () => {
    const { author, dayId, done, read } = await withPrints();
    const blank = newCard(randomUUID(), size(inches(3), inches(4)), "Saffron loaves");
    const card = { ...blank, setting: { ...usualSetting(blank.size), stock: "printed" as const } };
    await saveDayEdit(store.db, author(), dayId, null, { kind: "add-card", card });
    const said = async () => cardStandings((await read()).pages, (await read()).prints)[0]?.standing.kind;
    expect(await said()).toBe("carrier");
    await markByHand(store.db, author(), "cards", [card.id], true);
    expect([await said(), (await done()).includes("letter")]).toEqual(["trimmed", true]);
    await markByHand(store.db, author(), "cards", [card.id], false);
    expect([await said(), (await done()).includes("letter")]).toEqual(["carrier", false]);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "step", step: "letter", done: true });
    await markByHand(store.db, author(), "cards", [card.id], false);
    expect(await done()).toContain("letter");
    const stranger = await newAlbum(store);
    expect(await markByHand(store.db, stranger.author(), "cards", [card.id], true)).toEqual({
      ok: false,
      reason: "not-found",
    });
  });

  it("belong to nobody else: another household's sheet is not there", async () => {
    const { author, one, albumId } = await withPrints();
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    const stranger = await newAlbum(store);
    expect(await markSheetPrinted(store.db, stranger.author(), sheet?.id ?? "", true)).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await makeSheets(store.db, stranger.author(), "photos", [sheetOf(one.id)])).toEqual({
      ok: false,
      reason: "changed-since",
    });
  });
});

describe("pictures for waiting prints", () => {
  it("go into the rooms kept for them, in one act that is taken back whole", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const read = async () => {
      const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
      if (!aggregate) throw new Error("the album is not there");
      const pages = pagesOf(aggregate.album, aggregate.days);
      return {
        ...aggregate,
        waiting: waitingPrints(
          readBook(aggregate.album, pages, aggregate.leaves),
          pages,
          aggregate.album.format.nominal,
        ),
      };
    };
    const dayId = (await read()).days[0]?.id ?? "";
    await saveDayEdit(store.db, author(), dayId, null, {
      kind: "foundation",
      foundation: { kind: "full", layout: null, basePaper: "", note: "" },
    });
    const leaf = (await read()).leaves[0];
    const room = {
      id: "room-1",
      what: { kind: "room" as const, keeps: "photo" as const, size: size(inches(4), inches(3)) },
      at: { x: inches(1), y: inches(1) },
      turn: 0 as const,
      outside: false,
    };
    await saveBookEdit(store.db, author(), null, {
      kind: "arrange",
      leaf: leaf?.id ?? "",
      face: "front",
      pieces: [room],
    });
    const before = (await read()).waiting;
    const wanted = before.find(({ place }) => place !== null);
    expect(wanted).toMatchObject({
      dayId,
      print: size(inches(4), inches(3)),
      place: { piece: "room-1", face: "front" },
    });
    // The other nine days wait for a first picture each.
    expect(before).toHaveLength(10);
    const { kept } = await aPhoto(keeper.householdId);
    if (!wanted) throw new Error("looked at above");
    const placed = await placePhotos(store.db, author(), [
      { dayId, photoId: kept.id, print: wanted.print, place: wanted.place },
    ]);
    expect(placed).toBe(1);
    const now = await read();
    const use = now.days[0]?.content.photos[0];
    expect(use).toMatchObject({ photoId: kept.id, print: wanted.print });
    expect(now.leaves[0]?.front.pieces).toMatchObject([
      { id: use?.id, what: { kind: "photo", use: use?.id, cut: null }, at: room.at },
    ]);
    expect(now.waiting).toHaveLength(9);
    expect((await undoLastChange(store.db, author())).ok).toBe(true);
    const back = await read();
    expect(back.days[0]?.content.photos).toEqual([]);
    expect(back.leaves[0]?.front.pieces).toMatchObject([{ id: "room-1", what: { kind: "room" } }]);
  });

  it("pass over a picture of another household, and one that is on its day already", async () => {
    const { author, dayId, one } = await withPrints();
    const stranger = await aPhoto((await newKeeper(store)).householdId);
    const print = one.print;
    const placed = await placePhotos(store.db, author(), [
      { dayId, photoId: stranger.kept.id, print, place: null },
      { dayId, photoId: one.photoId, print, place: null },
    ]);
    expect(placed).toBe(0);
  });

  it("follow the album's rule, which is its own household's to set", async () => {
    const { keeper, albumId, read } = await withPrints();
    const other = await newKeeper(store);
    expect(await setPhotoRule(store.db, other.householdId, albumId, "any")).toBe(false);
    expect(await setPhotoRule(store.db, keeper.householdId, albumId, "that-day")).toBe(true);
    expect((await read()).album.photoRule).toBe("that-day");
  });
});
