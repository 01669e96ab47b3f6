import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { type Leaf, type LeafMake, leafOfDay, type Piece } from "../core/album/leaf.ts";
import { giveToDay } from "../core/book/bound.ts";
import type { Pattern } from "../core/book/pattern.ts";
import { LIMITS } from "../core/limits.ts";
import type { Author } from "./author.ts";
import { changeLeaves, lockBook } from "./book.ts";
import type { Db } from "./db.ts";
import { album } from "./schema/index.ts";

/** A page as a template makes it: what its leaf is, and what lies on its front. */
export type FoundationPage = {
  readonly dayId: string;
  /** The leaf of the day that it is laid on; null: the day gets one. */
  readonly leaf: string | null;
  readonly make: LeafMake;
  readonly pieces: readonly Piece[];
};

/** Keeps the pattern that was set over the month, to begin from the next time. */
export async function rememberPattern(db: Db, { householdId, albumId }: Author, pattern: Pattern): Promise<void> {
  await db
    .update(album)
    .set({ pattern })
    .where(and(eq(album.id, albumId), eq(album.householdId, householdId)));
}

/** Sets foundation pages for many days as one act: all of them, or none. Tells how many were set. */
export async function setFoundations(db: Db, author: Author, pages: readonly FoundationPage[]): Promise<number> {
  return db.transaction(async (tx) => {
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
    if (set > 0) await changeLeaves(tx, author, randomUUID(), book.leaves, after);
    return set;
  });
}
