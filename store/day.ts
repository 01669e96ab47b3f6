import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { and, desc, eq, gt, inArray, isNull, sql } from "drizzle-orm";
import {
  applyEdit,
  clashingChange,
  type DayEdit,
  type EditProblem,
  type Field,
  type SavedChange,
} from "../core/album/edit.ts";
import { type Day, type DayContent, EMPTY_DAY } from "../core/album/model.ts";
import { restoreFields } from "../core/album/restore.ts";
import type { Slot, SlotChange, SlotProblem } from "../core/month/slots.ts";
import type { Span } from "../core/month/span.ts";
import { lockSlots } from "./album.ts";
import type { Author } from "./author.ts";
import { fillRooms, latestBookChange, settleBookChange, undoBookChange } from "./book.ts";
import { intoRoom, tickOnLeaves } from "./day-leaves.ts";
import { lockDay } from "./day-lock.ts";
import { dayColumns, pieceRows } from "./day-row.ts";
import { type Db, excluded, isForeign, isTaken, type Transaction } from "./db.ts";
import { moveLeaves } from "./leaf-place.ts";
import { card, day, dayChange, dayPhoto, jotting, member, photo } from "./schema/index.ts";
import { unkeepTryOuts } from "./try-out.ts";

/** What stands in the way of a save: who wrote what since, and the day as it is now. */
export type Clash = { readonly change: SavedChange; readonly current: DayContent; readonly version: number };
export type SaveResult =
  | { ok: true; version: number }
  | { ok: false; reason: EditProblem | "not-found" }
  | { ok: false; reason: "clash"; clash: Clash };

/** Saves of a day after version `base`; `standing` leaves out those that were taken back, and the takings back. */
async function changesSince(
  tx: Transaction,
  dayId: string,
  base: number,
  which: "all" | "standing" = "all",
): Promise<SavedChange[]> {
  const rows = await tx
    .select({ version: dayChange.version, fields: dayChange.fields, by: member.name, at: dayChange.at })
    .from(dayChange)
    .leftJoin(member, eq(member.id, dayChange.memberId))
    .where(
      and(
        eq(dayChange.dayId, dayId),
        gt(dayChange.version, base),
        which === "standing" ? eq(dayChange.settled, false) : undefined,
      ),
    );
  return rows.map((row) => ({ ...row, by: row.by ?? "somebody", at: row.at.toISOString() }));
}

/** A piece whose name belongs to another day's piece already, in this album or elsewhere: as if the day were not there. */
export class PieceElsewhere extends Error {}

/** The rows that are new or no longer as they were. */
function changedRows<T extends { readonly id: string }>(before: readonly T[], after: readonly T[]): T[] {
  const was = new Map(before.map((row) => [row.id, row]));
  return after.filter((row) => !isDeepStrictEqual(was.get(row.id), row));
}

/**
 * Writes the pieces of a day that are new or no longer as they were; those no longer on it go to the tray. The day's own
 * columns are written by `logChange`. Throws `PieceElsewhere` where a piece could not be written.
 */
export async function writeContent(
  tx: Transaction,
  dayId: string,
  before: DayContent,
  content: DayContent,
  at: Date,
): Promise<void> {
  const [was, is] = [pieceRows(dayId, before), pieceRows(dayId, content)];
  // A jotting that is carried to another day keeps its id, and so comes back from there when that is taken back.
  const ofSameAlbum = sql`${jotting.dayId} in (select d.id from ${day} d join ${day} here on here.album_id = d.album_id where here.id = ${dayId})`;
  const kinds = [
    { table: card, was: was.cards, is: is.cards, mine: eq(card.dayId, dayId) },
    { table: jotting, was: was.jottings, is: is.jottings, mine: ofSameAlbum },
    { table: dayPhoto, was: was.photos, is: is.photos, mine: eq(dayPhoto.dayId, dayId) },
  ] as const;
  for (const { table, was: old, is: now, mine } of kinds) {
    const staying = new Set(now.map(({ id }) => id));
    const leaving = old.map(({ id }) => id).filter((id) => !staying.has(id));
    if (leaving.length > 0) {
      const those = and(eq(table.dayId, dayId), inArray(table.id, leaving), isNull(table.deletedAt));
      await tx.update(table).set({ deletedAt: at }).where(those);
    }
    for (const row of changedRows<{ id: string }>(old, now)) {
      const { id: _, ...columns } = row;
      const written = await tx
        .insert(table)
        .values(row as never)
        .onConflictDoUpdate({ target: table.id, set: { ...columns, deletedAt: null } as never, setWhere: mine })
        .returning({ id: table.id });
      if (written.length === 0) throw new PieceElsewhere();
    }
  }
}

type Logged = {
  act: string;
  day: { readonly id: string; readonly version: number };
  /** What the day holds now; left out where only its place in the month changed. */
  content?: DayContent;
  fields: Field[];
  before: typeof dayChange.$inferInsert.before;
  settled?: boolean;
};

