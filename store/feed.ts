import { createHash, randomBytes } from "node:crypto";
import { and, eq, isNull } from "drizzle-orm";
import type { Author } from "./author.ts";
import type { Db } from "./db.ts";
import type { Household } from "./household.ts";
import { album, feed, household } from "./schema/index.ts";

const hashed = (secret: string) => createHash("sha256").update(secret).digest("hex");
const ofAuthor = ({ albumId, memberId }: Pick<Author, "albumId" | "memberId">) =>
  and(eq(feed.albumId, albumId), eq(feed.memberId, memberId));

/** Opens a person's feed of an album, or gives it a new address; the secret is known only now. Null where it is not theirs. */
export async function openFeed(db: Db, author: Author): Promise<string | null> {
  const secret = randomBytes(32).toString("base64url");
  const mine = and(eq(album.id, author.albumId), eq(album.householdId, author.householdId), isNull(album.deletedAt));
  const rows = await db.select({ id: album.id }).from(album).where(mine);
  if (rows.length === 0) return null;
  const [secretHash, since] = [hashed(secret), author.at];
  await db
    .insert(feed)
    .values({ albumId: author.albumId, memberId: author.memberId, secretHash, since })
    .onConflictDoUpdate({ target: [feed.albumId, feed.memberId], set: { secretHash, since } });
  return secret;
}

/** Closes it: the address leads nowhere from now on. */
export async function closeFeed(db: Db, author: Author): Promise<void> {
  await db.delete(feed).where(ofAuthor(author));
}

/** Since when a person's feed of an album has had its address; null: it has none. */
export async function feedSince(db: Db, author: Author): Promise<Date | null> {
  const [row] = await db.select({ since: feed.since }).from(feed).where(ofAuthor(author));
  return row?.since ?? null;
}

/** Whose feed of which album a secret is of; null where it is of none, or its album is in the tray. */
export async function feedOf(
  db: Db,
  secret: string,
): Promise<{ readonly albumId: string; readonly memberId: string; readonly household: Household } | null> {
  const [row] = await db
    .select({ albumId: feed.albumId, memberId: feed.memberId, household })
    .from(feed)
    .innerJoin(album, and(eq(album.id, feed.albumId), isNull(album.deletedAt)))
    .innerJoin(household, and(eq(household.id, album.householdId), isNull(household.goesAt)))
    .where(eq(feed.secretHash, hashed(secret)));
  return row ?? null;
}
