import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import type { NewPhoto } from "../store/photo.ts";
import type { PictureProblem, ReadPicture } from "./picture.ts";
import { threadFile } from "./thread-file.ts";

/** Reads a picture as it was handed in, somewhere it holds up no page. */
export type PictureReader = (bytes: Buffer, name: string) => Promise<ReadPicture>;

/** The longest that one picture may take before its thread is given up, in milliseconds. */
const LONGEST = 90_000;

type FromWorker = { ok: true; photo: Omit<NewPhoto, "bytes"> } | { ok: false; reason: PictureProblem };

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
    resourceLimits: { maxOldGenerationSizeMb: 256 },
  });
  return {
    read: async (bytes, name) => {
      const read: FromWorker | null = await pool
        .run({ bytes, name }, { signal: AbortSignal.timeout(LONGEST) })
        .catch(() => null);
      if (!read) return { ok: false, reason: "damaged" };
      if (!read.ok) return read;
      const versions = read.photo.versions.map(({ longSide, bytes: version }) => ({
        longSide,
        bytes: Buffer.from(version.buffer, version.byteOffset, version.byteLength),
      }));
      return { ok: true, photo: { ...read.photo, bytes, versions } };
    },
    close: () => pool.close({ force: true }),
  };
}
