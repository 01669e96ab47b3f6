import { Readable } from "node:stream";
import { promisify } from "node:util";
import { gunzip, gzip } from "node:zlib";
import { writeArchive } from "../core/format/archive.ts";
import {
  albumEntry,
  HOUSEHOLD_ENTRY,
  HOUSEHOLD_FORMAT,
  HOUSEHOLD_VERSION,
  type HouseholdFile,
  type HouseholdFileProblem,
  readHouseholdFile,
  runningEntry,
  writeHouseholdFile,
} from "../core/format/household-file.ts";
import { readRunning, writeRunning } from "../core/format/running-file.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { albumOfArchive, readAlbums } from "../store/album.ts";
import { breaksRule, type Db, isBadValue, type Transaction } from "../store/db.ts";
import { bringThings, readDrawerWithAges, readThings } from "../store/drawer.ts";
import type { Household } from "../store/household.ts";
import { thingsOf, thingsOn } from "../store/leaf-row.ts";
import {
  bringDecks,
  bringLibrary,
  bringMembers,
  bringPrinters,
  bringRunning,
  bringSettings,
  decksOf,
  libraryOf,
  membersOf,
  printersOf,
  runningOf,
} from "../store/moving.ts";
import { filesOfPhotos, readOriginalInSlices } from "../store/photo.ts";
import { rollOf } from "../store/roll-out.ts";
import { albumIn, bringAlbum, jsonOf, keepPictures, type UnpackProblem } from "./archive.ts";
import { albumWords, ENDING } from "./archive-words.ts";
import type { PictureReader } from "./reading-pool.ts";
import { openZip, type PackedFile, writeZip, type ZipEntry, ZipRefused, type ZipSource } from "./zip.ts";

/** A text held until its turn comes, as small as it goes: those of all albums are held at once. */
const [pack, unpack] = [promisify(gzip), promisify(gunzip)];
async function held(name: string, text: string): Promise<PackedFile> {
  const small = await pack(Buffer.from(text));
  return { name, packed: true, bytes: () => unpack(small) };
}

/**
 * Streams a household's file, and says how many bytes its pictures have. All words in it are of one moment, whatever is
 * changed while it is written.
 */
export async function packHousehold(
  db: Db,
  { id: householdId, name, timeZone, people, latitude, longitude }: Household,
  today: CalendarDate,
  writtenAt: Date,
): Promise<{ readonly zip: Readable; readonly bytes: number }> {
  const ofOneMoment = async (tx: Transaction) => {
    const [albums, roll, files, drawer] = [
      await readAlbums(tx, householdId),
      await rollOf(tx, householdId),
      await filesOfPhotos(tx, householdId),
      await readDrawerWithAges(tx, householdId),
    ];
    const used = new Set([
      ...albums.flatMap(({ photos }) => [...photos.keys()]),
      ...drawer.flatMap(({ photoId }) => photoId ?? []),
    ]);
    const pictures = roll.filter(({ id, deletedAt }) => deletedAt === null || used.has(id));
    const hashOf = new Map(pictures.map(({ id, sha256 }) => [id, sha256]));
    const file: HouseholdFile = {
      ...({ format: HOUSEHOLD_FORMAT, formatVersion: HOUSEHOLD_VERSION, lengths: "mm" } as const),
      ...{ name, timeZone, people: [...people] },
      place: latitude === null || longitude === null ? null : { latitude, longitude },
      members: await membersOf(tx, householdId),
      albums: albums.length,
      photos: pictures.map(({ mime, bytes: _, deletedAt: __, faces, people: on, ...photo }) => ({
        ...photo,
        faces: [...faces],
        people: on && [...on],
        file: `photos/${photo.sha256}.${ENDING[mime]}`,
      })),
      decks: await decksOf(tx, householdId),
      library: await libraryOf(tx, householdId),
      drawer: drawer.map(({ addedAt: _, photoId, ...thing }) => ({
        ...(structuredClone(thing) as never as HouseholdFile["drawer"][number]),
        picture: (photoId && hashOf.get(photoId)) || null,
      })),
      printers: await printersOf(tx, householdId),
    };
    const texts = [await held(HOUSEHOLD_ENTRY, writeHouseholdFile(file))];
    for (const [at, aggregate] of albums.entries()) {
      const taken = [...thingsOn(aggregate.leaves), ...aggregate.tryOuts.flatMap(({ pieces }) => thingsOf(pieces))];
      const things = await readThings(tx, householdId, taken);
      texts.push(await held(albumEntry(at + 1), writeArchive(albumWords(aggregate, files, things, "self", today))));
      texts.push(await held(runningEntry(at + 1), writeRunning(await runningOf(tx, aggregate.album.id))));
    }
    return { texts, pictures };
  };
  const { texts, pictures } = await db.transaction(ofOneMoment, {
    isolationLevel: "repeatable read",
    accessMode: "read only",
  });
  const originals = pictures.map(
    ({ id, sha256, mime }): PackedFile => ({
      ...{ name: `photos/${sha256}.${ENDING[mime]}`, packed: false },
      bytes: () => Readable.from(readOriginalInSlices(db, householdId, id), { objectMode: false, highWaterMark: 1 }),
    }),
  );
  const bytes = pictures.reduce((sum, picture) => sum + picture.bytes, 0);
  return { zip: writeZip([...texts, ...originals], writtenAt), bytes };
}

