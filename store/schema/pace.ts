import { sql } from "drizzle-orm";
import {
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { Step } from "../../core/album/model.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import type { Hours } from "../../core/pace/capacity.ts";
import { album } from "./album.ts";
import { member } from "./household.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });

/** When a person has time, and what they say that steps take them. */
export const hours = pgTable(
  "hours",
  {
    memberId: uuid("member_id")
      .primaryKey()
      .references(() => member.id, { onDelete: "cascade" }),
    said: jsonb("said").$type<Hours>().notNull(),
    /** Minutes said by hand; those of other steps are learned. */
    minutes: jsonb("minutes").$type<Partial<Record<Step, number>>>().notNull().default({}),
    /** What was timed before is not learned from any more. */
    forgottenAt: instant("forgotten_at"),
    version: integer("version").notNull().default(1),
  },
  (table) => [check("hours_version", sql`${table.version} > 0`)],
);

/** A way to catch up that was answered with "no" in an album: it is not offered again. */
export const declinedOffer = pgTable(
  "declined_offer",
  {
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    offer: text("offer").notNull(),
  },
  (table) => [primaryKey({ columns: [table.albumId, table.offer] })],
);

/** A sitting: from when to when somebody worked, and what was ticked in it. Without an end it is still under way. */
export const sitting = pgTable(
  "sitting",
  {
    id: uuid("id").primaryKey(),
    memberId: uuid("member_id")
      .notNull()
      .references(() => member.id, { onDelete: "cascade" }),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    /** The date on the household's clock. */
    date: date("date").$type<CalendarDate>().notNull(),
    beganAt: instant("began_at").notNull(),
    endedAt: instant("ended_at"),
    steps: text("steps").array().$type<Step[]>().notNull().default([]),
  },
  (table) => [
    index("sitting_of_member").on(table.memberId, table.date),
    index("sitting_album").on(table.albumId),
    uniqueIndex("sitting_under_way").on(table.memberId).where(sql`${table.endedAt} is null`),
    check("sitting_ends_after", sql`${table.endedAt} is null or ${table.endedAt} >= ${table.beganAt}`),
  ],
);
