import { randomUUID } from "node:crypto";
import { applyEdit } from "../core/album/edit.ts";
import type { Foundation } from "../core/album/model.ts";
import type { Piece } from "../core/book/leaf.ts";
import type { Author } from "./author.ts";
import { arrangePages } from "./book.ts";
import { type DayChanged, lockDays, saveDays } from "./day.ts";
import type { Db } from "./db.ts";
import { followDays } from "./follow.ts";

/** A page as a template makes it: the foundation its day gets, and what lies on the front of its leaf. */
export type FoundationPage = {
  readonly dayId: string;
  readonly foundation: Foundation;
  readonly pieces: readonly Piece[];
};

/** Sets foundation pages for many days as one act: all of them, or none. Tells how many were set. */
export async function setFoundations(db: Db, author: Author, pages: readonly FoundationPage[]): Promise<number> {
  return db.transaction(async (tx) => {
    const locked = await lockDays(
      tx,
      author,
      pages.map(({ dayId }) => dayId),
    );
    if (!locked) return 0;
    const act = randomUUID();
    const set = pages.flatMap((page): { page: FoundationPage; changed: DayChanged }[] => {
      const found = locked.days.find(({ id }) => id === page.dayId);
      if (!found) return [];
      const applied = applyEdit(found.content, { kind: "foundation", foundation: page.foundation }, locked.binding);
      return applied.ok ? [{ page, changed: { day: found, content: applied.content, fields: applied.fields } }] : [];
    });
    const changes = set.map(({ changed }) => changed);
    await saveDays(tx, author, act, changes);
    await followDays(
      tx,
      author,
      changes.map(({ day, content }) => ({ dayId: day.id, before: day.content, after: content })),
    );
    await arrangePages(
      tx,
      author,
      act,
      set.map(({ page }) => page),
    );
    return set.length;
  });
}
