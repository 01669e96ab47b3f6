import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { likeOf } from "../../core/album/made-of.ts";
import type { AlbumFormat } from "../../core/album/model.ts";
import type { Template } from "../../core/book/template.ts";
import { LIMITS } from "../../core/limits.ts";
import type { Unit } from "../../core/measure/length.ts";
import { lockAlbums } from "../album-lock.ts";
import { touchAlbums } from "../book.ts";
import type { Db, Reader } from "../db.ts";
import { lockHousehold } from "../household.ts";
import { measuredFormat, pocketLayout, template } from "../schema/index.ts";
import type { OwnLayout } from "./layout-row.ts";

/** Keeps a pocket layout; null where the household has as many as it may. */
export async function saveLayout(
  db: Db,
  householdId: string,
  { name, page, margin, root }: Omit<OwnLayout, "id">,
): Promise<string | null> {
  return db.transaction(async (tx) => {
    await lockAlbums(tx, householdId);
    const own = and(eq(pocketLayout.householdId, householdId), isNull(pocketLayout.deletedAt));
    if ((await tx.$count(pocketLayout, own)) >= LIMITS.ownLayouts.most) return null;
    const [row] = await tx
      .insert(pocketLayout)
      .values({ householdId, name, pageW: page.w, pageH: page.h, margin, root })
      .returning({ id: pocketLayout.id });
    if (!row) throw new Error("insert returned nothing");
    await touchAlbums(tx, householdId);
    return row.id;
  });
}

export async function readTemplates(db: Reader, householdId: string): Promise<Template[]> {
  const rows = await db
    .select()
    .from(template)
    .where(and(eq(template.householdId, householdId), isNull(template.deletedAt)))
    .orderBy(asc(template.name));
  return rows.map(({ id, name, pageW, pageH, kind, layout, pieces }) => ({
    id,
    name,
    kind,
    layout,
    pieces,
    page: { w: pageW, h: pageH },
  }));
}

export async function saveTemplate(db: Reader, householdId: string, made: Omit<Template, "id">): Promise<string> {
  const [row] = await db
    .insert(template)
    .values({
      householdId,
      name: made.name,
      pageW: made.page.w,
      pageH: made.page.h,
      kind: made.kind,
      layout: made.layout,
      pieces: made.pieces.map((piece) => (piece.of ? { ...piece, of: likeOf(piece.of) } : piece)),
    })
    .returning({ id: template.id });
  if (!row) throw new Error("insert returned nothing");
  return row.id;
}

export type MeasuredFormat = { readonly id: string; readonly unit: Unit; readonly format: AlbumFormat };

export async function readFormats(db: Reader, householdId: string): Promise<MeasuredFormat[]> {
  const rows = await db
    .select()
    .from(measuredFormat)
    .where(and(eq(measuredFormat.householdId, householdId), isNull(measuredFormat.deletedAt)));
  return (
    rows
      // A book measured before bare leaves had a measure of their own has them as large as its whole leaf.
      .map(({ id, unit, format }) => ({
        ...{ id, unit },
        format: { ...format, bare: format.bare ?? format.outer, leaves: format.leaves ?? null },
      }))
      .sort((a, b) => a.format.name.localeCompare(b.format.name))
  );
}

/** Keeps a measured book under its name; one of the same name is measured anew. */
export async function keepFormat(db: Db, householdId: string, unit: Unit, format: AlbumFormat): Promise<void> {
  await db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    await tx
      .delete(measuredFormat)
      .where(
        and(
          ...[eq(measuredFormat.householdId, householdId), isNull(measuredFormat.deletedAt)],
          sql`${measuredFormat.format}->>'name' = ${format.name}`,
        ),
      );
    await tx.insert(measuredFormat).values({ householdId, unit, format });
  });
}
