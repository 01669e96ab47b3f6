import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { buffer } from "node:stream/consumers";
import { eq } from "drizzle-orm";
import { strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { afterAll, describe, expect, it } from "vitest";
import type { Owner, Piece } from "../core/album/leaf.ts";
import { AS_USUAL } from "../core/album/made-of.ts";
import { newCard } from "../core/album/model.ts";
import { grid } from "../core/book/layout.ts";
import { newThing } from "../core/drawer/thing.ts";
import { ARCHIVE_VERSION } from "../core/format/archive.ts";
import { inches } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { mergeWithNeighbour } from "../core/month/slots.ts";
import { FIRST_STEPS } from "../core/pace/first-evening.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { ALL_OF_IT } from "../core/photo/preprint.ts";
import { FOR_GOOD } from "../core/share/share.ts";
import { readAlbum } from "../store/album.ts";
import { saveBookEdit } from "../store/book.ts";
import { changeMonth, saveDayEdit } from "../store/day.ts";
import { keepThing, readDrawer } from "../store/drawer.ts";
import { putOnPage, saveCalendar } from "../store/known.ts";
import { saveLayout } from "../store/library/pages.ts";
import { changeMatter } from "../store/matter.ts";
import { keepPhoto, readVersion } from "../store/photo.ts";
import { setPhotoRule } from "../store/place-photos.ts";
import { markPhotos } from "../store/roll.ts";
import { album } from "../store/schema/index.ts";
import { readShelf } from "../store/shelf.ts";
import { addTryOut } from "../store/try-out.ts";
import { newAlbum, newKeeper, openTestStore } from "../tests/household.ts";
import { aPhoto, withPrints } from "../tests/prints.ts";
import { makeOf, PLAIN_USE } from "../tests/samples.ts";
import { packAlbum, unpackAlbum } from "./archive.ts";
import type { ForWhom } from "./archive-words.ts";
import { hashOf, readPicture } from "./picture.ts";
import { openZip } from "./zip.ts";

const store = openTestStore();
afterAll(() => store.close());
const folder = mkdtempSync(path.join(tmpdir(), "hearth-press-"));

const plain = (width = 60, height = 40) => sharp({ create: { width, height, channels: 3, background: "#b8451b" } });
const PLACE = {
  IFD2: { DateTimeOriginal: "2026:12:09 17:48:00" },
  IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1", GPSLongitudeRef: "W", GPSLongitude: "3/1 12/1 0/1" },
};
const PATTERN = {
  cycle: ["mantel"],
  rules: [{ when: "photos", atLeast: 3, template: "mantel" } as const],
  without: [],
};

async function albumWithPhoto() {
  const { keeper, albumId, author } = await newAlbum(store);
  const read = await readPicture(await plain(320, 240).withExif(PLACE).jpeg().toBuffer(), "boat.jpg");
  if (!read.ok) throw new Error(read.reason);
  const kept = await keepPhoto(store.db, keeper.householdId, read.photo);
  for (const kind of ["star", "banked"] as const)
    await markPhotos(store.db, keeper.householdId, [kept.id], { kind, on: true });
  await setPhotoRule(store.db, author(), "any");
  await store.db.update(album).set({ pattern: PATTERN }).where(eq(album.id, albumId));
  const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
  const [one, two] = aggregate?.days ?? [];
  const print = { w: inches(6), h: inches(4) };
  for (const day of [one, two]) {
    await saveDayEdit(store.db, author(), day?.id ?? "", null, {
      kind: "add-photo",
      photo: { id: randomUUID(), photoId: kept.id, print, alt: "A boat", ...PLAIN_USE },
    });
  }
  await saveDayEdit(store.db, author(), one?.id ?? "", null, {
    kind: "add-card",
    card: newCard(randomUUID(), print, "Words, “quoted”; 4½″\nand a line"),
  });
  await saveDayEdit(store.db, author(), one?.id ?? "", null, { kind: "finish" });
  await changeMonth(store.db, author(), { what: "told" }, (slots, span) =>
    mergeWithNeighbour(slots, span, two?.id ?? "", "after"),
  );
  return { keeper, albumId, original: read.photo };
}

const TODAY = "2026-12-09" as CalendarDate;
const ON_A_DAY = { from: "2026-12-12" as CalendarDate, to: "2026-12-12" as CalendarDate };

async function pack(householdId: string, albumId: string, forWhom: ForWhom = "self"): Promise<string> {
  const aggregate = await readAlbum(store.db, householdId, albumId);
  if (!aggregate) throw new Error("the album is not there");
  const file = path.join(folder, `${randomUUID()}.zip`);
  writeFileSync(
    file,
    await buffer(
      (await packAlbum(store.db, householdId, aggregate, forWhom, TODAY, new Date("2026-12-09T18:40:00Z"))).zip,
    ),
  );
  return file;
}

/** What an album says, apart from the ids that each household gives anew. */
async function saidBy(householdId: string, albumId: string) {
  const aggregate = await readAlbum(store.db, householdId, albumId);
  if (!aggregate) throw new Error("the album is not there");
  const { id: _, version: __, firstSettled: ___, ...album } = aggregate.album;
  const days = aggregate.days.map(({ date, skipped, mergedInto, content }) => ({
    date,
    skipped,
    sharesWith: aggregate.days.find(({ id }) => id === mergedInto)?.date,
    ...content,
    cards: content.cards.map(({ id: _id, preprint, ...card }) => ({
      ...card,
      preprint: preprint && { ...preprint, photoId: aggregate.photos.get(preprint.photoId)?.sha256 },
    })),
    jottings: content.jottings.map(({ id: _id, ...jotting }) => jotting),
    photos: content.photos.map(({ id: _id, photoId, together, ...use }) => ({
      ...use,
      together: together && {
        ...together,
        others: together.others.map((each) => ({
          ...each,
          photoId: aggregate.photos.get(each.photoId)?.sha256,
        })),
      },
      sha256: aggregate.photos.get(photoId)?.sha256,
    })),
  }));
  return { album, days, photos: [...aggregate.photos.values()].map(({ id: _id, ...photo }) => photo) };
}

describe("an archive", () => {
  it("read into another household is the same album, its photo kept once and used twice", async () => {
    const { keeper, albumId, original } = await albumWithPhoto();
    const other = await newKeeper(store);
    const read = await unpackAlbum(store.db, other.householdId, await pack(keeper.householdId, albumId), {
      asCopy: false,
      readPicture,
    });
    if (!read.ok) throw new Error(read.reason);
    expect(await saidBy(other.householdId, read.albumId)).toEqual(await saidBy(keeper.householdId, albumId));
    const there = await readAlbum(store.db, other.householdId, read.albumId);
    expect(there?.photos.size).toBe(1);
    const [photo] = there?.photos.values() ?? [];
    expect(photo).toMatchObject({ star: true, banked: true, setAside: false });
    expect(there?.album).toMatchObject({ photoRule: "any", preparing: "parts", pattern: PATTERN });
    // Begun long ago: no first evening leads through it.
    expect(there?.album.firstSettled).toEqual([...FIRST_STEPS]);
    expect(photo?.sha256).toBe(hashOf(original.bytes));
    expect(await readVersion(store.db, other.householdId, photo?.id ?? "", 480)).toBeTruthy();
    expect(await readVersion(store.db, keeper.householdId, photo?.id ?? "", 480)).toBeNull();
  });

  it("has the pictures that share a print, and those of printed cards, and is nobody's who may not see them", async () => {
    const { keeper, albumId, author, dayId, one } = await withPrints(store);
    const { db } = store;
    const [other, card] = [await aPhoto(store, keeper.householdId), await aPhoto(store, keeper.householdId)];
    const shared = [one.photoId, other.kept.id].map((photoId) => ({
      photoId,
      crop: AS_IT_COMES,
      picture: UNKNOWN_PICTURE,
    }));
    await saveDayEdit(db, author(), dayId, null, {
      ...{ kind: "photo-together", id: one.id, along: "columns", counts: [2], gap: inches(1 / 8), pictures: shared },
    });
    const mine = newCard(randomUUID(), { w: inches(3), h: inches(4) }, "Said on it");
    await saveDayEdit(db, author(), dayId, null, { kind: "add-card", card: mine });
    const corners = ALL_OF_IT;
    const preprint = { photoId: card.kept.id, corners };
    await saveDayEdit(db, author(), dayId, null, { kind: "card-preprint", id: mine.id, preprint });
    const stranger = await newKeeper(store);
    const read = await unpackAlbum(db, stranger.householdId, await pack(keeper.householdId, albumId), {
      ...{ asCopy: false, readPicture },
    });
    if (!read.ok) throw new Error(read.reason);
    const theirs = await saidBy(stranger.householdId, read.albumId);
    expect(theirs).toEqual(await saidBy(keeper.householdId, albumId));
    expect(theirs.days[0]?.photos[0]?.together?.others).toMatchObject([{ photoId: other.photo.sha256 }]);
    expect(theirs.days[0]?.cards[0]?.preprint).toEqual({ photoId: card.photo.sha256, corners });
    // What is private goes with all its pictures.
    await saveDayEdit(db, author(), dayId, null, { kind: "photo-private", id: one.id, privateUntil: FOR_GOOD });
    await saveDayEdit(db, author(), dayId, null, {
      ...{ kind: "card-secrecy", id: mine.id, hidden: "", privateUntil: FOR_GOOD },
    });
    const file = readFileSync(await pack(keeper.householdId, albumId, "others"));
    for (const { photo } of [other, card]) expect(file.includes(photo.sha256)).toBe(false);
  });

  it("carries the book: order, owners, pieces, try-outs, and an own layout that is not doubled where it is known", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { householdId } = keeper;
    const layout = await saveLayout(store.db, householdId, {
      name: "Six",
      page: { w: inches(6), h: inches(8) },
      margin: inches(0),
      root: grid(3, 2),
    });
    const before = await readAlbum(store.db, householdId, albumId);
    const dayId = before?.days[0]?.id ?? "";
    const make = makeOf({ kind: "pocket", layout, basePaper: "Oak", note: "joined from two" });
    const [given, added, titlePage] = [randomUUID(), randomUUID(), randomUUID()];
    await changeMatter(store.db, author(), { what: "matter", how: "add", id: titlePage, matter: "title" });
    await changeMatter(store.db, author(), { what: "matter", how: "date", id: titlePage, date: "2026-11-29" });
    await saveDayEdit(store.db, author(), titlePage, null, { kind: "title", text: "Lantern Month" });
    await saveBookEdit(store.db, author(), null, { kind: "give-leaf", id: given, make, dayId });
    await saveBookEdit(store.db, author(), null, {
      kind: "tick",
      leaf: given,
      face: null,
      guest: null,
      step: "base",
      done: true,
    });
    await saveBookEdit(store.db, author(), null, {
      kind: "tick",
      leaf: given,
      face: "front",
      guest: null,
      step: "assemble",
      done: true,
    });
    const nobody = { kind: "nobody" as const };
    await saveBookEdit(store.db, author(), null, {
      kind: "add-leaf",
      id: added,
      make: makeOf({ layout, insert: "tag", size: { w: inches(2), h: inches(4) } }),
      after: null,
      front: { kind: "day", dayId: titlePage },
      back: nobody,
    });
    const stars = randomUUID();
    await keepThing(store.db, author(), stars, { ...newThing("Stars", "paper", 3), lies: "tin", note: "the last" });
    const filler: Piece = {
      id: "a-filler",
      of: { ...AS_USUAL, thing: stars, layers: 2, sits: "foam-dot" },
      what: { kind: "filler", size: { w: inches(3), h: inches(4) }, name: "Stars" },
      at: { x: inches(1), y: inches(-0.5) },
      turn: 3,
      outside: true,
      dayId: null,
    };
    await saveBookEdit(store.db, author(), null, { kind: "arrange", leaf: added, face: "back", pieces: [filler] });
    // The title page's side is shared by the first day: a made piece there is the day's, and its ticks are its own.
    const front = { leaf: added, face: "front" as const };
    const mark: Piece = { ...filler, id: "a-mark", dayId };
    await saveBookEdit(store.db, author(), null, { kind: "share-side", ...front, dayId, shares: true });
    await saveBookEdit(store.db, author(), null, { kind: "arrange", ...front, pieces: [mark] });
    await saveBookEdit(store.db, author(), null, {
      kind: "tick",
      ...front,
      guest: dayId,
      step: "assemble",
      done: true,
    });
    await addTryOut(store.db, author(), { id: randomUUID(), leafId: added, face: "back", pieces: [] });
    const file = await pack(householdId, albumId);
    const other = await newKeeper(store);
    const bookOf = async (household: string, id: string) => {
      const there = await readAlbum(store.db, household, id);
      if (!there) throw new Error("the album is not there");
      const dayAt = new Map<string, unknown>([
        ...there.days.map((day) => [day.id, day.date] as const),
        ...there.matters.map(({ id: _, version: __, ...entry }, at) => [there.matters[at]?.id ?? "", entry] as const),
      ]);
      const things = new Map((await readDrawer(store.db, household)).map(({ id: own, ...thing }) => [own, thing]));
      const layoutName = new Map(there.layouts.map((each) => [each.id, each.name]));
      const owner = (of: Owner) => (of.kind === "day" ? dayAt.get(of.dayId) : of);
      return {
        layouts: there.layouts.map(({ id: _, ...rest }) => rest),
        tryOuts: there.tryOuts.map(({ name, face, pieces }) => [name, face, pieces]),
        leaves: there.leaves.map(({ make, done, front, back }) => [
          { ...make, layout: layoutName.get(make.layout ?? "") },
          done,
          ...[front, back].map((side) => ({
            ...side,
            owner: owner(side.owner),
            guests: side.guests.map((guest) => [dayAt.get(guest.dayId), guest.done]),
            pieces: side.pieces?.map((piece) => ({
              ...piece,
              dayId: piece.dayId && dayAt.get(piece.dayId),
              thing: things.get(piece.of?.thing ?? ""),
              of: piece.of && { ...piece.of, thing: null },
            })),
          })),
        ]),
      };
    };
    const read = await unpackAlbum(store.db, other.householdId, file, { asCopy: false, readPicture });
    if (!read.ok) throw new Error(read.reason);
    const carried = await bookOf(other.householdId, read.albumId);
    expect(carried).toEqual(await bookOf(householdId, albumId));
    expect((await readDrawer(store.db, other.householdId)).map(({ name, count, lies }) => [name, count, lies])).toEqual(
      [["Stars", 3, "tin"]],
    );
    const handedOn = await newKeeper(store);
    await unpackAlbum(store.db, handedOn.householdId, await pack(householdId, albumId, "others"), {
      asCopy: false,
      readPicture,
    });
    expect(await readDrawer(store.db, handedOn.householdId)).toMatchObject([{ name: "Stars", lies: "", note: "" }]);
    expect(carried.leaves.flat()).toContainEqual(
      expect.objectContaining({
        guests: [["2026-12-01", ["assemble"]]],
        pieces: [expect.objectContaining({ dayId: "2026-12-01" })],
      }),
    );
    const copy = await unpackAlbum(store.db, householdId, file, { asCopy: true, readPicture });
    if (!copy.ok) throw new Error(copy.reason);
    // The household has that layout already: the copy uses it.
    expect((await bookOf(householdId, copy.albumId)).layouts.length).toBe(1);
    expect(await bookOf(householdId, copy.albumId)).toEqual(await bookOf(householdId, albumId));
    expect(await readDrawer(store.db, householdId)).toHaveLength(1);
  });

  it("is not read a second time unless asked for a copy", async () => {
    const { keeper, albumId } = await albumWithPhoto();
    const file = await pack(keeper.householdId, albumId);
    expect(await unpackAlbum(store.db, keeper.householdId, file, { asCopy: false, readPicture })).toEqual({
      ok: false,
      reason: "already-here",
      albumId,
    });
    expect((await unpackAlbum(store.db, keeper.householdId, file, { asCopy: true, readPicture })).ok).toBe(true);
    expect((await readShelf(store.db, keeper.householdId)).length).toBe(2);
  });

  it("to hand on holds no place in any photo, and reads back all the same", async () => {
    const { keeper, albumId } = await albumWithPhoto();
    const file = await pack(keeper.householdId, albumId, "others");
    const other = await newKeeper(store);
    const read = await unpackAlbum(store.db, other.householdId, file, { asCopy: false, readPicture });
    expect(read.ok).toBe(true);
    const files = unzipSync(readFileSync(file));
    const bytes = Buffer.from(Object.entries(files).find(([name]) => name.startsWith("photos/"))?.[1] ?? []);
    const again = await readPicture(bytes, "a.jpg");
    expect(again.ok && again.photo.hasPlace).toBe(false);
    expect(again.ok && again.photo.capturedAt).toBe("2026-12-09T17:48:00");
  });

  it("has what is known ahead; to hand on only what stands on the month's page, and not where it was read", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const event = (key: string, title: string) => ({
      key: `${key}@home`,
      title,
      ...ON_A_DAY,
      starts: "18:00",
      ends: null,
    });
    await saveCalendar(store.db, author(), "Family", [event("a", "Lamp parade"), event("b", "Wicks for Gran")]);
    await putOnPage(store.db, author(), "a@home", true);
    const inFile = (file: string) =>
      JSON.parse(Buffer.from(unzipSync(readFileSync(file))["album.json"] ?? []).toString("utf8")).known;
    expect(inFile(await pack(keeper.householdId, albumId, "others"))).toEqual([
      { ...event("a", "Lamp parade"), key: "known-0", source: "", onPage: true },
    ]);
    const own = await pack(keeper.householdId, albumId);
    const other = await newKeeper(store);
    const read = await unpackAlbum(store.db, other.householdId, own, { asCopy: false, readPicture });
    if (!read.ok) throw new Error(read.reason);
    const [mine, theirs] = await Promise.all([
      readAlbum(store.db, keeper.householdId, albumId),
      readAlbum(store.db, other.householdId, read.albumId),
    ]);
    expect(theirs?.known).toEqual(mine?.known);
    expect(theirs?.known).toHaveLength(2);
  });

  it("to hand on never holds what is private as of its day, and says how much it left out; one for oneself holds all", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const day = (await readAlbum(store.db, keeper.householdId, albumId))?.days[0];
    const secret = "behind the spare wicks";
    const until = "2026-12-25" as CalendarDate;
    const card = {
      ...newCard(randomUUID(), { w: inches(3), h: inches(4) }, secret),
      back: secret,
      privateUntil: until,
    };
    await saveDayEdit(store.db, author(), day?.id ?? "", null, { kind: "add-card", card });
    const jotting = { id: randomUUID(), text: secret, at: "2026-12-01T18:40", privateUntil: until };
    await saveDayEdit(store.db, author(), day?.id ?? "", null, { kind: "add-jotting", jotting });
    const described = async (today: CalendarDate, forWhom: ForWhom = "others") => {
      const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
      if (!aggregate) throw new Error("the album is not there");
      const zip = await buffer(
        (await packAlbum(store.db, keeper.householdId, aggregate, forWhom, today, new Date(0))).zip,
      );
      return Buffer.from(unzipSync(zip)["album.json"] ?? new Uint8Array()).toString("utf8");
    };
    const before = await described(TODAY);
    expect(before).not.toContain(secret);
    expect(JSON.parse(before)).toMatchObject({ privateLeftOut: 2 });
    const after = await described(until);
    expect(after.split(secret).length - 1).toBe(3);
    expect(JSON.parse(after)).toMatchObject({ privateLeftOut: 0 });
    // For oneself it is all there, and as private as it was.
    const own = await described(TODAY, "self");
    expect(own.split(secret).length - 1).toBe(3);
    expect(JSON.parse(own)).toMatchObject({ privateLeftOut: 0, photosAsAdded: true });
  });

  it("is refused whole, and leaves nothing, when it is cut off, climbs, swells, is newer or has lost a photo", async () => {
    const { keeper, albumId } = await albumWithPhoto();
    const whole = readFileSync(await pack(keeper.householdId, albumId));
    const other = await newKeeper(store);
    const attempt = async (bytes: Uint8Array) => {
      const name = path.join(folder, `${randomUUID()}.zip`);
      writeFileSync(name, bytes);
      const read = await unpackAlbum(store.db, other.householdId, name, { asCopy: false, readPicture });
      return read.ok ? "read" : read.reason;
    };
    const files = unzipSync(whole);
    const described = Buffer.from(files["album.json"] ?? []).toString();
    const changed = (text: string) => zipSync({ ...files, "album.json": strToU8(text) });
    expect(await attempt(whole.subarray(0, whole.length - 400))).toBe("not-a-zip");
    expect(await attempt(Buffer.from("PK and nothing more"))).toBe("not-a-zip");
    expect(await attempt(zipSync({ "../../album.json": strToU8(described) }))).toBe("path-climbs");
    expect(await attempt(zipSync({ "/etc/album.json": strToU8(described) }))).toBe("path-climbs");
    expect(await attempt(zipSync({ "album.json": new Uint8Array(30_000_000) }))).toBe("too-much-inside");
    expect(
      await attempt(
        changed(described.replace(`"formatVersion": ${ARCHIVE_VERSION}`, `"formatVersion": ${ARCHIVE_VERSION + 1}`)),
      ),
    ).toBe("newer-format");
    expect(await attempt(changed(described.slice(0, -50)))).toBe("damaged");
    expect(await attempt(zipSync({ "readme.txt": strToU8("hello") }))).toBe("not-an-archive");
    expect(await attempt(zipSync({ "album.json": strToU8(described) }))).toBe("photo-missing");
    const photo = Object.keys(files).find((name) => name.startsWith("photos/")) ?? "";
    expect(await attempt(zipSync({ ...files, [photo]: strToU8("no picture") }))).toBe("photo-unreadable");
    expect(await readShelf(store.db, other.householdId)).toEqual([]);
  });
});

describe("a ZIP", () => {
  it("that lies about its unpacked size is stopped while it is unpacked", async () => {
    const bytes = Buffer.from(zipSync({ "album.json": [new Uint8Array(400_000), { level: 9 }] }));
    // The declared size stands in the local and in the central header; both are made to say 4000.
    for (
      let at = bytes.indexOf(Buffer.from([0x80, 0x1a, 0x06, 0x00]));
      at >= 0;
      at = bytes.indexOf(Buffer.from([0x80, 0x1a, 0x06, 0x00]), at + 1)
    )
      bytes.writeUInt32LE(4000, at);
    const file = path.join(folder, "liar.zip");
    writeFileSync(file, bytes);
    const zip = await openZip(file);
    if (!zip.ok) throw new Error(zip.reason);
    await expect(zip.entries.get("album.json")?.read(1_000_000)).rejects.toThrow("damaged");
    zip.close();
  });
});
