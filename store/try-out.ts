import { isDeepStrictEqual } from "node:util";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { Face, Piece } from "../core/album/leaf.ts";
import { lockSlots } from "./album.ts";
import type { Author } from "./author.ts";
import { type BookSaved, saveBookEdit } from "./book.ts";
import type { Db, Transaction } from "./db.ts";
import { leaf, tryOut } from "./schema/index.ts";

/** The most candidates that wait beside the kept one: more cannot be told apart. */
export const MOST_TRY_OUTS = 2;
const NAMES = ["B", "C"] as const;

export type TryOutSaved =
  | { ok: true; version: number }
  | { ok: false; reason: "not-found" | "too-many-try-outs" }
  /** Somebody laid it out anew since; what was sent lies in the tray. */
  | { ok: false; reason: "try-out-changed" };

/** The leaf, if it is in the author's album and book; touched, so that the album counts as changed. */
async function touchLeaf(tx: Transaction, author: Author, leafId: string): Promise<boolean> {
  if (!(await lockSlots(tx, author.householdId, author.albumId))) return false;
  const rows = await tx
    .update(leaf)
    .set({ updatedAt: author.at, updatedBy: author.memberId })
    .where(and(eq(leaf.id, leafId), eq(leaf.albumId, author.albumId), isNull(leaf.deletedAt)))
    .returning({ id: leaf.id });
  return rows.length > 0;
}

const waiting = (leafId: string, face: Face) =>
  and(eq(tryOut.leafId, leafId), eq(tryOut.face, face), isNull(tryOut.deletedAt));

/** Sets a candidate beside the arrangement of a side. Sent twice, it is there once. */
export async function addTryOut(
  db: Db,
  author: Author,
  given: { id: string; leafId: string; face: Face; pieces: readonly Piece[] },
): Promise<TryOutSaved> {
  return db.transaction(async (tx) => {
    if (!(await touchLeaf(tx, author, given.leafId))) return { ok: false, reason: "not-found" };
    const present = await tx
      .select({ id: tryOut.id, name: tryOut.name })
      .from(tryOut)
      .where(waiting(given.leafId, given.face));
    if (present.some(({ id }) => id === given.id)) return { ok: true, version: 0 };
    if (present.length >= MOST_TRY_OUTS) return { ok: false, reason: "too-many-try-outs" };
    const name = NAMES.find((each) => present.every((one) => one.name !== each)) ?? "B";
    await tx
      .insert(tryOut)
      .values({ ...given, pieces: [...given.pieces], name, madeAt: author.at })
      .onConflictDoNothing();
    return { ok: true, version: 0 };
  });
}

/** The try-out and its side, if it waits in the author's album. */
async function findTryOut(tx: Transaction, author: Author, id: string): Promise<typeof tryOut.$inferSelect | null> {
  if (!(await lockSlots(tx, author.householdId, author.albumId))) return null;
  const [row] = await tx
    .select()
    .from(tryOut)
    .where(and(eq(tryOut.id, id), isNull(tryOut.deletedAt)))
    .for("update");
  return row && (await touchLeaf(tx, author, row.leafId)) ? row : null;
}

/**
 * Lays a candidate out anew. When another window has done so since `base`, theirs stands and what was sent goes to the
 * tray, from where it can be set beside again.
 */
export async function arrangeTryOut(
  db: Db,
  author: Author,
  id: string,
  base: number | null,
  pieces: readonly Piece[],
): Promise<TryOutSaved> {
  return db.transaction(async (tx) => {
    const row = await findTryOut(tx, author, id);
    if (!row) return { ok: false, reason: "not-found" };
    if (isDeepStrictEqual(row.pieces, pieces)) return { ok: true, version: row.version };
    if (base !== null && row.version > base) {
      const { leafId, face, name } = row;
      await tx.insert(tryOut).values({
        id: crypto.randomUUID(),
        leafId,
        face,
        name,
        pieces: [...pieces],
        madeAt: author.at,
        deletedAt: author.at,
      });
      return { ok: false, reason: "try-out-changed" };
    }
    await tx
      .update(tryOut)
      .set({ pieces: [...pieces], version: row.version + 1 })
      .where(eq(tryOut.id, id));
    return { ok: true, version: row.version + 1 };
  });
}

