import { to } from "#app/addresses.ts";
import { type PlaceId, tabsOf } from "#app/places.ts";

/** Where a place of the album begins. `day` is the one that Day opens. */
export function addressOf(place: PlaceId, album: string, day: string): string {
  if (place === "day") return to.day(album, day);
  if (place === "month" || place === "finish" || place === "settings") return to.part(album, place);
  return to.part(album, tabsOf(place)[0]?.[0] ?? "month");
}
