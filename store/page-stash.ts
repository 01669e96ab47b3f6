import { and, asc, eq, sql } from "drizzle-orm";
import type { AlbumFormat } from "../core/album/model.ts";
import type { Template } from "../core/book/template.ts";
import type { Unit } from "../core/measure/length.ts";
import { touchAlbums } from "./book.ts";
import type { Db, Reader } from "./db.ts";
import type { OwnLayout } from "./layout-row.ts";
import { album, day, leaf, measuredFormat, pocketLayout, template } from "./schema/index.ts";

export async function saveLayout(
  db: Db,
  householdId: string,
  { name, page, margin, root }: Omit<OwnLayout, "id">,
): Promise<string> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .insert(pocketLayout)
      .values({ householdId, name, pageW: page.w, pageH: page.h, margin, root })
      .returning({ id: pocketLayout.id });
    if (!row) throw new Error("insert returned nothing");
    await touchAlbums(tx, householdId);
    return row.id;
  });
}

/** Deletes a layout that no page uses; one in use is kept, and told how often. */
export async function deleteLayout(
  db: Db,
  householdId: string,
  id: string,
): Promise<{ ok: true } | { ok: false; reason: "not-found" } | { ok: false; reason: "in-use"; pages: number }> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .select({ id: pocketLayout.id })
      .from(pocketLayout)
      .where(and(eq(pocketLayout.id, id), eq(pocketLayout.householdId, householdId)))
      .for("update");
    if (!row) return { ok: false, reason: "not-found" };
    const [used] = await tx
      .select({
        days: sql<number>`(select count(*)::int from ${day} d join ${album} a on a.id = d.album_id where a.household_id = ${householdId} and d.foundation->>'layout' = ${id})`,
        leaves: sql<number>`(select count(*)::int from ${leaf} l join ${album} a on a.id = l.album_id where a.household_id = ${householdId} and l.stock->>'layout' = ${id})`,
      })
      .from(sql`(select 1) as one`);
    const pages = (used?.days ?? 0) + (used?.leaves ?? 0);
    if (pages > 0) return { ok: false, reason: "in-use", pages };
    await tx.delete(pocketLayout).where(eq(pocketLayout.id, id));
    await touchAlbums(tx, householdId);
    return { ok: true };
  });
}

export async function readTemplates(db: Reader, householdId: string): Promise<Template[]> {
  const rows = await db
    .select()
    .from(template)
    .where(eq(template.householdId, householdId))
    .orderBy(asc(template.name));
  return rows.map(({ id, name, pageW, pageH, kind, layout, pieces }) => ({
    ...{ id, name, kind, layout, pieces },
    page: { w: pageW, h: pageH },
  }));
}

export async function saveTemplate(db: Db, householdId: string, made: Omit<Template, "id">): Promise<string> {
  const [row] = await db
    .insert(template)
    .values({
      householdId,
      name: made.name,
      pageW: made.page.w,
      pageH: made.page.h,
      kind: made.kind,
      layout: made.layout,
      pieces: [...made.pieces],
    })
    .returning({ id: template.id });
  if (!row) throw new Error("insert returned nothing");
  return row.id;
}

/** Pages made from a template have their own pieces: deleting it changes none of them. */
export async function deleteTemplate(db: Db, householdId: string, id: string): Promise<boolean> {
  const rows = await db
    .delete(template)
    .where(and(eq(template.id, id), eq(template.householdId, householdId)))
    .returning({ id: template.id });
  return rows.length > 0;
}

export type MeasuredFormat = { readonly id: string; readonly unit: Unit; readonly format: AlbumFormat };

export async function readFormats(db: Reader, householdId: string): Promise<MeasuredFormat[]> {
  const rows = await db.select().from(measuredFormat).where(eq(measuredFormat.householdId, householdId));
  return rows
    .map(({ id, unit, format }) => ({ id, unit, format }))
    .sort((a, b) => a.format.name.localeCompare(b.format.name));
}

/** Keeps a measured book under its name; one of the same name is measured anew. */
export async function keepFormat(db: Db, householdId: string, unit: Unit, format: AlbumFormat): Promise<void> {
  await db.transaction(async (tx) => {
    await tx
      .delete(measuredFormat)
      .where(and(eq(measuredFormat.householdId, householdId), sql`${measuredFormat.format}->>'name' = ${format.name}`));
    await tx.insert(measuredFormat).values({ householdId, unit, format });
  });
}

/** Albums keep their own measured copy, so none of them changes. */
export async function deleteFormat(db: Db, householdId: string, id: string): Promise<boolean> {
  const rows = await db
    .delete(measuredFormat)
    .where(and(eq(measuredFormat.id, id), eq(measuredFormat.householdId, householdId)))
    .returning({ id: measuredFormat.id });
  return rows.length > 0;
}
