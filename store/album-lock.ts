import { and, asc, eq } from "drizzle-orm";
import type { MatterEntry } from "../core/album/model.ts";
import type { Slot } from "../core/month/slots.ts";
import type { Span } from "../core/month/span.ts";
import { ownAlbum } from "./album.ts";
import type { Transaction } from "./db.ts";
import { album, day } from "./schema/index.ts";

/** Locks every album of a household, in the one order in which several are ever locked; for what they all share. */
export async function lockAlbums(tx: Transaction, householdId: string): Promise<void> {
  await tx
    .select({ id: album.id })
    .from(album)
    .where(eq(album.householdId, householdId))
    .orderBy(asc(album.id))
    .for("no key update");
}

/** Locks one album of the household, in the tray or not, as every writer does first. */
export async function lockAlbum(tx: Transaction, householdId: string, albumId: string): Promise<boolean> {
  const rows = await tx
    .select({ id: album.id })
    .from(album)
    .where(and(eq(album.id, albumId), eq(album.householdId, householdId)))
    .for("no key update");
  return rows.length > 0;
}

/** Locks the album's entries against other changes to the month and returns where each day stands, and what else there is. */
export async function lockSlots(
  tx: Transaction,
  householdId: string,
  albumId: string,
): Promise<{
  span: Span;
  slots: (Slot & { version: number })[];
  matters: Pick<MatterEntry, "id" | "matter" | "date">[];
} | null> {
  const [row] = await tx
    .select({ start: album.startsOn, end: album.endsOn })
    .from(album)
    .where(ownAlbum(householdId, albumId))
    .for("update");
  if (!row) return null;
  const rows = await tx
    .select({
      id: day.id,
      date: day.date,
      skipped: day.skipped,
      mergedInto: day.mergedInto,
      version: day.version,
      matter: day.matter,
      ownDate: day.ownDate,
    })
    .from(day)
    .where(eq(day.albumId, albumId))
    .for("update");
  const slots = rows.flatMap(({ date, matter: _, ownDate: __, ...slot }) => (date ? [{ ...slot, date }] : []));
  const matters = rows.flatMap(({ id, matter, ownDate }) => (matter ? [{ id, matter, date: ownDate }] : []));
  return { span: row, slots, matters };
}
