import { many } from "#app/wording/count.ts";
import type { CutterRefused, CutterSays } from "#core/format/cutter.ts";
import type { OwnShapeRefused } from "#core/format/own-shape.ts";
import type { ShapesRefused } from "#core/format/shape-file.ts";
import { millimetres, sayLength, type Unit } from "#core/measure/length.ts";

/** What the simulated cutting machine says to a file. */

const UNREAD: Record<ShapesRefused, string> = {
  "too-large": "The file is larger than two megabytes. Simplify its outlines, or part it.",
  "not-svg": "This is no SVG file that can be read: export it again as plain SVG.",
  "has-scripts": "The file carries a script or moves: it is not taken. Export it as plain SVG.",
  "has-links": "The file calls for other files, pictures or styles: it is not taken. Export it as plain SVG.",
  "has-entities": "The file defines entities of its own: it is not taken. Export it as plain SVG.",
  "has-words": "The file has words set in a typeface: turn them into outlines first.",
  "too-deep": "Its groups lie too deep in each other: ungroup them.",
  "too-many-points": "Its outlines have more than 20,000 points: simplify them.",
  empty: "There is no outline in the file.",
};

/** Why no shape is taken out of a file. */
export function ownShapeRefused(reason: OwnShapeRefused): string {
  switch (reason) {
    case "none-closed":
      return "No outline in the file is closed: join its ends.";
    case "too-fine":
      return "Its outlines are too fine to be cut by hand: simplify them.";
    case "too-small":
      return "It is smaller than a quarter of an inch: too small to be cut.";
    case "too-wide":
      return "It is larger than two feet: no paper is that large. Look at its units.";
    default:
      return UNREAD[reason];
  }
}

function refusedSaid(why: CutterRefused, unit: Unit): string {
  const length = (mm: number) => sayLength(millimetres(mm), unit);
  switch (why.kind) {
    case "unread":
      return UNREAD[why.reason];
    case "nothing-to-cut":
      return "Nothing in it is to be cut: all of it lies in the layers score or draw.";
    case "open":
      return `${many(why.count, "outline is", "outlines are")} open: a knife would tear the paper at its end. Close them.`;
    case "beyond-mat": {
      const over = [
        ...(why.w > 0 ? [`${length(why.w)} to the side`] : []),
        ...(why.h > 0 ? [`${length(why.h)} down`] : []),
      ];
      return `It reaches beyond the mat by ${over.join(" and ")}: take the longer mat, or cut its parts one by one.`;
    }
    case "too-small":
      return why.hole
        ? `${many(why.count, "hole is", "holes are")} under ${length(3)} across: punch them by hand.`
        : `${many(why.count, "piece is", "pieces are")} under ${length(6)} across and would come off the mat: cut them by hand.`;
  }
}

export function cutterSaid(says: CutterSays, unit: Unit): string[] {
  if (!says.ok) return says.why.map((why) => `Not taken. ${refusedSaid(why, unit)}`);
  const { pieces, holes, cut, scored, seconds } = says;
  // So long a way is said in whole inches or centimetres.
  const whole = unit === "inch" ? 25.4 : 10;
  const length = (mm: number) => sayLength(millimetres(Math.ceil(mm / whole) * whole), unit);
  const parts = [
    many(pieces, "piece"),
    ...(holes > 0 ? [many(holes, "hole")] : []),
    `${length(cut)} of cuts`,
    ...(scored > 0 ? [`${length(scored)} of scores`] : []),
  ];
  return [
    `taken. ${parts.join(", ")}, about ${many(Math.max(1, Math.ceil(seconds / 60)), "minute")}.`,
    "Keep hands and sleeves off the machine while it runs, and follow its own instructions.",
  ];
}
