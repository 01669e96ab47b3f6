import {
  bigint,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from "drizzle-orm/pg-core";
import type { Did } from "../../core/journal/did.ts";
import { album, card, day } from "./album.ts";
import { household, member } from "./household.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });

/** One line of the journal: something somebody did, in an album or for the whole household. */
export const journalLine = pgTable(
  "journal_line",
  {
    id: uuid("id").primaryKey(),
    /** The order in which things were done. */
    seq: bigint("seq", { mode: "number" }).generatedAlwaysAsIdentity(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    /** The album it was done in; null where it was done outside of any. */
    albumId: uuid("album_id").references(() => album.id, { onDelete: "cascade" }),
    memberId: uuid("member_id").references(() => member.id, { onDelete: "set null" }),
    at: instant("at").notNull(),
    did: jsonb("did").$type<Did>().notNull(),
    /** When it was taken back; null while it stands. By the database's clock, so that no two have the same. */
    takenBackAt: instant("taken_back_at"),
    /** Whether it can still be taken back, or done again; how it was before is kept as long. */
    open: boolean("open").notNull().default(true),
  },
  (table) => [
    index("journal_line_of").on(table.albumId, table.memberId, table.seq),
    index("journal_line_household").on(table.householdId, table.at),
  ],
);

/** A row of a table as a journal line found it and left it, by its columns. */
export type RowImage = Readonly<Record<string, unknown>>;

/**
 * What a line changed, row by row. Triggers write it, so that no change within a line can be left out
 * (`0017_journal.sql`). Of a changed row both images hold the columns that differ; null: the row was not there.
 */
export const journalRow = pgTable(
  "journal_row",
  {
    id: bigint("id", { mode: "number" }).primaryKey().generatedAlwaysAsIdentity(),
    // Deferred in the migration: the line is written last, when it is known that there is something to write.
    lineId: uuid("line_id")
      .notNull()
      .references(() => journalLine.id, { onDelete: "cascade" }),
    /** The name of the table. */
    of: text("of").notNull(),
    key: jsonb("key").$type<RowImage>().notNull(),
    before: jsonb("before").$type<RowImage>(),
    after: jsonb("after").$type<RowImage>(),
  },
  (table) => [index("journal_row_line").on(table.lineId), index("journal_row_key").on(table.of, table.key)],
);

/** Every save of a day: the version it made, what it wrote, who and when. By these a second window learns what changed under it. */
export const daySave = pgTable(
  "day_save",
  {
    dayId: uuid("day_id")
      .notNull()
      .references(() => day.id, { onDelete: "cascade" }),
    version: integer("version").notNull(),
    memberId: uuid("member_id").references(() => member.id, { onDelete: "set null" }),
    at: instant("at").notNull(),
    fields: text("fields").array().notNull(),
    /** The line it was part of; null where it took one back, and once that line is gone. Deferred in the migration. */
    lineId: uuid("line_id").references(() => journalLine.id, { onDelete: "set null" }),
  },
  (table) => [primaryKey({ columns: [table.dayId, table.version] }), index("day_save_line").on(table.lineId)],
);

/** How a card's words once were: what a save left on its front and back. Kept for as long as the card is. */
export const cardWording = pgTable(
  "card_wording",
  {
    id: bigint("id", { mode: "number" }).primaryKey().generatedAlwaysAsIdentity(),
    cardId: uuid("card_id")
      .notNull()
      .references(() => card.id, { onDelete: "cascade" }),
    /** Null for words that nobody is known to have written: those a card began with. */
    memberId: uuid("member_id").references(() => member.id, { onDelete: "set null" }),
    at: instant("at").notNull(),
    text: text("text").notNull(),
    back: text("back").notNull(),
  },
  (table) => [index("card_wording_of").on(table.cardId, table.id)],
);
