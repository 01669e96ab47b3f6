import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import type { Leaf, Side } from "../core/book/leaf.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Author } from "./author.ts";
import { lockLeaves, same, writeBook } from "./book.ts";
import type { Db, Transaction } from "./db.ts";
import { toLeaf } from "./leaf-row.ts";
import { day, leaf } from "./schema/index.ts";

/** Where a new leaf of a day goes: after every leaf of that day or an earlier one. */
function placeFor(leaves: readonly Leaf[], dates: ReadonlyMap<string, CalendarDate>, date: CalendarDate): number {
  const dateOf = (each: Leaf): CalendarDate | undefined => {
    if (each.of.kind !== "own") return dates.get(each.of.dayId);
    const owner = [each.front, each.back].map((one: Side) => one.owner).find(({ kind }) => kind === "day");
    return owner?.kind === "day" ? dates.get(owner.dayId) : undefined;
  };
  const front = leaves.findLastIndex((each) =>
    [each.front, each.back].some(({ owner }) => owner.kind === "matter" && owner.matter !== "closing"),
  );
  const last = leaves.findLastIndex((each) => (dateOf(each) ?? "9999") <= date);
  if (last >= 0) return last + 1;
  return leaves.slice(0, front + 1).every((each) => dateOf(each) === undefined) ? front + 1 : 0;
}

const newLeaf = (of: Leaf["of"], dayId: string): Leaf => {
  const mine: Side = { owner: { kind: "day", dayId }, pieces: null };
  return { id: crypto.randomUUID(), version: 0, of, drop: null, liftsOff: false, front: mine, back: mine };
};

/** What of a day makes leaves. */
type Leafed = { readonly foundation: unknown; readonly inserts: readonly { readonly id: string }[] };

/** What a day was and is, of what makes leaves. */
export type DayFollowed = { readonly dayId: string; readonly before: Leafed; readonly after: Leafed };

/** The leaves that a day gains and loses by what it was and is. */
function leavesOf({ dayId, before, after }: DayFollowed): { wanted: Leaf["of"][]; isLost: (each: Leaf) => boolean } {
  const inserts = { was: new Set(before.inserts.map(({ id }) => id)), is: new Set(after.inserts.map(({ id }) => id)) };
  const added = after.inserts.filter(({ id }) => !inserts.was.has(id));
  const lost = new Set(before.inserts.flatMap(({ id }) => (inserts.is.has(id) ? [] : [id])));
  const page = (before.foundation === null ? 0 : 1) - (after.foundation === null ? 0 : 1);
  return {
    wanted: [
      ...added.map(({ id }): Leaf["of"] => ({ kind: "insert", dayId, insertId: id })),
      ...(page < 0 ? [{ kind: "page", dayId } as const] : []),
    ],
    isLost: ({ of }) =>
      (of.kind === "insert" && lost.has(of.insertId)) || (of.kind === "page" && of.dayId === dayId && page > 0),
  };
}

/**
 * Keeps the book's leaves with their days: a day that is given a page or an insert gets its leaf, one that loses it sees
 * the leaf go to the tray with everything laid on it, and come back as it was. The album is locked by the caller. As many
 * statements for many days as for one.
 */
export async function followDays(tx: Transaction, author: Author, days: readonly DayFollowed[]): Promise<void> {
  const followed = days.map((each) => ({ dayId: each.dayId, ...leavesOf(each) }));
  const changes = days.some(
    ({ before, after }) =>
      (before.foundation === null) !== (after.foundation === null) ||
      !same(
        before.inserts.map(({ id }) => id),
        after.inserts.map(({ id }) => id),
      ),
  );
  const leaves = changes ? await lockLeaves(tx, author) : null;
  if (!leaves) return;
  let next = leaves.filter((each) => !followed.some(({ isLost }) => isLost(each)));
  const rows = await tx.select({ id: day.id, date: day.date }).from(day).where(eq(day.albumId, author.albumId));
  const dates = new Map(rows.map(({ id, date }) => [id, date]));
  const wanted = followed.flatMap((each) => each.wanted);
  const away = wanted.length === 0 ? [] : await inTray(tx, author.albumId, days);
  for (const of of wanted) {
    const date = of.kind === "own" ? undefined : dates.get(of.dayId);
    if (of.kind === "own" || !date || next.some((each) => same(each.of, of))) continue;
    const leafOf = away.find((each) => same(each.of, of)) ?? newLeaf(of, of.dayId);
    // An insert lies over its day's page; anything else comes after the day's other leaves.
    const own =
      of.kind === "insert" ? next.findIndex((each) => each.of.kind === "page" && each.of.dayId === of.dayId) : -1;
    const place = own >= 0 ? own : placeFor(next, dates, date);
    next = [...next.slice(0, place), leafOf, ...next.slice(place)];
  }
  await writeBook(tx, author, leaves, next);
}

