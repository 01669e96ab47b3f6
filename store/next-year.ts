import { and, eq, isNull } from "drizzle-orm";
import type { Author } from "./author.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album } from "./schema/index.ts";

export type NotedForNext =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "not-found" }
  /** Somebody wrote it after `was` was seen; `now`: what it says. */
  | { readonly ok: false; readonly reason: "changed-elsewhere"; readonly now: string };

const oneLineEnd = (text: string): string => text.replace(/\r\n?/g, "\n");

/** Keeps what to do otherwise with the next album; `was`: what whoever writes it saw. Sent twice, it is kept once. */
export const noteForNext = (db: Db, author: Author, was: string, text: string): Promise<NotedForNext> =>
  journaled<NotedForNext>(db, author, { what: "next-album" }, async (tx) => {
    const mine = and(eq(album.id, author.albumId), eq(album.householdId, author.householdId), isNull(album.deletedAt));
    const [row] = await tx.select({ now: album.nextYear }).from(album).where(mine).for("no key update");
    if (!row) return { ok: false, reason: "not-found" };
    // A form sends its line ends in another way than it got them.
    const next = oneLineEnd(text);
    if (row.now === next) return { ok: true };
    if (row.now !== oneLineEnd(was)) return { ok: false, reason: "changed-elsewhere", now: row.now };
    await tx.update(album).set({ nextYear: next }).where(mine);
    return { ok: true };
  });
