import type { Face, LeafKind } from "../album/leaf.ts";
import { countWords } from "../words/count.ts";
import { isBlank } from "./bound.ts";
import type { BookPage, BookRead, LeafRead, SideRead } from "./read.ts";

/** The same kind of page again and again: the leaves' ids, the first by its place in the book. */
export type Run = { readonly kind: LeafKind; readonly from: number; readonly leaves: readonly string[] };
export type EmptySide<P extends BookPage> = { readonly leaf: LeafRead<P>; readonly at: number; readonly face: Face };
export type Measure<P extends BookPage> = { readonly page: P; readonly photos: number; readonly words: number };

/** What the whole book looks like leafed through. */
export type Rhythm<P extends BookPage> = {
  readonly runs: readonly Run[];
  readonly emptySides: readonly EmptySide<P>[];
  readonly perDay: readonly Measure<P>[];
  readonly noPlace: readonly P[];
  /** Days whose sides lie apart in the book. */
  readonly apart: readonly P[];
};

/** From the third of a kind on, a book begins to sound the same. Common practice. */
const REPEATS = 3;

const isEmpty = (side: SideRead): boolean => side.pieces.length === 0;

export function readRhythm<P extends BookPage>(book: BookRead<P>, pages: readonly P[]): Rhythm<P> {
  const runs: Run[] = [];
  let from = 0;
  // Inserts lie between pages and do not break a run of them; what a book is sewn of is one paper by itself.
  const pageLeaves = book.leaves
    .map((leaf, at) => ({ leaf, at }))
    .filter(({ leaf }) => leaf.build.insert === null && !leaf.leaf.sewn);
  for (let index = 1; index <= pageLeaves.length; index++) {
    if (index < pageLeaves.length && pageLeaves[index]?.leaf.build.kind === pageLeaves[from]?.leaf.build.kind) continue;
    const first = pageLeaves[from];
    if (first && index - from >= REPEATS)
      runs.push({
        kind: first.leaf.build.kind,
        from: first.at,
        leaves: pageLeaves.slice(from, index).map(({ leaf }) => leaf.leaf.id),
      });
    from = index;
  }
  const sides = book.leaves.flatMap((leaf, at) => [
    { leaf, at, face: "front" as const, side: leaf.front },
    { leaf, at, face: "back" as const, side: leaf.back },
  ]);
  // A side nobody owns between two of the same day's does not part them.
  const stretches = new Map<P, number>();
  let last: P | null = null;
  for (const { side } of sides) {
    if (side.page === null || side.page === last) continue;
    last = side.page;
    stretches.set(last, (stretches.get(last) ?? 0) + 1);
  }
  const apart = pages.filter((page) => (stretches.get(page) ?? 0) > 1);
  return {
    runs,
    emptySides: sides
      .filter(({ leaf, side }) => isEmpty(side) && !side.gluedOver && leaf.build.insert === null && !isBlank(leaf.leaf))
      .map(({ leaf, at, face }) => ({ leaf, at, face })),
    perDay: pages
      .filter(({ skipped }) => !skipped)
      .map((page) => ({
        page,
        photos: page.content.photos.length,
        words: page.content.cards.reduce((sum, { text }) => sum + countWords(text), 0),
      })),
    noPlace: book.noPlace,
    apart,
  };
}
