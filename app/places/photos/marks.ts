import type { SentBring } from "#core/album/edit-schema.ts";
import { parseDate } from "#core/month/dates.ts";
import { withOnIt } from "#core/photo/on-it.ts";
import type { RollMark } from "#core/photo/roll.ts";
import type { RollPicture, RollView } from "./view.ts";

/** A picture as it is with a mark that is still on its way; null when it is put away. */
export function withMark(picture: RollPicture, mark: RollMark): RollPicture | null {
  switch (mark.kind) {
    case "away":
      return null;
    case "set-aside":
      return { ...picture, setAside: mark.on };
    case "star":
    case "banked":
      return { ...picture, [mark.kind]: mark.on };
    case "date":
      return { ...picture, date: mark.date ?? picture.date, given: mark.date !== null };
    case "look":
      return { ...picture, look: mark.look };
    case "person":
    case "nobody":
      return { ...picture, people: withOnIt(picture.people, mark) };
    case "faces":
      // What is marked for prints; the roll does not show it.
      return picture;
  }
}

/** A picture as it is with its way onto a day; on one day it is once. */
export function withBrought(
  picture: RollPicture,
  { dayId, pictures }: Pick<SentBring, "dayId" | "pictures">,
  days: RollView["days"],
): RollPicture {
  if (!pictures.some(({ photoId }) => photoId === picture.id)) return picture;
  const [date, day] = Object.entries(days).find(([, each]) => each.dayId === dayId) ?? [];
  const at = parseDate(date ?? "");
  if (!at || !day || picture.on.some((each) => "date" in each.at && each.at.date === at)) return picture;
  return { ...picture, on: [...picture.on, { at: { date: at }, name: day.name }] };
}
