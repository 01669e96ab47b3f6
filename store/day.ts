import { isDeepStrictEqual } from "node:util";
import { and, eq, gt, inArray, isNull, sql } from "drizzle-orm";
import { hasWords } from "../core/album/card-words.ts";
import {
  applyEdit,
  clashingChange,
  type DayEdit,
  type EditProblem,
  type Field,
  type SavedChange,
} from "../core/album/edit.ts";
import { type Day, type DayContent, EMPTY_DAY } from "../core/album/model.ts";
import type { Did } from "../core/journal/did.ts";
import type { Slot, SlotChange, SlotProblem } from "../core/month/slots.ts";
import type { Span } from "../core/month/span.ts";
import { lockSlots } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { fillRooms } from "./book.ts";
import { intoRoom, tickOnLeaves } from "./day-leaves.ts";
import { lockDay } from "./day-lock.ts";
import { dayColumns, pieceRows } from "./day-row.ts";
import { type Db, excluded, type Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { moveLeaves } from "./leaf-place.ts";
import { factsOfPhotos } from "./photo.ts";
import { card, day, dayPhoto, daySave, jotting, member, photo } from "./schema/index.ts";
import { keepChangedWordings } from "./wordings.ts";

/** What stands in the way of a save: who wrote what since, and the day as it is now. */
export type Clash = { readonly change: SavedChange; readonly current: DayContent; readonly version: number };
export type SaveResult =
  | { ok: true; version: number }
  | { ok: false; reason: EditProblem | "not-found" }
  | { ok: false; reason: "clash"; clash: Clash };

/** Saves of a day after version `base`. */
async function changesSince(tx: Transaction, dayId: string, base: number): Promise<SavedChange[]> {
  const rows = await tx
    .select({ version: daySave.version, fields: daySave.fields, by: member.name, at: daySave.at })
    .from(daySave)
    .leftJoin(member, eq(member.id, daySave.memberId))
    .where(and(eq(daySave.dayId, dayId), gt(daySave.version, base)));
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
 * columns are written by `saveDay`. Throws `PieceElsewhere` where a piece could not be written.
 */
export async function writeContent(
  tx: Transaction,
  author: Author,
  dayId: string,
  before: DayContent,
  content: DayContent,
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
      await tx.update(table).set({ deletedAt: author.at }).where(those);
    }
    for (const row of changedRows<{ id: string }>(old, now)) {
      const { id: _, ...columns } = row;
      const said = table === card ? wroteCard(row.id, before, content, author) : {};
      // Who wrote a jotting is said once, when it comes: moved or corrected it is still theirs.
      const first = table === jotting ? { writtenBy: author.memberId } : said;
      const written = await tx
        .insert(table)
        .values({ ...row, ...first } as never)
        .onConflictDoUpdate({
          target: table.id,
          set: { ...columns, ...said, deletedAt: null } as never,
          setWhere: mine,
        })
        .returning({ id: table.id });
      if (written.length === 0) throw new PieceElsewhere();
    }
  }
  await keepChangedWordings(tx, author, before.cards, content.cards);
}

/** Who wrote a card's words: whoever gave it the first, as long as it has any. Corrected by another they are still theirs. */
function wroteCard(
  id: string,
  before: DayContent,
  now: DayContent,
  { memberId }: Author,
): { readonly writtenBy?: string | null } {
  const had = ({ cards }: DayContent): boolean => {
    const of = cards.find((each) => each.id === id);
    return of !== undefined && hasWords(of);
  };
  if (had(before) === had(now)) return {};
  return { writtenBy: had(now) ? memberId : null };
}

type Saved = {
  readonly day: { readonly id: string; readonly version: number };
  /** What the day holds now; left out where only its place in the month changed. */
  readonly content?: DayContent;
  readonly fields: readonly Field[];
};

/** Writes the day's own columns, gives it its next version, and says what the save wrote, as part of a line of the journal. */
export async function saveDay(
  tx: Transaction,
  author: Author,
  line: string,
  { day: changed, content, fields }: Saved,
): Promise<number> {
  const version = changed.version + 1;
  await tx
    .update(day)
    .set({ ...(content ? dayColumns(content) : {}), version, updatedAt: author.at, updatedBy: author.memberId })
    .where(eq(day.id, changed.id));
  await tx.insert(daySave).values({
    dayId: changed.id,
    version,
    memberId: author.memberId,
    at: author.at,
    fields: [...fields],
    lineId: line,
  });
  return version;
}

