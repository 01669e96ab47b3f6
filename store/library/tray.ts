import { and, eq, inArray, isNotNull, isNull, lt, notExists, type SQL, sql } from "drizzle-orm";
import { unionAll } from "drizzle-orm/pg-core";
import { lockAlbums } from "../album-lock.ts";
import { touchAlbums } from "../book.ts";
import { type Db, isTaken, type Reader, type Transaction } from "../db.ts";
import { deck, hand, leaf, photo, picture, pictureOnDay, side, thing, tryOut } from "../schema/index.ts";
import { OWN } from "./kinds.ts";

/** What a household has for all its albums, each under a name; put away, it lies in the tray as a piece of a day does. */
const STASH = {
  picture: { table: photo, name: sql<string>`${photo.name}` },
  thing: { table: thing, name: sql<string>`${thing.name}` },
  ...OWN,
} as const;
export type StashKind = keyof typeof STASH;
export const KEPT_KINDS = Object.keys(STASH) as readonly StashKind[];

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
    .from(pictureOnDay)
    .where(and(eq(pictureOnDay.photoId, photo.id), among));

/** Whether a picture of the statement round it shows something of the drawer. */
const SHOWS_A_THING = sql`exists (select from ${thing} where ${thing.photoId} = ${photo.id})`;

/** Whether some leaf, piece or try-out, in the tray or not, is made of a thing of the statement round it. */
const ON_A_PAGE = (() => {
  const inPieces = sql`jsonb_build_array(jsonb_build_object('of', jsonb_build_object('thing', ${thing.id}::text)))`;
  return sql`(exists (select from ${leaf} where ${leaf.of} ->> 'thing' = ${thing.id}::text)
    or exists (select from ${side} where ${side.pieces} @> ${inPieces})
    or exists (select from ${tryOut} where ${tryOut.pieces} @> ${inPieces}))`;
})();

/** Whether a picture of the roll is put away: one that a day uses is not, whatever was said of it before. */
export const pictureAway = (db: Reader) =>
  and(isNotNull(photo.deletedAt), notExists(onADay(db, isNull(pictureOnDay.deletedAt))));

/** Everything of the household's own that lies in the tray, the latest first; one statement. */
export async function readKeptTray(db: Db, householdId: string): Promise<StashPiece[]> {
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
    away("thing"),
    away("deck"),
    away("hand"),
    away("stamp-set"),
    away("layout"),
    away("template"),
    away("making"),
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

/** Takes a thing out of the tray again. Where another has got its name since, "(put back)" is added to it. */
export async function takeBackKept(db: Db, householdId: string, kind: StashKind, id: string): Promise<boolean> {
  const { table } = STASH[kind];
  const away = and(eq(table.id, id), eq(table.householdId, householdId), isNotNull(table.deletedAt));
  const back = (tx: Transaction) => tx.update(table).set({ deletedAt: null }).where(away).returning({ id: table.id });
  return db.transaction(async (tx) => {
    await lockAlbums(tx, householdId);
    let found: { id: string }[];
    try {
      found = await tx.transaction(back);
    } catch (error) {
      if (!isTaken(error)) throw error;
      const named = kind === "hand" ? hand : deck;
      await tx
        .update(named)
        .set({ name: sql`${named.name} || ' (put back)'` })
        .where(and(eq(named.id, id), eq(named.householdId, householdId)));
      found = await back(tx);
    }
    if (found.length > 0 && kind === "layout") await touchAlbums(tx, householdId);
    return found.length > 0;
  });
}

/** One statement for each kind: the households of what was put away before then. */
export const oldInKept = (db: Db, before: Date) =>
  Object.values(STASH).map(({ table }) =>
    db.select({ id: table.householdId }).from(table).where(lt(table.deletedAt, before)),
  );

/** Drops what of a household's own lies in the tray: all of it, or what was put away before then. Its albums are locked. */
export async function dropKept(tx: Transaction, householdId: string, before: Date | null): Promise<void> {
  for (const kind of KEPT_KINDS) {
    const { table } = STASH[kind];
    const old = before ? lt(table.deletedAt, before) : isNotNull(table.deletedAt);
    const those = and(eq(table.householdId, householdId), old);
    // A picture that a piece in the tray, or something of the drawer, still shows stays as long as that does; what a page is
    // made of stays with it.
    const free =
      kind === "picture"
        ? and(notExists(onADay(tx, sql`true`)), sql`not ${SHOWS_A_THING}`)
        : kind === "thing"
          ? sql`not ${ON_A_PAGE}`
          : undefined;
    await tx.delete(table).where(and(those, free));
  }
}

/** Drops the bytes of pictures that are on no roll any more. */
export async function dropLooseBytes(db: Db): Promise<void> {
  await db
    .delete(picture)
    .where(notExists(db.select({ one: sql`1` }).from(photo).where(eq(photo.sha256, picture.sha256))));
}

/** Pictures that are wanted again are in the tray no longer; returns how many were. */
export async function wantPictures(db: Db, householdId: string, ids: readonly string[]): Promise<number> {
  if (ids.length === 0) return 0;
  const away = and(eq(photo.householdId, householdId), inArray(photo.id, [...ids]), isNotNull(photo.deletedAt));
  const [one] = await db.select({ id: photo.id }).from(photo).where(away).limit(1);
  if (!one) return 0;
  return db.transaction(async (tx) => {
    await lockAlbums(tx, householdId);
    const rows = await tx.update(photo).set({ deletedAt: null }).where(away).returning({ id: photo.id });
    return rows.length;
  });
}
