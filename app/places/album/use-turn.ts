import { useCallback, useEffect, useRef, useState } from "react";
import { useFetcher, useLocation } from "react-router";
import { to } from "#app/addresses.ts";
import { newId } from "#app/parts/new-id.ts";
import { type Away, nothingDone } from "#app/wording/sending.ts";

type Way = "back" | "again";
type Answer =
  | { ok: true; way: Way; said: string }
  | { ok: false; way: Way; reason: "not-turned"; said: string }
  | { ok: false; reason: Away };
type Said = { readonly words: string; readonly way: Way; readonly done: boolean };

const WAITING = "It is taken back as soon as what you did is saved.";

/** Whatever sends a change back or again answers here, so that it is said in one place; the day's menu does, too. */
export const useTurnFetcher = (albumId: string) => useFetcher<Answer>({ key: `turn-${albumId}` });

/**
 * Takes the member's last change in the album back, or does the one taken back last again, and says which. `isSaving`:
 * something is not saved yet; it is waited for, so that the change that goes back is the one that was made last.
 */
export function useTurn(albumId: string, isSaving: boolean) {
  const fetcher = useTurnFetcher(albumId);
  const [said, setSaid] = useState<Said | null>(null);
  /** What was pressed and has not been sent, one for each press. */
  const [asked, setAsked] = useState<readonly Way[]>([]);
  const { pathname } = useLocation();
  const out = useRef<Way | null>(null);
  // Kept until there is an answer: pressed again because none came, it takes back one change and not two.
  const act = useRef<{ way: Way; id: string } | null>(null);
  const { submit, state, data } = fetcher;

  const seen = useRef(data);
  useEffect(() => {
    if (state !== "idle" || !data || seen.current === data) return;
    seen.current = data;
    const way = "said" in data ? data.way : (out.current ?? "back");
    out.current = null;
    if ("said" in data) act.current = null;
    // Where nobody answered, the presses after it are not carried out unseen when somebody does again.
    else setAsked([]);
    setSaid({ way, done: data.ok, words: "said" in data ? data.said : nothingDone(data.reason) });
  }, [state, data]);

  useEffect(() => {
    const [way, ...more] = asked;
    if (way === undefined || isSaving || state !== "idle" || out.current !== null) return;
    setAsked(more);
    out.current = way;
    if (act.current?.way !== way) act.current = { way, id: newId() };
    void submit({ way, act: act.current.id }, { method: "post", action: to.changes(albumId) });
  }, [asked, isSaving, state, submit, albumId]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the message belongs to the page it was said on
  useEffect(() => setSaid(null), [pathname]);

  const turn = useCallback(
    (way: Way) => {
      if (isSaving) setSaid({ words: WAITING, way, done: false });
      setAsked((before) => [...before, way]);
    },
    [isSaving],
  );
  return { said, turn };
}
export type Turn = ReturnType<typeof useTurn>;
