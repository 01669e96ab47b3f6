import type { BookPage, LeafRead } from "./read.ts";

/** Pages that lie open together, by their places in `pages`: the back of one leaf and the front of the next. */
export function facingPages<P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  pages: readonly P[],
): [number, number][] {
  return leaves.flatMap((leaf, at): [number, number][] => {
    const [left, right] = [leaf.back.page, leaves[at + 1]?.front.page];
    if (!left || !right || left === right) return [];
    const [one, other] = [pages.indexOf(left), pages.indexOf(right)];
    return one >= 0 && other >= 0 ? [[one, other]] : [];
  });
}