/** What an act makes of one of several days, where only the day's own columns change and none of its pieces. */
export type DayChanged = { readonly day: Day; readonly content: DayContent; readonly fields: Field[] };

/** Writes several days' own columns as part of a line, in as many statements for sixty days as for one. */
export async function saveDays(
  tx: Transaction,
  author: Author,
  line: string,
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
  await tx.insert(daySave).values(
    changes.map(({ day: { id, version }, fields }) => ({
      dayId: id,
      version: version + 1,
      memberId: author.memberId,
      at: author.at,
      fields,
      lineId: line,
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
    return await journaled(db, author, didOf(dayId, edit), (tx, line) =>
      saveInLine(tx, author, line, dayId, base, edit),
    );
  } catch (error) {
    if (error instanceof PieceElsewhere) return { ok: false, reason: "not-found" };
    throw error;
  }
}

function didOf(day: string, edit: DayEdit): Did {
  switch (edit.kind) {
    case "step":
      return { what: "step", day, step: edit.step, done: edit.done };
    case "waive":
      return { what: "waive", day, part: edit.part, on: edit.on };
    default:
      return { what: "day", how: edit.kind, day };
  }
}

/** Saves one edit of a day as part of a line of the journal, which may have more of them. */
export async function saveInLine(
  tx: Transaction,
  author: Author,
  line: string,
  dayId: string,
  base: number | null,
  sent: DayEdit,
): Promise<SaveResult> {
  const found = await lockDay(tx, author, dayId);
  if (!found) return { ok: false, reason: "not-found" };
  const photoId =
    sent.kind === "add-photo" ? sent.photo.photoId : sent.kind === "card-preprint" ? sent.preprint?.photoId : null;
  if (photoId && !(await ownsPhoto(tx, author, photoId))) return { ok: false, reason: "not-found" };
  const known = await withPictures(tx, author, sent);
  if (!known) return { ok: false, reason: "not-found" };
  const { content, version } = found.day;
  const planned = await tickOnLeaves(tx, author, found, known);
  const { edit, room } = await intoRoom(tx, author, found.day, known);
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
  await writeContent(tx, author, dayId, content, applied.content);
  const saved = await saveDay(tx, author, line, {
    day: found.day,
    content: applied.content,
    fields: applied.fields,
  });
  if (room) await fillRooms(tx, author, [room]);
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

/** The edit with what is known of the pictures that it puts together; null where one of them is not the household's. */
async function withPictures(tx: Transaction, author: Author, edit: DayEdit): Promise<DayEdit | null> {
  if (edit.kind !== "photo-together") return edit;
  const known = await factsOfPhotos(
    tx,
    author.householdId,
    edit.pictures.map(({ photoId }) => photoId),
  );
  const pictures = edit.pictures.flatMap((each) => {
    const picture = known.get(each.photoId);
    return picture ? [{ ...each, picture }] : [];
  });
  return pictures.length < edit.pictures.length ? null : { ...edit, pictures };
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
  did: Extract<Did, { what: "month" | "told" }>,
  change: (slots: readonly Slot[], span: Span) => SlotChange,
): Promise<MonthResult> {
  return journaled<MonthResult>(db, author, did, async (tx, line) => {
    const locked = await lockSlots(tx, author.householdId, author.albumId);
    if (!locked) return { ok: false, reason: "not-found" };
    const result = change(locked.slots, locked.span);
    if (!result.ok) return result;
    const moved: string[] = [];
    for (const after of result.slots) {
      const was = locked.slots.find(({ id }) => id === after.id);
      if (!was || (was.date === after.date && was.skipped === after.skipped && was.mergedInto === after.mergedInto))
        continue;
      const { date, skipped, mergedInto } = after;
      await tx.update(day).set({ date, skipped, mergedInto }).where(eq(day.id, after.id));
      await saveDay(tx, author, line, { day: was, fields: ["slot"] });
      if (was.date !== after.date) moved.push(after.id);
    }
    await moveLeaves(tx, author, moved);
    return { ok: true };
  });
}
