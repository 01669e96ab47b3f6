import { and, eq, inArray, isNotNull, isNull, lt, notExists, type SQL, sql } from "drizzle-orm";
import { unionAll } from "drizzle-orm/pg-core";
import { touchAlbums } from "./book.ts";
import { type Db, isTaken, type Reader, type Transaction } from "./db.ts";
import {
  dayPhoto,
  deck,
  hand,
  measuredFormat,
  photo,
  picture,
  pocketLayout,
  stampSet,
  template,
} from "./schema/index.ts";

/** What a household has for all its albums, each under a name; put away, it lies in the tray as a piece of a day does. */
const STASH = {
  picture: { table: photo, name: sql<string>`${photo.name}` },
  deck: { table: deck, name: sql<string>`${deck.name}` },
  hand: { table: hand, name: sql<string>`${hand.name}` },
  "stamp-set": { table: stampSet, name: sql<string>`${stampSet.measures}->>'name'` },
  layout: { table: pocketLayout, name: sql<string>`${pocketLayout.name}` },
  template: { table: template, name: sql<string>`${template.name}` },
  format: { table: measuredFormat, name: sql<string>`${measuredFormat.format}->>'name'` },
} as const;
export type StashKind = keyof typeof STASH;
export const STASH_KINDS = Object.keys(STASH) as readonly StashKind[];

export type StashPiece = {
  readonly kind: StashKind;
  readonly id: string;
  readonly name: string;
  readonly photoId: string | null;
  readonly deletedAt: Date;
};

/** The days, those of the tray or not, that use a picture of the statement round it. */
export const onADay = (db: Reader, among: SQL) =>
  db
    .select({ one: sql`1` })
    .from(dayPhoto)
    .where(and(eq(dayPhoto.photoId, photo.id), among));

/** Whether a picture of the roll is put away: one that a day uses is not, whatever was said of it before. */
export const pictureAway = (db: Reader) =>
  and(isNotNull(photo.deletedAt), notExists(onADay(db, isNull(dayPhoto.deletedAt))));

/** Everything of the household's own that lies in the tray, the latest first; one statement. */
export async function readStashTray(db: Db, householdId: string): Promise<StashPiece[]> {
  const away = (kind: StashKind) => {
    const { table, name } = STASH[kind];
    return db
      .select({
        kind: sql<StashKind>`${sql.raw(`'${kind}'`)}`,
        id: table.id,
        name,
        photoId: kind === "picture" ? sql<string | null>`${photo.id}` : sql<string | null>`null::uuid`,
        deletedAt: table.deletedAt,
      })
      .from(table)
      .where(
        and(eq(table.householdId, householdId), kind === "picture" ? pictureAway(db) : isNotNull(table.deletedAt)),
      );
  };
  const rows = await unionAll(
    away("picture"),
    away("deck"),
    away("hand"),
    away("stamp-set"),
    away("layout"),
    away("template"),
    away("format"),
  );
  return rows
    .flatMap((row) => (row.deletedAt ? [{ ...row, deletedAt: row.deletedAt }] : []))
    .sort((a, b) => b.deletedAt.getTime() - a.deletedAt.getTime());
}

/** Puts one of the household's things into the tray; false when it has no such thing in use. */
export async function putAway(
  db: Reader,
  householdId: string,
  kind: StashKind,
  id: string,
  at: Date,
): Promise<boolean> {
  const { table } = STASH[kind];
  const rows = await db
    .update(table)
    .set({ deletedAt: at })
    .where(and(eq(table.id, id), eq(table.householdId, householdId), isNull(table.deletedAt)))
    .returning({ id: table.id });
  return rows.length > 0;
}

/** Takes a thing out of the tray again. Where its name was given to another since, it says so in its name. */
export async function takeBackStash(db: Db, householdId: string, kind: StashKind, id: string): Promise<boolean> {
  const { table } = STASH[kind];
  const away = and(eq(table.id, id), eq(table.householdId, householdId), isNotNull(table.deletedAt));
  const back = async () =>
    (await db.update(table).set({ deletedAt: null }).where(away).returning({ id: table.id })).length;
  let found: number;
  try {
    found = await back();
  } catch (error) {
    if (!isTaken(error)) throw error;
    const named = kind === "hand" ? hand : deck;
    await db
      .update(named)
      .set({ name: sql`${named.name} || ' (put back)'` })
      .where(eq(named.id, id));
    found = await back();
  }
  if (found > 0 && kind === "layout") await db.transaction((tx) => touchAlbums(tx, householdId));
  return found > 0;
}

/** Drops what lies in the tray, of one household or of all: `before` only what was put away earlier. */
export async function dropStash(tx: Transaction, which: { householdId: string } | { before: Date }): Promise<void> {
  for (const kind of STASH_KINDS) {
    const { table } = STASH[kind];
    const those =
      "householdId" in which
        ? and(eq(table.householdId, which.householdId), isNotNull(table.deletedAt))
        : lt(table.deletedAt, which.before);
    // A picture that a piece in the tray still shows stays until that piece goes.
    await tx.delete(table).where(kind === "picture" ? and(those, notExists(onADay(tx, sql`true`))) : those);
  }
  await tx
    .delete(picture)
    .where(notExists(tx.select({ one: sql`1` }).from(photo).where(eq(photo.sha256, picture.sha256))));
}

/** Pictures that are wanted again are in the tray no longer; returns how many were. */
export async function wantPictures(db: Reader, householdId: string, ids: readonly string[]): Promise<number> {
  if (ids.length === 0) return 0;
  const rows = await db
    .update(photo)
    .set({ deletedAt: null })
    .where(and(eq(photo.householdId, householdId), inArray(photo.id, [...ids]), isNotNull(photo.deletedAt)))
    .returning({ id: photo.id });
  return rows.length;
}
