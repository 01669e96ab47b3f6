import type { RollMark } from "#core/photo/roll.ts";
import type { RollPicture } from "./view.ts";

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
  }
}
