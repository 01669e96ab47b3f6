import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  customType,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { household } from "./household.ts";

const bytes = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** The bytes of a picture as it was added, kept once however many households, albums and days use it. */
export const picture = pgTable("picture", {
  sha256: text("sha256").primaryKey(),
  mime: text("mime").$type<"image/jpeg" | "image/png" | "image/webp">().notNull(),
  bytes: bytes("bytes").notNull(),
});

/** A smaller version made for the screen: turned upright, without any of the camera's notes. */
export const pictureVersion = pgTable(
  "picture_version",
  {
    sha256: text("sha256")
      .notNull()
      .references(() => picture.sha256, { onDelete: "cascade" }),
    longSide: integer("long_side").notNull(),
    bytes: bytes("bytes").notNull(),
  },
  (table) => [primaryKey({ columns: [table.sha256, table.longSide] })],
);

/** One picture in a household's roll. */
export const photo = pgTable(
  "photo",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    sha256: text("sha256")
      .notNull()
      .references(() => picture.sha256),
    name: text("name").notNull(),
    /** Pixels, the right way up. */
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    /** The camera's own clock, `YYYY-MM-DDTHH:MM:SS`. */
    capturedAt: text("captured_at"),
    offset: text("utc_offset"),
    hasPlace: boolean("has_place").notNull(),
    addedAt: timestamp("added_at", { withTimezone: true, mode: "date" }).notNull().defaultNow(),
  },
  (table) => [
    unique("photo_once").on(table.householdId, table.sha256),
    index("photo_picture").on(table.sha256),
    check("photo_size", sql`${table.width} > 0 and ${table.height} > 0`),
  ],
);
