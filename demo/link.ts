import { randomUUID } from "node:crypto";
import type { CalendarDate } from "../core/month/dates.ts";
import { ALL_GOES_OUT } from "../core/share/going-out.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { addShare, changeShare, openShare } from "../store/share.ts";

/** Bram on the mainland looks at the month as it grows, but for what his parcel holds. */
export async function shareWithBram(db: Db, author: Author): Promise<void> {
  const days = (await readAlbum(db, author.householdId, author.albumId))?.days ?? [];
  const parcel = days.filter(({ date }) => date === "2026-12-07").map(({ id }) => id);
  const id = randomUUID();
  await addShare(db, author, id, "Bram and Odette");
  const endsOn = "2027-01-06" as CalendarDate;
  await changeShare(db, author, id, { endsOn, goes: { ...ALL_GOES_OUT, entries: parcel } });
  await openShare(db, author, id);
}
