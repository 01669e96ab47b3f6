import { asc, eq, sql } from "drizzle-orm";
import { applyEdit } from "../core/album/edit.ts";
import { type AnyPage, allPagesOf } from "../core/album/matter.ts";
import type { AlbumPlan, Step } from "../core/album/model.ts";
import { letteredBy } from "../core/sheet/card-printing.ts";
import { type Print, stepsOfPrints } from "../core/sheet/printing.ts";
import { DAY_WITH_PIECES, lockSlots, planOf } from "./album.ts";
import type { Author } from "./author.ts";
import { saveDay, writeContent } from "./day.ts";
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
  // Of its leaves nothing is asked: what prints tick is the days' own.
  const pages = allPagesOf({ album: plan, days: toDays(rows), matters: toMatters(rows), leaves: [] });
  return { plan, pages, prints: await readPrints(tx, author.albumId) };
}

async function readPrints(tx: Transaction, albumId: string): Promise<Print[]> {
  const rows = await tx.query.print.findMany({
    where: eq(print.albumId, albumId),
    orderBy: asc(print.place),
    with: { sheet: { columns: { number: true } }, order: { columns: { number: true, dueOn: true } } },
  });
  return rows.map(toPrint);
}

/** Whether a page counts as lettered where its prints do not tell: a tick by hand stays, one that earlier prints made goes. */
const letteredStill = (page: AnyPage, before: readonly Print[]): boolean =>
  letteredBy(page, before) !== true && page.content.done.includes("letter");

/**
 * Ticks or unticks "print" and "trim", or "letter", on the pages of these uses or cards, as their prints say. Only pages
 * whose answer changed are written, as part of the line that the prints are.
 */
export async function followPrints(
  tx: Transaction,
  author: Author,
  line: string,
  uses: ReadonlySet<string>,
  before: Locked,
): Promise<void> {
  const prints = await readPrints(tx, author.albumId);
  for (const page of before.pages) {
    const pictures = page.content.photos.some(({ id }) => uses.has(id));
    const cards = page.content.cards.some(({ id }) => uses.has(id));
    if (!pictures && !cards) continue;
    const [lead] = page.days;
    if (!lead) continue;
    const is: Partial<Record<Step, boolean>> = {
      ...(pictures ? stepsOfPrints(page, prints) : {}),
      ...(cards ? { letter: letteredBy(page, prints) ?? letteredStill(page, before.prints) } : {}),
    };
    let content = lead.content;
    const fields: string[] = [];
    for (const step of ["print", "trim", "letter"] as const) {
      const done = is[step];
      if (done === undefined || content.done.includes(step) === done) continue;
      const applied = applyEdit(content, { kind: "step", step, done }, before.plan.format.binding);
      if (!applied.ok) continue;
      content = applied.content;
      fields.push(...applied.fields);
    }
    if (fields.length === 0) continue;
    await writeContent(tx, author, lead.id, lead.content, content);
    await saveDay(tx, author, line, {
      day: lead,
      content,
      fields,
    });
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
