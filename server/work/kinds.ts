import { Readable } from "node:stream";
import { z } from "zod";
import { LONG_DOCUMENT, type LongDocument } from "../../core/document/asked.ts";
import { bookFor } from "../../core/document/book-for.ts";
import { type DocumentSource, documentOf } from "../../core/document/document.ts";
import { openBook } from "../../core/finish/open-book.ts";
import { pageTitled } from "../../core/finish/page-called.ts";
import type { FileEnding } from "../../core/format/attachment.ts";
import { LIMITS } from "../../core/limits.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { packAlbum, unpackAlbum } from "../../press/archive.ts";
import { pdfPieces, type Writing } from "../../press/document.ts";
import { isHouseholdFile, packHousehold, unpackHousehold } from "../../press/household-file.ts";
import { leafingFile } from "../../press/leafing-file.ts";
import { zipOfPictures } from "../../press/opening-pictures.ts";
import type { PhotoBytes } from "../../press/prints.ts";
import type { PictureReader } from "../../press/reading-pool.ts";
import type { ZipSource } from "../../press/zip.ts";
import { readAlbum } from "../../store/album.ts";
import type { Db } from "../../store/db.ts";
import { readDocumentSource } from "../../store/document-source.ts";
import { readHousehold } from "../../store/household.ts";
import { readOriginal } from "../../store/photo.ts";
import { clearParts, readPart, type WorkKind, type WorkRecord, writePart } from "../../store/work.ts";

/** What a kind of work is given: the world, how to say how far it is, and when to stop. */
export type Doing = {
  readonly db: Db;
  readonly readPicture: PictureReader;
  readonly progress: (done: number, whole: number) => void;
  readonly signal: AbortSignal;
};
export type Done = {
  readonly state: "done" | "refused";
  readonly outcome: unknown;
  readonly keepFile: boolean;
};

export const READ_ARCHIVE = z.object({ copy: z.boolean(), bytes: z.int().positive() });
export const WRITE_ARCHIVE = z.object({
  albumId: z.uuid(),
  forWhom: z.enum(["self", "others"]),
  today: z.string().transform((date) => date as CalendarDate),
});

export const WRITE_HOUSEHOLD = z.object({ today: z.string().transform((date) => date as CalendarDate) });

export const WRITE_DOCUMENT = z.object({
  albumId: z.uuid(),
  document: LONG_DOCUMENT,
  today: z.string().transform((date) => date as CalendarDate),
});

/** So much of a file is read at once: as little as is forgotten again soon, and enough not to ask too often. */
const SLICE = 256 * 1024;

/** The file of a work as a ZIP that lies in the database: any stretch of it, read as it is asked for. */
function zipOf(db: Db, workId: string, bytes: number): ZipSource {
  const inPart = LIMITS.partBytes.most / SLICE;
  // The list of what is in a ZIP is read a few bytes at a time: the slice last read is kept.
  let last: { place: number; bytes: Buffer } | null = null;
  const slice = async (place: number) => {
    if (last?.place === place) return last.bytes;
    const read = await readPart(db, workId, Math.floor(place / inPart), (place % inPart) * SLICE, SLICE);
    if (!read?.length) throw new Error("a part of the file is gone", { cause: "work-part" });
    last = { place, bytes: read };
    return read;
  };
  async function* stretch(from: number, to: number) {
    for (let at = from; at < to; ) {
      const place = Math.floor(at / SLICE);
      const read = (await slice(place)).subarray(at - place * SLICE, to - place * SLICE);
      yield read;
      at += read.length;
    }
  }
  return { bytes, read: (from, to) => Readable.from(stretch(from, to), { objectMode: false }) };
}

/** Reads a file that came in: an album's archive, or a whole household's file, whichever it is. */
async function readArchiveWork({ id, householdId, memberId, asked }: WorkRecord, doing: Doing): Promise<Done> {
  const { copy, bytes } = READ_ARCHIVE.parse(asked);
  const { db, readPicture, progress, signal } = doing;
  const source = zipOf(db, id, bytes);
  if (await isHouseholdFile(source)) {
    const reading = { readPicture, progress, signal, reader: memberId, at: new Date() };
    const moved = await unpackHousehold(db, householdId, source, reading);
    return { state: moved.ok ? "done" : "refused", outcome: moved, keepFile: false };
  }
  const read = await unpackAlbum(db, householdId, source, {
    asCopy: copy,
    readPicture,
    progress,
    signal,
    act: id,
  });
  // One that is here already may be wanted a second time: its file waits for the answer.
  const keepFile = !read.ok && read.reason === "already-here";
  return { state: read.ok ? "done" : "refused", outcome: read, keepFile };
}

const NOT_FOUND: Done = { state: "refused", outcome: { ok: false, reason: "not-found" }, keepFile: false };

