import { useSyncExternalStore } from "react";

let words = "";
const listeners = new Set<() => void>();

/** Has a reader say something, once it is done with what it is saying. The same twice is said twice. */
export function speak(said: string): void {
  // A region that has the same text again is not read again.
  words = said === words ? `${said}\u00a0` : said;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Where what is spoken stands: there from the start, because a region is heard only where it stood before it was filled. */
export function Spoken() {
  const said = useSyncExternalStore(
    subscribe,
    () => words,
    () => "",
  );
  return (
    <p role="status" aria-live="polite" className="sr-only" data-spoken="">
      {said}
    </p>
  );
}
