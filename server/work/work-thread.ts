import { randomUUID } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { parentPort, workerData } from "node:worker_threads";
import { openReadingPool } from "../../press/reading-pool.ts";
import { isStoreGone, openStore } from "../../store/db.ts";
import { describeError, log } from "../log.ts";
import { lookAtOldPictures } from "../old-pictures.ts";
import { WORK_CONNECTIONS } from "../settings.ts";
import { doNext } from "./do-work.ts";

/** A thread of its own for what takes long: pages are answered meanwhile. Told "look" it looks at once; told "end" it ends. */
const { databaseUrl, projectRoot } = workerData as { databaseUrl: string; projectRoot: string };
const LOOK_EVERY_MS = 3000;

const store = openStore(databaseUrl, WORK_CONNECTIONS);
const reading = openReadingPool(projectRoot);
const ending = new AbortController();
let looked = new AbortController();
parentPort?.on("message", (said: "look" | "end") => {
  if (said === "end") ending.abort();
  looked.abort();
});

const logError = (error: unknown) => log.error(describeError(error), "work failed");
const worker = { db: store.db, name: randomUUID(), readPicture: reading.read, logError, ending: ending.signal };
let lookedAtOld = false;
while (!ending.signal.aborted) {
  looked = new AbortController();
  try {
    if (await doNext(worker)) continue;
    if (!lookedAtOld) {
      await lookAtOldPictures(store.db, ending.signal);
      lookedAtOld = true;
    }
  } catch (error) {
    if (!isStoreGone(error)) logError(error);
  }
  await wait(LOOK_EVERY_MS, undefined, { signal: looked.signal }).catch(() => {});
}
await reading.close();
await store.close();
parentPort?.close();
