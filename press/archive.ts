import { Readable } from "node:stream";
import type { Leaf } from "../core/album/leaf.ts";
import { allPagesOf } from "../core/album/matter.ts";
import type { DayContent, Step } from "../core/album/model.ts";
import { NOTHING_MADE, STEP_RULES } from "../core/album/steps.ts";
import type { KeptThing } from "../core/drawer/thing.ts";
import {
  ARCHIVE_ENTRY,
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
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
import type { Known } from "../core/month/known.ts";
import { UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { photoIdsOf } from "../core/photo/together.ts";
import { countPrivate, shareable } from "../core/share/share.ts";
import { onceOnly } from "../store/act.ts";
import { type AlbumAggregate, albumOfArchive } from "../store/album.ts";
import { breaksRule, type Db, isBadValue } from "../store/db.ts";
import { readThings } from "../store/drawer.ts";
import { importAlbum } from "../store/import.ts";
import { thingsOf, thingsOn } from "../store/leaf-row.ts";
import { wantPictures } from "../store/library/tray.ts";
import {
  filesOfPhotos,
  findPhoto,
  keepPhoto,
  type PictureMime,
  readOriginal,
  readOriginalInSlices,
} from "../store/photo.ts";
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

/** How the file of a picture ends, by its kind. */
export const ENDING: Record<PictureMime, string> = {
  "image/jpeg": "jpg",
  "image/png": "png",
  "image/webp": "webp",
  "image/avif": "avif",
  "image/tiff": "tif",
  "image/heic": "heic",
};

/** The book as `album.json` says it, with those of the household's layouts that the album uses. */
function bookOf({ leaves, tryOuts, layouts }: Pick<AlbumAggregate, "leaves" | "tryOuts" | "layouts">) {
  const used = new Set(leaves.map(({ make }) => make.layout));
  const side = ({ owner, guests, pieces, done, line }: Leaf["front"]) => ({
    owner,
    guests: guests.map((guest) => ({ dayId: guest.dayId, done: [...guest.done] })),
    pieces: pieces && [...pieces],
    done: [...done],
    ...(line ? { line } : {}),
  });
  return {
    leaves: leaves.map(({ version: _, done, leftSeen, ...leaf }) => ({
      ...leaf,
      done: [...done],
      leftSeen: [...leftSeen],
      front: side(leaf.front),
      back: side(leaf.back),
    })),
    tryOuts: tryOuts.map(({ version: _, ...each }) => ({ ...each, pieces: [...each.pieces] })),
    layouts: layouts.filter(({ id }) => used.has(id)),
  };
}

type Files = ReadonlyMap<string, { readonly mime: PictureMime; readonly bytes: number }>;

/** Whether a step is one that the prints of a page tick. */
const isByPrints = (step: Step): boolean => (STEP_RULES[step].tickedBy ?? "") in NOTHING_MADE;

/** For whom an archive is: for oneself it has everything; for others no place of a photo, and nothing that is private. */
export type ForWhom = "self" | "others";

/** What stands on the month calendar pages, without where it was read. */
const onPages = (known: readonly Known[]): Known[] =>
  known.filter(({ onPage }) => onPage).map((each, at) => ({ ...each, key: `known-${at}`, source: "" }));

/** The album as `album.json` says it; `drawer` is what its pages may be made of. */
function wordsOf(
  whole: AlbumAggregate,
  files: Files,
  drawer: readonly KeptThing[],
  forWhom: ForWhom,
  today: CalendarDate,
): Archive {
  const { album, days, matters, photos, leaves, tryOuts, layouts, prints } =
    forWhom === "self" ? whole : shareable(whole, today);
  const taken = new Set([...thingsOn(leaves), ...tryOuts.flatMap(({ pieces }) => thingsOf(pieces))]);
  const things = drawer.filter(({ id }) => taken.has(id));
  const entries = [...whole.days, ...whole.matters];
  const leftOut = entries.reduce((sum, { content }) => sum + countPrivate(content, today), 0);
  const used = new Set(
    [...days, ...matters].flatMap(({ content }) => [
      ...content.photos.flatMap(photoIdsOf),
      ...content.cards.flatMap(({ preprint }) => preprint?.photoId ?? []),
    ]),
  );
  const { capacity, ...format } = album.format;
  const hashOfPhoto = (photoId: string) => photos.get(photoId)?.sha256 ?? "";
  // An archive has no prints, so what is known by them is said of the days that lead their pages.
  const known = new Map(
    allPagesOf({ album, days, matters, leaves, prints }).map(({ days: [lead], steps }) => [
      lead?.id,
      steps.filter(({ step, done }) => done && isByPrints(step)).map(({ step }) => step),
    ]),
  );
  const contentAsSaid = (id: string, content: DayContent) => {
    return {
      ...content,
      waived: [...content.waived],
      done: [...new Set([...content.done, ...(known.get(id) ?? [])])],
      undone: [...content.undone],
      leftAlone: [...content.leftAlone],
      cards: content.cards.map(({ preprint, ...card }) => ({
        ...card,
        preprint: preprint && { sha256: hashOfPhoto(preprint.photoId), corners: preprint.corners as never },
        setting: card.setting && (structuredClone(card.setting) as never),
      })),
      jottings: [...content.jottings],
      photos: content.photos.map(({ id: use, photoId, print, alt, crop, onIt, repeat, together, privateUntil }) => ({
        id: use,
        print,
        alt,
        crop,
        onIt: [...onIt],
        repeat,
        together: together && {
          ...together,
          counts: [...together.counts],
          others: together.others.map((each) => ({ sha256: hashOfPhoto(each.photoId), crop: each.crop })),
        },
        privateUntil,
        sha256: hashOfPhoto(photoId),
      })),
    };
  };
  return {
    format: ARCHIVE_FORMAT,
    formatVersion: ARCHIVE_VERSION,
    lengths: "mm",
    photosAsAdded: forWhom === "self",
    privateLeftOut: forWhom === "self" ? 0 : leftOut,
    album: {
      id: album.archiveId,
      title: album.title,
      unit: album.unit,
      numbering: album.numbering,
      photoRule: album.photoRule,
      preparing: album.preparing,
      pattern: album.pattern,
      ruler: album.ruler.map((mark) => ({ ...mark })),
      nextYear: forWhom === "self" ? album.nextYear : "",
      looseEnds: forWhom === "self" ? album.looseEnds.map((mark) => ({ ...mark, of: [...mark.of] })) : [],
      ...album.span,
      format: {
        ...format,
        holes: { ...format.holes, positions: [...format.holes.positions] },
        capacityMicrometres: capacity,
      },
    },
    days: days.map(({ id, date, skipped, mergedInto, content }) => ({
      ...{ id, date, skipped, mergedInto },
      ...contentAsSaid(id, content),
    })),
    matters: matters.map(({ id, matter, date, month, content }) => ({
      ...{ id, matter, date, month },
      ...contentAsSaid(id, content),
    })),
    known: forWhom === "self" ? [...whole.known] : onPages(whole.known),
    tallies: forWhom === "self" ? whole.tallies.map((tally) => ({ ...tally, marks: [...tally.marks] })) : [],
    photos: [...photos.values()]
      .filter(({ id }) => used.has(id))
      .map(({ sha256, name, capturedAt, offset, givenDate, look, faces, people, star, banked, setAside }) => ({
        sha256,
        name,
        capturedAt,
        offset,
        givenDate,
        look,
        faces: [...faces],
        people: people && [...people],
        star,
        banked,
        setAside,
        file: `photos/${sha256}.${ENDING[files.get(sha256)?.mime ?? "image/jpeg"]}`,
      })),
    things: things.map(
      (thing) => structuredClone(forWhom === "self" ? thing : { ...thing, lies: "", note: "" }) as never,
    ),
    book: bookOf({ leaves, tryOuts, layouts }),
  };
}

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
  const archive = wordsOf(aggregate, files, drawer, forWhom, today);
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

/** Reads `album.json` as it unpacks, and stops as soon as it is more than an album can be. */
async function describedBy(entry: ZipEntry): Promise<ReadArchive> {
  if (entry.bytes > LIMITS.albumJsonBytes.most) return { ok: false, reason: "too-much-inside" };
  const gauge = new JsonGauge();
  const chunks: Buffer[] = [];
  for await (const chunk of entry.chunks()) {
    if (gauge.take(chunk)) return { ok: false, reason: "too-much-inside" };
    chunks.push(chunk);
  }
  return readArchive(Buffer.concat(chunks).toString("utf8"));
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

/**
 * Reads an archive into a household. Photos the household has already are not stored again; an album it has already is
 * told and not doubled unless `asCopy`. The album appears complete or not at all.
 */
export async function unpackAlbum(
  db: Db,
  householdId: string,
  source: string | ZipSource,
  { asCopy, readPicture, act, progress, signal }: Unpacking,
): Promise<Unpacked> {
  const zip = await openZip(source);
  if (!zip.ok) return zip;
  try {
    const described = zip.entries.get(ARCHIVE_ENTRY);
    if (!described) return { ok: false, reason: "not-an-archive" };
    const read = await describedBy(described);
    if (!read.ok) return read;
    const { album, days, photos } = read.archive;
    const present = await albumOfArchive(db, householdId, album.id);
    if (present && !asCopy) return { ok: false, reason: "already-here", albumId: present };
    const photoIds = new Map<string, string>();
    for (const [at, { sha256, file: name, name: given, capturedAt: _, offset: __, ...said }] of photos.entries()) {
      signal?.throwIfAborted();
      progress?.(at, photos.length);
      const kept = await findPhoto(db, householdId, sha256);
      if (kept) {
        photoIds.set(sha256, kept.id);
        continue;
      }
      const entry = zip.entries.get(name);
      if (!entry) return { ok: false, reason: "photo-missing" };
      const picture = await readPicture(await entry.read(LIMITS.pictureBytes.most), given);
      if (!picture.ok) return { ok: false, reason: "photo-unreadable" };
      if (read.archive.photosAsAdded && picture.photo.sha256 !== sha256) return { ok: false, reason: "damaged" };
      photoIds.set(sha256, (await keepPhoto(db, householdId, picture.photo, said)).id);
    }
    await wantPictures(db, householdId, [...photoIds.values()]);
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
    const archiveId = present ? crypto.randomUUID() : album.id;
    const book = {
      ...read.archive.book,
      known: read.archive.known,
      tallies: read.archive.tallies,
      things: read.archive.things,
      matters: read.archive.matters.map(({ id, matter, date, month, ...content }) => ({
        ...{ id, matter, date, month },
        content: withPictures(content),
      })),
      leaves: read.archive.book.leaves.map((leaf) => ({ ...leaf, version: 0 })),
    };
    signal?.throwIfAborted();
    return await onceOnly(db, householdId, act ?? null, async (once) => {
      const written = await importAlbum(once, householdId, archiveId, plan, [...imported, ...added], book, asCopy);
      return written.ok ? { ...written, added: added.length } : { ...written, reason: "already-here" as const };
    });
  } catch (error) {
    if (error instanceof ZipRefused) return { ok: false, reason: error.reason };
    // What the tables would not take and nothing before had looked at.
    if (isBadValue(error) || breaksRule(error)) return { ok: false, reason: "damaged" };
    throw error;
  } finally {
    zip.close();
  }
}
