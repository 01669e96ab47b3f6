import { and, eq, inArray, isNull, or, sql } from "drizzle-orm";
import { usualPrint } from "../core/album/formats.ts";
import type { PhotoUse } from "../core/album/model.ts";
import { coloursAsLooked } from "../core/photo/colours.ts";
import { AS_IT_COMES, type PictureFacts } from "../core/photo/crop.ts";
import { coarser, type ToneMap } from "../core/photo/quiet.ts";
import { PLACES, type Traits } from "../core/photo/traits.ts";
import { factsOf } from "./day-row.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import { wantPictures } from "./library/tray.ts";
import { photo, picture, pictureTrait, pictureVersion } from "./schema/index.ts";
import type { PictureMime } from "./schema/photo.ts";

export type { PictureMime };

/** A picture read and measured, ready to be kept. */
export type NewPhoto = {
  readonly sha256: string;
  readonly mime: PictureMime;
  readonly bytes: Buffer;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly capturedAt: string | null;
  readonly offset: string | null;
  readonly hasPlace: boolean;
  /** What somebody wrote into the picture itself; empty where nobody did. */
  readonly ownWords: string;
  readonly versions: readonly { readonly longSide: number; readonly bytes: Buffer }[];
  readonly traits: Traits;
};

export type KeptPhoto = {
  readonly id: string;
  readonly capturedAt: string | null;
  readonly facts: PictureFacts;
  /** False when the household had a picture with these bytes already. */
  readonly isNew: boolean;
};

/** The household's photo of this id, as `findPhoto` tells it. */
export async function photoById(db: Reader, householdId: string, id: string): Promise<KeptPhoto | null> {
  const [found] = await db
    .select({ sha256: photo.sha256 })
    .from(photo)
    .where(and(eq(photo.id, id), eq(photo.householdId, householdId)));
  return found ? findPhoto(db, householdId, found.sha256) : null;
}

/** What is known of several of the household's photos, by id; those of others are left out. */
export async function factsOfPhotos(
  db: Reader,
  householdId: string,
  ids: readonly string[],
): Promise<Map<string, PictureFacts>> {
  if (ids.length === 0) return new Map();
  const rows = await db.query.photo.findMany({
    where: and(eq(photo.householdId, householdId), inArray(photo.id, [...ids])),
    columns: { id: true, width: true, height: true, look: true, faces: true },
    with: { trait: { columns: { focusX: true, focusY: true } } },
  });
  return new Map(rows.map((row) => [row.id, factsOf(row)]));
}

/** The household's photo with these bytes, if it has it. */
export async function findPhoto(db: Reader, householdId: string, sha256: string): Promise<KeptPhoto | null> {
  const found = await db.query.photo.findFirst({
    where: and(eq(photo.householdId, householdId), eq(photo.sha256, sha256)),
    columns: { id: true, capturedAt: true, width: true, height: true, look: true, faces: true },
    with: { trait: { columns: { focusX: true, focusY: true } } },
  });
  return found ? { id: found.id, capturedAt: found.capturedAt, facts: factsOf(found), isNew: false } : null;
}

const traitColumns = ({ fingerprint, sharpness, focus, light, tone, busy, colours }: Traits) => ({
  fingerprint,
  sharpness,
  focusX: focus.x,
  focusY: focus.y,
  detail: { light, tone, busy, colours },
});

/** So much of a picture goes to the database, or comes from it, at once: bytes under way lie in memory several times. */
const SLICE = 256 * 1024;

/** Keeps a picture's bytes, once however often they come; of a large one a few megabytes at a time. */
async function keepBytes(tx: Transaction, { sha256, mime, bytes }: Pick<NewPhoto, "sha256" | "mime" | "bytes">) {
  if (bytes.length <= SLICE) {
    await tx.insert(picture).values({ sha256, mime, bytes }).onConflictDoNothing();
    return;
  }
  const present = await tx.select({ mime: picture.mime }).from(picture).where(eq(picture.sha256, sha256));
  if (present.length > 0) return;
  // One for each connection, and empty again at the end of every act.
  await tx.execute(
    sql`create temporary table if not exists picture_slice (place int, bytes bytea) on commit delete rows`,
  );
  for (let place = 0; place * SLICE < bytes.length; place++) {
    const slice = bytes.subarray(place * SLICE, (place + 1) * SLICE);
    await tx.execute(sql`insert into picture_slice values (${place}, ${slice})`);
  }
  await tx.execute(sql`
    insert into picture (sha256, mime, bytes)
    select ${sha256}, ${mime}, string_agg(bytes, ''::bytea order by place) from picture_slice
    on conflict do nothing`);
  await tx.execute(sql`delete from picture_slice`);
}

