import { createHash, randomBytes } from "node:crypto";
import { and, asc, eq, isNull } from "drizzle-orm";
import { LIMITS } from "../core/limits.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { ALL_GOES_OUT, type GoesOut } from "../core/share/going-out.ts";
import { ownAlbum } from "./album.ts";
import type { Author } from "./author.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import type { Household } from "./household.ts";
import { album, household, share } from "./schema/index.ts";

/** A link to an album, as its household sees it. The secret in its address is known to nobody. */
export type Share = {
  readonly id: string;
  readonly name: string;
  readonly goes: GoesOut;
  readonly endsOn: CalendarDate | null;
  /** Since when its address is as it is; null while it is closed. */
  readonly since: Date | null;
};

const hashed = (secret: string) => createHash("sha256").update(secret).digest("hex");
type Row = typeof share.$inferSelect;
const toShare = ({ id, name, goes, endsOn, secretHash, since }: Row): Share => ({
  ...{ id, name, goes, endsOn },
  since: secretHash === null ? null : since,
});

/** The links of an album of the author's household, the first made first. */
export async function readShares(
  db: Reader,
  { householdId, albumId }: Pick<Author, "householdId" | "albumId">,
): Promise<Share[]> {
  const rows = await db
    .select({ share })
    .from(share)
    .innerJoin(album, eq(album.id, share.albumId))
    .where(and(eq(share.albumId, albumId), eq(album.householdId, householdId), isNull(album.deletedAt)))
    .orderBy(asc(share.createdAt), asc(share.id));
  return rows.map((row) => toShare(row.share));
}

export type ShareSaved = { readonly ok: true } | { readonly ok: false; readonly reason: "not-found" | "too-many" };
const NOT_FOUND = { ok: false, reason: "not-found" } as const;

/** Does something to the links of an album, under the album's lock. */
const withLinks = <T>(db: Db, { householdId, albumId }: Author, work: (tx: Transaction) => Promise<T>) =>
  db.transaction(async (tx) => {
    const rows = await tx
      .select({ id: album.id })
      .from(album)
      .where(ownAlbum(householdId, albumId))
      .for("no key update");
    return rows.length > 0 ? work(tx) : NOT_FOUND;
  });
const ofAlbum = ({ albumId }: Author, id: string) => and(eq(share.id, id), eq(share.albumId, albumId));

/** Makes a link that is closed still: what goes out is chosen and looked at first. Made twice under one id, it is one. */
export const addShare = (db: Db, author: Author, id: string, name: string): Promise<ShareSaved> =>
  withLinks<ShareSaved>(db, author, async (tx) => {
    if ((await tx.$count(share, ofAlbum(author, id))) > 0) return { ok: true };
    if ((await tx.$count(share, eq(share.albumId, author.albumId))) >= LIMITS.shares.most)
      return { ok: false, reason: "too-many" };
    const row = { id, name, albumId: author.albumId, goes: ALL_GOES_OUT, createdAt: author.at };
    const made = await tx.insert(share).values(row).onConflictDoNothing().returning({ id: share.id });
    return made.length > 0 ? { ok: true } : NOT_FOUND;
  });

/** Says whom a link is for, until when it is open, or what goes out by it. */
export const changeShare = (
  db: Db,
  author: Author,
  id: string,
  change: Partial<Pick<Share, "name" | "goes" | "endsOn">>,
): Promise<ShareSaved> =>
  withLinks<ShareSaved>(db, author, async (tx) => {
    const rows = await tx.update(share).set(change).where(ofAlbum(author, id)).returning({ id: share.id });
    return rows.length > 0 ? { ok: true } : NOT_FOUND;
  });

/** Opens a link, or gives it a new address, so that the old one leads nowhere; the secret is known only now. */
export const openShare = (
  db: Db,
  author: Author,
  id: string,
): Promise<{ readonly ok: true; readonly secret: string } | typeof NOT_FOUND> =>
  withLinks<{ ok: true; secret: string } | typeof NOT_FOUND>(db, author, async (tx) => {
    const secret = randomBytes(32).toString("base64url");
    const change = { secretHash: hashed(secret), since: author.at };
    const rows = await tx.update(share).set(change).where(ofAlbum(author, id)).returning({ id: share.id });
    return rows.length > 0 ? { ok: true, secret } : NOT_FOUND;
  });

/** Closes a link: its address leads nowhere from now on. What was chosen for it stays. */
export const closeShare = (db: Db, author: Author, id: string): Promise<ShareSaved> =>
  withLinks<ShareSaved>(db, author, async (tx) => {
    const change = { secretHash: null, since: null };
    const rows = await tx.update(share).set(change).where(ofAlbum(author, id)).returning({ id: share.id });
    return rows.length > 0 ? { ok: true } : NOT_FOUND;
  });

/** Takes a link away with all that was chosen for it; gone already, it is so. */
export const removeShare = (db: Db, author: Author, id: string): Promise<ShareSaved> =>
  withLinks<ShareSaved>(db, author, async (tx) => {
    await tx.delete(share).where(ofAlbum(author, id));
    return { ok: true };
  });

/** What a link leads to. */
export type Shared = { readonly share: Share; readonly albumId: string; readonly household: Household };

/** What the secret of a link leads to; null where it leads nowhere: guessed, closed, renewed, or its album is in the tray,
 * or its household is to go. */
export async function sharedBy(db: Db, secret: string): Promise<Shared | null> {
  const [row] = await db
    .select({ share, albumId: share.albumId, household })
    .from(share)
    .innerJoin(album, and(eq(album.id, share.albumId), isNull(album.deletedAt)))
    .innerJoin(household, and(eq(household.id, album.householdId), isNull(household.goesAt)))
    .where(eq(share.secretHash, hashed(secret)));
  return row ? { ...row, share: toShare(row.share) } : null;
}

/** Whether a link is past its last day. */
export const isOver = ({ endsOn }: Pick<Share, "endsOn">, today: CalendarDate): boolean =>
  endsOn !== null && today > endsOn;