/** Puts a candidate in the tray. */
export async function dropTryOut(db: Db, author: Author, id: string): Promise<TryOutSaved> {
  return db.transaction(async (tx) => {
    const row = await findTryOut(tx, author, id);
    if (!row) return { ok: false, reason: "not-found" };
    await tx.update(tryOut).set({ deletedAt: author.at }).where(eq(tryOut.id, id));
    return { ok: true, version: row.version };
  });
}

/**
 * Keeps one arrangement of a side: the candidate `id`, or with null the one that lies there. The others, and what lay
 * there before, wait in the tray; the kept one is on the side and nowhere else. What was there is written as a change of the book, so it can be taken back.
 */
export async function keepTryOut(
  db: Db,
  author: Author,
  leafId: string,
  face: Face,
  id: string | null,
): Promise<BookSaved> {
  return db.transaction(async (tx) => {
    if (!(await touchLeaf(tx, author, leafId))) return { ok: false, reason: "not-found" };
    const rows = await tx.select().from(tryOut).where(waiting(leafId, face));
    const kept = rows.find((row) => row.id === id);
    if (id !== null && !kept) return { ok: false, reason: "not-found" };
    const found = await tx.query.side.findFirst({
      where: (table, { and: both, eq: is }) => both(is(table.leafId, leafId), is(table.face, face)),
    });
    await tx.update(tryOut).set({ deletedAt: author.at }).where(waiting(leafId, face));
    if (!kept) return { ok: true, made: {} };
    await tx.update(tryOut).set({ keptAt: author.at }).where(eq(tryOut.id, kept.id));
    if (found?.pieces) {
      await tx.insert(tryOut).values({
        id: crypto.randomUUID(),
        leafId,
        face,
        name: "A",
        pieces: found.pieces,
        madeAt: author.at,
        deletedAt: author.at,
      });
    }
    return saveBookEdit(tx, author, null, { kind: "arrange", leaf: leafId, face, pieces: kept.pieces });
  });
}

/**
 * After the change of the book that was made `at` is taken back: where a candidate had been kept by it, that one and those
 * beside it wait again, as many as there is room for, and what lay on the side is no longer in the tray.
 */
export async function unkeepTryOuts(tx: Transaction, albumId: string, at: Date): Promise<void> {
  const found = await tx
    .select({ row: tryOut })
    .from(tryOut)
    .innerJoin(leaf, eq(leaf.id, tryOut.leafId))
    .where(and(eq(leaf.albumId, albumId), eq(tryOut.deletedAt, at)));
  const rows = found.map(({ row }) => row);
  const kept = rows.find(({ keptAt }) => keptAt?.getTime() === at.getTime());
  if (!kept) return;
  const there = await tx.select({ id: tryOut.id }).from(tryOut).where(waiting(kept.leafId, kept.face));
  const others = rows.filter(({ id, leafId, face }) => id !== kept.id && leafId === kept.leafId && face === kept.face);
  const laid = others.find(({ madeAt }) => madeAt.getTime() === at.getTime());
  const back = [kept, ...others.filter((each) => each !== laid)].slice(0, Math.max(0, MOST_TRY_OUTS - there.length));
  if (laid) await tx.delete(tryOut).where(eq(tryOut.id, laid.id));
  await tx.update(tryOut).set({ keptAt: null }).where(eq(tryOut.id, kept.id));
  if (back.length > 0)
    await tx
      .update(tryOut)
      .set({ deletedAt: null })
      .where(
        inArray(
          tryOut.id,
          back.map(({ id }) => id),
        ),
      );
}
