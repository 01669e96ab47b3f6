import type { Outbox } from "./outbox.ts";

/** The device's storage; where a page may not have it, one that holds nothing and says so when it is written to. */
export function deviceStorage(): Storage {
  try {
    return window.localStorage;
  } catch {
    const refuse = () => {
      throw new DOMException("this device keeps nothing for pages", "SecurityError");
    };
    return { length: 0, key: () => null, getItem: () => null, setItem: refuse, removeItem: () => {}, clear: () => {} };
  }
}

const slotsOf = (album: string): string[] =>
  Object.keys(deviceStorage()).filter((key) => key === album || key.startsWith(`${album}:`));

/**
 * Holds a window's slot until `signal` ends, and takes up those of the album's other windows as soon as these are gone. A
 * lock goes with the window that holds it, however it goes. Where there are no locks, on a page that is not secure, what
 * lies there is taken up at once.
 */
export function holdSlot(box: Outbox, album: string, own: string, signal: AbortSignal): void {
  const others = slotsOf(album).filter((slot) => slot !== own);
  if (!("locks" in navigator)) {
    for (const slot of others) box.adopt(slot);
    return;
  }
  const ended = new Promise<void>((resolve) => signal.addEventListener("abort", () => resolve()));
  const held = (slot: string, then: () => Promise<void> | void) =>
    // A request that is given up because this window goes first is no fault.
    void navigator.locks.request(slot, { signal }, async () => then()).catch(() => undefined);
  held(own, () => ended);
  for (const slot of others) held(slot, () => box.adopt(slot));
}
