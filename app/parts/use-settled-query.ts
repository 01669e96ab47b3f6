import { useCallback, useEffect, useRef } from "react";
import { useLocation, useNavigation, useSearchParams } from "react-router";

/**
 * The address's query, and a way to change it once a quick hand has settled. What is shown is chosen at once by whoever
 * uses it; the address, and what is read for it, follows. Whoever leaves meanwhile is not called back, and finds what was
 * chosen when they come back.
 */
export function useSettledQuery(wait: number): {
  query: URLSearchParams;
  settle: (change: (query: URLSearchParams) => void) => void;
  /** To be called when a key leads to another page: the router says only later that it is leaving. */
  settleNow: () => void;
  /** Whether a choice is newer than the address. */
  isSettling: () => boolean;
} {
  const [query, setQuery] = useSearchParams();
  const timer = useRef<number>(undefined);
  const coming = useRef<URLSearchParams>(undefined);
  const cancel = useCallback(() => {
    window.clearTimeout(timer.current);
    timer.current = undefined;
  }, []);
  // Not through the router: its navigation would be overtaken by the one that leaves, and the history would keep the old choice.
  const settleNow = useCallback(() => {
    if (coming.current) window.history.replaceState(window.history.state, "", `?${coming.current}`);
    coming.current = undefined;
    cancel();
  }, [cancel]);
  // On its way until the address has it: the timer only asks for it, and what is read for it may take its time.
  if (coming.current && `${coming.current}` === `${query}`) coming.current = undefined;
  const { pathname } = useLocation();
  const heading = useNavigation().location?.pathname ?? pathname;
  useEffect(() => {
    if (heading !== pathname) cancel();
  }, [heading, pathname, cancel]);
  useEffect(() => {
    const onClick = (event: MouseEvent) => {
      if (event.target instanceof Element && event.target.closest("a")) settleNow();
    };
    document.addEventListener("click", onClick, true);
    return () => {
      document.removeEventListener("click", onClick, true);
      cancel();
    };
  }, [cancel, settleNow]);
  const settle = (change: (query: URLSearchParams) => void) => {
    cancel();
    const next = new URLSearchParams(query);
    change(next);
    coming.current = next;
    timer.current = window.setTimeout(() => {
      timer.current = undefined;
      setQuery(next, { replace: true, preventScrollReset: true });
    }, wait);
  };
  return { query, settle, settleNow, isSettling: () => timer.current !== undefined };
}
