import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Binding, Day, MatterEntry } from "../core/album/model.ts";
import { DAY_WITH_PIECES } from "./album.ts";
import type { Author } from "./author.ts";
import { toDays, toEntry } from "./day-row.ts";
import { type Transaction, writtenOnce } from "./db.ts";
import { album, day } from "./schema/index.ts";

const dayQuery = writtenOnce((db) =>
  db.query.day
    .findFirst({
      where: and(eq(day.id, sql.placeholder("dayId")), eq(day.albumId, sql.placeholder("albumId"))),
      with: DAY_WITH_PIECES,
    })
    .prepare("day_whole"),
);

/** Locks a day, or an entry of the front or back matter, of this household's album, the album first as every writer does, and reads it whole. */
export async function lockDay(
  tx: Transaction,
  author: Author,
  dayId: string,
): Promise<{ day: Day | MatterEntry; binding: Binding } | null> {
  const [locked] = await tx
    .select({ binding: album.binding })
    .from(album)
    .where(and(eq(album.id, author.albumId), eq(album.householdId, author.householdId), isNull(album.deletedAt)))
    .for("update");
  if (!locked) return null;
  const row = await dayQuery(tx).execute({ dayId, albumId: author.albumId });
  return row ? { day: toEntry(row), binding: locked.binding } : null;
}

/** Locks several days of this household's album, the album first, and reads them whole; those that are not its own are left out. */
export async function lockDays(
  tx: Transaction,
  author: Author,
  dayIds: readonly string[],
): Promise<{ days: Day[]; binding: Binding } | null> {
  const [locked] = await tx
    .select({ binding: album.binding })
    .from(album)
    .where(and(eq(album.id, author.albumId), eq(album.householdId, author.householdId), isNull(album.deletedAt)))
    .for("update");
  if (!locked) return null;
  const rows = await tx.query.day.findMany({
    where: and(eq(day.albumId, author.albumId), inArray(day.id, [...dayIds])),
    with: DAY_WITH_PIECES,
  });
  return { days: toDays(rows), binding: locked.binding };
}
