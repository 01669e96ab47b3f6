import type { PhotoUse } from "../album/model.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";
import { pictureCropOf, pictureSizeOf } from "../photo/repeat.ts";
import type { Mark } from "./marks.ts";
import { movedMarks, printedOnMarks } from "./printed-on.ts";

/** What of a use shows on its print. */
export type ShownUse = Pick<PhotoUse, "photoId" | "alt" | "print" | "crop" | "picture" | "onIt" | "repeat">;

/**
 * A print, or the part of it that is shown: its picture, once or repeated as a pattern, and what is printed on it. `at` is where
 * the whole print lies, `shown` what of it is seen; of a part nothing is printed half. `alt` is said of the picture.
 */
export function printMarks(use: ShownUse, at: Rect, shown: Rect, alt = use.alt): Mark[] {
  const { photoId, picture, print, onIt } = use;
  const crop = pictureCropOf(use);
  const tile = pictureSizeOf(use);
  const isWhole = shown.x === at.x && shown.y === at.y && shown.w === at.w && shown.h === at.h;
  const marks: Mark[] = [];
  for (let y = 0; y < print.h; y += tile.h)
    for (let x = 0; x < print.w; x += tile.w) {
      const lies = rect(at.x + x, at.y + y, tile.w, tile.h);
      const seen = overlap(overlap(lies, at) ?? rect(0, 0, 0, 0), shown);
      // The first says what the picture is; its repetitions say nothing more.
      if (seen)
        marks.push({
          kind: "picture",
          photoId,
          alt: marks.length === 0 ? alt : "",
          crop,
          picture,
          at: lies,
          shown: seen,
        });
    }
  const part = isWhole ? null : rect(shown.x - at.x, shown.y - at.y, shown.w, shown.h);
  return [...marks, ...movedMarks(printedOnMarks(onIt, part), at.x, at.y)];
}
