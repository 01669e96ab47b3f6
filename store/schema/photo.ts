import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import type { CalendarDate } from "../../core/month/dates.ts";
import type { PictureFace } from "../../core/photo/crop.ts";
import { type Look, NO_LOOK } from "../../core/photo/look.ts";
import type { Traits } from "../../core/photo/traits.ts";
import { household } from "./household.ts";

const bytes = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** The kinds of picture that are taken in. */
export type PictureMime = "image/jpeg" | "image/png" | "image/webp" | "image/avif" | "image/tiff" | "image/heic";

/** The bytes of a picture as it was added, kept once however many households, albums and days use it. */
export const picture = pgTable("picture", {
  sha256: text("sha256").primaryKey(),
  mime: text("mime").$type<PictureMime>().notNull(),
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

/** What is computed of a picture once, from a small version: for near-doubles, proposals, crops, labels and cards. */
export const pictureTrait = pgTable("picture_trait", {
  sha256: text("sha256")
    .primaryKey()
    .references(() => picture.sha256, { onDelete: "cascade" }),
  fingerprint: text("fingerprint").notNull(),
  sharpness: doublePrecision("sharpness").notNull(),
  /** The point to keep, in ten-thousandths of the picture's width and height. */
  focusX: integer("focus_x").notNull(),
  focusY: integer("focus_y").notNull(),
  /** Light and unrest cell by cell, and the few colours. */
  detail: jsonb("detail").$type<Pick<Traits, "light" | "busy" | "colours"> & { tone?: Traits["tone"] }>().notNull(),
});

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
    /** What somebody wrote into the picture itself. */
    ownWords: text("own_words").notNull().default(""),
    /** The day a keeper gave it, because the camera wrote none or a wrong one. */
    givenDate: date("given_date", { mode: "string" }).$type<CalendarDate>(),
    star: boolean("star").notNull().default(false),
    setAside: boolean("set_aside").notNull().default(false),
    /** Taken ahead, for a day that will have no light or no time. */
    banked: boolean("banked").notNull().default(false),
    look: jsonb("look").$type<Look>().notNull().default(NO_LOOK),
    /** The faces that a keeper marked, as boxes in ten-thousandths of the picture. */
    faces: jsonb("faces").$type<readonly PictureFace[]>().notNull().default([]),
    /** The names of who is on it; empty where nobody is, null where nobody has said. */
    people: text("people").array(),
    /** Put in the tray then, unless a day uses it; null while it is on the roll. */
    deletedAt: timestamp("deleted_at", { withTimezone: true, mode: "date" }),
    addedAt: timestamp("added_at", { withTimezone: true, mode: "date" }).notNull().defaultNow(),
  },
  (table) => [
    unique("photo_once").on(table.householdId, table.sha256),
    index("photo_picture").on(table.sha256),
    index("photo_of_household").on(table.householdId, table.capturedAt),
    check("photo_size", sql`${table.width} > 0 and ${table.height} > 0`),
  ],
);
