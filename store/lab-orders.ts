import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { madeAs, type PrintState, standings } from "../core/album/print.ts";
import type { Length } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { OrderRecord } from "../core/sheet/record.ts";
import { lockAlbum } from "./album.ts";
import type { Author } from "./author.ts";
import type { Db, Reader } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { lockPages, type Marked, nextNumber, unsayByPrints } from "./print-pages.ts";
import { labOrder, print } from "./schema/index.ts";

/** The album's orders at the lab, the latest first. */
export async function readOrders(db: Reader, albumId: string): Promise<OrderRecord[]> {
  const rows = await db.select().from(labOrder).where(eq(labOrder.albumId, albumId)).orderBy(desc(labOrder.number));
  return rows.map(({ id, number, orderedOn, dueOn, arrivedAt }) => ({
    id,
    number,
    orderedOn,
    dueOn,
    arrived: arrivedAt !== null,
  }));
}

export type Ordered =
  | { ok: true; orderId: string; number: number }
  | { ok: false; reason: "not-found" | "changed-since" };

/** Keeps an order that the lab has taken: its prints wait there until the day they are due. */
export async function keepOrder(
  db: Db,
  author: Author,
  uses: readonly string[],
  dates: { readonly orderedOn: CalendarDate; readonly dueOn: CalendarDate },
): Promise<Ordered> {
  return journaled<Ordered>(db, author, { what: "order", how: "made", number: 0 }, async (tx, _line, say) => {
    const locked = await lockPages(tx, author);
    if (!locked) return { ok: false, reason: "not-found" };
    const wanted = new Map(
      standings(locked.pages, locked.prints)
        // What is printed on a picture is made here: a lab gets pictures.
        .filter(({ use, standing }) => standing.kind === "wanted" && use.onIt.length === 0 && use.repeat === null)
        .map(({ use }) => [use.id, use]),
    );
    if (uses.length === 0 || !uses.every((id) => wanted.has(id))) return { ok: false, reason: "changed-since" };
    const number = await nextNumber(tx, labOrder, author.albumId);
    const [row] = await tx
      .insert(labOrder)
      .values({ albumId: author.albumId, number, ...dates })
      .returning({ id: labOrder.id });
    if (!row) throw new Error("insert returned nothing");
    await tx.insert(print).values(
      uses.flatMap((id, place) => {
        const use = wanted.get(id);
        return use
          ? [
              {
                albumId: author.albumId,
                orderId: row.id,
                place,
                useId: id,
                x: 0 as Length,
                y: 0 as Length,
                ...use.print,
                turned: false,
                spare: false,
                madeAs: madeAs(use),
                state: "made" as const,
              },
            ]
          : [];
      }),
    );
    say({ what: "order", how: "made", number });
    return { ok: true, orderId: row.id, number };
  });
}

/** Says that an order has come: its prints are printed, and cut by the lab. Or takes that back. */
export async function markArrived(db: Db, author: Author, orderId: string, on: boolean): Promise<Marked> {
  const how = on ? "arrived" : "not-arrived";
  return journaled<Marked>(db, author, { what: "order", how, number: 0 }, async (tx, line, say) => {
    const before = await lockPages(tx, author);
    if (!before) return { ok: false, reason: "not-found" };
    const [row] = await tx
      .update(labOrder)
      .set({ arrivedAt: on ? author.at : null })
      .where(and(eq(labOrder.id, orderId), eq(labOrder.albumId, author.albumId)))
      .returning({ number: labOrder.number });
    if (!row) return { ok: false, reason: "not-found" };
    say({ what: "order", how, number: row.number });
    const [from, to]: [PrintState[], PrintState] = on ? [["made"], "trimmed"] : [["trimmed", "printed"], "made"];
    const moved = await tx
      .update(print)
      .set({ state: to })
      .where(and(eq(print.orderId, orderId), inArray(print.state, from)))
      .returning({ use: print.useId });
    await unsayByPrints(tx, author, line, new Set(moved.flatMap(({ use }) => use ?? [])), before);
    return { ok: true };
  });
}

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