/** Keeps the file that a work writes, part by part as it comes; returns how many bytes it has. `told` hears of each part. */
async function keepFile(
  db: Db,
  id: string,
  pieces: AsyncIterable<Buffer>,
  signal: AbortSignal,
  told: (bytes: number) => void = () => {},
): Promise<number> {
  await clearParts(db, id);
  let [place, bytes, held] = [0, 0, 0];
  let waiting: Buffer[] = [];
  const write = async (most: number) => {
    const all = Buffer.concat(waiting, held);
    for (let at = 0; at < all.length && all.length - at >= most; at += LIMITS.partBytes.most) {
      const part = all.subarray(at, at + LIMITS.partBytes.most);
      await writePart(db, id, place, part);
      [place, bytes] = [place + 1, bytes + part.length];
    }
    const rest = all.subarray(all.length - (all.length % LIMITS.partBytes.most));
    [waiting, held] = most === 1 ? [[], 0] : [[Buffer.from(rest)], rest.length];
    told(bytes);
  };
  for await (const chunk of pieces) {
    signal.throwIfAborted();
    waiting.push(chunk);
    held += chunk.length;
    if (held >= LIMITS.partBytes.most) await write(LIMITS.partBytes.most);
  }
  await write(1);
  return bytes;
}

async function writeArchiveWork({ id, householdId, asked }: WorkRecord, doing: Doing): Promise<Done> {
  const { albumId, forWhom, today } = WRITE_ARCHIVE.parse(asked);
  const { db, progress, signal } = doing;
  const aggregate = await readAlbum(db, householdId, albumId);
  if (!aggregate) return NOT_FOUND;
  const { zip, bytes: ofPhotos } = await packAlbum(db, householdId, aggregate, forWhom, today, new Date());
  const told = (bytes: number) => progress(bytes, Math.max(bytes, ofPhotos));
  const bytes = await keepFile(db, id, zip as AsyncIterable<Buffer>, signal, told);
  return { state: "done", outcome: { ok: true, bytes, title: aggregate.album.title, ending: "zip" }, keepFile: true };
}

type Written = { readonly title: string; readonly ending: FileEnding; readonly pieces: AsyncIterable<Buffer> };

/** What is to be written, as the pieces of its file; null where the album has none of it. */
function piecesOf(wanted: LongDocument, source: DocumentSource, bytesOf: PhotoBytes, writing: Writing): Written | null {
  const now = new Date();
  switch (wanted.kind) {
    case "leafing": {
      const { album, leaves } = bookFor(source, wanted.forWhom);
      const openings = openBook(leaves, album.format, pageTitled);
      const pieces = leafingFile({ title: album.title, openings }, bytesOf, writing);
      return openings.length > 0 ? { title: album.title, ending: "html", pieces } : null;
    }
    case "pictures": {
      const document = documentOf({ ...wanted, kind: "book", as: "openings", fit: "true" }, source);
      const pieces = document && zipOfPictures(document, bytesOf, now, writing);
      return pieces && { title: `${document.title} openings`, ending: "zip", pieces: pieces as AsyncIterable<Buffer> };
    }
    default: {
      const document = documentOf(wanted, source);
      return document && { title: document.title, ending: "pdf", pieces: pdfPieces(document, bytesOf, now, writing) };
    }
  }
}

/** Writes a document of many pages, or the whole book as another file; its progress is told in pages or openings. */
async function writeDocumentWork({ id, householdId, asked }: WorkRecord, doing: Doing): Promise<Done> {
  const { albumId, document: wanted, today } = WRITE_DOCUMENT.parse(asked);
  const { db, progress, signal } = doing;
  const aggregate = await readAlbum(db, householdId, albumId);
  // No title of these names a leaf or a page.
  const source =
    aggregate &&
    (await readDocumentSource(
      db,
      householdId,
      aggregate,
      today,
      () => "",
      () => "",
    ));
  const bytesOf = (photoId: string) => readOriginal(db, householdId, photoId);
  const written = source && piecesOf(wanted, source, bytesOf, { progress, signal });
  if (!written) return NOT_FOUND;
  const { title, ending, pieces } = written;
  const bytes = await keepFile(db, id, pieces, signal);
  return { state: "done", outcome: { ok: true, bytes, title, ending }, keepFile: true };
}

async function writeHouseholdWork({ id, householdId, asked }: WorkRecord, doing: Doing): Promise<Done> {
  const { today } = WRITE_HOUSEHOLD.parse(asked);
  const { db, progress, signal } = doing;
  const home = await readHousehold(db, householdId);
  if (!home) return NOT_FOUND;
  const { zip, bytes: ofPictures } = await packHousehold(db, home, today, new Date());
  const told = (bytes: number) => progress(bytes, Math.max(bytes, ofPictures));
  const bytes = await keepFile(db, id, zip as AsyncIterable<Buffer>, signal, told);
  return { state: "done", outcome: { ok: true, bytes, title: home.name, ending: "zip" }, keepFile: true };
}

export const KINDS: Record<WorkKind, (work: WorkRecord, doing: Doing) => Promise<Done>> = {
  "read-archive": readArchiveWork,
  "write-archive": writeArchiveWork,
  "write-document": writeDocumentWork,
  "write-household": writeHouseholdWork,
};
