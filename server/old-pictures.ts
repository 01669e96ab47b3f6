import type { Db } from "../store/db.ts";
import { keepTraits, withoutTraits } from "../store/photo.ts";

const AT_ONCE = 10;

/** Computes what is computed once of every picture for those kept before it was, a few at a time, until `ending`. */
export async function lookAtOldPictures(db: Db, ending: AbortSignal): Promise<void> {
  let batch = await withoutTraits(db, AT_ONCE);
  if (batch.length === 0) return;
  // What reads pictures takes its time to load, and mostly there is none to look at.
  const { traitsOfVersion } = await import("../press/picture.ts");
  for (; batch.length > 0; batch = await withoutTraits(db, AT_ONCE)) {
    for (const { sha256, bytes } of batch) {
      if (ending.aborted) return;
      await keepTraits(db, sha256, await traitsOfVersion(bytes));
    }
  }
}
