import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  useTransition,
} from "react";
import { useMatches, useRevalidator } from "react-router";
import { newId } from "#app/parts/new-id.ts";
import type { DayEdit } from "#core/album/edit.ts";
import type { Sent } from "#core/format/sent.ts";
import { carry } from "./carry.ts";
import { dropStrayPictures, forgetHeld, memberDevice, ownSlot, takeEarlierJots } from "./device.ts";
import type { Entry, Sendable } from "./entry.ts";
import { holdSlot } from "./hold-slot.ts";
import { EMPTY, Outbox, type Outboxed } from "./outbox.ts";
import { sendFrom } from "./sender.ts";

const TYPING_PAUSE = 700;
const TRY_AGAIN = 3000;
/** How often, in milliseconds, a page is read anew while pictures come in. */
const SHOW_AGAIN = 1500;

/** Everything the member has on its way from this window, and what can be done with it. */
type Sending = {
  readonly state: Outboxed;
  /** Puts a thing in its queue; resolves when the device has its pictures, or will not have them. */
  readonly send: (
    thing: { album: string | null; key: string; sent: Sendable; pause?: boolean; typed?: boolean },
    pictures?: ReadonlyMap<string, Blob>,
  ) => Promise<void>;
  readonly dropClash: (key: string) => void;
  readonly sendAgain: (id: string) => void;
  readonly letGo: (id: string) => void;
  readonly stopPictures: (dayId: string | null) => void;
  /** Lets go of everything, here and in the member's other windows: they sign out of this device. */
  readonly forget: () => void;
  /** What is in a picture that is on its way; null where it can be read no more. */
  readonly pictureOf: (id: string) => Promise<Blob | null>;
};
type Ways = Omit<Sending, "state">;
const StateContext = createContext<Outboxed | null>(null);
const WaysContext = createContext<Ways | null>(null);
/** The albums that something is on its way to, known at once; the household is the empty one. */
const WaitingContext = createContext("");
const AlbumContext = createContext<string | null>(null);

const nothing = () => () => {};
const isClient = typeof window !== "undefined";

