import { traitsOfVersion } from "../press/picture.ts";
import type { Db } from "../store/db.ts";
import { keepTraits, withoutTraits } from "../store/photo.ts";

const AT_ONCE = 10;

/** Computes what is computed once of every picture for those kept before it was, a few at a time, until `ending`. */
export async function lookAtOldPictures(db: Db, ending: AbortSignal): Promise<void> {
  for (let batch = await withoutTraits(db, AT_ONCE); batch.length > 0; batch = await withoutTraits(db, AT_ONCE)) {
    for (const { sha256, bytes } of batch) {
      if (ending.aborted) return;
      await keepTraits(db, sha256, await traitsOfVersion(bytes));
    }
  }
}
