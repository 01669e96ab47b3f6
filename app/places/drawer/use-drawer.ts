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
