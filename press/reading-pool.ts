import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import type { NewPhoto } from "../store/photo.ts";
import type { PictureProblem, ReadPicture } from "./picture.ts";
import { threadFile } from "./thread-file.ts";

/**
 * Reads a picture as it was handed in, somewhere it holds up no page. The bytes are given away with the memory they lie in,
 * and come back with the picture that was read: a large picture lies in memory once.
 */
export type PictureReader = (bytes: Buffer, name: string) => Promise<ReadPicture>;

/** The longest that one picture may take before its thread is given up, in milliseconds. */
const LONGEST = 90_000;

/** What comes back from a thread: bytes as it is given them, without what Node.js adds to them. */
type FromWorker =
  | { ok: true; photo: Omit<NewPhoto, "bytes" | "versions">; bytes: Uint8Array; versions: Version<Uint8Array>[] }
  | { ok: false; reason: PictureProblem };
type Version<Bytes> = { readonly longSide: number; readonly bytes: Bytes };

const asBuffer = (bytes: Uint8Array) => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** The memory that can go to another thread with these bytes; small ones may share theirs with others and are copied. */
const movable = ({ buffer, length }: Buffer) =>
  buffer instanceof ArrayBuffer && length > Buffer.poolSize ? [buffer] : [];

/**
 * A few threads that read pictures, so that pages are answered meanwhile. A decoder that runs away, in time or in memory,
 * takes only its own thread with it: that picture is said to be damaged.
 */
export function openReadingPool(projectRoot: string): { read: PictureReader; close: () => Promise<void> } {
  const pool = new Piscina({
    ...threadFile(projectRoot, "press/reading-worker.ts"),
    // The first picture begins the first thread: a program that only shows pages needs none.
    minThreads: 0,
    maxThreads: Math.max(1, Math.min(4, availableParallelism())),
    // While one picture's codec is at work on a thread of its own, the next one's notes are read.
    concurrentTasksPerWorker: 2,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 8 },
  });
  return {
    read: async (bytes, name) => {
      const read: FromWorker | null = await pool
        .run({ bytes, name }, { transferList: movable(bytes), signal: AbortSignal.timeout(LONGEST) })
        .catch(() => null);
      if (!read) return { ok: false, reason: "damaged" };
      if (!read.ok) return read;
      const versions = read.versions.map(({ longSide, bytes: version }) => ({ longSide, bytes: asBuffer(version) }));
      return { ok: true, photo: { ...read.photo, bytes: asBuffer(read.bytes), versions } };
    },
    close: () => pool.close({ force: true }),
  };
}
