import { and, eq, isNull, lt } from "drizzle-orm";
import type { Db } from "./db.ts";
import { dropLooseBytes } from "./library/tray.ts";
import { album, household } from "./schema/index.ts";

/** For so many days it can be taken back that a household goes. */
export const GOING_DAYS = 7;

/**
 * Says that a household goes, with all it holds, and when. Until then everything is as it was, but nobody looks in from
 * outside. Said again, the first day stands. The demo's stays: it is everybody's.
 */
export async function sayGoing(db: Db, householdId: string, now: Date): Promise<Date | null> {
  const goesAt = new Date(now.getTime() + GOING_DAYS * 86_400_000);
  const staying = and(eq(household.id, householdId), isNull(household.goesAt), eq(household.isDemo, false));
  await db.update(household).set({ goesAt }).where(staying);
  const [row] = await db.select({ goesAt: household.goesAt }).from(household).where(eq(household.id, householdId));
  return row?.goesAt ?? null;
}

/** Takes back that a household goes. */
export async function sayStaying(db: Db, householdId: string): Promise<void> {
  await db.update(household).set({ goesAt: null }).where(eq(household.id, householdId));
}

/** Drops the households whose day has come, each whole or not at all; how many there were. */
export async function dropGone(db: Db, now: Date): Promise<number> {
  const due = lt(household.goesAt, now);
  let gone = 0;
  for (const { id } of await db.select({ id: household.id }).from(household).where(due)) {
    const isGone = await db.transaction(async (tx) => {
      // Taken back at the last moment, it stays.
      const [still] = await tx
        .select()
        .from(household)
        .where(and(eq(household.id, id), due))
        .for("update");
      if (!still) return false;
      // The albums first: their days hold on to the pictures.
      await tx.delete(album).where(eq(album.householdId, id));
      await tx.delete(household).where(eq(household.id, id));
      return true;
    });
    if (isGone) gone += 1;
  }
  if (gone > 0) await dropLooseBytes(db);
  return gone;
}
