import { isDeepStrictEqual } from "node:util";
import { and, eq, isNull } from "drizzle-orm";
import type { Face, Piece } from "../core/album/leaf.ts";
import type { Did } from "../core/journal/did.ts";
import { lockSlots } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { type BookSaved, hasThings, saveBookEditIn } from "./book.ts";
import type { Db, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { thingsOf } from "./leaf-row.ts";
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
  const did: Did = { what: "try-out", how: "add", leaf: given.leafId };
  return journaled<TryOutSaved>(db, author, did, async (tx) => {
    if (!(await touchLeaf(tx, author, given.leafId))) return { ok: false, reason: "not-found" };
    if (!(await hasThings(tx, author.householdId, thingsOf(given.pieces)))) return { ok: false, reason: "not-found" };
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
  const did: Did = { what: "try-out", how: "arrange", leaf: "" };
  return journaled<TryOutSaved>(db, author, did, async (tx, _line, say) => {
    const row = await findTryOut(tx, author, id);
    if (!row) return { ok: false, reason: "not-found" };
    say({ ...did, leaf: row.leafId });
    if (!(await hasThings(tx, author.householdId, thingsOf(pieces)))) return { ok: false, reason: "not-found" };
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
  const did: Did = { what: "try-out", how: "drop", leaf: "" };
  return journaled<TryOutSaved>(db, author, did, async (tx, _line, say) => {
    const row = await findTryOut(tx, author, id);
    if (!row) return { ok: false, reason: "not-found" };
    say({ ...did, leaf: row.leafId });
    await tx.update(tryOut).set({ deletedAt: author.at }).where(eq(tryOut.id, id));
    return { ok: true, version: row.version };
  });
}

/**
 * Keeps one arrangement of a side: the candidate `id`, or with null the one that lies there. The others, and what lay
 * there before, wait in the tray; the kept one is on the side and nowhere else. All of it is one line of the journal.
 */
export async function keepTryOut(
  db: Db,
  author: Author,
  leafId: string,
  face: Face,
  id: string | null,
): Promise<BookSaved> {
  const did: Did = { what: "try-out", how: "keep", leaf: leafId };
  return journaled<BookSaved>(db, author, did, async (tx) => {
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
    return saveBookEditIn(tx, author, null, { kind: "arrange", leaf: leafId, face, pieces: kept.pieces });
  });
}
