import { and, asc, desc, eq, inArray, isNull, not, notExists, or, sql } from "drizzle-orm";
import type { Did } from "../core/journal/did.ts";
import { parseDate } from "../core/month/dates.ts";
import type { PictureFacts } from "../core/photo/crop.ts";
import type { RollMark, RollPhoto } from "../core/photo/roll.ts";
import { findIn } from "../core/words/find.ts";
import { lockAlbum, lockAlbums } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { factsOf } from "./day-row.ts";
import type { Db, Reader } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { onADay, pictureAway } from "./library/tray.ts";
import { day, photo, pictureOnDay, pictureTrait } from "./schema/index.ts";

const onTheRoll = (db: Reader) => not(pictureAway(db) ?? sql`false`);

/** Every picture of the household that is not put away, the earliest first; undated ones at the end. */
export async function readRoll(db: Reader, householdId: string): Promise<RollPhoto[]> {
  const rows = await db.query.photo.findMany({
    where: and(eq(photo.householdId, householdId), onTheRoll(db)),
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
      id: row.id,
      name: row.name,
      capturedAt: row.capturedAt,
      offset: row.offset,
      givenDate: row.givenDate,
      hasPlace: row.hasPlace,
      people: row.people,
      star: row.star,
      setAside: row.setAside,
      banked: row.banked,
      facts: factsOf(row),
      fingerprint: trait?.fingerprint ?? null,
      sharpness: trait?.sharpness ?? 0,
    };
  });
}

/** As `withOnIt` says it, for each picture from what was said of it before. */
const withPerson = ({ name, on }: Extract<RollMark, { kind: "person" }>) => {
  const now = photo.people;
  return on
    ? sql`case when ${name} = any(${now}) then ${now} else array_append(coalesce(${now}, '{}'), ${name}) end`
    : sql`case when cardinality(${now}) = 0 then ${now} else nullif(array_remove(${now}, ${name}), '{}') end`;
};

const markColumns = (mark: RollMark) => {
  switch (mark.kind) {
    case "star":
      return { star: mark.on };
    case "set-aside":
      return { setAside: mark.on };
    case "banked":
      return { banked: mark.on };
    case "date":
      return { givenDate: mark.date };
    case "look":
      return { look: mark.look };
    case "faces":
      return { faces: mark.faces };
    case "person":
      return { people: withPerson(mark) };
    case "nobody":
      return { people: mark.on ? [] : null };
    case "away":
      return { deletedAt: sql`now()` };
  }
};

/**
 * Says one thing of several of the household's pictures; returns how many there were of them. One that a day uses is not
 * put away. `albumId` is where it was said: an album that is not the household's says nothing.
 */
export async function markPhotos(
  db: Db,
  householdId: string,
  ids: readonly string[],
  mark: RollMark,
  albumId?: string,
): Promise<number> {
  const those = and(eq(photo.householdId, householdId), inArray(photo.id, [...ids]));
  return db.transaction(async (tx) => {
    await lockAlbums(tx, householdId);
    if (albumId !== undefined && !(await lockAlbum(tx, householdId, albumId))) return 0;
    await tx.select({ id: photo.id }).from(photo).where(those).orderBy(asc(photo.id)).for("no key update");
    const rows = await tx
      .update(photo)
      .set(markColumns(mark))
      .where(mark.kind === "away" ? and(those, notExists(onADay(tx, isNull(pictureOnDay.deletedAt)))) : those)
      .returning({ id: photo.id });
    return rows.length;
  });
}

/** The same as a line of the journal, said in an album. */
export const markInAlbum = (db: Db, author: Author, ids: readonly string[], mark: RollMark): Promise<number> => {
  const on = !("on" in mark) || mark.on;
  const did: Did = { what: "mark", mark: mark.kind, on, pictures: ids.length, date: null };
  return journaled(db, author, did, async (tx, _line, say) => {
    const marked = await markPhotos(tx, author.householdId, ids, mark, author.albumId);
    const [one] =
      ids.length === 1
        ? await tx
            .select()
            .from(photo)
            .where(inArray(photo.id, [...ids]))
        : [];
    const taken = one ? (one.givenDate ?? one.capturedAt?.slice(0, 10) ?? null) : null;
    say({ ...did, pictures: marked, date: taken === null ? null : parseDate(taken) });
    return marked;
  });
};

/** A picture of the roll as it is found by its name. */
export type FoundPicture = { readonly id: string; readonly name: string; readonly date: string | null };

