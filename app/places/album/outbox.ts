import type { SavedChange } from "#core/album/edit.ts";
import type { Sent } from "#core/album/edit-schema.ts";
import type { DayContent } from "#core/album/model.ts";
import { applyBookEdit } from "#core/book/edit.ts";
import type { Leaf } from "#core/book/leaf.ts";

/** A change on its way to the server, kept on this device until the server has said it is saved. */
export type Entry = {
  readonly id: string;
  /** What it writes; a newer change of the same thing takes the older one's place. */
  readonly key: string;
  readonly sent: Sent;
  /** Not before this time, in milliseconds: words wait until the typing pauses. */
  readonly due: number;
};

export type Clash =
  | {
      readonly kind: "day";
      readonly entry: Entry;
      readonly change: SavedChange;
      readonly current: DayContent;
      readonly version: number;
    }
  | {
      readonly kind: "leaf";
      readonly entry: Entry;
      readonly leaf: string;
      readonly by: string;
      readonly at: string;
      readonly version: number;
    };
export type Trouble = "unreachable" | "store-gone";

/** What the server may answer to a change. */
export type Answer =
  | { ok: true; version?: number; made?: Readonly<Record<string, number>> }
  | { ok: false; reason: Trouble }
  | { ok: false; reason: "clash"; clash: { change: SavedChange; current: DayContent; version: number } }
  | { ok: false; reason: "leaf-clash"; bookClash: { leaf: string; by: string; at: string; version: number } }
  | { ok: false; reason: string };

export type Outboxed = {
  readonly entries: readonly Entry[];
  readonly clashes: readonly Clash[];
  readonly flying: string | null;
  readonly trouble: Trouble | null;
  /** Why the last change was refused for good, until the next change. */
  readonly refused: string | null;
  readonly savedOnce: boolean;
  /** The device would not write it down: it is full, or keeps nothing for pages. */
  readonly unkept: boolean;
};

export type Storage = Pick<globalThis.Storage, "getItem" | "setItem" | "removeItem">;

export const EMPTY: Outboxed = {
  entries: [],
  clashes: [],
  flying: null,
  trouble: null,
  refused: null,
  savedOnce: false,
  unkept: false,
};

/** What lies in a slot; nothing where it cannot be read. */
function readSlot(storage: Storage, slot: string): Pick<Outboxed, "entries" | "clashes"> | null {
  try {
    return JSON.parse(storage.getItem(slot) ?? "null");
  } catch {
    return null;
  }
}

function clashOf(entry: Entry, answer: Answer | null): Clash | null {
  if (answer && "clash" in answer) return { kind: "day", entry, ...answer.clash };
  return answer && "bookClash" in answer ? { kind: "leaf", entry, ...answer.bookClash } : null;
}

/**
 * The changes that one window made to an album and that are not yet known to be saved, in order. Every change of state is
 * written to the window's own slot of the device's storage, so a closed tab, a reload or a dead server loses nothing and
 * no window writes over another's; the slot of a window that is gone is taken up by one that is there.
 */
export class Outbox {
  #state: Outboxed = EMPTY;
  readonly #listeners = new Set<() => void>();
  readonly #storage: Storage;
  readonly #slot: string;
  /** The version that this window's own saves gave each leaf and try-out: the page may not have been read anew yet. */
  readonly #made = new Map<string, number>();

  constructor(storage: Storage, slot: string) {
    this.#storage = storage;
    this.#slot = slot;
  }

