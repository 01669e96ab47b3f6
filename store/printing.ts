import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { cardMadeAs, cardStandings } from "../core/album/card-printing.ts";
import { madeAs, PRINT_STATES, type Print, printedSize, standings } from "../core/album/print.ts";
import { readPrintOf, sameGrid, sameTile, type Tile, tileAt } from "../core/album/tiles.ts";
import type { Did } from "../core/journal/did.ts";
import type { Length } from "../core/measure/length.ts";
import { sizeOf } from "../core/measure/rect.ts";
import { type Size, sameSize } from "../core/measure/size.ts";
import type { GangedSheet } from "../core/sheet/gang.ts";
import type { SheetOf, SheetRecord } from "../core/sheet/record.ts";
import { type SheetTick, tickSheet } from "../core/sheet/sheet-ticks.ts";
import type { Author } from "./author.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { type Locked, lockPages, type Marked, nextNumber, unsayByPrints } from "./print-pages.ts";
import { knownPrinter } from "./printers.ts";
import { print, printSheet } from "./schema/index.ts";

const toSheet = (row: typeof printSheet.$inferSelect): SheetRecord => ({
  id: row.id,
  number: row.number,
  of: row.of,
  paper: { w: row.paperW, h: row.paperH },
  cuts: row.cuts,
  waste: row.waste,
  cutsDone: row.cutsDone,
  printedAt: row.printedAt?.toISOString() ?? null,
  printerId: row.printerId,
  borderless: row.borderless,
});

/** The album's sheets, the latest first. */
export async function readSheets(db: Reader, albumId: string): Promise<SheetRecord[]> {
  const rows = await db
    .select()
    .from(printSheet)
    .where(eq(printSheet.albumId, albumId))
    .orderBy(desc(printSheet.number));
  return rows.map(toSheet);
}

/** The printer that sheets are made for, and whether they are printed to the paper's edge. */
export type MadeOn = { readonly printer: string | null; readonly borderless: boolean };
export type Made = { ok: true; sheets: number[] } | { ok: false; reason: "not-found" | "changed-since" };

/** What may be printed, by its id: how large, whether it is waiting for it, and how it would be made. */
type Printable = {
  readonly size: Size;
  readonly wanted: boolean;
  /** Of one whose other parts are made already, the parts that are not. */
  readonly missing: readonly Tile[];
  readonly madeAs: string;
};

const printables = ({ pages, prints }: Locked, of: SheetOf): Map<string, Printable> =>
  of === "photos"
    ? new Map(
        standings(pages, prints).map(({ use, standing }) => [
          use.id,
          {
            size: use.print,
            wanted: standing.kind === "wanted",
            madeAs: madeAs(use),
            missing: standing.kind === "wanted" ? standing.missing : [],
          },
        ]),
      )
    : new Map(
        cardStandings(pages, prints).map(({ card, standing }) => [
          card.id,
          { size: card.size, wanted: standing.kind === "wanted", missing: [], madeAs: cardMadeAs(card) },
        ]),
      );

/** The size of what a sheet is to carry, whether it is still wanted, and its row; null when there is no such thing. */
function printableAs(all: ReadonlyMap<string, Printable>, word: string, of: SheetOf) {
  const read = readPrintOf(word);
  const found = read && all.get(read.id);
  if (!read || !found || (read.tile && of === "cards")) return null;
  const { id, tile } = read;
  const begun = tile !== null && found.missing.some((other) => sameGrid(other, tile));
  return {
    size: tile ? sizeOf(tileAt(found.size, tile)) : found.size,
    wanted: found.wanted && (!begun || found.missing.some((other) => sameTile(other, tile))),
    row: {
      ...(of === "photos" ? { useId: id } : { cardId: id }),
      madeAs: found.madeAs,
      state: "made" as const,
      tile: tile && { ...tile, whole: found.size },
    },
  };
}

/**
 * Keeps sheets that were ganged. Refused when one of their prints is no longer wanted at that size, because another window
 * printed it or changed it meanwhile: the same print is not made twice.
 */