/** The same for one day. */
export const followDay = (tx: Transaction, author: Author, dayId: string, before: Leafed, after: Leafed) =>
  followDays(tx, author, [{ dayId, before, after }]);

/** The leaves of these days that lie in the tray, the latest first. */
async function inTray(tx: Transaction, albumId: string, days: readonly DayFollowed[]): Promise<Leaf[]> {
  const rows = await tx.query.leaf.findMany({
    where: and(
      eq(leaf.albumId, albumId),
      isNull(leaf.position),
      inArray(
        leaf.dayId,
        days.map(({ dayId }) => dayId),
      ),
    ),
    orderBy: desc(leaf.deletedAt),
    with: { sides: true },
  });
  return rows.map(toLeaf);
}

/** Puts the leaves of days that changed their dates where those dates are now, a day's own in the order they were. */
export async function followDates(tx: Transaction, author: Author, dayIds: readonly string[]): Promise<void> {
  const leaves = await lockLeaves(tx, author);
  if (!leaves || dayIds.length === 0) return;
  const rows = await tx.select({ id: day.id, date: day.date }).from(day).where(eq(day.albumId, author.albumId));
  const dates = new Map(rows.map(({ id, date }) => [id, date]));
  const isOf = (each: Leaf, dayId: string) => each.of.kind !== "own" && each.of.dayId === dayId;
  let next = leaves.filter((each) => !dayIds.some((dayId) => isOf(each, dayId)));
  for (const dayId of dayIds) {
    const date = dates.get(dayId);
    if (!date) continue;
    const place = placeFor(next, dates, date);
    next = [...next.slice(0, place), ...leaves.filter((each) => isOf(each, dayId)), ...next.slice(place)];
  }
  await writeBook(tx, author, leaves, next);
}

/** The leaf of this material that lies in the tray, the latest first. */
async function fromTray(tx: Transaction, albumId: string, of: Leaf["of"]): Promise<Leaf | null> {
  if (of.kind === "own") return null;
  const found = await tx.query.leaf.findFirst({
    where: and(
      eq(leaf.albumId, albumId),
      isNull(leaf.position),
      eq(leaf.kind, of.kind),
      eq(leaf.dayId, of.dayId),
      of.kind === "insert" ? eq(leaf.insertId, of.insertId) : undefined,
    ),
    orderBy: desc(leaf.deletedAt),
    with: { sides: true },
  });
  return found ? toLeaf(found) : null;
}

/** Puts a leaf from the tray back into the book, by its day's date or at the end. False when it is not there. */
export async function putLeafBack(db: Db, author: Author, leafId: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const leaves = await lockLeaves(tx, author);
    const found = await tx.query.leaf.findFirst({
      where: and(eq(leaf.id, leafId), eq(leaf.albumId, author.albumId), isNull(leaf.position)),
      with: { sides: true },
    });
    if (!leaves || !found) return false;
    const rows = await tx.select({ id: day.id, date: day.date }).from(day).where(eq(day.albumId, author.albumId));
    const dates = new Map(rows.map(({ id, date }) => [id, date]));
    const back = toLeaf(found);
    const date = back.of.kind === "own" ? undefined : dates.get(back.of.dayId);
    const place = date ? placeFor(leaves, dates, date) : leaves.length;
    await writeBook(tx, author, leaves, [...leaves.slice(0, place), back, ...leaves.slice(place)]);
    return true;
  });
}

/** Gives a day that has a page but no leaf for it, because that lies in the tray, its leaf back or a new one. */
export async function givePlace(db: Db, author: Author, dayId: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const leaves = await lockLeaves(tx, author);
    const [row] = await tx
      .select({ date: day.date, foundation: day.foundation })
      .from(day)
      .where(and(eq(day.id, dayId), eq(day.albumId, author.albumId)));
    if (!leaves || !row?.foundation) return false;
    const of: Leaf["of"] = { kind: "page", dayId };
    if (leaves.some((each) => same(each.of, of))) return true;
    const rows = await tx.select({ id: day.id, date: day.date }).from(day).where(eq(day.albumId, author.albumId));
    const place = placeFor(leaves, new Map(rows.map(({ id, date }) => [id, date])), row.date);
    const placed = (await fromTray(tx, author.albumId, of)) ?? newLeaf(of, dayId);
    await writeBook(tx, author, leaves, [...leaves.slice(0, place), placed, ...leaves.slice(place)]);
    return true;
  });
}
