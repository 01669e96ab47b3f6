import { isDeepStrictEqual } from "node:util";
import { and, asc, eq, inArray, isNotNull, sql } from "drizzle-orm";
import type { Face, Leaf, Piece } from "../core/album/leaf.ts";
import { standsAt } from "../core/album/matter.ts";
import { tickLeaf } from "../core/album/ticks.ts";
import { applyBookEdit, type BookEdit, type BookProblem, leavesTouched } from "../core/book/edit.ts";
import type { DateOf } from "../core/book/place.ts";
import { fillRoom, roomsOn } from "../core/book/rooms.ts";
import type { Did } from "../core/journal/did.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { type Slot, slotsInSpan } from "../core/month/slots.ts";
import { lockSlots } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { type Db, excluded, isForeign, type Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { LEAF_ORDER } from "./journal/tables.ts";
import { guestRows, leafColumns, SIDES, sideRows, thingsOn, toLeaf } from "./leaf-row.ts";
import { leaf, member, side, sideGuest, thing } from "./schema/index.ts";

/** What stands in the way of a change to a leaf: who wrote on it since, and when. */
export type BookClash = { readonly leaf: string; readonly by: string; readonly at: string; readonly version: number };
/** The version of each leaf that a keeper saw. */
export type Seen = Readonly<Record<string, number>>;
export type BookSaved =
  /** `made` is the version that each leaf it wrote now has. */
  | { ok: true; made: Record<string, number> }
  | { ok: false; reason: BookProblem | "not-found" }
  | { ok: false; reason: "leaf-clash"; bookClash: BookClash };

export type LockedBook = {
  readonly leaves: Leaf[];
  readonly slots: readonly Slot[];
  readonly dateOf: DateOf;
  /** The dates of the told days. */
  readonly dates: readonly CalendarDate[];
};

/** The album's leaves in order and where its days stand, the album locked as every writer does. */
export async function lockBook(tx: Transaction, author: Author): Promise<LockedBook | null> {
  const locked = await lockSlots(tx, author.householdId, author.albumId);
  if (!locked) return null;
  const dates = new Map([
    ...locked.slots.map(({ id, date }) => [id, date] as const),
    ...locked.matters.map((entry) => [entry.id, standsAt(entry)] as const),
  ]);
  const rows = await tx.query.leaf.findMany({
    where: and(eq(leaf.albumId, author.albumId), isNotNull(leaf.position)),
    orderBy: asc(leaf.position),
    with: { sides: SIDES },
  });
  const told = slotsInSpan(locked.slots, locked.span).filter(({ skipped }) => !skipped);
  return {
    leaves: rows.map(toLeaf),
    slots: locked.slots,
    dateOf: (dayId) => dates.get(dayId),
    dates: told.map(({ date }) => date),
  };
}

/** The album's leaves alone. */
export const lockLeaves = async (tx: Transaction, author: Author): Promise<Leaf[] | null> =>
  (await lockBook(tx, author))?.leaves ?? null;

/** What jsonb gives back has its keys in another order, so texts do not compare. */
export const same = isDeepStrictEqual;
const orderOf = (leaves: readonly Leaf[]) => leaves.map(({ id }) => id);

/** A leaf's name that belongs to another album's leaf already, or a thing out of another household's drawer. */
class Elsewhere extends Error {}

/** Notes for the line that is being written in which order the leaves stood before and after it; for nobody where there is none. */
export const keepOrder = (tx: Transaction, albumId: string, before: readonly string[], after: readonly string[]) =>
  tx.execute(sql`
    insert into journal_row (line_id, "of", "key", "before", "after")
    select line::uuid, ${LEAF_ORDER}, jsonb_build_object('album_id', ${albumId}::text),
      jsonb_build_object('ids', ${JSON.stringify(before)}::jsonb), jsonb_build_object('ids', ${JSON.stringify(after)}::jsonb)
    from nullif(current_setting('hearth.line', true), '') as line where line is not null`);

/** Whether things are of a household's drawer, or in its tray: another's are as if they were not there. */
export async function hasThings(tx: Transaction, householdId: string, ids: readonly string[]): Promise<boolean> {
  const asked = [...new Set(ids)];
  if (asked.length === 0) return true;
  return (await tx.$count(thing, and(eq(thing.householdId, householdId), inArray(thing.id, asked)))) === asked.length;
}

/** Writes what differs between two readings of the book: new and changed leaves, those that left, the order. */
export async function writeBook(
  tx: Transaction,
  { householdId, albumId, at, memberId }: Author,
  before: readonly Leaf[],
  after: readonly Leaf[],
): Promise<Record<string, number>> {
  const was = new Map(before.map((each) => [each.id, each]));
  const now = new Set(orderOf(after));
  const by = { updatedAt: at, updatedBy: memberId };
  const made: Record<string, number> = {};
  if (!same(orderOf(before), orderOf(after))) await keepOrder(tx, albumId, orderOf(before), orderOf(after));
  const left = before.filter(({ id }) => !now.has(id));
  for (const { id, version } of left) made[id] = version + 1;
  if (left.length > 0)
    await tx
      .update(leaf)
      .set({ position: null, deletedAt: at, version: sql`${leaf.version} + 1`, ...by })
      .where(inArray(leaf.id, orderOf(left)));
  const isAsItWas = (each: Leaf) => {
    const old = was.get(each.id);
    return old !== undefined && same({ ...old, version: 0 }, { ...each, version: 0 });
  };
  const moved = after.flatMap((each, position) =>
    isAsItWas(each) && before[position]?.id !== each.id ? [sql`(${each.id}::uuid, ${position}::int)`] : [],
  );
  if (moved.length > 0)
    await tx.execute(
      sql`update leaf set position = there.position from (values ${sql.join(moved, sql`, `)}) as there (id, position) where leaf.id = there.id`,
    );
  const changed = after.flatMap((each, position) => (isAsItWas(each) ? [] : [{ each, position }]));
  if (changed.length === 0) return made;
  const rows = changed.map(({ each, position }) => {
    const version = (was.get(each.id)?.version ?? each.version) + 1;
    made[each.id] = version;
    return { id: each.id, albumId, ...leafColumns(each), position, version, deletedAt: null, ...by };
  });
  const { id: _, albumId: __, ...columns } = rows[0] as (typeof rows)[number];
  const written = await tx
    .insert(leaf)
    .values(rows)
    .onConflictDoUpdate({ target: leaf.id, set: excluded(leaf, columns), setWhere: eq(leaf.albumId, albumId) })
    .returning({ id: leaf.id });
  if (written.length < rows.length) throw new Elsewhere();
  const taken = new Set(thingsOn(before));
  const newlyTaken = thingsOn(changed.map(({ each }) => each)).filter((id) => !taken.has(id));
  if (!(await hasThings(tx, householdId, newlyTaken))) throw new Elsewhere();
  const sides = changed.flatMap(({ each }) => sideRows(albumId, each));
  const { leafId: ___, face: ____, ...ofSide } = sides[0] as (typeof sides)[number];
  await tx
    .insert(side)
    .values(sides)
    .onConflictDoUpdate({
      target: [side.leafId, side.face],
      set: excluded(side, ofSide),
      setWhere: eq(side.albumId, albumId),
    });
  await writeGuests(
    tx,
    albumId,
    changed.flatMap(({ each }) => was.get(each.id) ?? []),
    changed.map(({ each }) => each),
  );
  return made;
}

/** Writes who shares the sides of some leaves, where that is not as it was. */
async function writeGuests(tx: Transaction, albumId: string, before: readonly Leaf[], after: readonly Leaf[]) {
  const rowsOf = (leaves: readonly Leaf[]) => leaves.flatMap((each) => guestRows(albumId, each));
  const [was, is] = [rowsOf(before), rowsOf(after)];
  if (same(was, is)) return;
  await tx.delete(sideGuest).where(and(eq(sideGuest.albumId, albumId), inArray(sideGuest.leafId, orderOf(after))));
  if (is.length > 0) await tx.insert(sideGuest).values(is);
}

/** A room kept on a side, and the print or card that now lies in it. */
export type RoomFill = {
  readonly leaf: string;
  readonly face: Face;
  readonly piece: string;
  readonly fill: Extract<Piece["what"], { kind: "photo" | "card" }>;
};

/** A leaf with a print or card where a room was kept for it; what is laid on that side for whose it is is open again. */
function withFilled(leaf: Leaf, { face, piece: roomId, fill }: Omit<RoomFill, "leaf">): Leaf {
  const side = leaf[face];
  const room = side.pieces && roomsOn(side.pieces).find(({ id }) => id === roomId);
  if (!side.pieces || !room) return leaf;
  const whose = side.pieces.find(({ id }) => id === roomId)?.dayId ?? null;
  const guest = side.guests.some(({ dayId }) => dayId === whose) ? whose : null;
  const pieces = fillRoom(side.pieces, room, fill.kind === "photo" ? fill.use : fill.card, fill);
  return tickLeaf({ ...leaf, [face]: { ...side, pieces } }, { face, guest, step: "assemble" }, false);
}

/** Lays prints and cards where rooms were kept for them. A room that is gone is passed over. */
export async function fillRooms(tx: Transaction, author: Author, fills: readonly RoomFill[]): Promise<void> {
  const before = fills.length > 0 ? await lockLeaves(tx, author) : null;
  if (!before) return;
  const after = before.map((leaf) => fills.filter((one) => one.leaf === leaf.id).reduce(withFilled, leaf));
  if (!same(before, after)) await writeBook(tx, author, before, after);
}

/** Who wrote a leaf last, for the one who comes second. */
async function lastWrite(tx: Transaction, { id, version }: Leaf): Promise<BookClash> {
  const [row] = await tx
    .select({ by: member.name, at: leaf.updatedAt })
    .from(leaf)
    .leftJoin(member, eq(member.id, leaf.updatedBy))
    .where(eq(leaf.id, id));
  return { leaf: id, by: row?.by ?? "somebody", at: (row?.at ?? new Date(0)).toISOString(), version };
}

/**
 * Applies one edit to the album's book. `seen` are the versions that the keeper saw of the leaves it writes; one written
 * since is told, and nothing is changed. Changes of different leaves pass each other; so does moving a leaf.
 */
export async function saveBookEdit(db: Db, author: Author, seen: Seen | null, edit: BookEdit): Promise<BookSaved> {
  try {
    return await journaled(db, author, didOf(edit), (tx) => saveBookEditIn(tx, author, seen, edit));
  } catch (error) {
    // A side given to a day of another album, or a leaf id that is somebody else's: as if it were not there.
    if (isForeign(error) || error instanceof Elsewhere) return { ok: false, reason: "not-found" };
    throw error;
  }
}

const didOf = (edit: BookEdit): Did =>
  edit.kind === "tick"
    ? { what: "leaf-step", leaf: edit.leaf, step: edit.step, done: edit.done }
    : { what: "book", how: edit.kind, leaf: leavesTouched(edit)[0] ?? "" };

/** The same as part of what a line is about. */
export async function saveBookEditIn(
  tx: Transaction,
  author: Author,
  seen: Seen | null,
  edit: BookEdit,
): Promise<BookSaved> {
  const book = await lockBook(tx, author);
  if (!book) return { ok: false, reason: "not-found" };
  const before = book.leaves;
  const applied = applyBookEdit(before, edit, book.dateOf, book.dates);
  if (!applied.ok) return applied;
  if (same(applied.leaves, before)) {
    const touched = new Set(leavesTouched(edit));
    const standing = before.filter(({ id }) => touched.has(id)).map(({ id, version }) => [id, version] as const);
    return { ok: true, made: Object.fromEntries(standing) };
  }
  const late =
    edit.kind === "move-leaf" || edit.kind === "tick" || edit.kind === "tick-making"
      ? undefined
      : before.find(({ id, version }) => version > (seen?.[id] ?? version));
  if (late) return { ok: false, reason: "leaf-clash", bookClash: await lastWrite(tx, late) };
  return { ok: true, made: await writeBook(tx, author, before, applied.leaves) };
}

/** Counts every album of a household as changed: something they share, such as a pocket layout, is no longer the same. */
export const touchAlbums = (tx: Transaction, householdId: string) =>
  tx.execute(sql`update album set revision = revision where household_id = ${householdId}`);
