import { useCallback, useEffect, useState } from "react";
import { useFetcher, useFetchers } from "react-router";
import type { SheetAct, SheetsAnswer } from "./acts.ts";

/** Sends one act to the server; what came of the last, and whether one is on its way. */
export function useAct(action: string): { act: (act: SheetAct) => void; answer: SheetsAnswer | null; busy: boolean } {
  const { submit, state, data } = useFetcher<SheetsAnswer>();
  // Once something is taken back, what was said before may be true no longer.
  const [isOver, setOver] = useState(false);
  const isTurning = useFetchers().some(({ formAction }) => formAction?.endsWith("/changes"));
  useEffect(() => {
    if (isTurning) setOver(true);
  }, [isTurning]);
  const act = useCallback(
    (each: SheetAct) => {
      setOver(false);
      void submit(each as never, { method: "post", action, encType: "application/json" });
    },
    [submit, action],
  );
  return { act, answer: state === "idle" && !isOver ? (data ?? null) : null, busy: state !== "idle" };
}
