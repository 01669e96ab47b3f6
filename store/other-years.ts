import { and, asc, desc, eq, isNull, lt, or } from "drizzle-orm";
import { frontWords, hasWords } from "../core/album/card-words.ts";
import type { OtherYear } from "../core/finish/years.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { sameDate } from "../core/month/like-day.ts";
import type { Span } from "../core/month/span.ts";
import type { Reader } from "./db.ts";
import { album, card, day, dayPhoto } from "./schema/index.ts";

/** As many years back as are shown beside a day. */
const MOST_YEARS = 6;

/** What the household's earlier albums have on the same day, the latest first; days with nothing on them are left out. */
export async function readOtherYears(
  db: Reader,
  householdId: string,
  span: Span,
  date: CalendarDate,
): Promise<OtherYear[]> {
  const earlier = await db
    .select({ id: album.id, title: album.title, start: album.startsOn, end: album.endsOn })
    .from(album)
    .where(and(eq(album.householdId, householdId), isNull(album.deletedAt), lt(album.startsOn, span.start)))
    .orderBy(desc(album.startsOn), asc(album.title));
  const wanted = earlier
    .flatMap((each) => {
      const like = sameDate(date, each);
      return like ? [{ ...each, date: like }] : [];
    })
    .slice(0, MOST_YEARS);
  if (wanted.length === 0) return [];
  const rows = await db.query.day.findMany({
    where: or(...wanted.map((each) => and(eq(day.albumId, each.id), eq(day.date, each.date)))),
    columns: { albumId: true, title: true, promptText: true, everyYear: true, nextYear: true },
    with: {
      cards: {
        columns: { text: true, back: true, setting: true },
        where: isNull(card.deletedAt),
        orderBy: asc(card.position),
      },
      photos: {
        columns: { photoId: true, alt: true },
        where: isNull(dayPhoto.deletedAt),
        orderBy: asc(dayPhoto.position),
      },
    },
  });
  return wanted.flatMap(({ id, title: name, date: on }, at): OtherYear[] => {
    const row = rows.find(({ albumId }) => albumId === id);
    if (!row) return [];
    const words = row.cards.filter(hasWords).map(frontWords);
    const { title, promptText: prompt, everyYear, nextYear, photos } = row;
    if (`${title}${prompt}${nextYear}` === "" && !everyYear && words.length + photos.length === 0) return [];
    const said = { title, prompt, everyYear, nextYear, words, photos };
    return [{ albumId: id, album: name, date: on, isBefore: at === 0, ...said }];
  });
}
