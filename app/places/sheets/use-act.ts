import { useCallback, useEffect, useState } from "react";
import { useFetcher, useFetchers } from "react-router";
import { useOutbox } from "#app/sending/sending.tsx";
import type { Away } from "#app/wording/sending.ts";

type NotSent = { readonly ok: false; readonly reason: Away };

/**
 * Sends one act to the server, after everything that was ticked before it; what came of the last, and whether one is on its
 * way. While nothing can be saved it is not sent, and its keeper told so.
 */
export function useAct<Act, Answer extends { readonly ok: boolean }>(
  action: string,
): { act: (act: Act) => void; answer: Answer | NotSent | null; busy: boolean } {
  const { submit, state, data } = useFetcher();
  const { state: waiting } = useOutbox();
  const [asked, setAsked] = useState<Act | null>(null);
  const [held, setHeld] = useState<NotSent | null>(null);
  // Once something is taken back, what was said before may be true no longer.
  const [isOver, setOver] = useState(false);
  const isTurning = useFetchers().some(({ formAction }) => formAction?.endsWith("/changes"));
  useEffect(() => {
    if (isTurning) setOver(true);
  }, [isTurning]);
  useEffect(() => {
    if (!asked) return;
    const isWaiting = waiting.entries.length > 0;
    if (isWaiting && !waiting.trouble) return;
    setAsked(null);
    if (isWaiting && waiting.trouble) setHeld({ ok: false, reason: waiting.trouble });
    else void submit(asked as never, { method: "post", action, encType: "application/json" });
  }, [asked, waiting, submit, action]);
  const act = useCallback((each: Act) => {
    setOver(false);
    setHeld(null);
    setAsked(() => each);
  }, []);
  const busy = state !== "idle" || asked !== null;
  return { act, answer: busy || isOver ? null : (held ?? (data as Answer | undefined) ?? null), busy };
}
