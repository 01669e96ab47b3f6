import { pgTable, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { album } from "./album.ts";
import { member } from "./household.ts";

/** A private address that a calendar fetches an album's days and a person's evenings from. */
export const feed = pgTable(
  "feed",
  {
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    memberId: uuid("member_id")
      .notNull()
      .references(() => member.id, { onDelete: "cascade" }),
    /** SHA-256 of the secret in the address, in hex: whoever reads the table cannot fetch the feed. */
    secretHash: text("secret_hash").notNull().unique(),
    since: timestamp("since", { withTimezone: true, mode: "date" }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.albumId, table.memberId] })],
);
