import type { Face, Leaf } from "#core/album/leaf.ts";
import type { BookProblem } from "#core/book/edit.ts";
import type { LayoutProblem } from "#core/book/layout.ts";
import type { HoleWork } from "#core/book/old-holes.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { many } from "./count.ts";
import { FOUNDATION_NAME, INSERT_NAME } from "./day.ts";

/** The words for leaves, sides and pocket layouts. */

export const LAYOUT_PROBLEM: Record<LayoutProblem, string> = {
  "parts-over-whole": "The seams and margins leave no room for the pockets. Make them narrower, or the pockets fewer.",
  "no-pockets": "A layout has at least one pocket.",
  "too-many-pockets": "That is more than 72 pockets. Split less.",
  "bad-share": "A part’s share is a whole number from 1.",
};

export const CUT_PROBLEM = {
  "not-smaller": "That cuts nothing off. Give a size smaller than the protector.",
  ...LAYOUT_PROBLEM,
} as const;

export const BOOK_PROBLEM: Record<BookProblem | "too-many-try-outs" | "try-out-changed" | "matter-not-empty", string> =
  {
    "try-out-changed":
      "Somebody laid this try-out out anew in another window. Theirs is shown; yours lies in the tray.",
    "leaf-gone": "That leaf is not in the book any more. It may lie in the tray.",
    "into-itself": "A leaf cannot be put behind itself. Nothing was changed.",
    "already-there": "That is in the book already.",
    "matter-not-empty": "Something is on this page or on a side of it. Take that off first; then the page can go.",
    "sewn-in": "A leaf that is sewn in stays where it is. Give its sides to other days instead, or add a leaf between.",
    "not-neighbours": "Only two leaves that are sewn in one after the other are glued together. Nothing was changed.",
    "glued-over": "Something lies on a side that would be glued over. Take it off first; nothing was changed.",
    "side-full": "That side is shared by 62 days already. Nothing was changed.",
    "book-full": "A book holds 400 leaves here, and this one does. Nothing was changed.",
    "too-many-try-outs": "Three arrangements side by side are the most. Keep one, or drop one first.",
  };

/** What is to be done with the holes that a leaf made for another book came with. */
export function holeWorkSaid({ serve, cover, washi, punch, through }: HoleWork, unit: Unit): string {
  const old = cover.length === 1 ? "the old hole" : `${cover.length} old holes`;
  const piece = sayLength(washi, unit);
  return [
    serve.length > 0 && `${many(serve.length, "hole serves as it is", "holes serve as they are")}.`,
    cover.length > 0 && `Cover ${old} with washi, ${piece} square each${through.length > 0 ? ", on both faces" : ""}.`,
    punch.length > 0 && `Then punch ${many(punch.length, "new one")}.`,
  ]
    .filter(Boolean)
    .join(" ");
}

export const FACE_NAME: Record<Face, string> = { front: "Front", back: "Back" };

/** A leaf among those of one day, told apart from the others of its sort, with a face one of its sides: "clear 2, back". */
export function placeName(leaves: readonly Pick<Leaf, "id" | "make">[], id: string, face: Face | null): string {
  const leaf = leaves.find((each) => each.id === id);
  if (!leaf) return "";
  const nameOf = ({ make }: Pick<Leaf, "make">) =>
    make.insert ? INSERT_NAME[make.insert] : FOUNDATION_NAME[make.kind];
  const alike = leaves.filter((each) => nameOf(each) === nameOf(leaf));
  const nth = alike.length > 1 ? ` ${alike.indexOf(leaf) + 1}` : "";
  return `${nameOf(leaf).toLowerCase()}${nth}${face ? `, ${FACE_NAME[face].toLowerCase()}` : ""}`;
}
