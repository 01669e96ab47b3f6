import { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import type { DayEdit } from "#core/album/edit.ts";
import type { Device, Kept } from "./device.ts";
import {
  type Answer,
  type Came,
  type Clash,
  type Entry,
  picturesIn,
  type Returned,
  type Sendable,
  type Trouble,
  troubleIn,
  wordsIn,
} from "./entry.ts";

export type Outboxed = Kept & {
  /** The ids of what is out at the moment. */
  readonly flying: readonly string[];
  readonly trouble: Trouble | null;
  /** The last thing that was refused for good, and why, until the next change. */
  readonly refused: Returned | null;
  /** The albums that something was saved in, from this window. */
  readonly savedIn: readonly (string | null)[];
  /** The device would not write it down: it is full, or keeps nothing for pages. */
  readonly unkept: boolean;
  /** Pictures that had their turn since the last time none was on its way to the same place. */
  readonly came: readonly Came[];
  /** How many changes of this there were; and at which of them a hand did something that has to be seen at once. */
  readonly turn: number;
  readonly acted: number;
  /** Whether what a hand did last was to move pieces: then the mat is what has to be seen. */
  readonly moved: boolean;
};

export const EMPTY: Outboxed = {
  entries: [],
  clashes: [],
  returned: [],
  flying: [],
  trouble: null,
  refused: null,
  savedIn: [],
  unkept: false,
  came: [],
  turn: 0,
  acted: 0,
  moved: false,
};

/** How often the server may break over a thing before it is given back: the others behind it wait meanwhile. */
const MOST_BREAKS = 3;

/** The queue an entry stands in, and how many of it may be out at once: pictures wait for no words, and words for no pictures. */
function queueOf({ album, sent }: Entry): { readonly name: string; readonly atOnce: number } {
  if (sent.what === "picture") return sent.dayId ? { name: sent.dayId, atOnce: 1 } : { name: "roll", atOnce: 3 };
  return { name: sent.what === "jotting" ? "jottings" : (album ?? ""), atOnce: 1 };
}

/** The piece that an edit adds to a day: nobody can have written on it before. */
function addedBy(edit: DayEdit): string | null {
  if (edit.kind === "add-card") return edit.card.id;
  return edit.kind === "carry-over" && edit.to !== "back" ? edit.to.card : null;
}

function clashOf(entry: Entry, answer: Answer | null): Clash | null {
  if (answer && "clash" in answer) return { kind: "day", entry, ...answer.clash };
  return answer && "bookClash" in answer ? { kind: "leaf", entry, ...answer.bookClash } : null;
}

/**
 * Everything that one window sends and that is not yet known to be saved, in order. Every change of it is written to the
 * window's own slot of the device, so a closed tab, a reload or a dead server loses nothing and no window writes over
 * another's; the slot of a window that is gone is taken up by one that is there.
 */
export class Outbox {
  #state: Outboxed = EMPTY;
  readonly #listeners = new Set<() => void>();
  readonly #device: Device;
  readonly #slot: string;
  /**
   * The version that this window's own saves gave each leaf, try-out and field of a day, and the one that a piece of a day
   * came with that was added here: the page may not have been read anew yet.
   */
  readonly #made = new Map<string, number>();
  /** What is in pictures that the device has not written down, by their ids. */
  readonly #pictures = new Map<string, Blob>();
  readonly #unkeptPictures = new Set<string>();
  #writing: Promise<void> = Promise.resolve();
  readonly #left = new Map<string, number>();

  constructor(device: Device, slot: string) {
    this.#device = device;
    this.#slot = slot;
  }

  /** Takes up what a window left behind that is gone. What was changed here since is newer and stays. */
  adopt(slot: string): void {
    const left = slot === this.#slot ? null : this.#device.read(slot);
    if (!left) return;
    const { entries, clashes, returned } = this.#state;
    const here = new Set([...entries, ...clashes.map(({ entry }) => entry)].map(({ key }) => key));
    this.#set({
      entries: [...left.entries.filter(({ key }) => !here.has(key)), ...entries],
      clashes: [...left.clashes.filter(({ entry: { key } }) => !here.has(key)), ...clashes],
      returned: [...left.returned, ...returned],
    });
    if (!this.#state.unkept) this.#device.remove(slot);
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = (): Outboxed => this.#state;

  #set(change: Partial<Outboxed>): void {
    const before = this.#state;
    const next = { ...before, ...change, turn: before.turn + 1 };
    const isSame =
      next.entries === before.entries && next.clashes === before.clashes && next.returned === before.returned;
    const isKept = isSame ? !before.unkept && this.#unkeptPictures.size === 0 : this.#keep(next);
    this.#state = { ...next, unkept: !isKept };
    for (const listener of this.#listeners) listener();
  }

  /** Writes down what waits; false where the device would not, or has not a picture of it. */
  #keep({ entries, clashes, returned }: Outboxed): boolean {
    const isEmpty = entries.length + clashes.length + returned.length === 0;
    try {
      this.#device.write(this.#slot, { entries, clashes, returned });
      return isEmpty || this.#unkeptPictures.size === 0;
    } catch {
      return isEmpty;
    }
  }

  /**
   * Puts a thing in its queue, with what is in its pictures by their ids. One of the same thing that has not left yet is
   * replaced, but keeps the version it began from. Of what is typed the field itself shows every letter. Resolves when its
   * pictures are written down, or are known not to be.
   */
  put(entry: Entry, pictures: ReadonlyMap<string, Blob> = new Map(), isTyped = false): Promise<void> {
    const { entries, flying, clashes, came, turn, acted } = this.#state;
    const waiting = entries.find(({ key, id }) => key === entry.key && !flying.includes(id));
    const next = { ...entry, sent: this.#based(entry, waiting?.sent) };
    const { sent } = entry;
    const joins =
      sent.what !== "picture" || entries.some((each) => each.sent.what === "picture" && each.sent.dayId === sent.dayId);
    for (const [id, picture] of pictures) this.#pictures.set(id, picture);
    this.#set({
      entries: waiting ? entries.map((each) => (each === waiting ? next : each)) : [...entries, next],
      clashes: clashes.filter(({ entry: { key } }) => key !== entry.key),
      refused: null,
      came: joins ? came : came.filter(({ dayId }) => dayId !== sent.dayId),
      acted: isTyped ? acted : turn + 1,
      moved: sent.what === "book" && sent.edit.kind === "arrange",
    });
    for (const id of pictures.keys()) this.#writing = this.#writing.then(() => this.#keepPicture(id));
    return this.#writing;
  }

  /** Writes one picture down, where it still waits by then: its file may be gone tomorrow. */
  async #keepPicture(id: string): Promise<void> {
    const picture = this.#pictures.get(id);
    if (!picture) return;
    try {
      await this.#device.keepPicture(id, picture);
    } catch {
      if (this.#pictures.has(id)) this.#unkeptPictures.add(id);
      return this.#set({});
    }
    // It may have arrived meanwhile.
    if (!this.#pictures.delete(id)) await this.#device.dropPictures([id]).catch(() => undefined);
  }

  /** What is in a picture; null where it can be read no more. */
  async pictureOf(id: string): Promise<Blob | null> {
    const picture = this.#pictures.get(id) ?? (await this.#device.picture(id).catch(() => undefined));
    return picture ?? null;
  }

  #forgetPictures(entries: readonly Entry[]): void {
    const ids = entries.flatMap((entry) => picturesIn(entry).map(({ id }) => id));
    for (const id of ids) {
      this.#pictures.delete(id);
      this.#unkeptPictures.delete(id);
    }
    if (ids.length > 0) void this.#device.dropPictures(ids).catch(() => undefined);
  }

  /** A change with the version it began from: that of the waiting change it replaces, or of this window's last save of its leaf. */
  #based({ key, sent }: Entry, waiting?: Sendable): Sendable {
    if (sent.what === "edit") {
      if (waiting?.what === "edit") return { ...sent, base: waiting.base };
      if (sent.base === null) return sent;
      const written = this.#known(key, sent.base);
      return { ...sent, base: "id" in sent.edit ? this.#known(sent.edit.id, written) : written };
    }
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

  #known = (id: string, version: number) => Math.max(version, this.#made.get(id) ?? 0);

  /** What may leave now: of each queue as many as may be out at once, in order. */
  next(now: number): readonly Entry[] {
    const { entries, flying } = this.#state;
    const out = new Map<string, number>();
    for (const each of entries)
      if (flying.includes(each.id)) out.set(queueOf(each).name, (out.get(queueOf(each).name) ?? 0) + 1);
    return entries.filter((each) => {
      const { name, atOnce } = queueOf(each);
      const goes = each.due <= now && !flying.includes(each.id) && (out.get(name) ?? 0) < atOnce;
      if (goes) out.set(name, (out.get(name) ?? 0) + 1);
      return goes;
    });
  }

  /** When to look again for what may leave, or null when nothing waits for its time. */
  nextDue(now: number): number | null {
    const waits = this.#state.entries.map(({ due }) => due).filter((due) => due > now);
    return waits.length === 0 ? null : Math.min(...waits);
  }

  depart(id: string, now: number): void {
    this.#left.set(id, now);
    this.#set({ flying: [...this.#state.flying, id] });
  }

  /** What the server said to something that is out; `null` when no answer came. `later` is when to try again. */
  answer(id: string, answer: Answer | null, now: number, later: number): void {
    const { entries, clashes, returned, came, savedIn } = this.#state;
    const flying = this.#state.flying.filter((each) => each !== id);
    const entry = entries.find((each) => each.id === id);
    const took = now - (this.#left.get(id) ?? now);
    this.#left.delete(id);
    // It was let go meanwhile.
    if (!entry) return this.#set({ flying });
    const rest = entries.filter((each) => each !== entry);
    if (answer?.ok) {
      this.#forgetPictures([entry]);
      return this.#set({
        entries: this.#caughtUp(entry, answer, rest),
        flying,
        trouble: null,
        savedIn: savedIn.includes(entry.album) ? savedIn : [...savedIn, entry.album],
        came: answer.arrived ? withCame(came, entry, took, { ok: true, ...answer.arrived }) : came,
      });
    }
    const clash = clashOf(entry, answer);
    if (clash) {
      const others = clashes.filter(({ entry: { key } }) => key !== entry.key);
      return this.#set({ entries: rest, clashes: [...others, clash], flying, trouble: null });
    }
    const trouble = answer ? troubleIn(answer.reason) : "unreachable";
    const broke = (entry.broke ?? 0) + (trouble === "broken" ? 1 : 0);
    if (trouble && broke < MOST_BREAKS) {
      const wait = (each: Entry): Entry => ({ ...each, due: Math.max(each.due, later) });
      const waiting = entries.map((each) => (each === entry ? wait({ ...each, broke }) : wait(each)));
      return this.#set({ entries: waiting, flying, trouble });
    }
    const reason = answer?.reason ?? "not-taken";
    if (entry.sent.what === "picture") {
      this.#forgetPictures([entry]);
      const why = reason in PHOTO_PROBLEM ? (reason as keyof typeof PHOTO_PROBLEM) : "not-taken";
      return this.#set({
        entries: rest,
        flying,
        trouble: null,
        came: withCame(came, entry, took, { ok: false, reason: why }),
      });
    }
    // What was written or taken is given back: nothing else holds it. Anything else can be done again where it was done.
    const isHeld = wordsIn(entry.sent) !== "" || picturesIn(entry).length > 0;
    this.#set({
      entries: rest,
      flying,
      trouble: null,
      refused: { entry, reason },
      returned: isHeld ? [...returned, { entry, reason }] : returned,
    });
  }

  /** What waits behind a thing that was saved, from the versions that it made. */
  #caughtUp(entry: Entry, { version, made }: Extract<Answer, { ok: true }>, rest: readonly Entry[]): Entry[] {
    for (const [leaf, each] of Object.entries(made ?? {})) this.#made.set(leaf, each);
    if (entry.sent.what === "try-out" && entry.sent.how === "arrange" && version !== undefined)
      this.#made.set(entry.sent.id, version);
    if (entry.sent.what === "edit" && version !== undefined) {
      const added = addedBy(entry.sent.edit);
      if (added !== null) this.#made.set(added, version);
      // Nobody else wrote it since the version it began from, or it would have clashed.
      if (entry.sent.base !== null) this.#made.set(entry.key, version);
    }
    return rest.map((each) => ({ ...each, sent: this.#based(each) }));
  }

  /** Lets go of everything that is on its way: its member signs out of this device. */
  forget(): void {
    const { entries, clashes, returned } = this.#state;
    this.#set({ entries: [], clashes: [], returned: [], refused: null, came: [] });
    this.#forgetPictures([...entries, ...[...clashes, ...returned].map(({ entry }) => entry)]);
  }

  /** There may be a connection again: what waits for it goes now. */
  hurry(now: number): void {
    if (this.#state.trouble === null) return;
    this.#set({ entries: this.#state.entries.map((each) => ({ ...each, due: Math.min(each.due, now) })) });
  }

  /** Sends once more what was given back. */
  sendAgain(id: string, now: number): void {
    const found = this.#state.returned.find(({ entry }) => entry.id === id);
    if (!found) return;
    this.#set({ returned: this.#state.returned.filter((each) => each !== found), refused: null });
    void this.put({ ...found.entry, due: now, broke: 0 });
  }

  /** Lets go of what was given back: its keeper has it, or wants it no more. */
  letGo(id: string): void {
    const { returned, turn } = this.#state;
    const found = returned.find(({ entry }) => entry.id === id);
    if (!found) return;
    this.#set({ returned: returned.filter((each) => each !== found), refused: null, acted: turn + 1 });
    this.#forgetPictures([found.entry]);
  }

  /** Lets go of the pictures that have not arrived yet: those of a day, or with null those handed in to the roll. */
  stopPictures(dayId: string | null): void {
    const isOne = ({ sent }: Entry) => sent.what === "picture" && sent.dayId === dayId;
    const { entries } = this.#state;
    this.#set({ entries: entries.filter((each) => !isOne(each)) });
    this.#forgetPictures(entries.filter(isOne));
  }

  /** Lets a clash go: what the other window wrote stands. */
  dropClash(key: string): void {
    this.#set({ clashes: this.#state.clashes.filter(({ entry }) => entry.key !== key) });
  }
}

const withCame = (came: readonly Came[], { sent }: Entry, took: number, result: Came["result"]): readonly Came[] =>
  sent.what === "picture" ? [...came, { picture: sent.picture, dayId: sent.dayId, took, result }] : came;
