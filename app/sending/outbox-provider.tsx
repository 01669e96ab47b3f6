import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useSyncExternalStore,
} from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { newId } from "#app/parts/new-id.ts";
import type { DayEdit } from "#core/album/edit.ts";
import type { Sent } from "#core/format/sent.ts";
import { type Answer, EMPTY, Outbox, type Outboxed, pendingOf } from "./outbox.ts";
import { deviceStorage, holdSlot } from "./window-slot.ts";

const TYPING_PAUSE = 700;
const TRY_AGAIN = 3000;

type Held = {
  readonly state: Outboxed;
  readonly put: (key: string, sent: Sent, pause?: boolean) => void;
  readonly dropClash: (key: string) => void;
  readonly sendAgain: (id: string) => void;
  readonly letGo: (id: string) => void;
};
const Context = createContext<Held | null>(null);

const nothing = () => () => {};

/** Sends the album's changes to the server one after the other, and keeps them on the device until they are saved. */
export function OutboxProvider({
  albumId,
  memberId,
  children,
}: {
  albumId: string;
  memberId: string;
  children: ReactNode;
}) {
  // There from the first moment the page runs: what is typed meanwhile has somewhere to go.
  const album = `hearth:${memberId}:${albumId}`;
  const { box, own } = useMemo(() => {
    const slot = `${album}:${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
    return { own: slot, box: typeof window === "undefined" ? null : new Outbox(deviceStorage(), slot) };
  }, [album]);
  useEffect(() => {
    if (!box) return;
    const gone = new AbortController();
    holdSlot(box, album, own, gone.signal);
    return () => gone.abort();
  }, [box, album, own]);
  const state = useSyncExternalStore(
    box?.subscribe ?? nothing,
    () => box?.snapshot() ?? EMPTY,
    () => EMPTY,
  );
  const fetcher = useFetcher<Answer>();
  const out = useRef(false);

  useEffect(() => {
    if (!box || !out.current || fetcher.state !== "idle") return;
    out.current = false;
    box.answer(fetcher.data ?? null, Date.now() + TRY_AGAIN);
  }, [box, fetcher.state, fetcher.data]);

  useEffect(() => {
    if (!box || state.flying !== null) return;
    const due = box.nextDue();
    if (due === null) return;
    const timer = window.setTimeout(
      () => {
        const entry = box.next(Date.now());
        if (!entry || out.current) return;
        out.current = true;
        box.depart(entry.id);
        // Its own name goes with it: sent again because its answer was lost, it is done once.
        void fetcher.submit({ ...entry.sent, act: entry.id } as never, {
          method: "post",
          action: to.album(albumId),
          encType: "application/json",
        });
      },
      Math.max(0, due - Date.now()),
    );
    return () => window.clearTimeout(timer);
  }, [box, state, fetcher.submit, albumId]);

  const put = useCallback(
    (key: string, sent: Sent, pause = false) =>
      box?.put({ id: newId(), key, sent, due: Date.now() + (pause ? TYPING_PAUSE : 0) }),
    [box],
  );
  const dropClash = useCallback((key: string) => box?.dropClash(key), [box]);
  const sendAgain = useCallback((id: string) => box?.sendAgain(id, Date.now()), [box]);
  const letGo = useCallback((id: string) => box?.letGo(id), [box]);
  const held = useMemo(() => ({ state, put, dropClash, sendAgain, letGo }), [state, put, dropClash, sendAgain, letGo]);
  return <Context.Provider value={held}>{children}</Context.Provider>;
}

export function useOutbox(): Held {
  const held = useContext(Context);
  if (!held) throw new Error("no outbox round this place");
  return held;
}

/** Words that save themselves: what is shown, and what to do when they change. `read` finds the words in a pending edit. */
export function useKeptWords(
  key: string,
  saved: string,
  dayId: string,
  base: number,
  toEdit: (text: string) => DayEdit,
  read: (edit: DayEdit) => string,
) {
  const { state, put } = useOutbox();
  const pending = pendingOf(state, key);
  const text = pending?.what === "edit" ? read(pending.edit) : saved;
  return { text, change: (next: string) => put(key, { what: "edit", dayId, base, edit: toEdit(next) }, true) };
}
