import type { Face } from "../album/leaf.ts";
import type { AlbumPlan } from "../album/model.ts";
import type { LeafRead } from "../book/read.ts";
import { pagePrintMarks } from "../draw/side.ts";
import { rect } from "../measure/rect.ts";
import type { Stretch } from "./paper.ts";
import { unstretched } from "./print-marks.ts";
import { FINE, onPaper, type TrueSheet } from "./true-size.ts";

/**
 * A side's page to be printed as it is: what is printed on it, where it lies, and its rooms white for what is stuck on or
 * stamped later. A thin line round it is to cut along; made up for the printer's stretch.
 */
export function pageSheet(
  read: LeafRead,
  face: Face,
  { format, unit }: Pick<AlbumPlan, "format" | "unit">,
  title: string,
  stretch: Stretch,
): TrueSheet {
  const { page } = read.build;
  const sheet = onPaper(
    title,
    page,
    (x, y) => [
      { kind: "group", x, y, turn: 0, ...page, marks: pagePrintMarks(read, face, format) },
      { kind: "rect", at: rect(x, y, page.w, page.h), stroke: "hair", line: FINE },
    ],
    unit,
  );
  return { ...sheet, marks: unstretched(sheet.marks, stretch) };
}
