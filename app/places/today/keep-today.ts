import { useEffect, useRef } from "react";
import worker from "#app/workers/today-worker.ts?worker&url";

/**
 * Lets the address of today be opened without a connection: the page and what it is made of are kept on the device. `view`
 * is what the page shows: once it is another, as after something was kept at home, the page is kept anew.
 */
export function useKeptToday(view: unknown): void {
  const first = useRef(view);
  useEffect(() => {
    if (view === first.current || !("serviceWorker" in navigator)) return;
    first.current = view;
    void navigator.serviceWorker.ready
      .then(({ active }) => active?.postMessage({ renew: true }))
      .catch(() => undefined);
  }, [view]);
  useEffect(() => {
    if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
    void navigator.serviceWorker
      .register(worker, { scope: "/today", type: "module" })
      .then(() => navigator.serviceWorker.ready)
      .then(({ active }) => {
        // What this first visit has fetched already did not pass through the worker.
        const fetched = performance.getEntriesByType("resource").map(({ name }) => name);
        active?.postMessage({ keep: [window.location.href, ...fetched] });
      })
      .catch(() => undefined);
  }, []);
}
