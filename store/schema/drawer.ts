import { sql } from "drizzle-orm";
import { boolean, check, index, integer, jsonb, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { LetterSet } from "../../core/drawer/letters.ts";
import type { NumberSet } from "../../core/drawer/numerals.ts";
import type { Lot, ThingKind } from "../../core/drawer/thing.ts";
import type { MaterialId, Micrometres } from "../../core/material/material.ts";
import type { Length } from "../../core/measure/length.ts";
import type { Rect } from "../../core/measure/rect.ts";
import { household } from "./household.ts";
import { photo } from "./photo.ts";

/** Something in a household's drawer: paper, numbers, stickers, and how many of it there are. */
export const thing = pgTable(
  "thing",
  {
    id: uuid("id").primaryKey(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    kind: text("kind").$type<ThingKind>().notNull(),
    /** Null: as things of its kind usually are. */
    material: text("material").$type<MaterialId>(),
    w: integer("w").$type<Length>(),
    h: integer("h").$type<Length>(),
    count: integer("count").notNull(),
    lies: text("lies").notNull().default(""),
    lot: text("lot").$type<Lot>().notNull().default("stash"),
    useUp: boolean("use_up").notNull().default(false),
    hasTop: boolean("has_top").notNull().default(false),
    oneSided: boolean("one_sided").notNull().default(false),
    /** A part of each sheet that stays whole, in ticks from its left upper corner. */
    motif: jsonb("motif").$type<Rect>(),
    /** Micrometres, as it was measured; null: as is typical of its material. */
    caliper: integer("caliper").$type<Micrometres>(),
    numbers: jsonb("numbers").$type<NumberSet>(),
    letters: jsonb("letters").$type<LetterSet>(),
    note: text("note").notNull().default(""),
    /** A picture of it on the household's roll; its colours are read from that. */
    photoId: uuid("photo_id").references(() => photo.id, { onDelete: "set null" }),
    /** Since when it lies there. */
    addedAt: timestamp("added_at", { withTimezone: true, mode: "date" }).notNull().defaultNow(),
    /** In the tray since; null while it is in use. */
    deletedAt: timestamp("deleted_at", { withTimezone: true, mode: "date" }),
  },
  (table) => [
    index("thing_of_household").on(table.householdId),
    index("thing_pictured").on(table.photoId),
    // Two hands that take the last one at once: the second finds none.
    check("thing_count", sql`${table.count} between 0 and 100000`),
    check("thing_caliper", sql`${table.caliper} > 0`),
    check("thing_motif", sql`${table.motif} is null or ${table.w} is not null`),
    check("thing_size", sql`(${table.w} is null) = (${table.h} is null)`),
  ],
);
