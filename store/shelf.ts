import { and, asc, desc, eq, isNull } from "drizzle-orm";
import { type Day, EMPTY_DAY, newCard } from "../core/album/model.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { type AlbumRecord, toRecord } from "./album.ts";
import type { Reader } from "./db.ts";
import { album, card, day, dayInsert, dayPhoto } from "./schema/index.ts";

/** An album as the shelf shows it: how thick it is and how far, and what is on it; of its days no word and no crop. */
export type ShelvedAlbum = { readonly album: AlbumRecord; readonly days: readonly Day[] };

/** What of a day says how far it is and how thick its page. */
const BARE_DAY = {
  columns: {
    id: true,
    date: true,
    skipped: true,
    mergedInto: true,
    version: true,
    waived: true,
    foundation: true,
    pageW: true,
    pageH: true,
    numeralStyle: true,
    done: true,
  },
  with: {
    cards: { columns: { id: true, w: true, h: true }, where: isNull(card.deletedAt) },
    inserts: { columns: { id: true, kind: true, w: true, h: true }, where: isNull(dayInsert.deletedAt) },
    photos: {
      columns: { id: true, photoId: true, w: true, h: true },
      where: isNull(dayPhoto.deletedAt),
      orderBy: asc(dayPhoto.position),
    },
  },
} as const;

/** Every album on the household's shelf, latest month first, in one statement. */
export async function readShelf(db: Reader, householdId: string): Promise<ShelvedAlbum[]> {
  const rows = await db.query.album.findMany({
    where: and(eq(album.householdId, householdId), isNull(album.deletedAt)),
    orderBy: [desc(album.startsOn), asc(album.title)],
    with: { days: { orderBy: asc(day.date), ...BARE_DAY } },
  });
  return rows.map((row) => ({
    album: toRecord(row),
    days: row.days.map(
      ({ id, date, skipped, mergedInto, version, ...rest }): Day => ({
        id,
        date,
        skipped,
        mergedInto,
        version,
        content: {
          ...EMPTY_DAY,
          waived: rest.waived,
          foundation: rest.foundation,
          done: rest.done,
          pageSize: rest.pageW !== null && rest.pageH !== null ? { w: rest.pageW, h: rest.pageH } : null,
          numeral: { style: rest.numeralStyle, note: "" },
          cards: rest.cards.map((each) => newCard(each.id, { w: each.w, h: each.h })),
          inserts: rest.inserts.map((each) => ({
            id: each.id,
            kind: each.kind,
            size: { w: each.w, h: each.h },
            note: "",
          })),
          photos: rest.photos.map(({ id: use, photoId, w, h }) => ({
            id: use,
            photoId,
            print: { w, h },
            alt: "",
            crop: AS_IT_COMES,
            picture: UNKNOWN_PICTURE,
          })),
        },
      }),
    ),
  }));
}
