import { and, eq, isNull, sql } from "drizzle-orm";
import type { Span } from "../core/month/span.ts";
import type { FirstStep } from "../core/pace/first-evening.ts";
import type { Author } from "./author.ts";
import type { Db, Transaction } from "./db.ts";
import { album, photo } from "./schema/index.ts";

/** Says of steps of an album's first evening that they need not be offered any more. */
export async function settleFirst(
  tx: Db | Transaction,
  { householdId, albumId }: Pick<Author, "householdId" | "albumId">,
  steps: readonly FirstStep[],
): Promise<boolean> {
  const rows = await tx
    .update(album)
    .set({
      firstSettled: sql`array(select distinct unnest(${album.firstSettled} || ${`{${steps.join(",")}}`}::text[]) order by 1)`,
    })
    .where(and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt)))
    .returning({ id: album.id });
  return rows.length > 0;
}

/** How many pictures of the roll were taken on one of the days, by the day a keeper gave them or the camera's; a few are enough. */
export async function picturesOfDays(db: Db, householdId: string, { start, end }: Span): Promise<number> {
  const taken = sql`coalesce(${photo.givenDate}::text, left(${photo.capturedAt}, 10))`;
  const rows = await db
    .select({ id: photo.id })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), isNull(photo.deletedAt), sql`${taken} between ${start} and ${end}`))
    .limit(10);
  return rows.length;
}
