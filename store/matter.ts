import { eq, sql } from "drizzle-orm";
import type { Matter } from "../core/album/model.ts";
import type { SentMatter } from "../core/book/edit-schema.ts";
import type { Did } from "../core/journal/did.ts";
import { LIMITS } from "../core/limits.ts";
import { parseDate } from "../core/month/dates.ts";
import { lockSlots } from "./album-lock.ts";
import type { Author } from "./author.ts";
import type { Db, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { day, leaf, side, sideGuest } from "./schema/index.ts";

export type MatterSaved = { ok: true } | { ok: false; reason: "not-found" | "matter-not-empty" | "book-full" };

/**
 * Adds a page to the front or back matter, gives it a date, or takes one away that nothing was put on. Sent twice, it is
 * done once.
 */
export async function changeMatter(db: Db, author: Author, sent: SentMatter): Promise<MatterSaved> {
  const { albumId, memberId, at } = author;
  const did = (matter: Matter): Did => ({ what: "matter", how: sent.how, matter });
  return journaled<MatterSaved>(db, author, did("opening-note"), async (tx, _line, say) => {
    const locked = await lockSlots(tx, author.householdId, albumId);
    if (!locked) return { ok: false, reason: "not-found" };
    const found = locked.matters.find(({ id }) => id === sent.id);
    const known = found !== undefined;
    say(did(sent.how === "add" ? sent.matter : (found?.matter ?? "opening-note")));
    const by = { updatedAt: at, updatedBy: memberId };
    switch (sent.how) {
      case "add": {
        if (known) return { ok: true };
        if (locked.matters.length >= LIMITS.matters.most) return { ok: false, reason: "book-full" };
        const rows = await tx
          .insert(day)
          .values({ id: sent.id, albumId, date: null, matter: sent.matter, numeralStyle: "none", ...by })
          .onConflictDoNothing({ target: day.id })
          .returning({ id: day.id });
        return rows.length > 0 ? { ok: true } : { ok: false, reason: "not-found" };
      }
      case "date": {
        if (!known) return { ok: false, reason: "not-found" };
        const date = sent.date === null ? null : parseDate(sent.date);
        await tx
          .update(day)
          .set({ ownDate: date, ...by })
          .where(eq(day.id, sent.id));
        return { ok: true };
      }
      case "month": {
        if (found?.matter !== "month-calendar") return { ok: false, reason: "not-found" };
        await tx
          .update(day)
          .set({ monthPage: sent.month, ...by })
          .where(eq(day.id, sent.id));
        return { ok: true };
      }
      case "remove": {
        if (!known) return { ok: false, reason: "not-found" };
        if (!(await isBare(tx, sent.id))) return { ok: false, reason: "matter-not-empty" };
        await tx.update(side).set({ dayId: null }).where(eq(side.dayId, sent.id));
        await tx.delete(day).where(eq(day.id, sent.id));
        await tx.execute(sql`update album set revision = revision where id = ${albumId}`);
        return { ok: true };
      }
    }
  });
}

/** Whether nothing was put on a page of the front or back matter: no piece, no side of a leaf in the book, no word. */
export async function isBare(tx: Transaction, id: string): Promise<boolean> {
  const held = sql`(select count(*) from (
    select id from card where day_id = ${id} and deleted_at is null
    union all select id from day_photo where day_id = ${id} and deleted_at is null
    union all select id from jotting where day_id = ${id} and deleted_at is null
    union all select s.leaf_id from ${side} s join ${leaf} l on l.id = s.leaf_id where s.day_id = ${id} and l.position is not null
    union all select g.leaf_id from ${sideGuest} g join ${leaf} l on l.id = g.leaf_id where g.day_id = ${id} and l.position is not null
  ) held)::int`;
  const [row] = await tx
    .select({ held: sql<number>`${held}`, title: day.title, note: day.note })
    .from(day)
    .where(eq(day.id, id));
  return row !== undefined && row.held === 0 && row.title === "" && row.note === "";
}
