import { and, eq } from "drizzle-orm";
import type { Db, Reader } from "./db.ts";
import { photo, picture, pictureVersion } from "./schema/index.ts";

export type PictureMime = typeof picture.$inferSelect.mime;

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
  readonly versions: readonly { readonly longSide: number; readonly bytes: Buffer }[];
};

export type KeptPhoto = {
  readonly id: string;
  readonly capturedAt: string | null;
  readonly width: number;
  readonly height: number;
};

/** The household's photo with these bytes, if it has it. */
export async function findPhoto(db: Reader, householdId: string, sha256: string): Promise<KeptPhoto | null> {
  const [found] = await db
    .select({ id: photo.id, capturedAt: photo.capturedAt, width: photo.width, height: photo.height })
    .from(photo)
    .where(and(eq(photo.householdId, householdId), eq(photo.sha256, sha256)));
  return found ?? null;
}

/** Keeps a photo: its bytes once by content, and one entry in the household's roll however often it is added. */
export async function keepPhoto(
  db: Db,
  householdId: string,
  { bytes, versions, mime, sha256, ...rest }: NewPhoto,
): Promise<KeptPhoto> {
  return db.transaction(async (tx) => {
    await tx.insert(picture).values({ sha256, mime, bytes }).onConflictDoNothing();
    await tx
      .insert(pictureVersion)
      .values(versions.map((version) => ({ sha256, ...version })))
      .onConflictDoNothing();
    await tx
      .insert(photo)
      .values({ householdId, sha256, ...rest })
      .onConflictDoNothing();
    const kept = await findPhoto(tx, householdId, sha256);
    if (!kept) throw new Error("the photo just kept is not there");
    return kept;
  });
}

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

/** The kind of each picture, by content; decides the file's ending in an archive. */
export async function mimeOfPhotos(db: Reader, householdId: string): Promise<Map<string, PictureMime>> {
  const rows = await db
    .select({ sha256: picture.sha256, mime: picture.mime })
    .from(photo)
    .innerJoin(picture, eq(picture.sha256, photo.sha256))
    .where(eq(photo.householdId, householdId));
  return new Map(rows.map(({ sha256, mime }) => [sha256, mime]));
}
