import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { applyEdit } from "../core/album/edit.ts";
import type { Face } from "../core/album/leaf.ts";
import type { Did } from "../core/journal/did.ts";
import type { Size } from "../core/measure/size.ts";
import { AS_IT_COMES } from "../core/photo/crop.ts";
import type { PhotoRule } from "../core/photo/propose.ts";
import type { Author } from "./author.ts";
import { fillRooms, type RoomFill } from "./book.ts";
import { saveDay, writeContent } from "./day.ts";
import { lockDay } from "./day-lock.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { factsOfPhotos } from "./photo.ts";
import { album } from "./schema/index.ts";

/** A picture for a print that a page waits for, and the room it is to lie in if there is one. */
export type Placing = {
  readonly dayId: string;
  readonly photoId: string;
  readonly print: Size;
  readonly place: { readonly leaf: string; readonly face: Face; readonly piece: string } | null;
};

/**
 * Puts pictures on days, each into the room that waits for it, as one act that can be taken back. A picture that is on
 * its day already, or is no longer there, is passed over; returns how many were placed.
 */
export async function placePhotos(db: Db, author: Author, placings: readonly Placing[]): Promise<number> {
  const did: Did = { what: "who-goes-where", pictures: placings.length };
  return journaled(db, author, did, async (tx, line, say) => {
    if (placings.length === 0) return 0;
    const known = await factsOfPhotos(
      tx,
      author.householdId,
      placings.map(({ photoId }) => photoId),
    );
    const byDay = new Map<string, Placing[]>();
    for (const placing of placings) byDay.set(placing.dayId, [...(byDay.get(placing.dayId) ?? []), placing]);
    const fills: RoomFill[] = [];
    let placed = 0;
    for (const [dayId, mine] of byDay) {
      const found = await lockDay(tx, author, dayId);
      if (!found) continue;
      let content = found.day.content;
      const fields = new Set<string>();
      for (const { photoId, print, place } of mine) {
        const picture = known.get(photoId);
        if (!picture) continue;
        const use = {
          id: randomUUID(),
          photoId,
          print,
          alt: "",
          crop: AS_IT_COMES,
          picture,
          onIt: [],
          repeat: null,
          together: null,
          privateUntil: null,
        };
        const applied = applyEdit(content, { kind: "add-photo", photo: use }, found.binding);
        if (!applied.ok) continue;
        content = applied.content;
        for (const field of applied.fields) fields.add(field);
        if (place) fills.push({ ...place, fill: { kind: "photo", use: use.id, cut: null } });
        placed += 1;
      }
      if (fields.size === 0) continue;
      await writeContent(tx, author, dayId, found.day.content, content);
      await saveDay(tx, author, line, {
        day: found.day,
        content,
        fields: [...fields],
      });
    }
    await fillRooms(tx, author, fills);
    say({ ...did, pictures: placed });
    return placed;
  });
}

/** Which pictures the album's prints may be of. */
export async function setPhotoRule(db: Db, author: Author, photoRule: PhotoRule): Promise<boolean> {
  return journaled(db, author, { what: "photo-rule" }, async (tx) => {
    const rows = await tx
      .update(album)
      .set({ photoRule })
      .where(and(eq(album.id, author.albumId), eq(album.householdId, author.householdId)))
      .returning({ id: album.id });
    return rows.length > 0;
  });
}
