import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { type Leaf, type LeafMake, leafOfDay, type Piece } from "../core/album/leaf.ts";
import { giveToDay } from "../core/book/bound.ts";
import type { Pattern } from "../core/book/pattern.ts";
import { LIMITS } from "../core/limits.ts";
import type { Author } from "./author.ts";
import { lockBook, writeBook } from "./book.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album } from "./schema/index.ts";

/** A page as a template makes it: what its leaf is, and what lies on its front. */
export type FoundationPage = {
  readonly dayId: string;
  /** The leaf of the day that it is laid on; null: the day gets one. */
  readonly leaf: string | null;
  readonly make: LeafMake;
  readonly pieces: readonly Piece[];
};

/**
 * Sets foundation pages for many days as one act: all of them, or none; and keeps the pattern they came from, to begin from
 * the next time. Tells how many were set.
 */
export async function setFoundations(
  db: Db,
  author: Author,
  pages: readonly FoundationPage[],
  pattern: Pattern | null = null,
): Promise<number> {
  return journaled(db, author, { what: "foundations", pages: pages.length }, async (tx, _line, say) => {
    const book = await lockBook(tx, author);
    if (!book) return 0;
    const known = new Set(book.slots.map(({ id }) => id));
    const own = pages.filter(({ dayId }) => known.has(dayId));
    let set = 0;
    const after = own.reduce<readonly Leaf[]>((leaves, { dayId, leaf: id, make, pieces }) => {
      const laid = (leaf: Leaf): Leaf => ({ ...leaf, make, front: { ...leaf.front, pieces } });
      // What is sewn in is of the book's own paper: a page of another kind is added beside it.
      const found = leaves.find((leaf) => leaf.id === id && !(leaf.sewn && make.kind !== "paper"));
      if (!found && leaves.length >= LIMITS.leaves.most) return leaves;
      set += 1;
      return found
        ? leaves.map((leaf) => (leaf === found ? laid(leaf) : leaf))
        : giveToDay(leaves, laid(leafOfDay(randomUUID(), make, dayId)), dayId, book.dateOf, book.dates);
    }, book.leaves);
    if (set > 0) await writeBook(tx, author, book.leaves, after);
    if (pattern && set > 0) await tx.update(album).set({ pattern }).where(eq(album.id, author.albumId));
    say({ what: "foundations", pages: set });
    return set;
  });
}
