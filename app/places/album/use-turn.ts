import { useCallback, useEffect, useRef, useState } from "react";
import { useFetcher, useLocation } from "react-router";
import { to } from "#app/addresses.ts";
import { newId } from "#app/parts/new-id.ts";
import { type Away, UNREACHABLE } from "#app/wording/sending.ts";

type Way = "back" | "again";
type Answer =
  | { ok: true; said: string }
  | { ok: false; reason: "not-turned"; said: string }
  | { ok: false; reason: Away };
type Said = { readonly words: string; readonly way: Way; readonly done: boolean };

const WAITING = "It is taken back as soon as what you did is saved.";

/**
 * Takes the member's last change in the album back, or does the one taken back last again, and says which. `isSaving`:
 * something is not saved yet; it is waited for, so that the change that goes back is the one that was made last.
 */
export function useTurn(albumId: string, isSaving: boolean) {
  const fetcher = useFetcher<Answer>();
  const [said, setSaid] = useState<Said | null>(null);
  const [asked, setAsked] = useState<Way | null>(null);
  const { pathname } = useLocation();
  const out = useRef<Way | null>(null);
  // Kept until there is an answer: pressed again because none came, it takes back one change and not two.
  const act = useRef<{ way: Way; id: string } | null>(null);
  const { submit, state, data } = fetcher;

  useEffect(() => {
    const way = out.current;
    if (way === null || state !== "idle" || !data) return;
    out.current = null;
    if ("said" in data) act.current = null;
    setSaid({ way, done: data.ok, words: "said" in data ? data.said : UNREACHABLE[data.reason] });
  }, [state, data]);

  useEffect(() => {
    if (asked === null || isSaving || state !== "idle" || out.current !== null) return;
    setAsked(null);
    out.current = asked;
    if (act.current?.way !== asked) act.current = { way: asked, id: newId() };
    void submit({ way: asked, act: act.current.id }, { method: "post", action: to.changes(albumId) });
  }, [asked, isSaving, state, submit, albumId]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the message belongs to the page it was said on
  useEffect(() => setSaid(null), [pathname]);

  const turn = useCallback(
    (way: Way) => {
      if (isSaving) setSaid({ words: WAITING, way, done: false });
      setAsked(way);
    },
    [isSaving],
  );
  return { said, turn };
}
export type Turn = ReturnType<typeof useTurn>;