  /** Takes up what a window left behind that is gone. What was changed here since is newer and stays. */
  adopt(slot: string): void {
    const left = slot === this.#slot ? null : readSlot(this.#storage, slot);
    if (!left) return;
    const { entries, clashes } = this.#state;
    const here = new Set([...entries, ...clashes.map(({ entry }) => entry)].map(({ key }) => key));
    this.#set({
      entries: [...left.entries.filter(({ key }) => !here.has(key)), ...entries],
      clashes: [...left.clashes.filter(({ entry: { key } }) => !here.has(key)), ...clashes],
    });
    if (!this.#state.unkept) this.#storage.removeItem(slot);
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = (): Outboxed => this.#state;

  #set(change: Partial<Outboxed>): void {
    const next = { ...this.#state, ...change };
    this.#state = { ...next, unkept: !this.#keep(next) };
    for (const listener of this.#listeners) listener();
  }

  /** Writes down what waits; false where the device would not. */
  #keep({ entries, clashes }: Outboxed): boolean {
    try {
      if (entries.length + clashes.length === 0) this.#storage.removeItem(this.#slot);
      else this.#storage.setItem(this.#slot, JSON.stringify({ entries, clashes }));
      return true;
    } catch {
      return entries.length + clashes.length === 0;
    }
  }

  /** Puts a change in line. One of the same thing that has not left yet is replaced, but keeps the version it began from. */
  put(entry: Entry): void {
    const { entries, flying, clashes } = this.#state;
    const waiting = entries.find(({ key, id }) => key === entry.key && id !== flying);
    const sent = this.#based(entry.sent, waiting?.sent);
    const next = { ...entry, sent };
    this.#set({
      entries: waiting ? entries.map((each) => (each === waiting ? next : each)) : [...entries, next],
      clashes: clashes.filter(({ entry: { key } }) => key !== entry.key),
      refused: null,
    });
  }

  /** A change with the version it began from: that of the waiting change it replaces, or of this window's last save of its leaf. */
  #based(sent: Sent, waiting: Sent | undefined): Sent {
    if (waiting?.what === "edit" && sent.what === "edit") return { ...sent, base: waiting.base };
    if (sent.what === "try-out" && sent.how === "arrange" && sent.base !== null)
      return { ...sent, base: this.#known(sent.id, sent.base) };
    if (sent.what !== "book" || sent.seen === null) return sent;
    const before = waiting?.what === "book" ? waiting.seen : null;
    const seen = Object.entries(sent.seen).map(([leaf, version]) => [
      leaf,
      before?.[leaf] ?? this.#known(leaf, version),
    ]);
    return { ...sent, seen: Object.fromEntries(seen) };
  }

  #known = (leaf: string, version: number) => Math.max(version, this.#made.get(leaf) ?? 0);

  /** The next change that may leave now, or null. Changes leave one at a time, in order. */
  next(now: number): Entry | null {
    const { entries, flying } = this.#state;
    return flying === null ? (entries.find(({ due }) => due <= now) ?? null) : null;
  }

  /** When the next change may leave, or null when none waits. */
  nextDue(): number | null {
    const { entries, flying } = this.#state;
    return flying !== null || entries.length === 0 ? null : Math.min(...entries.map(({ due }) => due));
  }

  depart(id: string): void {
    this.#set({ flying: id });
  }

  /** What the server said to the change that is out; `null` when no answer came. `later` is when to try again. */
  answer(answer: Answer | null, later: number): void {
    const { entries, flying, clashes } = this.#state;
    const entry = entries.find(({ id }) => id === flying);
    if (!entry) return this.#set({ flying: null });
    const rest = entries.filter((each) => each !== entry);
    if (answer?.ok) {
      const { version } = answer;
      for (const [leaf, made] of Object.entries(answer.made ?? {})) this.#made.set(leaf, made);
      if (entry.sent.what === "try-out" && entry.sent.how === "arrange" && version !== undefined)
        this.#made.set(entry.sent.id, version);
      const caughtUp = rest.map((each): Entry => {
        if (each.sent.what === "book" && each.sent.seen !== null)
          return { ...each, sent: this.#based(each.sent, undefined) };
        return version !== undefined && each.key === entry.key && each.sent.what === "edit" && each.sent.base !== null
          ? { ...each, sent: { ...each.sent, base: version } }
          : each;
      });
      return this.#set({ entries: caughtUp, flying: null, trouble: null, savedOnce: true });
    }
    const clash = clashOf(entry, answer);
    if (clash) {
      return this.#set({
        entries: rest,
        clashes: [...clashes.filter(({ entry: { key } }) => key !== entry.key), clash],
        flying: null,
        trouble: null,
      });
    }
    if (!answer || answer.reason === "unreachable" || answer.reason === "store-gone") {
      const trouble = answer?.reason === "store-gone" ? "store-gone" : "unreachable";
      return this.#set({
        entries: entries.map((each) => ({ ...each, due: Math.max(each.due, later) })),
        flying: null,
        trouble,
      });
    }
    this.#set({ entries: rest, flying: null, trouble: null, refused: answer.reason });
  }

  /** Lets a clash go: what the other window wrote stands. */
  dropClash(key: string): void {
    this.#set({ clashes: this.#state.clashes.filter(({ entry }) => entry.key !== key) });
  }
}

/** The words of a change still on its way, or in a clash, under this key. */
export function pendingOf(state: Outboxed, key: string): Sent | null {
  const waiting =
    state.entries.findLast((entry) => entry.key === key) ?? state.clashes.find(({ entry }) => entry.key === key)?.entry;
  return waiting?.sent ?? null;
}

/** The leaves with every change of the book that is still on its way, or in a clash, already made. */
export function withPendingBook(leaves: readonly Leaf[], { entries, clashes }: Outboxed): readonly Leaf[] {
  return [...clashes.map(({ entry }) => entry), ...entries].reduce<readonly Leaf[]>((now, { sent }) => {
    if (sent.what !== "book") return now;
    const applied = applyBookEdit(now, sent.edit);
    return applied.ok ? applied.leaves : now;
  }, leaves);
}
