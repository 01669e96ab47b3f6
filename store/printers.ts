import { and, desc, eq, isNotNull, isNull, type SQL } from "drizzle-orm";
import type { Unit } from "../core/measure/length.ts";
import { anyPrinter, type Choices, type Lab, type LabRecord, type PrinterRecord } from "../core/sheet/printer.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import { type Doer, journaled } from "./journal/line.ts";
import { household, printer } from "./schema/index.ts";

/** What of the household is of one kind: printers of its own, or labs. */
const ofKind = (householdId: string, kind: SQL) => and(eq(printer.householdId, householdId), kind);

const toRecord = (row: typeof printer.$inferSelect): PrinterRecord => {
  const { id, name, margin, across, along, bar, borderlessAcross, borderlessAlong, last } = row;
  return {
    ...{ id, name, margin, across, along, bar, last },
    borderless:
      borderlessAcross === null || borderlessAlong === null
        ? null
        : { across: borderlessAcross, along: borderlessAlong },
  };
};

/** The household's printers, the one that was used last first; none where none was ever kept. */
export async function readPrinters(db: Reader, householdId: string): Promise<PrinterRecord[]> {
  const rows = await db
    .select()
    .from(printer)
    .where(ofKind(householdId, isNull(printer.lab)))
    .orderBy(desc(printer.usedAt), printer.name);
  return rows.map(toRecord);
}

/** The labs that the household orders from, the one used last first. */
export async function readLabs(db: Reader, householdId: string): Promise<LabRecord[]> {
  const rows = await db
    .select()
    .from(printer)
    .where(ofKind(householdId, isNotNull(printer.lab)))
    .orderBy(desc(printer.usedAt), printer.name);
  return rows.flatMap((row) => (row.lab ? [{ ...toRecord(row), lab: row.lab }] : []));
}

const ofHousehold = (householdId: string, id: string) => and(eq(printer.householdId, householdId), eq(printer.id, id));

/** The printer's id where the household has it; else null. */
export async function knownPrinter(db: Reader, householdId: string, id: string | null): Promise<string | null> {
  if (id === null) return null;
  const [row] = await db.select({ id: printer.id }).from(printer).where(ofHousehold(householdId, id));
  return row?.id ?? null;
}

type Measures = Omit<PrinterRecord, "last"> & { readonly lab?: Lab | null };
const columnsOf = ({ name, margin, across, along, bar, borderless, lab = null }: Measures) => ({
  ...{ name, margin, across, along, bar, lab },
  borderlessAcross: borderless?.across ?? null,
  borderlessAlong: borderless?.along ?? null,
});

/** Keeps a printer's or a lab's name and measures: one that is known, or with a null id a new one. False where it is not the household's. */
export async function savePrinter(db: Db, doer: Doer, given: Measures): Promise<boolean> {
  return journaled(db, doer, { what: "printer" }, async (tx) => {
    const columns = columnsOf(given);
    if (given.id === null) {
      await tx.insert(printer).values({ householdId: doer.householdId, ...columns });
      return true;
    }
    const rows = await tx
      .update(printer)
      .set(columns)
      .where(and(ofHousehold(doer.householdId, given.id), given.lab ? isNotNull(printer.lab) : isNull(printer.lab)))
      .returning({ id: printer.id });
    return rows.length > 0;
  });
}

/** A printer or a lab that the household has no more; its sheets and orders stay. False where it is not the household's. */
export async function dropPrinter(db: Db, doer: Doer, id: string): Promise<boolean> {
  return journaled(db, doer, { what: "printer" }, async (tx) => {
    const rows = await tx.delete(printer).where(ofHousehold(doer.householdId, id)).returning({ id: printer.id });
    return rows.length > 0;
  });
}

/**
 * Remembers what was chosen on a printer, which is the one used last from then on. With a null id, which says that none is
 * kept yet, an ordinary printer is kept with them, once. It is no change of any album, and nothing to take back. False where
 * it is not the household's.
 */
export async function rememberChoices(
  db: Db,
  householdId: string,
  id: string | null,
  last: Choices,
  unit: Unit,
): Promise<boolean> {
  const used = { last, usedAt: new Date() };
  return db.transaction(async (tx) => {
    // Choices follow each other faster than the page hears of the printer that the first of them kept.
    await tx.select({ id: household.id }).from(household).where(eq(household.id, householdId)).for("update");
    const known = id ?? (await readPrinters(tx, householdId))[0]?.id ?? null;
    if (known === null) {
      await tx.insert(printer).values({ householdId, ...columnsOf(anyPrinter(unit)), ...used });
      return true;
    }
    const rows = await tx
      .update(printer)
      .set(used)
      .where(ofHousehold(householdId, known))
      .returning({ id: printer.id });
    return rows.length > 0;
  });
}

/** Says that a lab is the one that was ordered from last. */
export async function tellLabUsed(tx: Transaction, householdId: string, id: string, at: Date): Promise<void> {
  await tx.update(printer).set({ usedAt: at }).where(ofHousehold(householdId, id));
}
