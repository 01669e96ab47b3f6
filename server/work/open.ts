import { Worker } from "node:worker_threads";
import { threadFile } from "../../press/thread-file.ts";
import { describeError, log } from "../log.ts";

const BEGIN_AGAIN_MS = 1000;

export type Work = {
  /** Says that something was asked for: it is looked for at once. */
  readonly poke: () => void;
  readonly close: () => Promise<void>;
};

/**
 * Starts the thread that works in the background, and again whenever it ends: by a fault of ours, or because something
 * took more memory than a work may.
 */
export function openWork(projectRoot: string, databaseUrl: string): Work {
  let [thread, closing]: [Worker | null, boolean] = [null, false];
  const { filename, execArgv } = threadFile(projectRoot, "server/work/work-thread.ts");
  const start = () => {
    const started = new Worker(filename, {
      execArgv,
      workerData: { databaseUrl, projectRoot },
      resourceLimits: { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 8 },
    });
    thread = started;
    started.on("error", (error) => log.error(describeError(error), "the work thread ended"));
    started.once("exit", () => {
      thread = null;
      if (!closing) setTimeout(start, BEGIN_AGAIN_MS).unref();
    });
  };
  start();
  return {
    poke: () => thread?.postMessage("look"),
    close: async () => {
      closing = true;
      const ended = thread;
      if (!ended) return;
      const gone = new Promise((resolve) => ended.once("exit", resolve));
      ended.postMessage("end");
      const late = setTimeout(() => void ended.terminate(), 3000);
      await gone;
      clearTimeout(late);
    },
  };
}
