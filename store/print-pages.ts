import { asc, eq, sql } from "drizzle-orm";
import { saidAfter } from "../core/album/made.ts";
import { type AnyPage, allPagesOf } from "../core/album/matter.ts";
import type { AlbumPlan } from "../core/album/model.ts";
import { type Print, printsByThing } from "../core/album/print.ts";
import { DAY_WITH_PIECES, planOf } from "./album.ts";
import { lockSlots } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { saveDay } from "./day.ts";
import { toDays, toMatters } from "./day-row.ts";
import type { Transaction } from "./db.ts";
import { toPrint } from "./print-row.ts";
import { album, day, type labOrder, print, type printSheet } from "./schema/index.ts";

/** An album locked for printing: its plan, its pages, and every print of it. */
export type Locked = { plan: AlbumPlan; pages: readonly AnyPage[]; prints: Print[] };

/** Locks the album as every writer does, and reads its pages and its prints. */
export async function lockPages(tx: Transaction, author: Author): Promise<Locked | null> {
  if (!(await lockSlots(tx, author.householdId, author.albumId))) return null;
  const [row] = await tx.select().from(album).where(eq(album.id, author.albumId));
  if (!row) return null;
  const rows = await tx.query.day.findMany({
    where: eq(day.albumId, author.albumId),
    orderBy: asc(day.date),
    with: DAY_WITH_PIECES,
  });
  const plan = planOf(row);
  const prints = await readPrints(tx, author.albumId);
  // Of its leaves nothing is asked: what prints tick is the days' own.
  const pages = allPagesOf({ album: plan, days: toDays(rows), matters: toMatters(rows), leaves: [], prints });
  return { plan, pages, prints };
}

async function readPrints(tx: Transaction, albumId: string): Promise<Print[]> {
  const rows = await tx.query.print.findMany({
    where: eq(print.albumId, albumId),
    orderBy: asc(print.place),
    with: { sheet: { columns: { number: true } }, order: { columns: { number: true, dueOn: true } } },
  });
  return rows.map(toPrint);
}

/**
 * After something was done to the prints of these uses or cards: what a keeper said by hand of their pages' steps, and what
 * the prints now make untrue, is no longer said. Only pages of which something was said are written, as part of the line.
 */
export async function unsayByPrints(
  tx: Transaction,
  author: Author,
  line: string,
  touched: ReadonlySet<string>,
  before: Locked,
): Promise<void> {
  const [was, is] = [printsByThing(before.prints), printsByThing(await readPrints(tx, author.albumId))];
  for (const { content: things, days } of before.pages) {
    const [lead] = days;
    if (!lead || ![...things.photos, ...things.cards].some(({ id }) => touched.has(id))) continue;
    const said = saidAfter(lead.content, things, was, is);
    if (!said) continue;
    const content = { ...lead.content, done: said.done, undone: said.undone };
    await saveDay(tx, author, line, { day: lead, content, fields: said.steps.map((step) => `step:${step}`) });
  }
}

/** The next number of an album's sheets, or of its orders. */
export const nextNumber = async (tx: Transaction, table: typeof printSheet | typeof labOrder, albumId: string) => {
  const [row] = await tx
    .select({ last: sql<number>`coalesce(max(${table.number}), 0)::int` })
    .from(table)
    .where(eq(table.albumId, albumId));
  return (row?.last ?? 0) + 1;
};

/** What came of something done to a sheet, a print or an order. */
export type Marked = { ok: true } | { ok: false; reason: "not-found" | "printed" };