/**
 * Keeps a photo: its bytes once by content, and one entry in the household's roll however often it is added. `said` is what
 * an archive says of it, for a picture that is new.
 */
export async function keepPhoto(
  db: Db,
  householdId: string,
  { bytes, versions, traits, mime, sha256, ...rest }: NewPhoto,
  said: Partial<
    Pick<typeof photo.$inferSelect, "givenDate" | "look" | "faces" | "people" | "star" | "banked" | "setAside">
  > = {},
): Promise<KeptPhoto> {
  return db.transaction(async (tx) => {
    await keepBytes(tx, { sha256, mime, bytes });
    await tx
      .insert(pictureVersion)
      .values(versions.map((version) => ({ sha256, ...version })))
      .onConflictDoNothing();
    await tx
      .insert(pictureTrait)
      .values({ sha256, ...traitColumns(traits) })
      .onConflictDoNothing();
    const added = await tx
      .insert(photo)
      .values({ householdId, sha256, ...rest, ...said })
      .onConflictDoNothing()
      .returning({ id: photo.id });
    const kept = await findPhoto(tx, householdId, sha256);
    if (!kept) throw new Error("the photo just kept is not there");
    const back = await wantPictures(tx, householdId, [kept.id]);
    return { ...kept, isNew: added.length + back > 0 };
  });
}

/** A picture's first use on a day: the usual print for the way it lies, cropped as it comes. */
export const newUse = (id: string, { id: photoId, facts }: Pick<KeptPhoto, "id" | "facts">): PhotoUse => ({
  id,
  photoId,
  print: usualPrint(facts.width >= facts.height),
  alt: "",
  crop: AS_IT_COMES,
  picture: facts,
  onIt: [],
  repeat: null,
  together: null,
  privateUntil: null,
});

/** A screen version of the household's photo, or null when there is none or it is another household's. */
export async function readVersion(
  db: Reader,
  householdId: string,
  photoId: string,
  longSide: number,
): Promise<Buffer | null> {
  const [found] = await db
    .select({ bytes: pictureVersion.bytes })
    .from(photo)
    .innerJoin(pictureVersion, eq(pictureVersion.sha256, photo.sha256))
    .where(and(eq(photo.id, photoId), eq(photo.householdId, householdId), eq(pictureVersion.longSide, longSide)));
  return found?.bytes ?? null;
}

/** The bytes as they were added. */
export async function readOriginal(
  db: Reader,
  householdId: string,
  photoId: string,
): Promise<{ bytes: Buffer; mime: PictureMime } | null> {
  const [found] = await db
    .select({ bytes: picture.bytes, mime: picture.mime })
    .from(photo)
    .innerJoin(picture, eq(picture.sha256, photo.sha256))
    .where(and(eq(photo.id, photoId), eq(photo.householdId, householdId)));
  return found ?? null;
}

/** The bytes as they were added, a few megabytes at a time. */
export async function* readOriginalInSlices(db: Reader, householdId: string, photoId: string): AsyncGenerator<Buffer> {
  for (let from = 1; ; from += SLICE) {
    const [found] = await db
      .select({ bytes: sql<Buffer>`substring(${picture.bytes} from ${from}::int for ${SLICE}::int)` })
      .from(photo)
      .innerJoin(picture, eq(picture.sha256, photo.sha256))
      .where(and(eq(photo.id, photoId), eq(photo.householdId, householdId)));
    if (!found) throw new Error("a photo in use has no bytes");
    if (found.bytes.length > 0) yield found.bytes;
    if (found.bytes.length < SLICE) return;
  }
}

