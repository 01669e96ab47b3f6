import { and, eq, isNull, ne, sql } from "drizzle-orm";
import { lockAlbums } from "../album-lock.ts";
import { touchAlbums } from "../book.ts";
import { type Db, isTaken, type Transaction } from "../db.ts";
import { type Doer, journaled } from "../journal/line.ts";
import { album, leaf } from "../schema/index.ts";
import { OWN, type OwnKind } from "./kinds.ts";
import { putAway } from "./tray.ts";

export type OwnChanged =
  | { ok: true }
  | { ok: false; reason: "not-found" | "name-taken" }
  /** So many pages have this layout: it stays. */
  | { ok: false; reason: "in-use"; pages: number };

/** Whether the household has nothing of this kind in use under a name. */
export async function isNameFree(tx: Transaction, householdId: string, kind: OwnKind, name: string): Promise<boolean> {
  const { table, name: called } = OWN[kind];
  const there = and(eq(table.householdId, householdId), isNull(table.deletedAt), sql`${called} = ${name}`);
  return (await tx.$count(table, there)) === 0;
}

/** Gives one of the household's own things another name; refused where another of its kind has it. */
export async function renameOwn(db: Db, doer: Doer, kind: OwnKind, id: string, name: string): Promise<OwnChanged> {
  const { table, name: called, named } = OWN[kind];
  const inUse = and(eq(table.householdId, doer.householdId), isNull(table.deletedAt));
  try {
    return await journaled<OwnChanged>(db, doer, { what: "stash", how: "renamed", thing: kind }, async (tx) => {
      await lockAlbums(tx, doer.householdId);
      const others = await tx.$count(table, and(inUse, ne(table.id, id), sql`${called} = ${name}`));
      if (others > 0) return { ok: false, reason: "name-taken" };
      const rows = await tx
        .update(table)
        .set(named(name) as never)
        .where(and(inUse, eq(table.id, id)))
        .returning({ id: table.id });
      if (rows.length > 0 && kind === "layout") await touchAlbums(tx, doer.householdId);
      return rows.length > 0 ? { ok: true } : { ok: false, reason: "not-found" };
    });
  } catch (error) {
    if (isTaken(error)) return { ok: false, reason: "name-taken" };
    throw error;
  }
}

/** Puts one of the household's own things into the tray. A layout that a page has stays, and it is told how many have it. */
export const putOwnAway = (db: Db, doer: Doer, kind: OwnKind, id: string): Promise<OwnChanged> =>
  journaled<OwnChanged>(db, doer, { what: "stash", how: "put-away", thing: kind }, async (tx) => {
    await lockAlbums(tx, doer.householdId);
    const ofHousehold = sql`${leaf.albumId} in (select a.id from ${album} a where a.household_id = ${doer.householdId})`;
    const pages = kind === "layout" ? await tx.$count(leaf, and(eq(leaf.layout, id), ofHousehold)) : 0;
    if (pages > 0) return { ok: false, reason: "in-use", pages };
    const gone = await putAway(tx, doer.householdId, kind, id, doer.at);
    if (gone && kind === "layout") await touchAlbums(tx, doer.householdId);
    return gone ? { ok: true } : { ok: false, reason: "not-found" };
  });
