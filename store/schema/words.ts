import { isNull } from "drizzle-orm";
import { index, integer, jsonb, pgTable, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import type { Length } from "../../core/measure/length.ts";
import type { StampSet } from "../../core/words/lettering.ts";
import type { Jar, Slip } from "../../core/words/slip.ts";
import { household } from "./household.ts";

/** In the tray since; null while it is in use. */
const deletedAt = () => timestamp("deleted_at", { withTimezone: true, mode: "date" });
const length = (name: string) => integer(name).$type<Length>();

/** A household's own deck: prompts, or techniques. A slip keeps its id for as long as its deck lives. */
export const deck = pgTable(
  "deck",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    jar: text("jar").$type<Jar>().notNull(),
    slips: jsonb("slips").$type<Slip[]>().notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [uniqueIndex("deck_name_once").on(table.householdId, table.name).where(isNull(table.deletedAt))],
);

/** Somebody's handwriting as it was measured. Cards keep their own copy of it. */
export const hand = pgTable(
  "hand",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    em: length("em").notNull(),
    line: length("line").notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [uniqueIndex("hand_name_once").on(table.householdId, table.name).where(isNull(table.deletedAt))],
);

/** A set of alphabet stamps as it was measured. Cards keep their own copy of it. */
export const stampSet = pgTable(
  "stamp_set",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    measures: jsonb("measures").$type<StampSet>().notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index("stamp_set_household").on(table.householdId)],
);
