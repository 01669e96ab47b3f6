import { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import yauzl from "yauzl";
import yazl from "yazl";

/** What a packed file may say of itself before it is taken for a bomb: unpacked size over packed size, and in all. */
const MOST_TIMES_PACKED = 200;
const MOST_UNPACKED = 4 * 1024 ** 3;
const MOST_ENTRIES = 25_000;

export type ZipProblem = "not-a-zip" | "damaged" | "path-climbs" | "too-much-inside";
export type ZipEntry = { readonly name: string; readonly read: () => Promise<Buffer> };
export type OpenZip =
  | { ok: true; entries: ReadonlyMap<string, ZipEntry>; close: () => void }
  | { ok: false; reason: ZipProblem };

/** A refusal met while unpacking one entry. */
export class ZipRefused extends Error {
  readonly reason: ZipProblem;
  constructor(reason: ZipProblem) {
    super(reason);
    this.reason = reason;
  }
}

function openFile(file: string): Promise<yauzl.ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(file, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error ? reject(error) : resolve(zip),
    );
  });
}

function listEntries(zip: yauzl.ZipFile): Promise<yauzl.Entry[]> {
  return new Promise((resolve, reject) => {
    const entries: yauzl.Entry[] = [];
    zip.on("error", reject);
    zip.on("end", () => resolve(entries));
    zip.on("entry", (entry: yauzl.Entry) => {
      entries.push(entry);
      if (entries.length > MOST_ENTRIES) reject(new ZipRefused("too-much-inside"));
      else zip.readEntry();
    });
    zip.readEntry();
  });
}

function unpack(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) return reject(new ZipRefused("damaged"));
      // The library ends a stream that grows past the size its entry declared, which was checked against the limits.
      buffer(stream).then(
        (bytes) => resolve(bytes),
        () => reject(new ZipRefused("damaged")),
      );
    });
  });
}

/** Opens a ZIP file and checks what it says of its contents before anything is unpacked. */
export async function openZip(file: string): Promise<OpenZip> {
  let zip: yauzl.ZipFile;
  try {
    zip = await openFile(file);
  } catch {
    return { ok: false, reason: "not-a-zip" };
  }
  const refuse = (reason: ZipProblem): OpenZip => {
    zip.close();
    return { ok: false, reason };
  };
  try {
    const listed = await listEntries(zip);
    const unpacked = listed.reduce((sum, entry) => sum + entry.uncompressedSize, 0);
    const swollen = listed.some((entry) => entry.uncompressedSize > 4096 + entry.compressedSize * MOST_TIMES_PACKED);
    if (swollen || unpacked > MOST_UNPACKED) return refuse("too-much-inside");
    const entries = listed.map(
      (entry) => [entry.fileName, { name: entry.fileName, read: () => unpack(zip, entry) }] as const,
    );
    return { ok: true, entries: new Map(entries), close: () => zip.close() };
  } catch (error) {
    if (error instanceof ZipRefused) return refuse(error.reason);
    const climbs = error instanceof Error && /relative path|absolute path|invalid characters/.test(error.message);
    return refuse(climbs ? "path-climbs" : "damaged");
  }
}

export type PackedFile = { readonly name: string; readonly packed: boolean; readonly bytes: () => Promise<Buffer> };

/** Streams a ZIP whose files are fetched as their turn comes, so that no more than one is held at a time. */
export function writeZip(files: readonly PackedFile[], writtenAt: Date): Readable {
  const zip = new yazl.ZipFile();
  for (const { name, packed, bytes } of files) {
    zip.addReadStreamLazy(name, { compress: packed, mtime: writtenAt }, (deliver) => {
      bytes().then(
        (content) => deliver(null, Readable.from([content])),
        (error: unknown) => deliver(error, Readable.from([])),
      );
    });
  }
  zip.on("error", (error: Error) => (zip.outputStream as Readable).destroy(error));
  zip.end();
  return zip.outputStream as Readable;
}
