import { and, eq, isNull } from "drizzle-orm";
import { daysOfLeaf } from "../core/album/leaf.ts";
import { followDates, insertOfDay } from "../core/book/place.ts";
import type { Author } from "./author.ts";
import { lockBook, same, writeBook } from "./book.ts";
import type { Db, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { SIDES, toLeaf } from "./leaf-row.ts";
import { leaf } from "./schema/index.ts";

/**
 * Puts the leaves of days that changed their dates where those dates are now. The album is locked by the caller.
 */
export async function moveLeaves(tx: Transaction, author: Author, dayIds: readonly string[]): Promise<void> {
  const book = dayIds.length > 0 ? await lockBook(tx, author) : null;
  if (!book) return;
  const after = followDates(book.leaves, dayIds, book.dateOf);
  if (!same(after, book.leaves)) await writeBook(tx, author, book.leaves, after);
}

/** Puts a leaf from the tray back into the book, by its day's date or at the end. False when it is not there. */
export async function putLeafBack(db: Db, author: Author, leafId: string): Promise<boolean> {
  return journaled(db, author, { what: "from-tray", thing: "leaf" }, async (tx) => {
    const book = await lockBook(tx, author);
    const found = await tx.query.leaf.findFirst({
      where: and(eq(leaf.id, leafId), eq(leaf.albumId, author.albumId), isNull(leaf.position)),
      with: { sides: SIDES },
    });
    if (!book || !found) return false;
    // Torn out of a bound book, it can only be tipped in again.
    const back = { ...toLeaf(found), sewn: false, glued: false };
    const [dayId] = daysOfLeaf(back);
    const { leaves, dateOf } = book;
    await writeBook(tx, author, leaves, dayId ? insertOfDay(leaves, back, dayId, dateOf) : [...leaves, back]);
    return true;
  });
}
