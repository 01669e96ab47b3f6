import { Readable } from "node:stream";
import yauzl from "yauzl";
import yazl from "yazl";
import { LIMITS } from "../core/limits.ts";

/** What a packed file may say of itself before it is taken for a bomb: unpacked size over packed size, of one and in all. */
const MOST_TIMES_PACKED = 200;
const MOST_ENTRIES = 25_000;

export type ZipProblem = "not-a-zip" | "damaged" | "path-climbs" | "too-much-inside";
export type ZipEntry = {
  readonly name: string;
  /** Unpacked, as the file says of itself; more than that never comes. */
  readonly bytes: number;
  /** The whole of it; refused where it is over `most`. It lies in the memory of `room` where that is large enough. */
  readonly read: (most: number, room?: Buffer) => Promise<Buffer>;
  /** The same a little at a time; `ZipRefused` where it breaks off. */
  readonly chunks: () => AsyncIterable<Buffer>;
};
/** Where a ZIP lies that is in no file of this machine: how long it is, and any stretch of it. */
export type ZipSource = { readonly bytes: number; readonly read: (from: number, to: number) => Readable };
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

class SourceReader extends yauzl.RandomAccessReader {
  readonly #source: ZipSource;
  constructor(source: ZipSource) {
    super();
    this.#source = source;
  }
  override _readStreamForRange(from: number, to: number): Readable {
    return this.#source.read(from, to);
  }
}

function openFile(source: string | ZipSource): Promise<yauzl.ZipFile> {
  const options = { lazyEntries: true, autoClose: false, strictFileNames: true };
  return new Promise((resolve, reject) => {
    const opened = (error: Error | null, zip: yauzl.ZipFile) => (error ? reject(error) : resolve(zip));
    if (typeof source === "string") yauzl.open(source, options, opened);
    else yauzl.fromRandomAccessReader(new SourceReader(source), source.bytes, options, opened);
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

/** The library ends a stream that grows past the size its entry declared. */
function streamOf(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Readable> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => (error ? reject(new ZipRefused("damaged")) : resolve(stream)));
  });
}

async function unpack(zip: yauzl.ZipFile, entry: yauzl.Entry, most: number, room?: Buffer): Promise<Buffer> {
  if (entry.uncompressedSize > most) throw new ZipRefused("too-much-inside");
  // Written where it is to stay as it comes: collected first and joined then, a large picture would be held twice.
  const fits = room !== undefined && room.length >= entry.uncompressedSize;
  const whole = fits ? room : Buffer.allocUnsafeSlow(entry.uncompressedSize);
  let length = 0;
  for await (const chunk of chunksOf(zip, entry)) length += chunk.copy(whole, length);
  return whole.subarray(0, length);
}

async function* chunksOf(zip: yauzl.ZipFile, entry: yauzl.Entry): AsyncGenerator<Buffer> {
  const stream = await streamOf(zip, entry);
  try {
    for await (const chunk of stream as AsyncIterable<Buffer>) yield chunk;
  } catch (error) {
    // What went wrong where the ZIP lies is not the ZIP's fault.
    throw isZipsFault(error) ? new ZipRefused("damaged") : error;
  }
}

/** The unpacking libraries speak in plain errors or zlib's codes; anything else with a code or a cause is the machine's. */
const isZipsFault = (error: unknown): boolean =>
  error instanceof Error && error.cause === undefined && (!("code" in error) || /^Z_/.test(String(error.code)));

/** Opens a ZIP file and checks what it says of its contents before anything is unpacked. */
export async function openZip(file: string | ZipSource): Promise<OpenZip> {
  let zip: yauzl.ZipFile;
  try {
    zip = await openFile(file);
  } catch (error) {
    if (!isZipsFault(error)) throw error;
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
    if (swollen || unpacked > LIMITS.archiveBytes.most) return refuse("too-much-inside");
    const entries = listed.map((entry): [string, ZipEntry] => [
      entry.fileName,
      {
        name: entry.fileName,
        bytes: entry.uncompressedSize,
        read: (most, room) => unpack(zip, entry, most, room),
        chunks: () => chunksOf(zip, entry),
      },
    ]);
    return { ok: true, entries: new Map(entries), close: () => zip.close() };
  } catch (error) {
    if (error instanceof ZipRefused) return refuse(error.reason);
    if (!isZipsFault(error)) {
      zip.close();
      throw error;
    }
    const climbs = error instanceof Error && /relative path|absolute path|invalid characters/.test(error.message);
    return refuse(climbs ? "path-climbs" : "damaged");
  }
}

/** A file to be packed, fetched when its turn comes; of a large one a little at a time. */
export type PackedFile = {
  readonly name: string;
  readonly packed: boolean;
  readonly bytes: () => Readable | Promise<Buffer>;
};

/** Streams a ZIP whose files are fetched as their turn comes, so that no more than one is held at a time. */
export function writeZip(files: readonly PackedFile[], writtenAt: Date): Readable {
  const zip = new yazl.ZipFile();
  const out = zip.outputStream as Readable;
  for (const { name, packed, bytes } of files) {
    zip.addReadStreamLazy(name, { compress: packed, mtime: writtenAt }, (deliver) => {
      const content = bytes();
      const stream = content instanceof Readable ? content : Readable.from(once(content));
      // A file that cannot be fetched breaks the ZIP off, so that nobody takes half of one for a whole.
      stream.once("error", (error) => out.destroy(error));
      deliver(null, stream);
    });
  }
  zip.on("error", (error: Error) => out.destroy(error));
  zip.end();
  return out;
}

async function* once(content: Promise<Buffer>): AsyncGenerator<Buffer> {
  yield await content;
}
