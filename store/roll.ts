import { and, asc, eq, inArray, sql } from "drizzle-orm";
import type { RollMark, RollPhoto } from "../core/photo/roll.ts";
import { factsOf } from "./day-row.ts";
import type { Db, Reader } from "./db.ts";
import { photo } from "./schema/index.ts";

/** Every picture of the household, the earliest first; undated ones at the end. */
export async function readRoll(db: Reader, householdId: string): Promise<RollPhoto[]> {
  const rows = await db.query.photo.findMany({
    where: eq(photo.householdId, householdId),
    orderBy: [
      sql`coalesce(${photo.givenDate}::text, ${photo.capturedAt}) nulls last`,
      asc(photo.capturedAt),
      asc(photo.name),
    ],
    with: { trait: { columns: { focusX: true, focusY: true, fingerprint: true, sharpness: true } } },
  });
  return rows.map((row) => {
    const trait: typeof row.trait | null = row.trait;
    return {
      ...{ id: row.id, name: row.name, capturedAt: row.capturedAt, offset: row.offset, givenDate: row.givenDate },
      ...{ hasPlace: row.hasPlace, star: row.star, rejected: row.rejected, banked: row.banked },
      facts: factsOf(row),
      fingerprint: trait?.fingerprint ?? null,
      sharpness: trait?.sharpness ?? 0,
    };
  });
}

const markColumns = (mark: RollMark): Partial<typeof photo.$inferInsert> => {
  switch (mark.kind) {
    case "star":
      return { star: mark.on };
    case "rejected":
      return { rejected: mark.on };
    case "banked":
      return { banked: mark.on };
    case "date":
      return { givenDate: mark.date };
    case "look":
      return { look: mark.look };
  }
};

/** Says one thing of several of the household's pictures; returns how many there were of them. */
export async function markPhotos(db: Db, householdId: string, ids: readonly string[], mark: RollMark): Promise<number> {
  const rows = await db
    .update(photo)
    .set(markColumns(mark))
    .where(and(eq(photo.householdId, householdId), inArray(photo.id, [...ids])))
    .returning({ id: photo.id });
  return rows.length;
}

/** Which of these contents, by hash, the household has already. */
export async function knownPictures(db: Reader, householdId: string, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return [];
  const rows = await db
    .select({ sha256: photo.sha256 })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), inArray(photo.sha256, [...hashes])));
  return rows.map(({ sha256 }) => sha256);
}