/** Sends what the member does to the server, from whichever page, and keeps it on the device until it is saved. */
export function SendingProvider({ memberId, children }: { memberId: string; children: ReactNode }) {
  // There from the first moment the page runs: what is typed meanwhile has somewhere to go.
  const { outbox, own } = useMemo(() => {
    const slot = ownSlot(memberId);
    return { own: slot, outbox: isClient ? new Outbox(memberDevice(memberId), slot) : null };
  }, [memberId]);
  const state = useSyncExternalStore(
    outbox?.subscribe ?? nothing,
    () => outbox?.snapshot() ?? EMPTY,
    () => EMPTY,
  );
  // What a hand did is shown at once. Letters typed are shown by their field, and everything else when there is time.
  const late = useDeferredValue(state);
  const shown = late.turn >= state.acted ? late : state;
  const readAnew = useRef(async () => {});
  readAnew.current = useReadAnew();

  useEffect(() => {
    if (!outbox) return;
    const gone = new AbortController();
    holdSlot(outbox, memberId, own, gone.signal);
    void takeUp(outbox, memberId);
    let shownAt = 0;
    const answered = async ({ sent }: Entry) => {
      if (sent.what !== "picture" || sent.dayId !== null) return readAnew.current();
      if (performance.now() - shownAt < SHOW_AGAIN && outbox.snapshot().entries.length > 1) return;
      shownAt = performance.now();
      // The next picture does not wait for the page.
      void readAnew.current();
    };
    const pictures = (id: string) => outbox.pictureOf(id);
    sendFrom(
      outbox,
      { carry: (entry) => carry(entry, pictures), answered, now: Date.now, tryAgain: TRY_AGAIN },
      gone.signal,
    );
    window.addEventListener("online", () => outbox.hurry(Date.now()), { signal: gone.signal });
    // Another window takes this one's slot away only where its member signs out.
    const onStorage = ({ key, newValue }: StorageEvent) => key === own && newValue === null && outbox.forget();
    window.addEventListener("storage", onStorage, { signal: gone.signal });
    return () => gone.abort();
  }, [outbox, own, memberId]);

  // What the device did not write down goes with the page.
  useEffect(() => {
    if (!state.unkept) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [state.unkept]);

  const ways = useMemo(
    (): Ways => ({
      send: async ({ pause, typed, ...thing }, pictures) =>
        outbox?.put({ ...thing, id: newId(), due: Date.now() + (pause ? TYPING_PAUSE : 0) }, pictures, typed),
      dropClash: (key) => outbox?.dropClash(key),
      sendAgain: (id) => outbox?.sendAgain(id, Date.now()),
      letGo: (id) => outbox?.letGo(id),
      stopPictures: (dayId) => outbox?.stopPictures(dayId),
      forget: () => {
        outbox?.forget();
        forgetHeld(memberId);
      },
      pictureOf: async (id) => outbox?.pictureOf(id) ?? null,
    }),
    [outbox, memberId],
  );
  const waiting = [...new Set(state.entries.map(({ album }) => album ?? ""))].join(" ");
  return (
    <WaysContext value={ways}>
      <WaitingContext value={waiting}>
        <StateContext value={shown}>{children}</StateContext>
      </WaitingContext>
    </WaysContext>
  );
}

/**
 * Reads the page anew, and resolves when it is shown: what was saved stops counting as on its way only then, so that it is
 * seen all the time.
 */
function useReadAnew(): () => Promise<void> {
  const { revalidate } = useRevalidator();
  const matches = useMatches();
  const reads = useRef(0);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [, startTransition] = useTransition();
  // Every read of a page brings other matches, also where it read the same.
  // biome-ignore lint/correctness/useExhaustiveDependencies: counts how often they are shown
  useEffect(() => {
    reads.current += 1;
  }, [matches]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looks again when more was read
  useEffect(() => {
    const shown = waiting.filter(({ after }) => reads.current > after);
    for (const each of shown) each.resolve();
    if (shown.length > 0) setWaiting((now) => now.filter((each) => !shown.includes(each)));
  }, [waiting, matches]);
  return useCallback(async () => {
    const after = reads.current;
    await revalidate();
    // The page is shown in a transition, and a busy browser may show one that begins after it first: so both are waited for.
    await new Promise<void>((resolve) => startTransition(() => setWaiting((now) => [...now, { after, resolve }])));
  }, [revalidate]);
}

/** Who waits for a page to be shown that is read after so many others were. */
type Waiting = { readonly after: number; readonly resolve: () => void };

/** Takes up what earlier programs kept elsewhere, and lets go of what waits for nothing. */
async function takeUp(outbox: Outbox, memberId: string): Promise<void> {
  await takeEarlierJots(memberId, (entry, pictures) =>
    outbox.put({ ...entry, id: newId(), due: Date.now() }, pictures),
  ).catch(() => undefined);
  await dropStrayPictures(memberId).catch(() => undefined);
}

function useWays(): Ways {
  const ways = useContext(WaysContext);
  if (!ways) throw new Error("nothing is sent from this place");
  return ways;
}

/** Everything on its way, of every album and of the household. */
export function useSending(): Sending {
  const ways = useWays();
  const state = useContext(StateContext) ?? EMPTY;
  return useMemo(() => ({ state, ...ways }), [state, ways]);
}

/** What is changed within it is changed in this album. */
export const InAlbum = ({ albumId, children }: { albumId: string; children: ReactNode }) => (
  <AlbumContext.Provider value={albumId}>{children}</AlbumContext.Provider>
);

/** What is on its way to the album this place belongs to, and how to send it a change. */
export function useOutbox() {
  const album = useContext(AlbumContext);
  const { state: all, send, ...ways } = useSending();
  if (album === null) throw new Error("no album round this place");
  const state = useMemo(() => ofAlbum(all, album), [all, album]);
  return { albumId: album, state, put: usePut(), send, ...ways };
}

/** Whether something is on its way to the album; true from the first letter typed, when the page may not show it yet. */
export function useIsWaiting(): boolean {
  const album = useContext(AlbumContext);
  return useContext(WaitingContext)
    .split(" ")
    .includes(album ?? "-");
}

/** How to send the album a change, for what needs not know what else is on its way. */
export function usePut(): (key: string, sent: Sent, pause?: boolean, typed?: boolean) => void {
  const album = useContext(AlbumContext);
  const { send } = useWays();
  return useCallback(
    (key, sent, pause = false, typed = false) => void send({ album, key, sent, pause, typed }),
    [send, album],
  );
}

/** What of it is an album's. */
export function ofAlbum(all: Outboxed, album: string): Outboxed {
  const isOfIt = ({ entry }: { readonly entry: Entry }) => entry.album === album;
  return {
    ...all,
    entries: all.entries.filter((entry) => entry.album === album),
    clashes: all.clashes.filter(isOfIt),
    returned: all.returned.filter(isOfIt),
    refused: all.refused && isOfIt(all.refused) ? all.refused : null,
  };
}

/** Words that save themselves, in a day that is shown with its pending changes: how to change them. */
export function useKeptWords(key: string, dayId: string, base: number, toEdit: (text: string) => DayEdit) {
  const put = usePut();
  return (next: string, typed = false) => put(key, { what: "edit", dayId, base, edit: toEdit(next) }, true, typed);
}
