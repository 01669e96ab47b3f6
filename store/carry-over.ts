import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { applyEdit } from "../core/album/edit.ts";
import type { Did } from "../core/journal/did.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Author } from "./author.ts";
import { type SaveResult, saveDay, writeContent } from "./day.ts";
import { lockDay } from "./day-lock.ts";
import type { Db, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { day, jotting } from "./schema/index.ts";

type Locked = NonNullable<Awaited<ReturnType<typeof lockDay>>>;

/** Locks a day and the day of another date, for something that is carried from one to the other. */
async function lockBoth(
  tx: Transaction,
  author: Author,
  dayId: string,
  to: CalendarDate,
): Promise<{ ok: true; from: Locked; there: Locked } | { ok: false; reason: "no-such-day" | "not-found" }> {
  const [target] = await tx
    .select({ id: day.id })
    .from(day)
    .where(and(eq(day.albumId, author.albumId), eq(day.date, to)));
  if (!target || target.id === dayId) return { ok: false, reason: "no-such-day" };
  const from = await lockDay(tx, author, dayId);
  const there = await lockDay(tx, author, target.id);
  return from && there ? { ok: true, from, there } : { ok: false, reason: "not-found" };
}

/**
 * Carries a photo over to the day of another date, as one act: it is added there and leaves here, or neither. Its alt
 * text and print size go with it.
 */
export async function movePhoto(
  db: Db,
  author: Author,
  dayId: string,
  useId: string,
  to: CalendarDate,
): Promise<SaveResult | { ok: false; reason: "no-such-day" }> {
  type Moved = SaveResult | { ok: false; reason: "no-such-day" };
  const did: Did = { what: "carry", piece: "photo", day: dayId, to };
  return journaled<Moved>(db, author, did, async (tx, line) => {
    const both = await lockBoth(tx, author, dayId, to);
    if (!both.ok) return both;
    const { from, there } = both;
    const use = from.day.content.photos.find(({ id }) => id === useId);
    if (!use) return { ok: false, reason: "piece-gone" };
    const added = applyEdit(
      there.day.content,
      { kind: "add-photo", photo: { ...use, id: randomUUID() } },
      there.binding,
    );
    if (!added.ok) return added;
    await writeContent(tx, author, there.day.id, there.day.content, added.content);
    await saveDay(tx, author, line, {
      day: there.day,
      content: added.content,
      fields: added.fields,
    });
    const removed = applyEdit(from.day.content, { kind: "remove-photo", id: useId }, from.binding);
    if (!removed.ok) return removed;
    await writeContent(tx, author, dayId, from.day.content, removed.content);
    return {
      ok: true,
      version: await saveDay(tx, author, line, {
        day: from.day,
        content: removed.content,
        fields: removed.fields,
      }),
    };
  });
}

/** Carries a jotting over to the day of another date, as one act: it is there and no longer here, or nothing happened. */
export async function moveJotting(
  db: Db,
  author: Author,
  dayId: string,
  id: string,
  to: CalendarDate,
): Promise<SaveResult | { ok: false; reason: "no-such-day" }> {
  type Moved = SaveResult | { ok: false; reason: "no-such-day" };
  const did: Did = { what: "carry", piece: "jotting", day: dayId, to };
  return journaled<Moved>(db, author, did, async (tx, line) => {
    const both = await lockBoth(tx, author, dayId, to);
    if (!both.ok) return both;
    const { from, there } = both;
    const found = from.day.content.jottings.find((each) => each.id === id);
    if (!found) return { ok: false, reason: "piece-gone" };
    const fields = [`jotting:${id}`];
    // The row itself changes days, so that its id stays known.
    await tx.update(jotting).set({ dayId: there.day.id }).where(eq(jotting.id, id));
    await saveDay(tx, author, line, { day: there.day, fields });
    const version = await saveDay(tx, author, line, { day: from.day, fields });
    return { ok: true, version };
  });
}