export async function makeSheets(
  db: Db,
  author: Author,
  of: SheetOf,
  sheets: readonly GangedSheet[],
  on: MadeOn = { printer: null, borderless: false },
): Promise<Made> {
  const did: Did = { what: "sheets-made", of, sheets: sheets.length };
  return journaled<Made>(db, author, did, async (tx) => {
    const locked = await lockPages(tx, author);
    if (!locked) return { ok: false, reason: "not-found" };
    const all = printables(locked, of);
    const asked = sheets.flatMap(({ prints }) => prints);
    const first = asked.filter(({ spare }) => !spare).map(({ id }) => id);
    if (new Set(first).size < first.length) return { ok: false, reason: "changed-since" };
    for (const each of asked) {
      const found = printableAs(all, each.id, of);
      if (!found || !sameSize(found.size, printedSize(each))) return { ok: false, reason: "changed-since" };
      if (!each.spare && !found.wanted) return { ok: false, reason: "changed-since" };
    }
    const printerId = await knownPrinter(tx, author.householdId, on.printer);
    let number = await nextNumber(tx, printSheet, author.albumId);
    const made: number[] = [];
    for (const { paper, cuts, waste, prints } of sheets) {
      const [row] = await tx
        .insert(printSheet)
        .values({
          albumId: author.albumId,
          number,
          of,
          paperW: paper.w,
          paperH: paper.h,
          madeAt: author.at,
          cuts: [...cuts],
          waste: [...waste],
          printerId,
          borderless: on.borderless,
        })
        .returning({ id: printSheet.id });
      if (!row) throw new Error("insert returned nothing");
      await tx.insert(print).values(
        prints.map(({ id, at, turned, spare }, place) => {
          const found = printableAs(all, id, of);
          if (!found) throw new Error("looked up above");
          return { albumId: author.albumId, sheetId: row.id, place, ...at, turned, spare, ...found.row };
        }),
      );
      made.push(number);
      number += 1;
    }
    return { ok: true, sheets: made };
  });
}

type SheetAct = Extract<Did, { what: "sheet" }>["how"];

/**
 * Does something to each of these sheets and the prints on it, as one act, and ticks their pages' steps accordingly. One that
 * is not the album's refuses all.
 */
async function onSheets(
  db: Db,
  author: Author,
  sheetIds: readonly string[],
  said: (rows: readonly { readonly number: number }[]) => Did,
  work: (tx: Transaction, sheet: SheetRecord, prints: readonly Print[]) => Promise<Marked>,
): Promise<Marked> {
  return journaled<Marked>(db, author, said([]), async (tx, line, say) => {
    const before = await lockPages(tx, author);
    const ids = [...new Set(sheetIds)];
    const rows = await tx
      .select()
      .from(printSheet)
      .where(and(inArray(printSheet.id, ids), eq(printSheet.albumId, author.albumId)));
    if (!before || rows.length < ids.length) return { ok: false, reason: "not-found" };
    say(said(rows));
    const own = before.prints.filter(({ from }) => from.kind === "sheet" && ids.includes(from.id));
    for (const row of rows) {
      const done = await work(
        tx,
        toSheet(row),
        own.filter(({ from }) => from.kind === "sheet" && from.id === row.id),
      );
      if (!done.ok) return done;
    }
    await unsayByPrints(tx, author, line, new Set(own.map(({ of }) => of)), before);
    return { ok: true };
  });
}

const saidOf =
  (how: SheetAct) =>
  ([row]: readonly { readonly number: number }[]): Did => ({ what: "sheet", how, number: row?.number ?? 0 });

/** Writes what a tick makes of a sheet and the prints on it, as core says. */
const ticked =
  (author: Author, tick: SheetTick): Parameters<typeof onSheets>[4] =>
  async (tx, sheet, prints) => {
    const after = tickSheet(sheet, prints, tick, author.at.toISOString());
    if (!after) return { ok: false, reason: "not-found" };
    const { printedAt, cutsDone } = after.sheet;
    await tx
      .update(printSheet)
      .set({ cutsDone: [...cutsDone], printedAt: printedAt === null ? null : new Date(printedAt) })
      .where(eq(printSheet.id, sheet.id));
    for (const state of PRINT_STATES) {
      const now = after.prints.filter((each, at) => each.state === state && prints[at]?.state !== state);
      const ids = now.map(({ id }) => id);
      if (ids.length > 0) await tx.update(print).set({ state }).where(inArray(print.id, ids));
    }
    return { ok: true };
  };

