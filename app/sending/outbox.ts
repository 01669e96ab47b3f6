import type { Away } from "#app/wording/sending.ts";
import type { SavedChange } from "#core/album/edit.ts";
import type { Leaf } from "#core/album/leaf.ts";
import type { DayContent } from "#core/album/model.ts";
import { applyBookEdit } from "#core/book/edit.ts";
import type { Sent } from "#core/format/sent.ts";

/** A change on its way to the server, kept on this device until the server has said it is saved. */
export type Entry = {
  readonly id: string;
  /** What it writes; a newer change of the same thing takes the older one's place. */
  readonly key: string;
  readonly sent: Sent;
  /** Not before this time, in milliseconds: words wait until the typing pauses. */
  readonly due: number;
  /** How often the server broke over it. */
  readonly broke?: number;
};

/** A change that the server would not take, with the words in it: kept until its keeper has done something with them. */
export type Returned = { readonly entry: Entry; readonly reason: string };

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
/** Why what waits has not left yet. */
export type Trouble = Exclude<Away, "not-taken">;

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
  readonly returned: readonly Returned[];
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
  returned: [],
  flying: null,
  trouble: null,
  refused: null,
  savedOnce: false,
  unkept: false,
};

type Kept = Pick<Outboxed, "entries" | "clashes" | "returned">;
/** How often the server may break over a change before it is given back: the others behind it wait meanwhile. */
const MOST_BREAKS = 3;

const listIn = <T>(kept: unknown, name: keyof Kept, isOne: (each: T) => boolean): T[] => {
  const list = (kept as Partial<Record<keyof Kept, unknown>> | null)?.[name];
  return Array.isArray(list) ? list.filter((each) => each !== null && typeof each === "object" && isOne(each)) : [];
};
const isEntry = (entry: Entry | undefined): boolean =>
  typeof entry?.id === "string" && typeof entry.key === "string" && typeof entry.sent === "object";

/** What lies in a slot, of whichever age; what is no change is passed over. Null where there is nothing. */
function readSlot(storage: Storage, slot: string): Kept | null {
  let kept: unknown;
  try {
    kept = JSON.parse(storage.getItem(slot) ?? "null");
  } catch {
    return null;
  }
  if (kept === null) return null;
  return {
    entries: listIn<Entry>(kept, "entries", isEntry),
    clashes: listIn<Clash>(kept, "clashes", ({ entry }) => isEntry(entry)),
    returned: listIn<Returned>(kept, "returned", ({ entry }) => isEntry(entry)),
  };
}

/** The words that a change carries, as they were written; none where it carries none. */
export function wordsIn(sent: Sent): string {
  if (sent.what !== "edit" && sent.what !== "book") return "";
  const found: string[] = [];
  const look = (value: unknown, name: string): void => {
    if (typeof value === "string" && WORDS.has(name)) found.push(value);
    else if (typeof value === "object" && value !== null)
      for (const [key, inner] of Object.entries(value)) look(inner, key);
  };
  look(sent.what === "edit" ? sent.edit : "make" in sent.edit ? sent.edit.make : null, "");
  return found.filter((text) => text.trim() !== "").join("\n");
}
const WORDS = new Set(["text", "back", "note", "alt", "kept", "rest", "hidden", "basePaper"]);

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
    const { entries, clashes, returned } = this.#state;
    const here = new Set([...entries, ...clashes.map(({ entry }) => entry)].map(({ key }) => key));
    this.#set({
      entries: [...left.entries.filter(({ key }) => !here.has(key)), ...entries],
      clashes: [...left.clashes.filter(({ entry: { key } }) => !here.has(key)), ...clashes],
      returned: [...left.returned, ...returned],
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
  #keep({ entries, clashes, returned }: Outboxed): boolean {
    const nothing = entries.length + clashes.length + returned.length === 0;
    try {
      if (nothing) this.#storage.removeItem(this.#slot);
      else this.#storage.setItem(this.#slot, JSON.stringify({ entries, clashes, returned } satisfies Kept));
      return true;
    } catch {
      return nothing;
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
        if ((each.sent.what === "book" && each.sent.seen !== null) || each.sent.what === "try-out")
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
    const trouble = answer ? troubleIn(answer.reason) : "unreachable";
    const broke = (entry.broke ?? 0) + (trouble === "broken" ? 1 : 0);
    if (trouble && broke < MOST_BREAKS) {
      const wait = (each: Entry): Entry => ({ ...each, due: Math.max(each.due, later) });
      const waiting = entries.map((each) => (each === entry ? wait({ ...each, broke }) : wait(each)));
      return this.#set({ entries: waiting, flying: null, trouble });
    }
    const reason = answer?.reason ?? "not-taken";
    // What was written is given back: nothing else holds it. Anything else can be done again where it was done.
    const returned = wordsIn(entry.sent) === "" ? this.#state.returned : [...this.#state.returned, { entry, reason }];
    this.#set({ entries: rest, flying: null, trouble: null, refused: reason, returned });
  }

  /** Sends once more what was given back. */
  sendAgain(id: string, now: number): void {
    const found = this.#state.returned.find(({ entry }) => entry.id === id);
    if (!found) return;
    this.letGo(id);
    this.put({ ...found.entry, due: now, broke: 0 });
  }

  /** Lets go of what was given back: its keeper has it, or wants it no more. */
  letGo(id: string): void {
    this.#set({ returned: this.#state.returned.filter(({ entry }) => entry.id !== id), refused: null });
  }

  /** Lets a clash go: what the other window wrote stands. */
  dropClash(key: string): void {
    this.#set({ clashes: this.#state.clashes.filter(({ entry }) => entry.key !== key) });
  }
}

const TROUBLES: readonly string[] = ["unreachable", "store-gone", "busy", "signed-out", "broken"] satisfies Trouble[];
const troubleIn = (reason: string): Trouble | null => (TROUBLES.includes(reason) ? (reason as Trouble) : null);

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
