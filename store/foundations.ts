import { randomUUID } from "node:crypto";
import { applyEdit } from "../core/album/edit.ts";
import type { Foundation } from "../core/album/model.ts";
import type { Piece } from "../core/book/leaf.ts";
import { lockSlots } from "./album.ts";
import type { Author } from "./author.ts";
import { arrangePages, followDay } from "./book.ts";
import { lockDay, logChange, writeContent } from "./day.ts";
import type { Db } from "./db.ts";

/** A page as a template makes it: the foundation its day gets, and what lies on the front of its leaf. */
export type FoundationPage = {
  readonly dayId: string;
  readonly foundation: Foundation;
  readonly pieces: readonly Piece[];
};

/** Sets foundation pages for many days as one act: all of them, or none. Tells how many were set. */
export async function setFoundations(db: Db, author: Author, pages: readonly FoundationPage[]): Promise<number> {
  return db.transaction(async (tx) => {
    if (!(await lockSlots(tx, author.householdId, author.albumId))) return 0;
    const act = randomUUID();
    const set: FoundationPage[] = [];
    for (const page of pages) {
      const found = await lockDay(tx, author, page.dayId);
      if (!found) continue;
      const before = found.day.content;
      const applied = applyEdit(before, { kind: "foundation", foundation: page.foundation }, found.binding);
      if (!applied.ok) continue;
      await writeContent(tx, page.dayId, before, applied.content, author.at);
      await followDay(tx, author, page.dayId, before, applied.content);
      await logChange(tx, author, {
        ...{ act, day: found.day, content: applied.content },
        ...{ fields: applied.fields, before: { content: before } },
      });
      set.push(page);
    }
    await arrangePages(tx, author, act, set);
    return set.length;
  });
}