/** Says that sheets came out of the printer, or that they did not after all: all of them, or none. */
export const markSheetsPrinted = (db: Db, author: Author, sheetIds: readonly string[], on: boolean): Promise<Marked> =>
  onSheets(
    db,
    author,
    sheetIds,
    (rows) =>
      rows.length > 1
        ? { what: "sheets-printed", on, sheets: rows.length }
        : saidOf(on ? "printed" : "not-printed")(rows),
    ticked(author, { how: "printed", on }),
  );

/** Ticks one cut of a sheet, or takes the tick away. */
export const tickCut = (db: Db, author: Author, sheetId: string, cut: number, on: boolean): Promise<Marked> =>
  onSheets(db, author, [sheetId], saidOf(on ? "cut" : "cut-open"), ticked(author, { how: "cut", cut, on }));

/** Ticks every cut of a sheet. */
export const tickAllCuts = (db: Db, author: Author, sheetId: string): Promise<Marked> =>
  onSheets(db, author, [sheetId], saidOf("all-cut"), ticked(author, { how: "all-cut" }));

/** Puts a sheet away that is not printed; its prints are wanted again. */
export const dropSheet = (db: Db, author: Author, sheetId: string): Promise<Marked> =>
  onSheets(db, author, [sheetId], saidOf("dropped"), async (tx, sheet) => {
    if (sheet.printedAt) return { ok: false, reason: "printed" };
    await tx.delete(printSheet).where(eq(printSheet.id, sheetId));
    return { ok: true };
  });

/** Says that one print is spoiled, so that its picture is wanted again; or that it is not, after all. */
export async function markSpoiled(db: Db, author: Author, printId: string, on: boolean): Promise<Marked> {
  const did: Did = { what: "print", how: on ? "spoiled" : "not-spoiled" };
  return journaled<Marked>(db, author, did, async (tx, line) => {
    const before = await lockPages(tx, author);
    const found = before?.prints.find(({ id }) => id === printId);
    if (!before || !found || found.state === "made") return { ok: false, reason: "not-found" };
    await tx
      .update(print)
      .set({ state: on ? "spoiled" : "printed" })
      .where(eq(print.id, printId));
    await unsayByPrints(tx, author, line, new Set([found.of]), before);
    return { ok: true };
  });
}

/** Says of pictures or cards that they are on paper by another way than our sheets, or takes that back. */
export async function markByHand(
  db: Db,
  author: Author,
  of: SheetOf,
  given: readonly string[],
  on: boolean,
): Promise<Marked> {
  const ids = [...new Set(given)];
  const did: Did = { what: "printed-elsewhere", of, on, prints: ids.length };
  return journaled<Marked>(db, author, did, async (tx, line) => {
    const before = await lockPages(tx, author);
    const all = before && printables(before, of);
    const rows = ids.flatMap((id) => {
      const found = all?.get(id);
      return found
        ? [
            {
              albumId: author.albumId,
              place: 0,
              x: 0 as Length,
              y: 0 as Length,
              ...found.size,
              ...(of === "photos" ? { useId: id } : { cardId: id }),
              turned: false,
              spare: false,
              madeAs: found.madeAs,
              state: "trimmed" as const,
            },
          ]
        : [];
    });
    if (!before || rows.length < ids.length) return { ok: false, reason: "not-found" };
    const whose = inArray(of === "photos" ? print.useId : print.cardId, ids);
    await tx.delete(print).where(and(whose, isNull(print.sheetId), isNull(print.orderId)));
    if (on) await tx.insert(print).values(rows);
    await unsayByPrints(tx, author, line, new Set(ids), before);
    return { ok: true };
  });
}