/** The first `most` pictures of the roll whose name has every word of the query in it, the latest first. */
export async function findPictures(
  db: Reader,
  householdId: string,
  query: string,
  most: number,
): Promise<FoundPicture[]> {
  const rows = await db
    .select({ id: photo.id, name: photo.name, capturedAt: photo.capturedAt, givenDate: photo.givenDate })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), onTheRoll(db)))
    .orderBy(sql`coalesce(${photo.givenDate}::text, ${photo.capturedAt}) desc nulls last`);
  return rows
    .filter(({ name }) => findIn(name, query) !== null)
    .slice(0, most)
    .map(({ id, name, capturedAt, givenDate }) => ({
      id,
      name,
      date: givenDate ?? capturedAt?.slice(0, 10) ?? null,
    }));
}

/** A picture that a day may have: not on a page of the album yet. */
export type FreePicture = FoundPicture & {
  readonly time: string | null;
  /** What a print needs to know of it. */
  readonly facts: PictureFacts;
  readonly banked: boolean;
};

/**
 * The pictures that a day of the album may have, the starred first: those taken on one of its dates, and the banked. Those
 * set aside, put away, or on a page of the album already are none; `most` at the most.
 */
export async function freePictures(
  db: Reader,
  householdId: string,
  albumId: string,
  dates: readonly string[],
  most: number,
): Promise<FreePicture[]> {
  const taken = sql<string | null>`coalesce(${photo.givenDate}::text, left(${photo.capturedAt}, 10))`;
  const here = db
    .select({ one: sql`1` })
    .from(pictureOnDay)
    .innerJoin(day, eq(day.id, pictureOnDay.dayId))
    .where(and(eq(pictureOnDay.photoId, photo.id), eq(day.albumId, albumId), isNull(pictureOnDay.deletedAt)));
  const suits = dates.length > 0 ? or(inArray(taken, [...dates]), eq(photo.banked, true)) : eq(photo.banked, true);
  const rows = await db
    .select({
      ...{ id: photo.id, name: photo.name, banked: photo.banked, date: taken },
      ...{ capturedAt: photo.capturedAt, star: photo.star },
      ...{ width: photo.width, height: photo.height, look: photo.look, faces: photo.faces },
      trait: { focusX: pictureTrait.focusX, focusY: pictureTrait.focusY },
    })
    .from(photo)
    .leftJoin(pictureTrait, eq(pictureTrait.sha256, photo.sha256))
    .where(and(eq(photo.householdId, householdId), eq(photo.setAside, false), onTheRoll(db), suits, notExists(here)))
    .orderBy(desc(photo.star), sql`${taken} nulls last`, asc(photo.capturedAt))
    .limit(most);
  return rows.map(({ capturedAt, star: _, width, height, look, faces, trait, ...row }) => ({
    ...row,
    facts: factsOf({ width, height, look, faces, trait }),
    time: capturedAt && row.date !== null && capturedAt.startsWith(row.date) ? capturedAt.slice(11, 16) : null,
  }));
}

/** The pictures of the roll that came in last, the latest first. */
export const latestPictures = (
  db: Reader,
  householdId: string,
  most: number,
): Promise<{ readonly id: string; readonly name: string }[]> =>
  db
    .select({ id: photo.id, name: photo.name })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), onTheRoll(db)))
    .orderBy(desc(photo.addedAt), desc(photo.id))
    .limit(most);

/** What somebody wrote into a picture, and when it was taken. */
export type PictureWords = { readonly photoId: string; readonly text: string; readonly at: string };

/** The words that stand in the descriptions of the pictures taken on these dates, by the camera's clock. */
export async function pictureWords(db: Reader, householdId: string, dates: readonly string[]): Promise<PictureWords[]> {
  if (dates.length === 0) return [];
  const taken = sql<string>`coalesce(${photo.givenDate}::text, left(${photo.capturedAt}, 10))`;
  const rows = await db
    .select({ photoId: photo.id, text: photo.ownWords, capturedAt: photo.capturedAt, date: taken })
    .from(photo)
    .where(
      and(eq(photo.householdId, householdId), onTheRoll(db), inArray(taken, [...dates]), sql`${photo.ownWords} <> ''`),
    )
    .orderBy(asc(photo.capturedAt));
  return rows.map(({ capturedAt, date, ...row }) => {
    const isOfDay = capturedAt?.startsWith(date) ?? false;
    return { ...row, at: `${date}T${isOfDay ? capturedAt?.slice(11, 16) : "12:00"}` };
  });
}

/** Which of these contents, by hash, the household has already on its roll. */
export async function knownPictures(db: Reader, householdId: string, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return [];
  const rows = await db
    .select({ sha256: photo.sha256 })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), inArray(photo.sha256, [...hashes]), onTheRoll(db)));
  return rows.map(({ sha256 }) => sha256);
}
