import { randomUUID } from "node:crypto";
import type { DayEdit } from "../core/album/edit.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveDayEdit } from "../store/day.ts";
import type { Db } from "../store/db.ts";
import { noteForNext } from "../store/next-year.ts";
import { changeTally } from "../store/tally.ts";

/** What of an album stays from year to year, by the days of its month. */
type Stays = {
  readonly month: string;
  readonly everyYear: readonly string[];
  readonly nextYear: Readonly<Record<string, string>>;
  readonly ofAlbum: string;
  readonly counted: Readonly<Record<string, readonly (readonly [day: string, text: string])[]>>;
};

const LAST_YEAR: Stays = {
  month: "2025-12",
  everyYear: ["09", "24"],
  nextYear: {
    "05": "The long way over only at half past two: the tide does not wait for Isolde.",
    "09": "Count from the slip. From the point the schoolhouse hides two.",
    "13": "Less paper. Quill folds faster than we can write.",
    "24": "Leave at four, with dry boots in the boat.",
  },
  ofAlbum: "Nine days were enough to remember all of it. Pages ready by the end of November.",
  counted: {
    "Songs at the lamp": [
      ["01", "Silver Net"],
      ["04", "The Long Swell"],
      ["06", "Silver Net"],
      ["13", "Wick and Wax"],
      ["24", "Silver Net"],
      ["24", "The Long Swell"],
      ["25", ""],
    ],
    "Visitors off the boat": [
      ["06", "Odette"],
      ["13", "Bram, with Ivo"],
      ["25", "All four"],
    ],
  },
};

const THIS_YEAR: Stays = {
  month: "2026-12",
  everyYear: ["09"],
  nextYear: { "06": "Let Gran write the saffron down herself." },
  ofAlbum: "",
  counted: {
    "Songs at the lamp": [
      ["01", "Wick and Wax"],
      ["03", "Silver Net"],
      ["05", "The Long Swell"],
      ["05", "silver net"],
      ["06", "Silver Net"],
      ["08", ""],
      ["09", "Home before the Tide"],
    ],
    "Visitors off the boat": [
      ["02", "Bram"],
      ["07", "A man about the rail"],
    ],
  },
};

async function stays(db: Db, author: Author, { month, everyYear, nextYear, ofAlbum, counted }: Stays): Promise<void> {
  const days = (await readAlbum(db, author.householdId, author.albumId))?.days ?? [];
  const edit = (on: string, change: DayEdit) =>
    saveDayEdit(db, author, days.find(({ date }) => date === `${month}-${on}`)?.id ?? "", null, change);
  for (const on of everyYear) await edit(on, { kind: "every-year", on: true });
  for (const [on, text] of Object.entries(nextYear)) await edit(on, { kind: "next-year", text });
  await noteForNext(db, author, "", ofAlbum);
  for (const [name, marks] of Object.entries(counted)) {
    const id = randomUUID();
    await changeTally(db, author, { how: "add", id, name });
    for (const [on, text] of marks) {
      const mark = { id: randomUUID(), date: `${month}-${on}` as CalendarDate, text };
      await changeTally(db, author, { how: "mark", id, mark });
    }
  }
}

/** Traditions, notes for next year and tallies, in the December of the year before and in this one. */
export async function keepFromYearToYear(db: Db, lastYear: Author, thisYear: Author): Promise<void> {
  await stays(db, lastYear, LAST_YEAR);
  await stays(db, thisYear, THIS_YEAR);
}
