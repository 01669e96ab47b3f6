import { createHash, randomBytes } from "node:crypto";
import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { PLAIN_PAPER } from "../core/album/leaf.ts";
import { pagesOf } from "../core/album/page.ts";
import { readBook } from "../core/book/read.ts";
import { waitingPrints } from "../core/book/waiting.ts";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { NO_LOOK } from "../core/photo/look.ts";
import { newAlbum, newKeeper, openTestStore } from "../tests/household.ts";
import { aPhoto, withPrints } from "../tests/prints.ts";
import { readAlbum } from "./album.ts";
import { saveBookEdit } from "./book.ts";
import { saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { readKeptTray, takeBackKept } from "./library/tray.ts";
import {
  findPhoto,
  keepPhoto,
  keepTraits,
  readOriginal,
  readOriginalInSlices,
  readTraits,
  withoutTraits,
} from "./photo.ts";
import { placePhotos, setPhotoRule } from "./place-photos.ts";
import { knownPictures, markPhotos, readRoll } from "./roll.ts";
import { dropExpired, emptyTray, putBack } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());

describe("the roll", () => {
  it("keeps a picture once with what is computed of it, and says whose it is", async () => {
    const keeper = await newKeeper(store);
    const other = await newKeeper(store);
    const { kept, photo } = await aPhoto(store, keeper.householdId);
    expect(kept.isNew).toBe(true);
    expect((await keepPhoto(store.db, keeper.householdId, photo)).isNew).toBe(false);
    const [first, ...rest] = await readRoll(store.db, keeper.householdId);
    expect(rest).toEqual([]);
    expect(first).toMatchObject({
      id: kept.id,
      star: false,
      setAside: false,
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
    const { photo } = await aPhoto(store, (await newKeeper(store)).householdId);
    const kept = await Promise.all([1, 2, 3].map(() => keepPhoto(store.db, keeper.householdId, photo)));
    expect(new Set(kept.map(({ id }) => id)).size).toBe(1);
    expect(kept.filter(({ isNew }) => isNew)).toHaveLength(1);
  });

  it("keeps large ones byte for byte, several in one act, and the same one handed in at the same moment", async () => {
    const { householdId } = await newKeeper(store);
    const { photo } = await aPhoto(store, householdId);
    const large = (length: number) => {
      const bytes = randomBytes(length);
      return { ...photo, bytes, sha256: createHash("sha256").update(bytes).digest("hex") };
    };
    // What goes at once, one byte less and more, and several times as much.
    const sizes = [262_143, 262_144, 262_145, 524_288, 1_700_007];
    const all = sizes.map(large);
    const ids: string[] = [];
    await store.db.transaction(async (tx) => {
      for (const each of all) ids.push((await keepPhoto(tx as never, householdId, each)).id);
    });
    const again = large(900_001);
    const kept = await Promise.all([1, 2, 3].map(() => keepPhoto(store.db, householdId, again)));
    expect(kept.filter(({ isNew }) => isNew)).toHaveLength(1);
    for (const [at, { bytes }] of [...all, again].entries()) {
      const id = ids[at] ?? kept[0]?.id ?? "";
      expect((await readOriginal(store.db, householdId, id))?.bytes.equals(bytes)).toBe(true);
      const slices: Buffer[] = [];
      for await (const slice of readOriginalInSlices(store.db, householdId, id)) slices.push(slice);
      expect(Buffer.concat(slices).equals(bytes)).toBe(true);
    }
  });

  it("says what is marked of its own pictures, and nothing of another household's", async () => {
    const keeper = await newKeeper(store);
    const other = await newKeeper(store);
    const { kept, photo } = await aPhoto(store, keeper.householdId);
    expect(await markPhotos(store.db, other.householdId, [kept.id], { kind: "star", on: true })).toBe(0);
    for (const kind of ["star", "set-aside", "banked"] as const)
      await markPhotos(store.db, keeper.householdId, [kept.id], { kind, on: true });
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "date", date: "2026-12-03" as CalendarDate });
    const look = { ...NO_LOOK, blackAndWhite: true, straighten: -12 };
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "look", look });
    const faces = [{ x: 4000, y: 2500, w: 1200, h: 1600 }];
    await markPhotos(store.db, other.householdId, [kept.id], { kind: "faces", faces: [] });
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "faces", faces });
    expect((await readRoll(store.db, keeper.householdId))[0]?.facts.faces).toEqual(faces);
    expect((await readRoll(store.db, keeper.householdId))[0]).toMatchObject({
      star: true,
      setAside: true,
      banked: true,
      givenDate: "2026-12-03",
      facts: { look },
    });
    // Always reversible: the picture itself is what it was.
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind: "look", look: NO_LOOK });
    expect((await findPhoto(store.db, keeper.householdId, photo.sha256))?.facts).toEqual({ ...kept.facts, faces });
  });

  it("stay on the roll however long no day uses them, and whatever tray is emptied", async () => {
    const keeper = await newKeeper(store);
    const { kept, photo } = await aPhoto(store, keeper.householdId);
    await emptyTray(store.db, keeper.householdId);
    await dropExpired(store.db, new Date(Date.now() + 400 * 86_400_000));
    expect((await readRoll(store.db, keeper.householdId)).map(({ id }) => id)).toEqual([kept.id]);
    expect((await readOriginal(store.db, keeper.householdId, kept.id))?.bytes).toEqual(photo.bytes);
  });

  it("put away lie in the tray, come back from it or with their file, and are gone when it is emptied", async () => {
    const keeper = await newKeeper(store);
    const { householdId } = keeper;
    const { kept, photo } = await aPhoto(store, householdId);
    const roll = async () => (await readRoll(store.db, householdId)).map(({ id }) => id);
    const away = { kind: "away" } as const;
    expect(await markPhotos(store.db, householdId, [kept.id], away)).toBe(1);
    expect([await roll(), await knownPictures(store.db, householdId, [photo.sha256])]).toEqual([[], []]);
    expect(await readKeptTray(store.db, householdId)).toMatchObject([{ kind: "picture", photoId: kept.id }]);
    expect(await takeBackKept(store.db, householdId, "picture", kept.id)).toBe(true);
    expect(await roll()).toEqual([kept.id]);
    await markPhotos(store.db, householdId, [kept.id], away);
    expect(await keepPhoto(store.db, householdId, photo)).toMatchObject({ id: kept.id, isNew: true });
    expect(await roll()).toEqual([kept.id]);
    await markPhotos(store.db, householdId, [kept.id], away);
    await dropExpired(store.db, new Date(Date.now() + 29 * 86_400_000));
    expect((await readKeptTray(store.db, householdId)).length).toBe(1);
    await emptyTray(store.db, householdId);
    expect([await readKeptTray(store.db, householdId), await roll()]).toEqual([[], []]);
    expect(await readOriginal(store.db, householdId, kept.id)).toBeNull();
  });

  it("are not put away while a day uses them, nor gone while a piece in the tray shows them", async () => {
    const { keeper, author, dayId, one } = await withPrints(store);
    const { householdId } = keeper;
    expect(await markPhotos(store.db, householdId, [one.photoId], { kind: "away" })).toBe(0);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "remove-photo", id: one.id });
    expect(await markPhotos(store.db, householdId, [one.photoId], { kind: "away" })).toBe(1);
    // The piece comes back from the tray: its picture is in use again.
    await putBack(store.db, householdId, "photo", one.id, author());
    expect(await readKeptTray(store.db, householdId)).toEqual([]);
    expect((await readRoll(store.db, householdId)).map(({ id }) => id)).toContain(one.photoId);
    await emptyTray(store.db, householdId);
    expect(await readOriginal(store.db, householdId, one.photoId)).not.toBeNull();
  });

  it("gone for good, cannot be brought back by taking a change back, and nothing else is changed by trying", async () => {
    const { keeper, author, dayId, one, read } = await withPrints(store);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "remove-photo", id: one.id });
    await markPhotos(store.db, keeper.householdId, [one.photoId], { kind: "away" });
    await emptyTray(store.db, keeper.householdId);
    const before = (await read()).days;
    expect(await takeBack(store.db, author())).toEqual({ ok: false, reason: "nothing-left" });
    expect((await read()).days).toEqual(before);
  });

  it("tells every album that uses a picture when its look changes", async () => {
    const { keeper, read, one } = await withPrints(store);
    const look = { ...NO_LOOK, light: 12 };
    await read();
    await markPhotos(store.db, keeper.householdId, [one.photoId], { kind: "look", look });
    const { days } = await read();
    expect(days[0]?.content.photos[0]?.picture.look).toEqual(look);
  });
});

