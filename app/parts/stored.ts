/** What a page keeps on the device by itself. A device that keeps nothing for pages says so by throwing: then it is as never kept. */
export function stored(slot: string): string {
  try {
    return window.localStorage.getItem(slot) ?? "";
  } catch {
    return "";
  }
}

export function store(slot: string, text: string): void {
  try {
    window.localStorage.setItem(slot, text);
  } catch {}
}
