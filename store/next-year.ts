import { and, eq, isNull, sql } from "drizzle-orm";
import type { CalendarDate } from "../core/month/dates.ts";
import { sameDate } from "../core/month/like-day.ts";
import type { Span } from "../core/month/span.ts";
import type { Author } from "./author.ts";
import type { Db, Reader } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album } from "./schema/index.ts";

/** What was noted for a day in the album before. */
export type DayNote = { readonly date: CalendarDate; readonly album: string; readonly text: string };

/**
 * What the household's album before one of this span noted for its days, each on the same date of the year, in one
 * statement; the album before is as `albumBefore` of core/finish has it.
 */
export async function notedForDays(db: Reader, householdId: string, span: Span): Promise<DayNote[]> {
  const rows = await db.execute<{ date: CalendarDate; title: string; next_year: string }>(sql`
    select day.date::text as date, album.title, day.next_year from album join day on day.album_id = album.id
    where album.id = (
      select before.id from album before
      where before.household_id = ${householdId} and before.deleted_at is null and before.starts_on < ${span.start}
        and exists (select from generate_series(before.starts_on, before.ends_on, '1 day') there
          join generate_series(${span.start}::date, ${span.end}::date, '1 day') here
          on to_char(there, 'MM-DD') = to_char(here, 'MM-DD'))
      order by before.starts_on desc, before.title limit 1)
    and day.next_year <> '' order by day.date`);
  return rows.rows.flatMap(({ date, title, next_year: text }) => {
    const here = sameDate(date, span);
    return here ? [{ date: here, album: title, text }] : [];
  });
}

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
