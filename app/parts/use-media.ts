import { useSyncExternalStore } from "react";

/** Whether a media query holds; `onServer` is the guess before the browser has said. */
export function useMedia(query: string, onServer: boolean): boolean {
  return useSyncExternalStore(
    (changed) => {
      const list = window.matchMedia(query);
      list.addEventListener("change", changed);
      return () => list.removeEventListener("change", changed);
    },
    () => window.matchMedia(query).matches,
    () => onServer,
  );
}
