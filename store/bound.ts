import { randomUUID } from "node:crypto";
import { and, asc, eq, inArray, isNotNull, sql } from "drizzle-orm";
import { countedAnew } from "../core/book/bound.ts";
import type { Transaction } from "./db.ts";
import { leafColumns, SIDES, sideRows, toLeaf } from "./leaf-row.ts";
import { leaf, side } from "./schema/index.ts";

/** Brings the leaves of an album to how many its bound book was counted to have; null: not counted, or not bound. */
export async function countLeaves(
  tx: Transaction,
  albumId: string,
  was: number | null,
  now: number | null,
): Promise<void> {
  if (was === now) return;
  const rows = await tx.query.leaf.findMany({
    where: and(eq(leaf.albumId, albumId), isNotNull(leaf.position)),
    orderBy: asc(leaf.position),
    with: { sides: SIDES },
  });
  const before = rows.map(toLeaf);
  const after = countedAnew(before, was, now, randomUUID);
  const old = new Map(before.map((each, position) => [each.id, { each, position }]));
  const kept = new Set(after.map(({ id }) => id));
  const gone = before.flatMap(({ id }) => (kept.has(id) ? [] : [id]));
  if (gone.length > 0) await tx.delete(leaf).where(inArray(leaf.id, gone));
  const changed = after.flatMap((each, position) => {
    const there = old.get(each.id);
    if (!there || (there.position === position && there.each.sewn === each.sewn && there.each.glued === each.glued))
      return [];
    return [sql`(${each.id}::uuid, ${position}::int, ${each.sewn}::boolean, ${each.glued}::boolean)`];
  });
  if (changed.length > 0)
    await tx.execute(
      sql`update leaf set position = now.position, sewn = now.sewn, glued = now.glued, version = leaf.version + 1 from (values ${sql.join(changed, sql`, `)}) as now (id, position, sewn, glued) where leaf.id = now.id`,
    );
  const added = after.flatMap((each, position) => (old.has(each.id) ? [] : [{ each, position }]));
  if (added.length === 0) return;
  await tx
    .insert(leaf)
    .values(added.map(({ each, position }) => ({ id: each.id, albumId, ...leafColumns(each), position })));
  await tx.insert(side).values(added.flatMap(({ each }) => sideRows(albumId, each)));
}