/** Writes the day's own columns, gives it its next version, and keeps what the save wrote and what was there before. */
export async function logChange(
  tx: Transaction,
  author: Author,
  { act, day: changed, content, fields, before, settled = false }: Logged,
): Promise<number> {
  const version = changed.version + 1;
  await tx
    .update(day)
    .set({ ...(content ? dayColumns(content) : {}), version, updatedAt: author.at, updatedBy: author.memberId })
    .where(eq(day.id, changed.id));
  await tx
    .insert(dayChange)
    .values({ act, dayId: changed.id, version, memberId: author.memberId, at: author.at, fields, before, settled });
  return version;
}

/** What an act makes of one of several days, where only the day's own columns change and none of its pieces. */
export type DayChanged = { readonly day: Day; readonly content: DayContent; readonly fields: Field[] };

/** Writes several days' own columns as one act, in as many statements for sixty days as for one. */
export async function saveDays(
  tx: Transaction,
  author: Author,
  act: string,
  changes: readonly DayChanged[],
): Promise<void> {
  if (changes.length === 0) return;
  const rows = changes.map(({ day: { id, date, skipped, mergedInto, version }, content }) => ({
    id,
    albumId: author.albumId,
    date,
    skipped,
    mergedInto,
    version: version + 1,
    ...dayColumns(content),
    updatedAt: author.at,
    updatedBy: author.memberId,
  }));
  await tx
    .insert(day)
    .values(rows)
    .onConflictDoUpdate({
      target: day.id,
      set: excluded(day, dayColumns(EMPTY_DAY), "version", "updatedAt", "updatedBy"),
    });
  await tx.insert(dayChange).values(
    changes.map(({ day: { id, version, content }, fields }) => ({
      act,
      dayId: id,
      version: version + 1,
      memberId: author.memberId,
      at: author.at,
      fields,
      before: { content },
    })),
  );
}

/**
 * Applies one edit to a day. `base` is the version of the day that the keeper saw; when somebody has written the same
 * field since, nothing is saved and the clash is told. `base` null means: whatever it is now, write this.
 */
export async function saveDayEdit(
  db: Db,
  author: Author,
  dayId: string,
  base: number | null,
  edit: DayEdit,
): Promise<SaveResult> {
  try {
    return await db.transaction((tx) => saveIn(tx, author, dayId, base, edit));
  } catch (error) {
    if (error instanceof PieceElsewhere) return { ok: false, reason: "not-found" };
    throw error;
  }
}

async function saveIn(
  tx: Transaction,
  author: Author,
  dayId: string,
  base: number | null,
  sent: DayEdit,
): Promise<SaveResult> {
  const found = await lockDay(tx, author, dayId);
  if (!found) return { ok: false, reason: "not-found" };
  if (sent.kind === "add-photo" && !(await ownsPhoto(tx, author, sent.photo.photoId)))
    return { ok: false, reason: "not-found" };
  const { content, version } = found.day;
  const act = randomUUID();
  const planned = await tickOnLeaves(tx, author, act, found, sent);
  const { edit, room } = await intoRoom(tx, author, found.day, sent);
  // A phone that never heard the answer sends a jotting again, also when it was moved or put away meanwhile.
  if (edit.kind === "add-jotting" && (await isKnownJotting(tx, author, edit.jotting.id))) return { ok: true, version };
  if (planned === "ticked") return { ok: true, version };
  const applied = applyEdit(content, edit, found.binding, planned);
  if (base !== null && base < version) {
    const changes = await changesSince(tx, dayId, base);
    const fields = applied.ok ? applied.fields : [`card:${"id" in edit ? edit.id : ""}`];
    const change = clashingChange(changes, base, fields);
    const alreadyThere = applied.ok && isDeepStrictEqual(applied.content, content);
    if (change && !alreadyThere) return { ok: false, reason: "clash", clash: { change, current: content, version } };
  }
  if (!applied.ok) return applied;
  if (isDeepStrictEqual(applied.content, content)) return { ok: true, version };
  await writeContent(tx, dayId, content, applied.content, author.at);
  const saved = await logChange(tx, author, {
    act,
    day: found.day,
    content: applied.content,
    fields: applied.fields,
    before: { content },
  });
  if (room) await fillRooms(tx, author, act, [room]);
  return { ok: true, version: saved };
}

/** Whether the album has a jotting of this name, on whichever day or in the tray. */
async function isKnownJotting(tx: Transaction, { albumId }: Author, id: string): Promise<boolean> {
  const rows = await tx
    .select({ id: jotting.id })
    .from(jotting)
    .innerJoin(day, eq(day.id, jotting.dayId))
    .where(and(eq(jotting.id, id), eq(day.albumId, albumId)));
  return rows.length > 0;
}

async function ownsPhoto(tx: Transaction, author: Author, photoId: string): Promise<boolean> {
  const rows = await tx
    .select({ id: photo.id })
    .from(photo)
    .where(and(eq(photo.id, photoId), eq(photo.householdId, author.householdId)));
  return rows.length > 0;
}

export type MonthResult = { ok: true } | { ok: false; reason: SlotProblem | "not-found" };

