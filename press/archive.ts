import { Readable } from "node:stream";
import {
  ARCHIVE_ENTRY,
  type Archive,
  type ArchiveProblem,
  type ReadArchive,
  readArchive,
  writeArchive,
} from "../core/format/archive.ts";
import { JsonGauge } from "../core/format/json-gauge.ts";
import { missingDays } from "../core/format/missing-days.ts";
import { LIMITS } from "../core/limits.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { onceOnly } from "../store/act.ts";
import { type AlbumAggregate, albumOfArchive } from "../store/album.ts";
import { breaksRule, type Db, isBadValue } from "../store/db.ts";
import { readThings } from "../store/drawer.ts";
import { importAlbum } from "../store/import.ts";
import { thingsOf, thingsOn } from "../store/leaf-row.ts";
import { wantPictures } from "../store/library/tray.ts";
import { filesOfPhotos, findPhoto, keepPhoto, readOriginal, readOriginalInSlices } from "../store/photo.ts";
import { albumWords, type ForWhom } from "./archive-words.ts";
import { withoutPlace } from "./place.ts";
import type { PictureReader } from "./reading-pool.ts";
import {
  openZip,
  type PackedFile,
  writeZip,
  type ZipEntry,
  type ZipProblem,
  ZipRefused,
  type ZipSource,
} from "./zip.ts";

/** Streams the album's archive, and says how many bytes its photos have. What is private is so as of `today`. */
export async function packAlbum(
  db: Db,
  householdId: string,
  aggregate: AlbumAggregate,
  forWhom: ForWhom,
  today: CalendarDate,
  writtenAt: Date,
): Promise<{ readonly zip: Readable; readonly bytes: number }> {
  const files = await filesOfPhotos(db, householdId);
  const { leaves, tryOuts } = aggregate;
  const taken = [...thingsOn(leaves), ...tryOuts.flatMap(({ pieces }) => thingsOf(pieces))];
  const drawer = await readThings(db, householdId, taken);
  const archive = albumWords(aggregate, files, drawer, forWhom, today);
  const idOf = new Map([...aggregate.photos.values()].map(({ id, sha256 }) => [sha256, id]));
  const unplaced = async (id: string) => {
    const original = await readOriginal(db, householdId, id);
    if (!original) throw new Error("a photo in use has no bytes");
    return withoutPlace(original.bytes, original.mime);
  };
  const originals = archive.photos.map(({ sha256, file }): PackedFile => {
    const id = idOf.get(sha256) ?? "";
    const bytes = () =>
      forWhom === "self"
        ? Readable.from(readOriginalInSlices(db, householdId, id), { objectMode: false, highWaterMark: 1 })
        : unplaced(id);
    return { name: file, packed: false, bytes };
  });
  const described: PackedFile = {
    name: ARCHIVE_ENTRY,
    packed: true,
    bytes: async () => Buffer.from(writeArchive(archive)),
  };
  const bytes = archive.photos.reduce((sum, { sha256 }) => sum + (files.get(sha256)?.bytes ?? 0), 0);
  return { zip: writeZip([described, ...originals], writtenAt), bytes };
}

export type UnpackProblem = ZipProblem | ArchiveProblem | "photo-missing" | "photo-unreadable";
/** `added` is how many dates of the span had no day in the archive and were given an empty one. */
export type Unpacked =
  | { ok: true; albumId: string; added: number }
  | { ok: false; reason: UnpackProblem; where?: string }
  | { ok: false; reason: "already-here"; albumId: string };

