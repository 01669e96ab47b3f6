import { sql } from "drizzle-orm";
import { boolean, check, date, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import type { CalendarDate } from "../../core/month/dates.ts";
import { album } from "./album.ts";

const calendarDate = (name: string) => date(name, { mode: "string" }).$type<CalendarDate>();

/** What is known ahead of an album's days, read from calendars or said here. */
export const knownEvent = pgTable(
  "known_event",
  {
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    /** What it is called wherever it is read again. */
    key: text("key").notNull(),
    /** The calendar it was read from; empty where it was said here. */
    source: text("source").notNull(),
    title: text("title").notNull(),
    from: calendarDate("from_date").notNull(),
    to: calendarDate("to_date").notNull(),
    starts: text("starts"),
    ends: text("ends"),
    onPage: boolean("on_page").notNull().default(false),
  },
  (table) => [
    primaryKey({ columns: [table.albumId, table.key] }),
    check("known_event_ends_after", sql`${table.to} >= ${table.from}`),
  ],
);