/** What kind of file each picture is, by content, and how large; decides its ending in an archive. */
export async function filesOfPhotos(
  db: Reader,
  householdId: string,
): Promise<Map<string, { readonly mime: PictureMime; readonly bytes: number }>> {
  const rows = await db
    .select({ sha256: picture.sha256, mime: picture.mime, bytes: sql<number>`octet_length(${picture.bytes})` })
    .from(photo)
    .innerJoin(picture, eq(picture.sha256, photo.sha256))
    .where(eq(photo.householdId, householdId));
  return new Map(rows.map(({ sha256, ...file }) => [sha256, file]));
}

/** What was computed of one of the household's photos; null until it has been looked at. */
export async function readTraits(db: Reader, householdId: string, photoId: string): Promise<Traits | null> {
  const [found] = await db
    .select({ trait: pictureTrait })
    .from(photo)
    .innerJoin(pictureTrait, eq(pictureTrait.sha256, photo.sha256))
    .where(and(eq(photo.id, photoId), eq(photo.householdId, householdId)));
  if (!found) return null;
  const { fingerprint, sharpness, focusX, focusY, detail } = found.trait;
  // Of a picture that is still to be looked at anew, its light stands for its tone.
  return { fingerprint, sharpness, focus: { x: focusX, y: focusY }, ...detail, tone: detail.tone ?? detail.light };
}

/** Which picture each of several of the household's photos is, by id. */
export async function hashesOfPhotos(
  db: Reader,
  householdId: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: photo.id, sha256: photo.sha256 })
    .from(photo)
    .where(and(inArray(photo.id, [...ids]), eq(photo.householdId, householdId)));
  return new Map(rows.map(({ id, sha256 }) => [id, sha256]));
}

/** So many cells each way are enough for what stands on a picture. */
const TONE_CELLS = 12;

/** How light and how uneven several of the household's photos are, by id, coarsely; those not looked at yet are left out. */
export async function tonesOf(
  db: Reader,
  householdId: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, ToneMap>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: photo.id, detail: pictureTrait.detail })
    .from(photo)
    .innerJoin(pictureTrait, eq(pictureTrait.sha256, photo.sha256))
    .where(and(eq(photo.householdId, householdId), inArray(photo.id, [...ids])));
  return new Map(
    rows.map(({ id, detail: { tone, light, busy } }) => [id, coarser({ tone: tone ?? light, busy }, TONE_CELLS)]),
  );
}

/** The colours of several of the household's photos as they look, by id; those not looked at yet are left out. */
export async function coloursOfPhotos(
  db: Reader,
  householdId: string,
  ids: readonly string[],
): Promise<Map<string, readonly string[]>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: photo.id, detail: pictureTrait.detail, look: photo.look })
    .from(photo)
    .innerJoin(pictureTrait, eq(pictureTrait.sha256, photo.sha256))
    .where(and(inArray(photo.id, [...ids]), eq(photo.householdId, householdId)));
  return new Map(rows.map(({ id, detail, look }) => [id, coloursAsLooked(detail.colours, look)]));
}

/** A fingerprint as it is computed now; those of before were shorter. */
const FINGERPRINT = 16 + PLACES * PLACES;

/** Pictures of which not all is computed yet, each with a small version to compute it from. */
export function withoutTraits(db: Reader, most: number): Promise<{ sha256: string; bytes: Buffer }[]> {
  return db
    .select({ sha256: pictureVersion.sha256, bytes: pictureVersion.bytes })
    .from(pictureVersion)
    .leftJoin(pictureTrait, eq(pictureTrait.sha256, pictureVersion.sha256))
    .where(
      and(
        or(
          isNull(pictureTrait.sha256),
          sql`not (${pictureTrait.detail} ? 'tone') or length(${pictureTrait.fingerprint}) < ${FINGERPRINT}`,
        ),
        eq(pictureVersion.longSide, 480),
      ),
    )
    .limit(most);
}

export async function keepTraits(db: Db, sha256: string, traits: Traits): Promise<void> {
  await db
    .insert(pictureTrait)
    .values({ sha256, ...traitColumns(traits) })
    .onConflictDoUpdate({ target: pictureTrait.sha256, set: traitColumns(traits) });
}
