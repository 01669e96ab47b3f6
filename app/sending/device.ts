import { createStore, del, delMany, get, keys, set, type UseStore, values } from "idb-keyval";
import { type Clash, type Entry, picturesIn, type Returned } from "./entry.ts";

/** What of a window is kept on the device over its end. */
export type Kept = {
  readonly entries: readonly Entry[];
  readonly clashes: readonly Clash[];
  readonly returned: readonly Returned[];
};

/** Where the windows of one member keep what is on its way. */
export type Device = {
  /** Writes down what waits in a slot, at once; throws where the device would not. An empty one is taken away. */
  readonly write: (slot: string, kept: Kept) => void;
  /** What lies in a slot, of whichever age; what is no entry is passed over. Null where there is nothing. */
  readonly read: (slot: string) => Kept | null;
  readonly remove: (slot: string) => void;
  readonly keepPicture: (id: string, picture: Blob) => Promise<void>;
  readonly picture: (id: string) => Promise<Blob | undefined>;
  readonly dropPictures: (ids: readonly string[]) => Promise<void>;
};

/** The device's storage; where a page may not have it, one that holds nothing and says so when it is written to. */
export function deviceStorage(): Storage {
  try {
    return window.localStorage;
  } catch {
    const refuse = () => {
      throw new DOMException("this device keeps nothing for pages", "SecurityError");
    };
    return { length: 0, key: () => null, getItem: () => null, setItem: refuse, removeItem: () => {}, clear: () => {} };
  }
}

/** A window's own slot, of a member. */
export const ownSlot = (memberId: string): string =>
  `hearth:sending:${memberId}:${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;

/** Every slot of the member's windows on this device, those of an earlier program among them. */
export const slotsOf = (memberId: string): string[] =>
  Object.keys(deviceStorage()).filter(
    (key) => key.startsWith(`hearth:sending:${memberId}:`) || key.startsWith(`hearth:${memberId}:`),
  );

/** Earlier slots were each of one album, which stands in their name and not in what lies there. */
const albumOf = (slot: string): string | null =>
  slot.startsWith("hearth:sending:") ? null : (slot.split(":")[2] ?? null);

const isEntry = (entry: Partial<Entry> | null | undefined): entry is Entry =>
  typeof entry?.id === "string" &&
  typeof entry.key === "string" &&
  typeof entry.sent === "object" &&
  entry.sent !== null;

/** What lies in a slot, read from its text. Exported for what it makes of slots of an earlier program. */
export function readKept(slot: string, text: string | null): Kept | null {
  let kept: unknown;
  try {
    kept = JSON.parse(text ?? "null");
  } catch {
    return null;
  }
  if (kept === null) return null;
  const album = albumOf(slot);
  const listIn = (name: keyof Kept): unknown[] => {
    const list = (kept as Partial<Record<keyof Kept, unknown>>)[name];
    return Array.isArray(list) ? list : [];
  };
  const now = (entry: Entry): Entry => ({ ...entry, album: entry.album ?? album });
  const within = <T extends { readonly entry: Entry }>(name: keyof Kept): T[] =>
    (listIn(name) as (T | null)[]).flatMap((each) =>
      each && isEntry(each.entry) ? [{ ...each, entry: now(each.entry) }] : [],
    );
  return {
    entries: (listIn("entries") as (Entry | null)[]).filter(isEntry).map(now),
    clashes: within<Clash>("clashes"),
    returned: within<Returned>("returned"),
  };
}

const picturesOf = (memberId: string): UseStore => createStore(`hearth-sending-${memberId}`, "pictures");

/** This device, as the member's pages know it. Its database is opened when it is first needed: the server has none. */
export function memberDevice(memberId: string): Device {
  let opened: UseStore | undefined;
  const store: UseStore = (mode, work) => {
    opened ??= picturesOf(memberId);
    return opened(mode, work);
  };
  return {
    write: (slot, kept) => {
      const nothing = kept.entries.length + kept.clashes.length + kept.returned.length === 0;
      if (nothing) deviceStorage().removeItem(slot);
      else deviceStorage().setItem(slot, JSON.stringify(kept));
    },
    read: (slot) => readKept(slot, deviceStorage().getItem(slot)),
    remove: (slot) => deviceStorage().removeItem(slot),
    keepPicture: (id, picture) => set(id, picture, store),
    picture: (id) => get<Blob>(id, store),
    dropPictures: (ids) => delMany([...ids], store),
  };
}

/** What this device still holds of the member that the server does not have. */
export const heldOf = (memberId: string): readonly Entry[] =>
  slotsOf(memberId).flatMap((slot) => {
    const kept = readKept(slot, deviceStorage().getItem(slot));
    return kept ? [...kept.entries, ...[...kept.clashes, ...kept.returned].map(({ entry }) => entry)] : [];
  });

/** Deletes all of it, so that whoever uses this device next finds nothing. */
export function forgetHeld(memberId: string): void {
  for (const slot of slotsOf(memberId)) deviceStorage().removeItem(slot);
  for (const name of [`hearth-sending-${memberId}`, earlierJots(memberId)]) globalThis.indexedDB?.deleteDatabase(name);
}

/**
 * Lets go of pictures that no slot knows: a window ended between the two. An entry is written down before its pictures and
 * taken away before them, so that whatever has no entry waits for nothing.
 */
export async function dropStrayPictures(memberId: string): Promise<void> {
  const store = picturesOf(memberId);
  const there = await keys<string>(store);
  const known = new Set(heldOf(memberId).flatMap((entry) => picturesIn(entry).map(({ id }) => id)));
  for (const id of there) if (!known.has(id)) await del(id, store);
}
/** A jotting as earlier programs kept it, in a database of its own. */
type EarlierJot = {
  readonly id: string;
  readonly albumId: string;
  readonly dayId: string;
  readonly day: string;
  readonly at: string;
  readonly text: string;
  readonly pictures: readonly { useId: string; name: string; type: string; bytes: ArrayBuffer }[];
  readonly order: number;
};
const earlierJots = (memberId: string) => `hearth-jots-${memberId}`;

/** Takes over what an earlier program kept of jottings, the oldest first; each is let go when `take` has it. */
export async function takeEarlierJots(
  memberId: string,
  take: (entry: Omit<Entry, "id" | "due">, pictures: ReadonlyMap<string, Blob>) => Promise<void>,
): Promise<void> {
  const name = earlierJots(memberId);
  const there = await indexedDB.databases?.();
  if (there && !there.some((each) => each.name === name)) return;
  const store = createStore(name, "jots");
  const jots = await values<EarlierJot>(store);
  for (const jot of jots.sort((a, b) => a.order - b.order)) {
    const { albumId, id, text, at, pictures } = jot;
    await take(
      {
        album: albumId,
        key: `jotting:${id}`,
        sent: {
          what: "jotting",
          dayId: jot.dayId,
          day: jot.day,
          jotting: text.trim() === "" ? null : { id, text, at },
          pictures: pictures.map(({ useId, name: file, bytes }) => ({ id: useId, name: file, size: bytes.byteLength })),
        },
      },
      new Map(pictures.map(({ useId, type, bytes }) => [useId, new Blob([bytes], { type })])),
    );
    await del(id, store);
  }
}
