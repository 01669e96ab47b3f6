/** Where the device keeps the page of today, for when there is no connection. */
export const TODAY_PAGE = "hearth-today-page";

/** Whoever signs out takes the page along: it shows a household's words. */
export function forgetToday(): void {
  // There is no such cache on a page that is not secure.
  if ("caches" in window) void window.caches.delete(TODAY_PAGE);
}
