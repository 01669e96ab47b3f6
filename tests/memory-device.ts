import { type Device, readKept } from "../app/sending/device.ts";
import type { Answer, Entry } from "../app/sending/entry.ts";
import { Outbox } from "../app/sending/outbox.ts";

/** A device that outlives its windows and whose slots and pictures are seen; a `full` one writes nothing down. */
export function memoryDevice(full = false) {
  const slots = new Map<string, string>();
  const pictures = new Map<string, Blob>();
  const refuse = () => {
    throw new DOMException("no room", "QuotaExceededError");
  };
  const own: Device = {
    write: (slot, kept) => {
      const isEmpty = kept.entries.length + kept.clashes.length + kept.returned.length === 0;
      if (isEmpty) slots.delete(slot);
      else if (full) refuse();
      else slots.set(slot, JSON.stringify(kept));
    },
    read: (slot) => readKept(slot, slots.get(slot) ?? null),
    remove: (slot) => void slots.delete(slot),
    keepPicture: async (id, picture) => (full ? refuse() : void pictures.set(id, picture)),
    picture: async (id) => pictures.get(id),
    dropPictures: async (ids) => {
      for (const id of ids) pictures.delete(id);
    },
  };
  return { ...own, slots, pictures };
}

/** A moment at which everything that waits for nothing may leave. */
export const NOW = 1_000_000;
/** What leaves next, or null. */
export const nextOf = (box: Outbox, now = NOW): Entry | null => box.next(now)[0] ?? null;
export const depart = (box: Outbox, id: string): void => box.depart(id, NOW);
/** The server's answer to what is out, or to one of several. */
export function answer(box: Outbox, said: Answer | null, later = NOW, id = box.snapshot().flying[0] ?? ""): void {
  box.answer(id, said, NOW, later);
}
/** A window that opens where another, of this slot, is gone. */
export function reopen(device: Device, left: string): Outbox {
  const box = new Outbox(device, `after ${left}`);
  box.adopt(left);
  return box;
}
/** A day's title on its way. */
export const title = (id: string, text: string, base = 3, due = 0): Entry => ({
  ...{ id, album: "album", key: "day:title", due },
  sent: { what: "edit", dayId: "day", base, edit: { kind: "title", text } },
});