export type HouseholdProblem = UnpackProblem | HouseholdFileProblem;
/** How many albums and pictures came, and how many albums were here already. */
export type HouseholdRead =
  | { readonly ok: true; readonly albums: number; readonly present: number; readonly pictures: number }
  | { readonly ok: false; readonly reason: HouseholdProblem };

export type HouseholdReading = {
  readonly readPicture: PictureReader;
  /** Who reads it: the same person as in the file where the name is the same. */
  readonly reader: string | null;
  readonly at: Date;
  readonly progress?: (done: number, whole: number) => void;
  readonly signal?: AbortSignal;
};

/** Whether a ZIP is a household's file; what else it may be is for others to say. */
export async function isHouseholdFile(source: string | ZipSource): Promise<boolean> {
  const zip = await openZip(source);
  if (!zip.ok) return false;
  zip.close();
  return zip.entries.has(HOUSEHOLD_ENTRY);
}

/** Everything a file says, checked before anything of it is kept. */
async function checked(entries: ReadonlyMap<string, ZipEntry>) {
  const refuse = (reason: HouseholdProblem) => ({ ok: false as const, reason });
  const described = entries.get(HOUSEHOLD_ENTRY);
  if (!described) return refuse("not-a-household");
  const text = await jsonOf(described);
  if (text === null) return refuse("too-much-inside");
  const read = readHouseholdFile(text);
  if (!read.ok) return read;
  for (let number = 1; number <= read.file.albums; number++) {
    const album = await albumAt(entries, number);
    if (!album.ok) return album;
  }
  const missing = read.file.photos.some(({ file }) => !entries.has(file));
  return missing ? refuse("photo-missing") : read;
}

async function albumAt(entries: ReadonlyMap<string, ZipEntry>, number: number) {
  const [words, work] = [entries.get(albumEntry(number)), entries.get(runningEntry(number))];
  if (!words || !work) return { ok: false as const, reason: "damaged" as const };
  const [read, text] = [await albumIn(words), await jsonOf(work)];
  if (!read.ok) return { ok: false as const, reason: read.reason };
  const running = text === null ? null : readRunning(text);
  return running
    ? { ok: true as const, archive: read.archive, running }
    : { ok: false as const, reason: "damaged" as const };
}

/**
 * Reads a household's file into a household, which may be empty or not: what is there already is not doubled, and nothing of
 * it is changed. Broken off and begun anew it goes on, for the same reason. Each album comes whole or not at all, and none
 * where anything in the file cannot be read.
 */
export async function unpackHousehold(
  db: Db,
  householdId: string,
  source: string | ZipSource,
  { readPicture, reader, at, progress, signal }: HouseholdReading,
): Promise<HouseholdRead> {
  const zip = await openZip(source);
  if (!zip.ok) return zip;
  try {
    const read = await checked(zip.entries);
    if (!read.ok) return read;
    const { file } = read;
    const whole = file.photos.length + file.albums;
    const photos = await keepPictures(
      db,
      householdId,
      zip.entries,
      file.photos.map(({ id: _, ...photo }) => photo),
      { asAdded: true, readPicture, progress: (done) => progress?.(done, whole), ...(signal ? { signal } : {}) },
    );
    if (!photos.ok) return photos;
    await bringSettings(db, householdId, file);
    await bringDecks(db, householdId, file.decks);
    const picture = (sha256: string | null) => (sha256 && photos.photoIds.get(sha256)) || null;
    const names = new Map([
      ...(await bringMembers(db, householdId, reader, file.members, at)),
      ...(await bringLibrary(db, householdId, file.library)),
      ...(await bringPrinters(db, householdId, file.printers)),
      ...(await bringThings(
        db,
        householdId,
        file.drawer.map(({ picture: shown, ...thing }) => ({ thing, photoId: picture(shown) })),
      )),
      ...file.photos.map(({ id, sha256 }) => [id, picture(sha256) ?? ""] as const),
    ]);
    let [albums, present] = [0, 0];
    for (let number = 1; number <= file.albums; number++) {
      signal?.throwIfAborted();
      progress?.(file.photos.length + number - 1, whole);
      const album = await albumAt(zip.entries, number);
      if (!album.ok) return album;
      const { archive, running } = album;
      const archiveId = archive.album.id;
      if (await albumOfArchive(db, householdId, archiveId)) {
        present += 1;
        continue;
      }
      const brought = await bringAlbum(db, householdId, archive, photos.photoIds, {
        ...{ archiveId, asCopy: false },
        beside: (tx, id, own) => bringRunning(tx, id, running, new Map([...names, ...own])),
      });
      if (brought.ok) albums += 1;
      else present += 1;
    }
    return { ok: true, albums, present, pictures: file.photos.length };
  } catch (error) {
    if (error instanceof ZipRefused) return { ok: false, reason: error.reason };
    // What the tables would not take and nothing before had looked at.
    if (isBadValue(error) || breaksRule(error)) return { ok: false, reason: "damaged" };
    throw error;
  } finally {
    zip.close();
  }
}
