import { type AnyColumn, and, asc, desc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { type Face, NOBODY } from "../core/album/leaf.ts";
import { type Day, EMPTY_DAY, newCard } from "../core/album/model.ts";
import type { LeafOutline } from "../core/album/page-leaves.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { type AlbumRecord, toRecord } from "./album.ts";
import type { Reader } from "./db.ts";
import { makeOf } from "./leaf-row.ts";
import { album, card, day, dayPhoto, leaf, sideGuest } from "./schema/index.ts";

/** An album as the shelf shows it: how thick it is and how far, and what is on it; of its days no word and no crop. */
export type ShelvedAlbum = {
  readonly album: AlbumRecord;
  readonly days: readonly Day[];
  readonly leaves: readonly LeafOutline[];
  /** Always none: what is in the book does not depend on them. */
  readonly prints: readonly [];
};

/** What of a day says how far it is and how thick its page. */
const BARE_DAY = {
  columns: {
    id: true,
    date: true,
    skipped: true,
    mergedInto: true,
    version: true,
    waived: true,
    numeralStyle: true,
    done: true,
    undone: true,
  },
  with: {
    cards: { columns: { id: true, w: true, h: true }, where: isNull(card.deletedAt) },
    photos: {
      columns: { id: true, photoId: true, w: true, h: true },
      where: isNull(dayPhoto.deletedAt),
      orderBy: asc(dayPhoto.position),
    },
  },
} as const;

/** What of a leaf says how far it is: of what lies on its sides only the kinds, and whose it is. */
const BARE_LEAF = {
  columns: {
    id: true,
    kind: true,
    layout: true,
    w: true,
    h: true,
    insert: true,
    done: true,
    sewn: true,
  },
  with: {
    sides: {
      columns: { face: true, dayId: true, done: true },
      with: { guests: { columns: { dayId: true, done: true }, orderBy: asc(sideGuest.position) } },
      extras: (side: { pieces: AnyColumn }) => ({
        outline: sql<
          LeafOutline["front"]["pieces"]
        >`case when ${side.pieces} is null then null else coalesce((select jsonb_agg(jsonb_build_object('id', p -> 'id', 'what', jsonb_build_object('kind', p -> 'what' -> 'kind', 'keeps', p -> 'what' -> 'keeps', 'built', (p #> '{what,built}') - 'closed' - 'lengths' - 'counts' - 'blanks' - 'holds' - 'own'), 'dayId', p -> 'dayId')) from jsonb_array_elements(${side.pieces}) p), '[]') end`.as(
          "outline",
        ),
      }),
    },
  },
} as const;

/** Every album on the household's shelf, latest month first, in one statement. */
export async function readShelf(db: Reader, householdId: string): Promise<ShelvedAlbum[]> {
  const rows = await db.query.album.findMany({
    where: and(eq(album.householdId, householdId), isNull(album.deletedAt)),
    orderBy: [desc(album.startsOn), asc(album.title)],
    with: {
      days: { where: isNotNull(day.date), orderBy: asc(day.date), ...BARE_DAY },
      leaves: { where: isNotNull(leaf.position), orderBy: asc(leaf.position), ...BARE_LEAF },
    },
  });
  return rows.map((row) => ({
    album: toRecord(row),
    prints: [],
    leaves: row.leaves.map(({ id, done, sewn, sides, ...columns }): LeafOutline => {
      const side = (face: Face): LeafOutline["front"] => {
        const found = sides.find((each) => each.face === face);
        return {
          owner: found?.dayId ? { kind: "day", dayId: found.dayId } : NOBODY,
          guests: found?.guests ?? [],
          pieces: found?.outline ?? null,
          done: found?.done ?? [],
        };
      };
      const make = makeOf({ ...columns, basePaper: "", note: "", oldHoles: null, of: null });
      return { id, make, done, sewn, front: side("front"), back: side("back") };
    }),
    days: row.days.flatMap(({ id, date, skipped, mergedInto, version, ...rest }): Day[] =>
      date === null
        ? []
        : [
            {
              id,
              date,
              skipped,
              mergedInto,
              version,
              content: {
                ...EMPTY_DAY,
                waived: rest.waived,
                done: rest.done,
                numeral: { style: rest.numeralStyle, note: "" },
                cards: rest.cards.map((each) => newCard(each.id, { w: each.w, h: each.h })),
                photos: rest.photos.map(({ id: use, photoId, w, h }) => ({
                  id: use,
                  photoId,
                  print: { w, h },
                  alt: "",
                  crop: AS_IT_COMES,
                  picture: UNKNOWN_PICTURE,
                  onIt: [],
                  repeat: null,
                  together: null,
                  privateUntil: null,
                })),
              },
            },
          ],
    ),
  }));
}
