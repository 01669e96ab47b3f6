import { and, eq, sql } from "drizzle-orm";
import type { Reader } from "./db.ts";
import { photo, picture } from "./schema/index.ts";

/** Every picture of a household's roll, in the tray or not, with what is said of it and what kind of file it is. */
export const rollOf = (db: Reader, householdId: string) =>
  db
    .select({
      ...{ id: photo.id, sha256: photo.sha256, name: photo.name, capturedAt: photo.capturedAt, offset: photo.offset },
      ...{ givenDate: photo.givenDate, look: photo.look, faces: photo.faces, people: photo.people },
      ...{ star: photo.star, banked: photo.banked, setAside: photo.setAside, deletedAt: photo.deletedAt },
      mime: picture.mime,
      bytes: sql<number>`octet_length(${picture.bytes})`,
    })
    .from(photo)
    .innerJoin(picture, and(eq(picture.sha256, photo.sha256)))
    .where(eq(photo.householdId, householdId))
    .orderBy(photo.addedAt, photo.id);
