import { and, desc, eq, inArray, isNotNull, isNull, type SQL, sql } from "drizzle-orm";
import { madeAs, type PrintState, standings } from "../core/album/print.ts";
import type { Did } from "../core/journal/did.ts";
import type { Length } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { isToCut, onLabPaper } from "../core/sheet/lab.ts";
import type { LabRecord } from "../core/sheet/printer.ts";
import type { OrderRecord } from "../core/sheet/record.ts";
import { lockAlbum } from "./album-lock.ts";
import type { Author } from "./author.ts";
import type { Db, Reader } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { lockPages, type Marked, nextNumber, unsayByPrints } from "./print-pages.ts";
import { knownPrinter, tellLabUsed } from "./printers.ts";
import { labOrder, print } from "./schema/index.ts";

/** The album's orders at the lab, the latest first. */
export async function readOrders(db: Reader, albumId: string): Promise<OrderRecord[]> {
  const rows = await db.select().from(labOrder).where(eq(labOrder.albumId, albumId)).orderBy(desc(labOrder.number));
  return rows.map(({ id, number, orderedOn, dueOn, arrivedAt, labId }) => ({
    id,
    number,
    orderedOn,
    dueOn,
    labId,
    arrived: arrivedAt !== null,
  }));
}

export type Ordered =
  | { ok: true; orderId: string; number: number }
  | { ok: false; reason: "not-found" | "changed-since" };

/**
 * Keeps an order that a lab has taken: its prints wait there until the day they are due. A print that none of the lab's papers
 * takes is not to be had there.
 */
export async function keepOrder(
  db: Db,
  author: Author,
  uses: readonly string[],
  dates: { readonly orderedOn: CalendarDate; readonly dueOn: CalendarDate },
  from: LabRecord,
): Promise<Ordered> {
  return journaled<Ordered>(db, author, { what: "order", how: "made", number: 0 }, async (tx, _line, say) => {
    const locked = await lockPages(tx, author);
    if (!locked) return { ok: false, reason: "not-found" };
    const labId = await knownPrinter(tx, author.householdId, from.id);
    if (labId !== from.id) return { ok: false, reason: "not-found" };
    const wanted = new Map(
      standings(locked.pages, locked.prints).flatMap(({ use, standing }) => {
        const on = standing.kind === "wanted" ? onLabPaper(use.print, from.lab) : null;
        return on ? [[use.id, { use, on }] as const] : [];
      }),
    );
    const chosen = uses.flatMap((id) => wanted.get(id) ?? []);
    if (uses.length === 0 || chosen.length < uses.length) return { ok: false, reason: "changed-since" };
    const number = await nextNumber(tx, labOrder, author.albumId);
    const [row] = await tx
      .insert(labOrder)
      .values({ albumId: author.albumId, number, labId, ...dates })
      .returning({ id: labOrder.id });
    if (!row) throw new Error("insert returned nothing");
    await tx.insert(print).values(
      chosen.map(({ use, on }, place) => ({
        ...{ albumId: author.albumId, orderId: row.id, place, useId: use.id },
        ...{ x: 0 as Length, y: 0 as Length, ...use.print, turned: false, spare: false },
        ...(isToCut(on) ? { paperW: on.paper.w, paperH: on.paper.h } : {}),
        madeAs: madeAs(use),
        state: "made" as const,
      })),
    );
    if (labId) await tellLabUsed(tx, author.householdId, labId, author.at);
    say({ what: "order", how: "made", number });
    return { ok: true, orderId: row.id, number };
  });
}

type Said = Extract<Did, { what: "order" }>["how"];

/** Says something of all prints of an order that stand in one of these states; `row` is what is written of the order itself. */
async function sayOfOrder(
  db: Db,
  author: Author,
  orderId: string,
  said: { readonly how: Said; readonly from: readonly PrintState[]; readonly to: SQL; readonly where?: SQL },
  row: Partial<Pick<typeof labOrder.$inferInsert, "arrivedAt">> | null,
): Promise<Marked> {
  const { how, from, to, where } = said;
  return journaled<Marked>(db, author, { what: "order", how, number: 0 }, async (tx, line, say) => {
    const before = await lockPages(tx, author);
    if (!before) return { ok: false, reason: "not-found" };
    const own = and(eq(labOrder.id, orderId), eq(labOrder.albumId, author.albumId));
    const [found] = await tx.select({ number: labOrder.number }).from(labOrder).where(own);
    if (!found) return { ok: false, reason: "not-found" };
    if (row) await tx.update(labOrder).set(row).where(own);
    say({ what: "order", how, number: found.number });
    const moved = await tx
      .update(print)
      .set({ state: to })
      .where(and(eq(print.orderId, orderId), inArray(print.state, [...from]), where))
      .returning({ use: print.useId });
    await unsayByPrints(tx, author, line, new Set(moved.flatMap(({ use }) => use ?? [])), before);
    return { ok: true };
  });
}

/** Says that an order has come: its prints are printed, and cut by the lab but for those on larger paper. Or takes that back. */
export const markArrived = (db: Db, author: Author, orderId: string, on: boolean): Promise<Marked> =>
  sayOfOrder(
    db,
    author,
    orderId,
    on
      ? {
          ...{ how: "arrived", from: ["made"] },
          to: sql`case when ${print.paperW} is null then 'trimmed' else 'printed' end`,
        }
      : { how: "not-arrived", from: ["trimmed", "printed"], to: sql`'made'` },
    { arrivedAt: on ? author.at : null },
  );

/** Says of an order that has come that its prints on larger paper are cut out of it. Or takes that back. */
export const markCutOut = (db: Db, author: Author, orderId: string, on: boolean): Promise<Marked> =>
  sayOfOrder(
    db,
    author,
    orderId,
    {
      how: on ? "cut-out" : "not-cut-out",
      from: [on ? "printed" : "trimmed"],
      to: on ? sql`'trimmed'` : sql`'printed'`,
      where: isNotNull(print.paperW),
    },
    null,
  );

/** Takes an order back that has not come; its prints are wanted again. */
export async function dropOrder(db: Db, author: Author, orderId: string): Promise<Marked> {
  return journaled<Marked>(db, author, { what: "order", how: "dropped", number: 0 }, async (tx, _line, say) => {
    if (!(await lockAlbum(tx, author.householdId, author.albumId))) return { ok: false, reason: "not-found" };
    const rows = await tx
      .delete(labOrder)
      .where(and(eq(labOrder.id, orderId), eq(labOrder.albumId, author.albumId), isNull(labOrder.arrivedAt)))
      .returning({ number: labOrder.number });
    const [row] = rows;
    if (row) say({ what: "order", how: "dropped", number: row.number });
    return row ? { ok: true } : { ok: false, reason: "not-found" };
  });
}