/** Changes where days stand in the month: skip, merge, split, move. `change` is one of core's functions of the slots. */
export async function changeMonth(
  db: Db,
  author: Author,
  change: (slots: readonly Slot[], span: Span) => SlotChange,
): Promise<MonthResult> {
  return db.transaction(async (tx) => {
    const locked = await lockSlots(tx, author.householdId, author.albumId);
    if (!locked) return { ok: false, reason: "not-found" };
    const result = change(locked.slots, locked.span);
    if (!result.ok) return result;
    const act = randomUUID();
    const moved: string[] = [];
    for (const after of result.slots) {
      const was = locked.slots.find(({ id }) => id === after.id);
      if (!was || (was.date === after.date && was.skipped === after.skipped && was.mergedInto === after.mergedInto))
        continue;
      await writeSlot(tx, after.id, after);
      const { date, skipped, mergedInto } = was;
      await logChange(tx, author, { act, day: was, fields: ["slot"], before: { slot: { date, skipped, mergedInto } } });
      if (was.date !== after.date) moved.push(after.id);
    }
    await moveLeaves(tx, author, moved, act);
    return { ok: true };
  });
}

async function writeSlot(
  tx: Transaction,
  dayId: string,
  { date, skipped, mergedInto }: Omit<Slot, "id">,
): Promise<void> {
  await tx.update(day).set({ date, skipped, mergedInto }).where(eq(day.id, dayId));
}

export type UndoResult =
  | { ok: true; dayIds: string[] }
  | { ok: false; reason: "nothing-to-undo" | "changed-since" | "not-found" };

/**
 * Takes back the member's latest change in the album, to a day or to the book. Refused when somebody has written the same fields since: then
 * taking back would undo their work, not the member's.
 */
export async function undoLastChange(db: Db, author: Author): Promise<UndoResult> {
  try {
    return await db.transaction(async (tx) => {
      if (!(await lockSlots(tx, author.householdId, author.albumId))) return { ok: false, reason: "not-found" };
      const [latest] = await tx
        .select({ act: dayChange.act, at: dayChange.at })
        .from(dayChange)
        .innerJoin(day, eq(day.id, dayChange.dayId))
        .where(
          and(eq(day.albumId, author.albumId), eq(dayChange.memberId, author.memberId), eq(dayChange.settled, false)),
        )
        .orderBy(desc(dayChange.at), desc(dayChange.version))
        .limit(1);
      const changes = latest ? await tx.select().from(dayChange).where(eq(dayChange.act, latest.act)) : [];
      const moved = changes.filter(({ before }) => before.slot).map(({ dayId }) => dayId);
      const inBook = await latestBookChange(tx, author);
      // Leaves that went along with their days go back by the dates where somebody has changed the order since.
      let byDates = false;
      if (inBook && (!latest || inBook.at >= latest.at)) {
        const isOfDays = latest?.act === inBook.act;
        if (!(await undoBookChange(tx, author, inBook.id))) {
          if (!isOfDays || moved.length === 0) return { ok: false, reason: "changed-since" };
          await settleBookChange(tx, inBook.id);
          byDates = true;
        }
        await unkeepTryOuts(tx, author.albumId, inBook.at);
        // Days changed in the same act go back with the book.
        if (!isOfDays) return { ok: true, dayIds: [] };
      }
      if (!latest) return { ok: false, reason: "nothing-to-undo" };
      for (const change of changes) {
        const standing = await changesSince(tx, change.dayId, change.version, "standing");
        if (clashingChange(standing, change.version, change.fields)) return { ok: false, reason: "changed-since" };
      }
      const act = randomUUID();
      for (const change of changes) await takeBack(tx, author, act, change);
      if (byDates) await moveLeaves(tx, author, moved, null);
      await tx
        .update(dayChange)
        .set({ settled: true })
        .where(
          inArray(
            dayChange.id,
            changes.map(({ id }) => id),
          ),
        );
      return { ok: true, dayIds: changes.map(({ dayId }) => dayId) };
    });
  } catch (error) {
    // Something it needs was put elsewhere, or is gone from the tray for good.
    if (isTaken(error) || isForeign(error) || error instanceof PieceElsewhere)
      return { ok: false, reason: "changed-since" };
    throw error;
  }
}

async function takeBack(
  tx: Transaction,
  author: Author,
  act: string,
  change: typeof dayChange.$inferSelect,
): Promise<void> {
  const found = await lockDay(tx, author, change.dayId);
  if (!found) throw new Error("the album's own day is not there");
  const slot = "matter" in found.day ? null : found.day;
  if (change.before.slot) await writeSlot(tx, change.dayId, change.before.slot);
  const was = found.day.content;
  const content = change.before.content ? restoreFields(was, change.before.content, change.fields) : was;
  if (content !== was) await writeContent(tx, change.dayId, was, content, author.at);
  const before = {
    ...(slot && { slot: { date: slot.date, skipped: slot.skipped, mergedInto: slot.mergedInto } }),
    content: was,
  };
  await logChange(tx, author, { act, day: found.day, content, fields: change.fields, before, settled: true });
}
