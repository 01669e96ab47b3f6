import { useSyncExternalStore } from "react";

const nothing = () => () => {};

/** Whether the page's script is running: false in what the server sends, true as soon as the page has come alive. */
export const useRunning = (): boolean =>
  useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