/** Reads a JSON text as it unpacks, and stops as soon as it is more than one of ours can be: null. */
export async function jsonOf(entry: ZipEntry): Promise<string | null> {
  if (entry.bytes > LIMITS.albumJsonBytes.most) return null;
  const gauge = new JsonGauge();
  const chunks: Buffer[] = [];
  for await (const chunk of entry.chunks()) {
    if (gauge.take(chunk)) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString("utf8");
}

/** Reads `album.json` as it unpacks. */
export async function albumIn(entry: ZipEntry): Promise<ReadArchive> {
  const text = await jsonOf(entry);
  return text === null ? { ok: false, reason: "too-much-inside" } : readArchive(text);
}

/** How an archive is to be read: beside one that is here already, and how far it is told as it goes. */
export type Unpacking = {
  readonly asCopy: boolean;
  readonly readPicture: PictureReader;
  /** Writes the album under this name once, however often it is begun anew. */
  readonly act?: string;
  readonly progress?: (done: number, whole: number) => void;
  readonly signal?: AbortSignal;
};

type Pictures = Archive["photos"];

/** Keeps the pictures that an archive names, each as it came; one that the household has already is not stored again. */
export async function keepPictures(
  db: Db,
  householdId: string,
  entries: ReadonlyMap<string, ZipEntry>,
  photos: Pictures,
  {
    asAdded,
    readPicture,
    progress,
    signal,
  }: Pick<Unpacking, "readPicture" | "progress" | "signal"> & {
    /** Whether the files are byte for byte as they were added. */
    readonly asAdded: boolean;
  },
): Promise<{ ok: true; photoIds: ReadonlyMap<string, string> } | { ok: false; reason: UnpackProblem }> {
  const photoIds = new Map<string, string>();
  // One picture after the other lies in the same memory: what each had to itself would be given back late.
  let room: Buffer | undefined;
  for (const [at, { sha256, file: name, name: given, capturedAt: _, offset: __, ...said }] of photos.entries()) {
    signal?.throwIfAborted();
    progress?.(at, photos.length);
    const kept = await findPhoto(db, householdId, sha256);
    if (kept) {
      photoIds.set(sha256, kept.id);
      continue;
    }
    const entry = entries.get(name);
    if (!entry) return { ok: false, reason: "photo-missing" };
    const picture = await readPicture(await entry.read(LIMITS.pictureBytes.most, room), given);
    if (!picture.ok) return { ok: false, reason: "photo-unreadable" };
    if (asAdded && picture.photo.sha256 !== sha256) return { ok: false, reason: "damaged" };
    photoIds.set(sha256, (await keepPhoto(db, householdId, picture.photo, said)).id);
    room = Buffer.from(picture.photo.bytes.buffer);
  }
  await wantPictures(db, householdId, [...photoIds.values()]);
  return { ok: true, photoIds };
}

/** Brings an album that was read into a household, whole or not at all; `photoIds`: its pictures there, by what is in them. */
export async function bringAlbum(
  db: Db,
  householdId: string,
  archive: Archive,
  photoIds: ReadonlyMap<string, string>,
  {
    archiveId,
    asCopy,
    beside,
  }: { readonly archiveId: string; readonly asCopy: boolean; readonly beside?: Parameters<typeof importAlbum>[7] },
): Promise<Unpacked> {
  const { album, days } = archive;
  const { capacityMicrometres, ...format } = album.format;
  const plan = {
    title: album.title,
    unit: album.unit,
    numbering: album.numbering,
    photoRule: album.photoRule,
    preparing: album.preparing,
    pattern: album.pattern,
    ruler: album.ruler,
    looseEnds: album.looseEnds,
    nextYear: album.nextYear,
    span: { start: album.start, end: album.end },
    format: { ...format, capacity: capacityMicrometres },
  };
  const pictureOf = (sha256: string) => ({ photoId: photoIds.get(sha256) ?? "", picture: UNKNOWN_PICTURE });
  const withPictures = <T extends Pick<(typeof days)[number], "photos" | "cards">>(content: T) => ({
    ...content,
    cards: content.cards.map(({ preprint, ...card }) => ({
      ...card,
      preprint: preprint && { photoId: photoIds.get(preprint.sha256) ?? "", corners: preprint.corners },
    })),
    photos: content.photos.map(({ sha256, together, ...use }) => ({
      ...use,
      ...pictureOf(sha256),
      together: together && {
        ...together,
        others: together.others.map(({ sha256: other, crop }) => ({ crop, ...pictureOf(other) })),
      },
    })),
  });
  const imported = days.map(({ id, date, skipped, mergedInto, ...content }) => ({
    ...{ id, date, skipped, mergedInto },
    content: withPictures(content),
  }));
  const added = missingDays(imported, plan.span, () => crypto.randomUUID());
  const book = {
    ...archive.book,
    known: archive.known,
    tallies: archive.tallies,
    things: archive.things,
    matters: archive.matters.map(({ id, matter, date, month, ...content }) => ({
      ...{ id, matter, date, month },
      content: withPictures(content),
    })),
    leaves: archive.book.leaves.map((leaf) => ({ ...leaf, version: 0 })),
  };
  const all = [...imported, ...added];
  const written = await importAlbum(db, householdId, archiveId, plan, all, book, asCopy, beside);
  return written.ok ? { ...written, added: added.length } : { ...written, reason: "already-here" as const };
}

/**
 * Reads an archive into a household. Photos the household has already are not stored again; an album it has already is
 * told and not doubled unless `asCopy`. The album appears complete or not at all.
 */
export async function unpackAlbum(
  db: Db,
  householdId: string,
  source: string | ZipSource,
  unpacking: Unpacking,
): Promise<Unpacked> {
  const { asCopy, act, signal } = unpacking;
  const zip = await openZip(source);
  if (!zip.ok) return zip;
  try {
    const described = zip.entries.get(ARCHIVE_ENTRY);
    if (!described) return { ok: false, reason: "not-an-archive" };
    const read = await albumIn(described);
    if (!read.ok) return read;
    const { album, photos, photosAsAdded } = read.archive;
    const present = await albumOfArchive(db, householdId, album.id);
    if (present && !asCopy) return { ok: false, reason: "already-here", albumId: present };
    const kept = await keepPictures(db, householdId, zip.entries, photos, { ...unpacking, asAdded: photosAsAdded });
    if (!kept.ok) return kept;
    signal?.throwIfAborted();
    const archiveId = present ? crypto.randomUUID() : album.id;
    return await onceOnly(db, householdId, act ?? null, (once) =>
      bringAlbum(once, householdId, read.archive, kept.photoIds, { archiveId, asCopy }),
    );
  } catch (error) {
    if (error instanceof ZipRefused) return { ok: false, reason: error.reason };
    // What the tables would not take and nothing before had looked at.
    if (isBadValue(error) || breaksRule(error)) return { ok: false, reason: "damaged" };
    throw error;
  } finally {
    zip.close();
  }
}
