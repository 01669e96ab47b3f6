import { type Device, readKept } from "../app/sending/device.ts";

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