describe("pictures for waiting prints", () => {
  it("go into the rooms kept for them, in one act that is taken back whole", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const read = async () => {
      const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
      if (!aggregate) throw new Error("the album is not there");
      const pages = pagesOf(aggregate);
      return {
        ...aggregate,
        waiting: waitingPrints(readBook(aggregate.album, pages, aggregate.leaves), pages, aggregate.album.format),
      };
    };
    const dayId = (await read()).days[0]?.id ?? "";
    await saveBookEdit(store.db, author(), null, {
      kind: "give-leaf",
      id: crypto.randomUUID(),
      make: { ...PLAIN_PAPER, kind: "full" },
      dayId,
    });
    const leaf = (await read()).leaves[0];
    const room = {
      id: "room-1",
      what: { kind: "room" as const, keeps: "photo" as const, size: size(inches(4), inches(3)) },
      at: { x: inches(1), y: inches(1) },
      turn: 0 as const,
      outside: false,
      dayId: null,
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
    const { kept } = await aPhoto(store, keeper.householdId);
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
    expect((await takeBack(store.db, author())).ok).toBe(true);
    const back = await read();
    expect(back.days[0]?.content.photos).toEqual([]);
    expect(back.leaves[0]?.front.pieces).toMatchObject([{ id: "room-1", what: { kind: "room" } }]);
  });

  it("pass over a picture of another household, and one that is on its day already", async () => {
    const { author, dayId, one } = await withPrints(store);
    const stranger = await aPhoto(store, (await newKeeper(store)).householdId);
    const print = one.print;
    const placed = await placePhotos(store.db, author(), [
      { dayId, photoId: stranger.kept.id, print, place: null },
      { dayId, photoId: one.photoId, print, place: null },
    ]);
    expect(placed).toBe(0);
  });

  it("follow the album's rule, which is its own household's to set", async () => {
    const { author, read } = await withPrints(store);
    const other = await newKeeper(store);
    const stranger = { ...author(), householdId: other.householdId, memberId: other.memberId };
    expect(await setPhotoRule(store.db, stranger, "any")).toBe(false);
    expect(await setPhotoRule(store.db, author(), "that-day")).toBe(true);
    expect((await read()).album.photoRule).toBe("that-day");
  });
});

describe("what is computed of a picture", () => {
  it("is computed anew where part of it was not known when it came in, and is read meanwhile", async () => {
    const keeper = await newKeeper(store);
    const { kept, photo: read } = await aPhoto(store, keeper.householdId);
    const { householdId } = keeper;
    await store.db.execute(sql`update picture_trait set detail = detail - 'tone' where sha256 = ${read.sha256}`);
    expect((await readTraits(store.db, householdId, kept.id))?.tone).toEqual(read.traits.light);
    const waits = async () => (await withoutTraits(store.db, 10_000)).some(({ sha256 }) => sha256 === read.sha256);
    expect(await waits()).toBe(true);
    await keepTraits(store.db, read.sha256, read.traits);
    expect(await waits()).toBe(false);
    expect((await readTraits(store.db, householdId, kept.id))?.tone).toEqual(read.traits.tone);
  });
});
