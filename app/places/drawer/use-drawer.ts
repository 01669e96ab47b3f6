import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import type { DrawerAct, DrawerAnswer } from "./acts.ts";

/** Sends what is done to the drawer, and what came of the last of it. */
export function useDrawer(albumId: string) {
  const fetcher = useFetcher<DrawerAnswer>({ key: "drawer" });
  const send = (act: DrawerAct) =>
    void fetcher.submit(act as never, {
      method: "post",
      action: to.part(albumId, "drawer"),
      encType: "application/json",
    });
  return { send, fetcher, busy: fetcher.state !== "idle", answer: fetcher.data ?? null };
}

/**
 * What is done once something that was sent is answered: what was typed is let go of, or is there again. Called where it is
 * sent.
 */
export function useAnswered(
  { answer, busy }: Pick<ReturnType<typeof useDrawer>, "answer" | "busy">,
  then: (answer: DrawerAnswer) => void,
): () => void {
  // The answer that there was before; undefined where nothing is on its way.
  const [before, setBefore] = useState<DrawerAnswer | null | undefined>(undefined);
  useEffect(() => {
    if (before === undefined || busy || answer === null || answer === before) return;
    setBefore(undefined);
    then(answer);
  });
  return () => setBefore(answer);
}
