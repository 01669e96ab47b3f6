import type { DragEvent } from "react";

/** Pictures that are carried by hand from the roll to a day, told apart from files that come from outside. */
const KIND = "application/x-hearth-pictures";

export function carry(event: DragEvent, ids: readonly string[]): void {
  event.dataTransfer.setData(KIND, JSON.stringify(ids));
  event.dataTransfer.effectAllowed = "copy";
}

export const isCarried = (event: DragEvent): boolean => event.dataTransfer.types.includes(KIND);

/** The pictures that were let go of here; none where it is something else. */
export function carriedTo(event: DragEvent): readonly string[] {
  try {
    const ids: unknown = JSON.parse(event.dataTransfer.getData(KIND));
    return Array.isArray(ids) ? ids.filter((id) => typeof id === "string") : [];
  } catch {
    return [];
  }
}

/** What a place that pictures may be let go of listens to. It lights up by `data-over` while they are over it. */
export const dropHere = (onDrop: (ids: readonly string[]) => void) => ({
  onDragOver: (event: DragEvent<HTMLElement>) => {
    if (!isCarried(event)) return;
    event.preventDefault();
    event.stopPropagation();
    event.currentTarget.dataset.over = "";
  },
  onDragLeave: (event: DragEvent<HTMLElement>) => {
    delete event.currentTarget.dataset.over;
  },
  onDrop: (event: DragEvent<HTMLElement>) => {
    if (!isCarried(event)) return;
    event.preventDefault();
    event.stopPropagation();
    delete event.currentTarget.dataset.over;
    onDrop(carriedTo(event));
  },
});
