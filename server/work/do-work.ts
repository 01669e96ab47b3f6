import type { PictureReader } from "../../press/reading-pool.ts";
import { type Db, isStoreGone } from "../../store/db.ts";
import { beatWork, claimWork, endWork, letGoOfWork, type WorkRecord } from "../../store/work.ts";

const BEAT_MS = 2000;

/** Stops a work whose keeper cancelled it, or that another process has taken over. */
class NoLongerOurs extends Error {}

export type Worker = {
  readonly db: Db;
  /** The name this process goes by in the database. */
  readonly name: string;
  readonly readPicture: PictureReader;
  readonly logError: (error: unknown) => void;
  /** Ends what is under way when this process ends. */
  readonly ending: AbortSignal;
};

/** Does the next piece of work, if there is one; true when there was. */
export async function doNext(worker: Worker): Promise<boolean> {
  const work = await claimWork(worker.db, worker.name);
  if (!work) return false;
  await doOne(worker, work);
  return true;
}

async function doOne({ db, name, readPicture, logError, ending }: Worker, work: WorkRecord): Promise<void> {
  const stop = new AbortController();
  let [done, whole] = [0, 0];
  const beat = setInterval(() => {
    // A database that is away answers no beat; the work itself finds out.
    beatWork(db, work.id, name, done, whole).then(
      (ours) => ours || stop.abort(new NoLongerOurs()),
      () => {},
    );
  }, BEAT_MS);
  const end = () => stop.abort(new NoLongerOurs());
  ending.addEventListener("abort", end);
  try {
    const doing = {
      db,
      readPicture,
      signal: stop.signal,
      progress: (far: number, of: number) => {
        [done, whole] = [far, of];
      },
    };
    // Loaded when there is something to do: most starts of the program have nothing to.
    const { KINDS } = await import("./kinds.ts");
    const { state, outcome, keepFile } = await KINDS[work.kind](work, doing);
    stop.signal.throwIfAborted();
    await endWork(db, work.id, name, state, outcome, keepFile);
  } catch (error) {
    if (ending.aborted || isStoreGone(error)) await letGoOfWork(db, work.id, name).catch(() => {});
    else if (!(error instanceof NoLongerOurs)) {
      logError(error);
      await endWork(db, work.id, name, "failed", null, false).catch(() => {});
    }
  } finally {
    clearInterval(beat);
    ending.removeEventListener("abort", end);
  }
}
