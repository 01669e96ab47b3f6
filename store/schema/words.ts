import { index, integer, jsonb, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import type { Length } from "../../core/measure/length.ts";
import type { StampSet } from "../../core/words/lettering.ts";
import type { Jar, Slip } from "../../core/words/slip.ts";
import { household } from "./household.ts";

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
  },
  (table) => [unique("deck_name_once").on(table.householdId, table.name)],
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
  },
  (table) => [unique("hand_name_once").on(table.householdId, table.name)],
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
  },
  (table) => [index("stamp_set_household").on(table.householdId)],
);
