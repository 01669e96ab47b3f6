import { useSyncExternalStore } from "react";

function onChange(listener: () => void): () => void {
  window.addEventListener("online", listener);
  window.addEventListener("offline", listener);
  return () => {
    window.removeEventListener("online", listener);
    window.removeEventListener("offline", listener);
  };
}

/** Whether this device knows that it has no connection. */
export const useOffline = (): boolean =>
  useSyncExternalStore(
    onChange,
    () => !navigator.onLine,
    () => false,
  );
