import { randomUUID } from "node:crypto";
import type { AlbumPlan, DayContent } from "../core/album/model.ts";
import type { Slot } from "../core/month/slots.ts";
import { planColumns } from "./album.ts";
import { dayColumns, pieceRows } from "./day-row.ts";
import type { Db } from "./db.ts";
import { album, card, day, dayInsert, dayPhoto } from "./schema/index.ts";

export type ImportedDay = Slot & { readonly content: DayContent };

/**
 * Writes a whole album that was read from elsewhere, under ids of its own, in one transaction: it is there complete or
 * not at all. `content.photos` name photos already in the household's roll.
 */
export async function importAlbum(
  db: Db,
  householdId: string,
  archiveId: string,
  plan: AlbumPlan,
  days: readonly ImportedDay[],
): Promise<string> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .insert(album)
      .values({ householdId, archiveId, ...planColumns(plan) })
      .returning({ id: album.id });
    if (!row) throw new Error("insert returned nothing");
    const newIds = new Map(days.map(({ id }) => [id, randomUUID() as string]));
    const renamed = <T extends { id: string }>(pieces: readonly T[]): T[] =>
      pieces.map((piece) => ({ ...piece, id: randomUUID() }));
    if (days.length > 0) {
      await tx.insert(day).values(
        days.map(({ id, date, skipped, mergedInto, content }) => ({
          id: newIds.get(id),
          albumId: row.id,
          date,
          skipped,
          mergedInto: mergedInto === null ? null : (newIds.get(mergedInto) ?? null),
          ...dayColumns(content),
        })),
      );
    }
    const rows = days.map(({ id, content }) =>
      pieceRows(newIds.get(id) ?? id, {
        ...content,
        cards: renamed(content.cards),
        inserts: renamed(content.inserts),
        photos: renamed(content.photos),
      }),
    );
    const [cards, inserts, photos] = [
      rows.flatMap((each) => each.cards),
      rows.flatMap((each) => each.inserts),
      rows.flatMap((each) => each.photos),
    ];
    if (cards.length > 0) await tx.insert(card).values(cards);
    if (inserts.length > 0) await tx.insert(dayInsert).values(inserts);
    if (photos.length > 0) await tx.insert(dayPhoto).values(photos);
    return row.id;
  });
}
