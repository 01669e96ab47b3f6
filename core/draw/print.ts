import type { PhotoUse } from "../album/model.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";
import { pictureCropOf, pictureSizeOf } from "../photo/repeat.ts";
import { picturesOf } from "../photo/together.ts";
import type { Mark, PictureMark } from "./marks.ts";
import { seenOnPrint } from "./printed-on.ts";

/** What of a use shows on its print. */
export type ShownUse = Pick<
  PhotoUse,
  "photoId" | "alt" | "print" | "crop" | "picture" | "onIt" | "repeat" | "together"
>;

/** Where each picture of a print lies in it, once or as often as a pattern is repeated, and the crop it has there. */
function laidIn(use: ShownUse): Omit<PictureMark, "kind" | "alt" | "shown">[] {
  if (use.together) return picturesOf(use);
  const { photoId, picture, print } = use;
  const tile = pictureSizeOf(use);
  const laid = [];
  for (let y = 0; y < print.h; y += tile.h)
    for (let x = 0; x < print.w; x += tile.w)
      laid.push({ photoId, picture, crop: pictureCropOf(use), at: rect(x, y, tile.w, tile.h) });
  return laid;
}

/**
 * A print, or the part of it that is shown: its picture, once or repeated as a pattern, or all that share it, and what is
 * printed on it. `at` is where the whole print lies, `shown` what of it is seen. `alt` is said of the print.
 */
export function printMarks(use: ShownUse, at: Rect, shown: Rect, alt = use.alt): Mark[] {
  const marks: Mark[] = [];
  for (const each of laidIn(use)) {
    const lies = rect(at.x + each.at.x, at.y + each.at.y, each.at.w, each.at.h);
    const seen = overlap(overlap(lies, at) ?? rect(0, 0, 0, 0), shown);
    // The first says what the print is of; the others say nothing more.
    if (seen) marks.push({ ...each, kind: "picture", alt: marks.length === 0 ? alt : "", at: lies, shown: seen });
  }
  return [...marks, ...seenOnPrint(use.onIt, at, rect(shown.x - at.x, shown.y - at.y, shown.w, shown.h))];
}
