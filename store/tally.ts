import { and, asc, desc, eq, isNull, max, sql } from "drizzle-orm";
import type { Tally, TallyChange } from "../core/album/tally.ts";
import { LIMITS } from "../core/limits.ts";
import type { Author } from "./author.ts";
import type { Db, Reader } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album, tally, tallyMark } from "./schema/index.ts";

type Row = typeof tally.$inferSelect & { readonly marks: readonly (typeof tallyMark.$inferSelect)[] };
type Placed = { readonly place: number; readonly id: string };
// What was taken out and put back may have a place that another has by then.
const byPlace = (one: Placed, other: Placed) => one.place - other.place || (one.id < other.id ? -1 : 1);

/** What an album's rows have counted, in the order it was begun, and each mark in the order it was made. */
export const toTallies = (rows: readonly Row[]): Tally[] =>
  [...rows].sort(byPlace).map(({ id, name, marks }) => ({
    ...{ id, name },
    marks: [...marks].sort(byPlace).map(({ id: mark, date, text }) => ({ id: mark, date, text })),
  }));

/** The rows of tallies that come with an album, under the names they have. */
export function tallyRows(albumId: string, tallies: readonly Tally[]) {
  return {
    tallies: tallies.map(({ id, name }, place) => ({ id, albumId, name, place })),
    marks: tallies.flatMap(({ id: tallyId, marks }) =>
      marks.map((mark, place) => ({ ...mark, tallyId, albumId, place })),
    ),
  };
}

/** So many names of what is counted elsewhere are offered. */
const MOST_OFFERED = 12;

/** What the household's albums count, the latest first. */
export async function namesCounted(db: Reader, householdId: string): Promise<string[]> {
  const rows = await db
    .select({ name: tally.name, last: max(album.startsOn) })
    .from(tally)
    .innerJoin(album, eq(album.id, tally.albumId))
    .where(and(eq(album.householdId, householdId), isNull(album.deletedAt)))
    .groupBy(tally.name)
    .orderBy(desc(max(album.startsOn)), asc(tally.name))
    .limit(MOST_OFFERED);
  return rows.map(({ name }) => name);
}

export type TallySaved = { readonly ok: true } | { readonly ok: false; readonly reason: "not-found" | "too-many" };

/** Changes what is counted over an album's month, under its lock. Sent twice, it is done once. */
export async function changeTally(db: Db, author: Author, change: TallyChange): Promise<TallySaved> {
  const { householdId, albumId, memberId } = author;
  return journaled<TallySaved>(db, author, { what: "tally", how: change.how }, async (tx) => {
    const mine = and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));
    const [locked] = await tx.select({ id: album.id }).from(album).where(mine).for("no key update");
    if (!locked) return { ok: false, reason: "not-found" };
    const own = and(eq(tally.id, change.id), eq(tally.albumId, albumId));
    const ownMark = and(eq(tallyMark.id, change.id), eq(tallyMark.albumId, albumId));
    const found = (rows: readonly unknown[]): TallySaved =>
      rows.length > 0 ? { ok: true } : { ok: false, reason: "not-found" };
    switch (change.how) {
      case "add": {
        if ((await tx.$count(tally, own)) > 0) return { ok: true };
        if ((await tx.$count(tally, eq(tally.albumId, albumId))) >= LIMITS.tallies.most)
          return { ok: false, reason: "too-many" };
        const place = sql<number>`(select coalesce(max(place) + 1, 0) from tally where album_id = ${albumId})`;
        const row = { id: change.id, albumId, name: change.name, place };
        return found(await tx.insert(tally).values(row).onConflictDoNothing().returning({ id: tally.id }));
      }
      case "name":
        return found(await tx.update(tally).set({ name: change.name }).where(own).returning({ id: tally.id }));
      case "remove":
        await tx.delete(tally).where(own);
        return { ok: true };
      case "mark": {
        if ((await tx.$count(tally, own)) === 0) return { ok: false, reason: "not-found" };
        const { mark, id: tallyId } = change;
        const known = await tx.$count(tallyMark, and(eq(tallyMark.id, mark.id), eq(tallyMark.tallyId, tallyId)));
        if (known > 0) return { ok: true };
        if ((await tx.$count(tallyMark, eq(tallyMark.tallyId, tallyId))) >= LIMITS.tallyMarks.most)
          return { ok: false, reason: "too-many" };
        const place = sql<number>`(select coalesce(max(place) + 1, 0) from tally_mark where tally_id = ${tallyId})`;
        const row = { ...mark, tallyId, albumId, place, writtenBy: memberId };
        return found(await tx.insert(tallyMark).values(row).onConflictDoNothing().returning({ id: tallyMark.id }));
      }
      case "mark-text":
        return found(
          await tx
            .update(tallyMark)
            .set({ text: change.text, writtenBy: memberId })
            .where(ownMark)
            .returning({ id: tallyMark.id }),
        );
      case "unmark":
        await tx.delete(tallyMark).where(ownMark);
        return { ok: true };
    }
  });
}
