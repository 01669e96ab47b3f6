import { slotsOf } from "./device.ts";
import type { Outbox } from "./outbox.ts";

/**
 * Holds a window's slot until `signal` ends, and takes up those of the member's other windows as soon as these are gone. A
 * lock goes with the window that holds it, however it goes. Where there are no locks, on a page that is not secure, what
 * lies there is taken up at once.
 */
export function holdSlot(outbox: Outbox, memberId: string, own: string, signal: AbortSignal): void {
  const others = slotsOf(memberId).filter((slot) => slot !== own);
  if (!("locks" in navigator)) {
    for (const slot of others) outbox.adopt(slot);
    return;
  }
  const ended = new Promise<void>((resolve) => signal.addEventListener("abort", () => resolve()));
  const held = (slot: string, then: () => Promise<void> | void) =>
    // A request that is given up because this window goes first is no fault.
    void navigator.locks.request(slot, { signal }, async () => then()).catch(() => undefined);
  held(own, () => ended);
  for (const slot of others) held(slot, () => outbox.adopt(slot));
}
