import { many } from "#app/wording/count.ts";
import { MOST_BYTES } from "#core/photo/roll.ts";

/** What came of one picture handed in. */
export type TakenIn =
  | { readonly ok: true; readonly id: string; readonly isNew: boolean; readonly dated: boolean }
  | {
      readonly ok: false;
      readonly reason: "not-a-picture" | "broken" | "too-large" | "too-many-pixels" | "gone" | "no-room";
    };

/** Files as a hand gave them; of what lay in a folder, how many were left where they are because they are no pictures. */
export type Handed = { readonly files: readonly File[]; readonly leftOut: number };

const PICTURE_NAME = /\.(jpe?g|png|webp|avif|tiff?|hei[cf])$/i;

/** The pictures of a folder by their names and kinds: films and a computer's own files in it are nobody's mistake. */
export function picturesOf(folder: readonly File[]): Handed {
  const files = folder.filter(
    ({ name, type }) => (PICTURE_NAME.test(name) || type.startsWith("image/")) && !name.startsWith("."),
  );
  return { files, leftOut: folder.length - files.length };
}

export type Refused = { readonly name: string; readonly reason: Extract<TakenIn, { ok: false }>["reason"] };

/** How far a run of pictures on their way is. */
export type Run = {
  readonly state: "idle" | "running" | "waiting" | "cancelled" | "done";
  readonly total: number;
  /** New ones, those that were in already, and those refused: together what is settled. */
  readonly added: number;
  readonly known: number;
  readonly refused: readonly Refused[];
  readonly leftOut: number;
  readonly undated: number;
  /** While it waits: the server is away, or it does not know who this is any more. */
  readonly waitsFor: "server" | "sign-in" | null;
  /** Seconds still to go at the pace so far; null until there is a pace. */
  readonly secondsLeft: number | null;
};
export const NO_RUN: Run = {
  state: "idle",
  total: 0,
  added: 0,
  known: 0,
  refused: [],
  leftOut: 0,
  undated: 0,
  waitsFor: null,
  secondsLeft: null,
};

/** What a run works with: ways to send a file, to ask what is known, to hash, to wait and to tell the time. */
export type UploadSender = {
  readonly send: (file: File, signal: AbortSignal) => Promise<TakenIn>;
  /** Whether a file is still there to be read: a card may be pulled out meanwhile. */
  readonly isThere: (file: File) => Promise<boolean>;
  readonly known: (hashes: readonly string[]) => Promise<readonly string[]>;
  readonly hash: ((file: File) => Promise<string>) | null;
  readonly wait: (milliseconds: number, signal: AbortSignal) => Promise<void>;
  readonly now: () => number;
};

/** The server asks who this is: signing in again, in another window too, lets the run go on. */
export class SignedOut extends Error {}

const AT_ONCE = 3;
/** Contents asked about in one go: files are hashed in batches so that the first are on their way soon. */
const ASKED_AT_ONCE = 24;
const TRY_AGAIN = 3000;

/**
 * Hands files in, a few at a time. What is acknowledged is in for good: a run that is cancelled or broken off keeps it, and
 * the same files handed in again are known by their content and not sent twice. While the server is away the run waits
 * and goes on by itself.
 */
export class UploadRun {
  #run: Run;
  #stop = new AbortController();
  readonly #sender: UploadSender;
  readonly #tell: (run: Run) => void;
  /** Everything handed in, and how much of it has had its turn. */
  readonly #files: File[] = [];
  #turn = 0;
  #began = 0;
  #bytesDone = 0;
  #bytesAll = 0;

  constructor(sender: UploadSender, tell: (run: Run) => void) {
    this.#sender = sender;
    this.#tell = tell;
    this.#run = NO_RUN;
  }

