import { readFile } from "node:fs/promises";
import path from "node:path";
import type { CalendarDate } from "../core/month/dates.ts";
import { readCalendar } from "../press/calendar-read.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { keepKnown, putOnPage, saveCalendar } from "../store/known.ts";

/** What hangs in the island's shop, as a calendar saves it. */
const ISLAND = path.join(import.meta.dirname, "the-island.ics");

const ON_PAGE = ["parade@", "play@", "sister@", "feast@"];

/** What the keeper of the demo knows of December before it comes, and what of it stands on the month's page. */
export async function knowLanternMonth(db: Db, author: Author, timeZone: string): Promise<void> {
  const album = await readAlbum(db, author.householdId, author.albumId);
  if (!album) throw new Error("the demo's album is gone");
  const read = readCalendar(await readFile(ISLAND), album.album.span, timeZone);
  if (!read.ok) throw new Error(`the demo's calendar was refused: ${read.reason}`);
  await saveCalendar(db, author, read.name, read.events);
  for (const { key } of read.events)
    if (ON_PAGE.some((each) => key.startsWith(each))) await putOnPage(db, author, key, true);
  const on = "2026-12-21" as CalendarDate;
  const times = { from: on, to: on, starts: null, ends: null };
  await keepKnown(db, author, { key: "baking", source: "", title: "Saffron loaves with Gran", ...times, onPage: true });
}
