import { date, index, jsonb, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { CalendarDate } from "../../core/month/dates.ts";
import type { GoesOut } from "../../core/share/going-out.ts";
import { album } from "./album.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });

/** A link by which an album is looked at from outside the household. */
export const share = pgTable(
  "share",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    /** Whom it is for. */
    name: text("name").notNull(),
    goes: jsonb("goes").$type<GoesOut>().notNull(),
    /** The last day on which it is open; null: it has no end. */
    endsOn: date("ends_on", { mode: "string" }).$type<CalendarDate>(),
    /** SHA-256 of the secret in the address, in hex; null while it is closed. */
    secretHash: text("secret_hash").unique(),
    /** Since when the address is as it is. */
    since: instant("since"),
    createdAt: instant("created_at").notNull().defaultNow(),
  },
  (table) => [index("share_album").on(table.albumId)],
);
