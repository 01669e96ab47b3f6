import { and, eq, ne, sql } from "drizzle-orm";
import { unionAll } from "drizzle-orm/pg-core";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Db } from "./db.ts";
import { album, card, day, dayPhoto, jotting, leaf, side } from "./schema/index.ts";

/** Where in an album a text stands. */
export const TEXT_PLACES = [
  ...(["title", "note", "prompt", "technique", "next-year"] as const),
  ...(["card", "back", "jotting", "leaf", "photo", "inside"] as const),
];
export type TextPlace = (typeof TEXT_PLACES)[number];
export type FoundText = {
  readonly albumId: string;
  readonly albumTitle: string;
  /** Of its day; null on a page of the front or back matter. */
  readonly date: CalendarDate | null;
  /** The day, or the page of the front or back matter. */
  readonly entryId: string;
  readonly place: TextPlace;
  /** The card it is on; null elsewhere. */
  readonly cardId: string | null;
  readonly text: string;
};

/** Every word of the household's albums, in one statement: what is looked for is compared with accents left aside. */
export async function readTexts(db: Db, householdId: string): Promise<FoundText[]> {
  const common = { albumId: album.id, albumTitle: album.title, date: day.date, entryId: day.id };
  const mine = and(eq(album.householdId, householdId), sql`${album.deletedAt} is null`);
  const ofDay = (place: TextPlace, column: typeof day.title | typeof day.note) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`null::uuid`,
        text: sql<string>`${column}`,
      })
      .from(day)
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, "")));
  const ofCard = (place: TextPlace, column: typeof card.text | typeof card.back) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`${card.id}`,
        text: sql<string>`${column}`,
      })
      .from(card)
      .innerJoin(day, eq(day.id, card.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, ""), sql`${card.deletedAt} is null`));
  const ofPiece = (
    place: TextPlace,
    table: typeof jotting | typeof dayPhoto,
    column: typeof jotting.text | typeof dayPhoto.alt,
  ) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`null::uuid`,
        text: sql<string>`${column}`,
      })
      .from(table)
      .innerJoin(day, eq(day.id, table.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, ""), sql`${table.deletedAt} is null`));
  // A note on a leaf is told with the day of its front, or of its back where the front is no day's.
  const ofLeaf = db
    .select({
      ...common,
      place: sql<TextPlace>`'leaf'`,
      cardId: sql<string | null>`null::uuid`,
      text: sql<string>`${leaf.note}`,
    })
    .from(leaf)
    .innerJoin(album, eq(album.id, leaf.albumId))
    .innerJoin(
      day,
      sql`${day.id} = (select s.day_id from side s where s.leaf_id = ${leaf.id} and s.day_id is not null order by s.face desc limit 1)`,
    )
    .where(and(mine, ne(leaf.note, ""), sql`${leaf.position} is not null`));
  // Words inside a construction, told with the day of its side.
  const held = sql`lateral (select one #>> '{what,says}' as says
    from jsonb_array_elements(${side.pieces}) as laid(piece),
    jsonb_array_elements(coalesce(piece #> '{what,built,holds}', '[]')) as carried(one)
    where one #>> '{what,kind}' = 'words') held`;
  const inside = db
    .select({
      ...common,
      place: sql<TextPlace>`'inside'`,
      cardId: sql<string | null>`null::uuid`,
      text: sql<string>`held.says`,
    })
    .from(side)
    .innerJoin(leaf, and(eq(leaf.id, side.leafId), sql`${leaf.position} is not null`))
    .innerJoin(album, eq(album.id, leaf.albumId))
    .innerJoin(day, eq(day.id, side.dayId))
    .innerJoin(held, sql`true`)
    .where(and(mine, sql`held.says <> ''`));
  return unionAll(
    ofDay("title", day.title),
    ofDay("note", day.note),
    ofDay("prompt", day.promptText as never),
    ofDay("technique", day.techniqueText as never),
    ofDay("next-year", day.nextYear as never),
    ofCard("card", card.text),
    ofCard("back", card.back),
    ofPiece("jotting", jotting, jotting.text),
    ofLeaf,
    ofPiece("photo", dayPhoto, dayPhoto.alt),
    inside,
  );
}
