import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { applyEdit } from "../core/album/edit.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Author } from "./author.ts";
import { logChange, type SaveResult, writeContent } from "./day.ts";
import { lockDay } from "./day-lock.ts";
import type { Db, Transaction } from "./db.ts";
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
  return db.transaction(async (tx) => {
    const both = await lockBoth(tx, author, dayId, to);
    if (!both.ok) return both;
    const { from, there } = both;
    const use = from.day.content.photos.find(({ id }) => id === useId);
    if (!use) return { ok: false, reason: "piece-gone" };
    const act = randomUUID();
    const added = applyEdit(
      there.day.content,
      { kind: "add-photo", photo: { ...use, id: randomUUID() } },
      there.binding,
    );
    if (!added.ok) return added;
    await writeContent(tx, there.day.id, there.day.content, added.content, author.at);
    await logChange(tx, author, {
      act,
      day: there.day,
      content: added.content,
      fields: added.fields,
      before: { content: there.day.content },
    });
    const removed = applyEdit(from.day.content, { kind: "remove-photo", id: useId }, from.binding);
    if (!removed.ok) return removed;
    await writeContent(tx, dayId, from.day.content, removed.content, author.at);
    return {
      ok: true,
      version: await logChange(tx, author, {
        act,
        day: from.day,
        content: removed.content,
        fields: removed.fields,
        before: { content: from.day.content },
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
  return db.transaction(async (tx) => {
    const both = await lockBoth(tx, author, dayId, to);
    if (!both.ok) return both;
    const { from, there } = both;
    const found = from.day.content.jottings.find((each) => each.id === id);
    if (!found) return { ok: false, reason: "piece-gone" };
    const act = randomUUID();
    const fields = [`jotting:${id}`];
    // The row itself changes days, so that its id stays known.
    await tx.update(jotting).set({ dayId: there.day.id }).where(eq(jotting.id, id));
    await logChange(tx, author, { act, day: there.day, fields, before: { content: there.day.content } });
    const version = await logChange(tx, author, { act, day: from.day, fields, before: { content: from.day.content } });
    return { ok: true, version };
  });
}
