import { and, desc, eq, isNotNull, isNull, lt, not, sql } from "drizzle-orm";
import { type AnyPgColumn, unionAll } from "drizzle-orm/pg-core";
import type { CalendarDate } from "../core/month/dates.ts";
import { lockAlbum, lockAlbums } from "./album-lock.ts";
import type { Author } from "./author.ts";
import type { Db, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { forgetBefore } from "./journal/read.ts";
import { putLeafBack } from "./leaf-place.ts";
import { dropKept, dropLooseBytes, oldInKept } from "./library/tray.ts";
import { album, card, day, dayPhoto, jotting, leaf, side, tryOut } from "./schema/index.ts";

/** How long a thing stays in the tray. */
export const TRAY_DAYS = 30;

const PIECES = { card, jotting, photo: dayPhoto } as const;
export type TrayKind = keyof typeof PIECES;
export const TRAY_KINDS = Object.keys(PIECES) as readonly TrayKind[];

export type TrayPiece = {
  readonly kind: TrayKind;
  readonly id: string;
  readonly albumId: string;
  readonly albumTitle: string;
  /** Null where it is on a page that is no day's. */
  readonly date: CalendarDate | null;
  readonly photoId: string | null;
  readonly deletedAt: Date;
};
/** A leaf taken out of a book, or a try-out that was not kept; `dayDate` is null where it belongs to no day. */
export type TrayLeaf = {
  readonly kind: "leaf" | "try-out";
  readonly id: string;
  readonly albumId: string;
  readonly albumTitle: string;
  readonly date: CalendarDate | null;
  readonly deletedAt: Date;
};
export type TrayAlbum = { readonly id: string; readonly title: string; readonly deletedAt: Date };

/** What the household has put away in the last days, latest first. */
export async function readTray(
  db: Db,
  householdId: string,
): Promise<{ albums: TrayAlbum[]; pieces: TrayPiece[]; leaves: TrayLeaf[] }> {
  const albums = await db
    .select({ id: album.id, title: album.title, deletedAt: album.deletedAt })
    .from(album)
    .where(and(eq(album.householdId, householdId), isNotNull(album.deletedAt)))
    .orderBy(desc(album.deletedAt));
  // One statement for all of them: a page of the tray asks the database six times at most.
  const away = (kind: TrayKind) => {
    const table = PIECES[kind];
    return db
      .select({
        kind: sql<TrayKind>`${sql.raw(`'${kind}'`)}`,
        id: table.id,
        albumId: album.id,
        albumTitle: album.title,
        date: day.date,
        deletedAt: table.deletedAt,
        photoId: kind === "photo" ? sql<string | null>`${dayPhoto.photoId}` : sql<string | null>`null::uuid`,
      })
      .from(table)
      .innerJoin(day, eq(day.id, table.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(eq(album.householdId, householdId), isNull(album.deletedAt), isNotNull(table.deletedAt)));
  };
  const pieces = await unionAll(away("card"), away("jotting"), away("photo"));
  const mine = and(eq(album.householdId, householdId), isNull(album.deletedAt));
  // A blank leaf of a bound book that a day's took the place of is nothing that anybody put away.
  const isBlankSewn = sql`(${leaf.sewn} and not exists (select from ${side} s where s.leaf_id = ${leaf.id} and (s.day_id is not null or coalesce(s.pieces, '[]') <> '[]')))`;
  // A leaf is told by the day of its front, else of its back.
  const dayOfLeaf = sql`${day.id} = (select s.day_id from ${side} s where s.leaf_id = ${leaf.id} and s.day_id is not null order by s.face desc limit 1)`;
  const columns = { albumId: album.id, albumTitle: album.title, date: day.date };
  const leavesOut = db
    .select({ ...columns, id: leaf.id, kind: sql<TrayLeaf["kind"]>`'leaf'`, deletedAt: leaf.deletedAt })
    .from(leaf)
    .innerJoin(album, eq(album.id, leaf.albumId))
    .leftJoin(day, dayOfLeaf)
    .where(and(mine, isNotNull(leaf.deletedAt), not(isBlankSewn)));
  const triesOut = db
    .select({ ...columns, id: tryOut.id, kind: sql<TrayLeaf["kind"]>`'try-out'`, deletedAt: tryOut.deletedAt })
    .from(tryOut)
    .innerJoin(leaf, and(eq(leaf.id, tryOut.leafId), isNull(leaf.deletedAt)))
    .innerJoin(album, eq(album.id, leaf.albumId))
    .leftJoin(day, dayOfLeaf)
    .where(and(mine, isNotNull(tryOut.deletedAt), isNull(tryOut.keptAt)));
  const leaves = await unionAll(leavesOut, triesOut);
  const dated = <T extends { deletedAt: Date | null }>(rows: T[]) =>
    rows.flatMap((row) => (row.deletedAt ? [{ ...row, deletedAt: row.deletedAt }] : []));
  return {
    albums: dated(albums),
    pieces: dated(pieces).sort((a, b) => b.deletedAt.getTime() - a.deletedAt.getTime()),
    leaves: dated(leaves).sort((a, b) => b.deletedAt.getTime() - a.deletedAt.getTime()),
  };
}

/** Puts a piece back on its day, after the ones that are there. */
export async function putBack(
  db: Db,
  householdId: string,
  kind: TrayKind,
  id: string,
  { memberId, at }: Pick<Author, "memberId" | "at">,
): Promise<boolean> {
  const table = PIECES[kind];
  const [found] = await db
    .select({ dayId: table.dayId, albumId: album.id })
    .from(table)
    .innerJoin(day, eq(day.id, table.dayId))
    .innerJoin(album, eq(album.id, day.albumId))
    .where(and(eq(table.id, id), eq(album.householdId, householdId), isNotNull(table.deletedAt)));
  if (!found) return false;
  const doer = { householdId, albumId: found.albumId, memberId, at };
  return journaled(db, doer, { what: "from-tray", thing: kind }, async (tx) => {
    if (!(await lockAlbum(tx, householdId, found.albumId))) return false;
    await tx.update(table).set({ deletedAt: null, position: 1_000_000 }).where(eq(table.id, id));
    await tx.update(day).set({ updatedAt: at, updatedBy: memberId }).where(eq(day.id, found.dayId));
    return true;
  });
}

/** Puts a leaf back into its book, or a try-out beside its side again. */
export async function putLeafOrTryOutBack(
  db: Db,
  householdId: string,
  kind: TrayLeaf["kind"],
  id: string,
  { memberId, at }: Pick<Author, "memberId" | "at">,
): Promise<boolean> {
  const leafId =
    kind === "leaf" ? sql`${id}::uuid` : sql`(select leaf_id from try_out where id = ${id} and deleted_at is not null)`;
  const [found] = await db
    .select({ leafId: leaf.id, albumId: album.id })
    .from(leaf)
    .innerJoin(album, eq(album.id, leaf.albumId))
    .where(and(sql`${leaf.id} = ${leafId}`, eq(album.householdId, householdId), isNull(album.deletedAt)));
  if (!found) return false;
  if (kind === "leaf") return putLeafBack(db, { householdId, albumId: found.albumId, memberId, at }, id);
  const doer = { householdId, albumId: found.albumId, memberId, at };
  return journaled(db, doer, { what: "from-tray", thing: kind }, async (tx) => {
    if (!(await lockAlbum(tx, householdId, found.albumId))) return false;
    await tx.update(tryOut).set({ deletedAt: null }).where(eq(tryOut.id, id));
    await tx.update(leaf).set({ updatedAt: at, updatedBy: memberId }).where(eq(leaf.id, found.leafId));
    return true;
  });
}

/** Drops what of one household lies in the tray: all of it, or what was put away before then. */
async function dropFrom(tx: Transaction, householdId: string, before: Date | null): Promise<void> {
  await lockAlbums(tx, householdId);
  const old = (at: AnyPgColumn) => (before ? lt(at, before) : isNotNull(at));
  const ofDays = sql`(select d.id from day d join album a on a.id = d.album_id where a.household_id = ${householdId})`;
  for (const table of Object.values(PIECES))
    await tx.delete(table).where(and(old(table.deletedAt), sql`${table.dayId} in ${ofDays}`));
  const leaves = sql`(select l.id from leaf l join album a on a.id = l.album_id where a.household_id = ${householdId})`;
  await tx.delete(tryOut).where(and(old(tryOut.deletedAt), sql`${tryOut.leafId} in ${leaves}`));
  await tx.delete(leaf).where(and(old(leaf.deletedAt), sql`${leaf.id} in ${leaves}`));
  await tx.delete(album).where(and(eq(album.householdId, householdId), old(album.deletedAt)));
  await dropKept(tx, householdId, before);
}

/** Empties the tray of one household: gone for good, and with it how anything was before a change. */
export async function emptyTray(db: Db, householdId: string): Promise<void> {
  await db.transaction(async (tx) => {
    await dropFrom(tx, householdId, null);
    await forgetBefore(tx, householdId);
  });
  await dropLooseBytes(db);
}

/** The households in whose tray something was put away before then. */
async function householdsWithOld(db: Db, before: Date): Promise<string[]> {
  const ofAlbum = { id: album.householdId };
  const pieces = Object.values(PIECES).map((table) =>
    db
      .select(ofAlbum)
      .from(table)
      .innerJoin(day, eq(day.id, table.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(lt(table.deletedAt, before)),
  );
  const leaves = db
    .select(ofAlbum)
    .from(leaf)
    .innerJoin(album, eq(album.id, leaf.albumId))
    .where(lt(leaf.deletedAt, before));
  const tryOuts = db
    .select(ofAlbum)
    .from(tryOut)
    .innerJoin(leaf, eq(leaf.id, tryOut.leafId))
    .innerJoin(album, eq(album.id, leaf.albumId))
    .where(lt(tryOut.deletedAt, before));
  const albums = db.select(ofAlbum).from(album).where(lt(album.deletedAt, before));
  const found = await unionAll(albums, leaves, tryOuts, ...pieces, ...oldInKept(db, before));
  return [...new Set(found.map(({ id }) => id))];
}

/** Drops, household by household, what has lain in the tray for its time. */
export async function dropExpired(db: Db, now: Date): Promise<void> {
  const before = new Date(now.getTime() - TRAY_DAYS * 86_400_000);
  for (const id of await householdsWithOld(db, before)) await db.transaction((tx) => dropFrom(tx, id, before));
  await dropLooseBytes(db);
}
