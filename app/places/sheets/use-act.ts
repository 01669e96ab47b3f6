import { useCallback } from "react";
import { useFetcher } from "react-router";
import type { SheetAct, SheetsAnswer } from "./acts.ts";

/** Sends one act to the server; what came of the last, and whether one is on its way. */
export function useAct(action: string): { act: (act: SheetAct) => void; answer: SheetsAnswer | null; busy: boolean } {
  const { submit, state, data } = useFetcher<SheetsAnswer>();
  const act = useCallback(
    (each: SheetAct) => void submit(each as never, { method: "post", action, encType: "application/json" }),
    [submit, action],
  );
  return { act, answer: state === "idle" ? (data ?? null) : null, busy: state !== "idle" };
}
