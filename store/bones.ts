import { and, desc, eq, isNull, sql } from "drizzle-orm";
import type { AlbumPlan } from "../core/album/model.ts";
import { planOf } from "./album.ts";
import type { Reader } from "./db.ts";
import { album } from "./schema/index.ts";

/** An album that a new one can be begun from. */
export type Begun = {
  readonly id: string;
  readonly plan: AlbumPlan;
  readonly prompts: number;
  readonly pattern: boolean;
  /** How many of its days stand every year, and how many things it counts. */
  readonly traditions: number;
  readonly tallies: number;
};

/** The household's albums to begin a new one from, the latest first, each with how many prompts come with it. */
export async function albumsToBeginFrom(db: Reader, householdId: string): Promise<Begun[]> {
  const rows = await db
    .select({
      row: album,
      prompts: sql<number>`(select count(*)::int from day where day.album_id = album.id and day.date between album.starts_on and album.ends_on and day.prompt_text <> '')`,
      traditions: sql<number>`(select count(*)::int from day where day.album_id = album.id and day.date between album.starts_on and album.ends_on and day.every_year)`,
      tallies: sql<number>`(select count(*)::int from tally where tally.album_id = album.id)`,
    })
    .from(album)
    .where(and(eq(album.householdId, householdId), isNull(album.deletedAt)))
    .orderBy(desc(album.startsOn), album.title);
  return rows.map(({ row, ...counts }) => ({
    id: row.id,
    plan: planOf(row),
    pattern: row.pattern !== null,
    ...counts,
  }));
}
