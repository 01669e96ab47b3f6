import { date, foreignKey, index, integer, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import type { CalendarDate } from "../../core/month/dates.ts";
import { album } from "./album.ts";
import { member } from "./household.ts";

/** What is counted over an album's month: songs played, films seen, visitors. */
export const tally = pgTable(
  "tally",
  {
    id: uuid("id").primaryKey(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    place: integer("place").notNull(),
  },
  (table) => [
    // A mark names its tally together with the album, so that it can only be of a tally of its own album.
    unique("tally_of_album").on(table.id, table.albumId),
    index("tally_album").on(table.albumId),
  ],
);

/** Something that was counted once, on a date, in words or without any. */
export const tallyMark = pgTable(
  "tally_mark",
  {
    id: uuid("id").primaryKey(),
    tallyId: uuid("tally_id").notNull(),
    albumId: uuid("album_id").notNull(),
    date: date("date", { mode: "string" }).$type<CalendarDate>().notNull(),
    text: text("text").notNull().default(""),
    place: integer("place").notNull(),
    /** Whoever counted it; null where it came with an archive. */
    writtenBy: uuid("written_by").references(() => member.id, { onDelete: "set null" }),
  },
  (table) => [
    foreignKey({
      name: "tally_mark_tally",
      columns: [table.tallyId, table.albumId],
      foreignColumns: [tally.id, tally.albumId],
    }).onDelete("cascade"),
    index("tally_mark_of").on(table.tallyId),
  ],
);