  #set(change: Partial<Run>): void {
    this.#run = { ...this.#run, ...change };
    this.#tell(this.#run);
  }

  cancel(): void {
    this.#stop.abort();
    if (this.isOpen) this.#set({ state: "cancelled", waitsFor: null, secondsLeft: null });
  }

  /** Whether more may join it: it is under way, or waits to go on. */
  get isOpen(): boolean {
    return this.#run.state === "running" || this.#run.state === "waiting";
  }

  /** Takes more into a run that is under way, behind what is waiting there. */
  add({ files, leftOut }: Handed): void {
    this.#files.push(...files);
    this.#bytesAll += files.reduce((sum, { size }) => sum + size, 0);
    this.#set({ total: this.#files.length, leftOut: this.#run.leftOut + leftOut });
  }

  /** Runs to the end, or until it is cancelled; returns how it went. */
  async start(handed: Handed): Promise<Run> {
    this.#stop = new AbortController();
    const { signal } = this.#stop;
    this.#began = this.#sender.now();
    this.#set({ state: "running" });
    this.add(handed);
    while (this.#turn < this.#files.length && !signal.aborted) {
      const some = this.#files.slice(this.#turn, this.#turn + ASKED_AT_ONCE);
      this.#turn += some.length;
      const fresh = await this.#withoutKnown(some, signal);
      const queue = [...fresh];
      await Promise.all(
        Array.from({ length: AT_ONCE }, async () => {
          for (let next = queue.shift(); next && !signal.aborted; next = queue.shift()) await this.#hand(next, signal);
        }),
      );
    }
    if (!signal.aborted) this.#set({ state: "done", secondsLeft: null });
    return this.#run;
  }

  /** The files that are not in yet, by their content; all of them where that cannot be told. */
  async #withoutKnown(some: readonly File[], signal: AbortSignal): Promise<readonly File[]> {
    const files = some.filter((file) => {
      if (file.size <= MOST_BYTES) return true;
      this.#refuse(file, "too-large");
      return false;
    });
    const { hash, known } = this.#sender;
    if (!hash || files.length === 0) return files;
    const hashes: string[] = [];
    // One after the other: a phone has no room for many pictures in memory at once.
    for (const file of files) hashes.push(await hash(file).catch(() => ""));
    const asked = await this.#insist(() => known([...new Set(hashes.filter(Boolean))]), signal);
    const there = new Set(asked ?? []);
    const seen = new Set<string>();
    return files.filter((file, at) => {
      const content = hashes[at] ?? "";
      const double = content !== "" && (there.has(content) || seen.has(content));
      seen.add(content);
      if (double) this.#settle(file, { known: this.#run.known + 1 });
      return !double;
    });
  }

  async #hand(file: File, signal: AbortSignal): Promise<void> {
    const taken = await this.#insist(() => this.#send(file, signal), signal);
    if (!taken) return;
    const { added, known, undated } = this.#run;
    if (!taken.ok) this.#refuse(file, taken.reason);
    else if (!taken.isNew) this.#settle(file, { known: known + 1 });
    else this.#settle(file, { added: added + 1, undated: undated + (taken.dated ? 0 : 1) });
  }

  /** A file that cannot be read any more looks, when it is sent, like a server that is away. */
  async #send(file: File, signal: AbortSignal): Promise<TakenIn> {
    try {
      return await this.#sender.send(file, signal);
    } catch (error) {
      if (signal.aborted || (await this.#sender.isThere(file))) throw error;
      return { ok: false, reason: "gone" };
    }
  }

  #refuse(file: File, reason: Refused["reason"]): void {
    this.#settle(file, { refused: [...this.#run.refused, { name: file.name, reason }] });
  }

  #settle(file: File, change: Partial<Run>): void {
    this.#bytesDone += file.size;
    const passed = (this.#sender.now() - this.#began) / 1000;
    const rate = this.#bytesDone / Math.max(passed, 0.001);
    const settled = passed > 1.5 ? Math.max(1, Math.round((this.#bytesAll - this.#bytesDone) / rate)) : null;
    this.#set({ ...change, secondsLeft: settled });
  }

  /** Tries until the server answers or the run is cancelled; null when it was. */
  async #insist<T>(ask: () => Promise<T>, signal: AbortSignal): Promise<T | null> {
    while (!signal.aborted) {
      try {
        const answer = await ask();
        if (this.#run.state === "waiting") this.#set({ state: "running", waitsFor: null });
        return answer;
      } catch (error) {
        if (signal.aborted) return null;
        this.#set({ state: "waiting", waitsFor: error instanceof SignedOut ? "sign-in" : "server", secondsLeft: null });
        await this.#sender.wait(TRY_AGAIN, signal).catch(() => undefined);
      }
    }
    return null;
  }
}

/** Seconds as somebody says them beside a clock. */
export function sayTimeLeft(seconds: number): string {
  if (seconds < 60) return `about ${Math.max(5, Math.ceil(seconds / 5) * 5)} seconds left`;
  const minutes = Math.ceil(seconds / 60);
  return `about ${many(minutes, "minute")} left`;
}
