import { randomUUID } from "node:crypto";
import { Readable } from "node:stream";
import {
  DRAWER_ENTRY,
  type DrawerFileProblem,
  type FiledThing,
  readDrawerFile,
  writeDrawerFile,
} from "../core/format/drawer-file.ts";
import { LIMITS } from "../core/limits.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { keepList, type ListSaved, readDrawerWithAges } from "../store/drawer.ts";
import { filesOfPhotos, findPhoto, hashesOfPhotos, keepPhoto, readOriginalInSlices } from "../store/photo.ts";
import { ENDING } from "./archive-words.ts";
import type { PictureReader } from "./reading-pool.ts";
import { openZip, type PackedFile, writeZip, type ZipProblem, ZipRefused, type ZipSource } from "./zip.ts";

/** Streams a household's drawer as its own file: what is in it, and the pictures that show it. */
export async function packDrawer(db: Db, householdId: string, writtenAt: Date): Promise<Readable> {
  const drawer = await readDrawerWithAges(db, householdId);
  const shown = drawer.flatMap(({ photoId }) => photoId ?? []);
  const [hashes, files] = await Promise.all([hashesOfPhotos(db, householdId, shown), filesOfPhotos(db, householdId)]);
  const nameOf = (photoId: string | null): string | null => {
    const sha256 = photoId === null ? undefined : hashes.get(photoId);
    const file = sha256 === undefined ? undefined : files.get(sha256);
    return sha256 && file ? `pictures/${sha256}.${ENDING[file.mime]}` : null;
  };
  const things = drawer.map(
    ({ id: _, addedAt: __, photoId, ...thing }): FiledThing => ({
      ...thing,
      picture: nameOf(photoId),
    }),
  );
  const pictures = new Map(
    drawer.flatMap(({ photoId }) => {
      const name = nameOf(photoId);
      return name && photoId ? [[name, photoId] as const] : [];
    }),
  );
  const packed = [...pictures].map(
    ([name, id]): PackedFile => ({
      ...{ name, packed: false },
      bytes: () => Readable.from(readOriginalInSlices(db, householdId, id), { objectMode: false, highWaterMark: 1 }),
    }),
  );
  const described: PackedFile = {
    ...{ name: DRAWER_ENTRY, packed: true },
    bytes: async () => Buffer.from(writeDrawerFile(things)),
  };
  return writeZip([described, ...packed], writtenAt);
}

export type DrawerUnpacked = ListSaved | { readonly ok: false; readonly reason: ZipProblem | DrawerFileProblem };

/**
 * Takes a drawer's file in, as a list is: what is new comes into the drawer, what is there already is as the file says, and
 * doubles nothing. A picture that is missing or cannot be read leaves its thing without one.
 */
export async function unpackDrawer(
  db: Db,
  author: Author,
  source: string | ZipSource,
  readPicture: PictureReader,
): Promise<DrawerUnpacked> {
  const zip = await openZip(source);
  if (!zip.ok) return zip;
  try {
    const described = zip.entries.get(DRAWER_ENTRY);
    if (!described) return { ok: false, reason: "not-a-drawer" };
    const read = readDrawerFile((await described.read(LIMITS.albumJsonBytes.most)).toString("utf8"));
    if (!read.ok) return read;
    const photos = new Map<string, string>();
    for (const name of new Set(read.things.flatMap(({ picture }) => picture ?? []))) {
      const sha256 = name.slice("pictures/".length, "pictures/".length + 64);
      const kept = await findPhoto(db, author.householdId, sha256);
      const entry = kept ? undefined : zip.entries.get(name);
      const picture = entry && (await readPicture(await entry.read(LIMITS.pictureBytes.most), name));
      const id =
        kept?.id ??
        (picture?.ok ? (await keepPhoto(db, author.householdId, picture.photo, { setAside: true })).id : undefined);
      if (id) photos.set(name, id);
    }
    const things = read.things.map(({ picture: _, ...thing }) => thing);
    const shown = new Map(
      things.flatMap((thing, at) => {
        const photo = photos.get(read.things[at]?.picture ?? "");
        return photo ? [[thing, photo] as const] : [];
      }),
    );
    return await keepList(db, author, things, randomUUID, shown);
  } catch (error) {
    if (error instanceof ZipRefused) return { ok: false, reason: error.reason };
    throw error;
  } finally {
    zip.close();
  }
}
