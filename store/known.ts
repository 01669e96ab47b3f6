import { and, eq, inArray, isNull } from "drizzle-orm";
import { LIMITS } from "../core/limits.ts";
import { inOrder, type Known, type KnownRead, readAgain, type Told } from "../core/month/known.ts";
import type { Author } from "./author.ts";
import type { Db, Transaction } from "./db.ts";
import { insertAll } from "./insert-all.ts";
import { journaled } from "./journal/line.ts";
import { album, knownEvent } from "./schema/index.ts";

type Row = typeof knownEvent.$inferSelect;

/** What an album's rows know of its days, in order. */
export const toKnown = (rows: readonly Row[]): Known[] => rows.map(({ albumId: _, ...known }) => known).sort(inOrder);

/** Locks the album, so that two windows reading the same calendar read it one after the other; false where it is not theirs. */
async function lockOwn(tx: Transaction, { householdId, albumId }: Author): Promise<boolean> {
  const mine = and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));
  const rows = await tx.select({ id: album.id }).from(album).where(mine).for("no key update");
  return rows.length > 0;
}

export type KnownSaved<T = object> =
  | ({ readonly ok: true } & T)
  | { readonly ok: false; readonly reason: "not-found" | "too-many" };

/** Keeps what a calendar has of an album's days in place of what it had before; tells what that changed. */
export async function saveCalendar(
  db: Db,
  author: Author,
  source: string,
  read: readonly KnownRead[],
): Promise<KnownSaved<{ readonly told: Told }>> {
  return journaled<KnownSaved<{ told: Told }>>(db, author, { what: "known" }, async (tx) => {
    if (!(await lockOwn(tx, author))) return { ok: false, reason: "not-found" };
    const ofAlbum = eq(knownEvent.albumId, author.albumId);
    const was = toKnown(await tx.select().from(knownEvent).where(ofAlbum));
    const { all, told } = readAgain(was, source, read);
    if (all.length > LIMITS.known.most) return { ok: false, reason: "too-many" };
    const kept = new Map(was.map((each) => [each.key, each]));
    const gone = told.gone.map(({ key }) => key);
    if (gone.length > 0) await tx.delete(knownEvent).where(and(ofAlbum, inArray(knownEvent.key, gone)));
    for (const { now } of told.changed) {
      const { key, ...change } = now;
      await tx
        .update(knownEvent)
        .set({ ...change, source })
        .where(and(ofAlbum, eq(knownEvent.key, key)));
    }
    const fresh = all.filter(({ key }) => !kept.has(key)).map((each) => ({ ...each, albumId: author.albumId }));
    await insertAll(tx, knownEvent, fresh);
    return { ok: true, told };
  });
}

/** Keeps something that is known of a day and stands in no calendar. Said twice under one key, it is kept once. */
export async function keepKnown(db: Db, author: Author, known: Known): Promise<KnownSaved> {
  return journaled<KnownSaved>(db, author, { what: "known" }, async (tx) => {
    if (!(await lockOwn(tx, author))) return { ok: false, reason: "not-found" };
    const count = await tx.$count(knownEvent, eq(knownEvent.albumId, author.albumId));
    if (count >= LIMITS.known.most) return { ok: false, reason: "too-many" };
    await tx
      .insert(knownEvent)
      .values({ ...known, albumId: author.albumId })
      .onConflictDoNothing();
    return { ok: true };
  });
}

/** Puts something known onto the month calendar pages, or takes it off them. */
export async function putOnPage(db: Db, author: Author, key: string, on: boolean): Promise<KnownSaved> {
  return journaled<KnownSaved>(db, author, { what: "known" }, async (tx) => {
    if (!(await lockOwn(tx, author))) return { ok: false, reason: "not-found" };
    const one = and(eq(knownEvent.albumId, author.albumId), eq(knownEvent.key, key));
    const rows = await tx.update(knownEvent).set({ onPage: on }).where(one).returning({ key: knownEvent.key });
    return rows.length > 0 ? { ok: true } : { ok: false, reason: "not-found" };
  });
}

/** Lets go of something known; what was taken over into notes, prompts and hours stays there. */
export async function dropKnown(db: Db, author: Author, key: string): Promise<KnownSaved> {
  return journaled<KnownSaved>(db, author, { what: "known" }, async (tx) => {
    if (!(await lockOwn(tx, author))) return { ok: false, reason: "not-found" };
    await tx.delete(knownEvent).where(and(eq(knownEvent.albumId, author.albumId), eq(knownEvent.key, key)));
    return { ok: true };
  });
}
