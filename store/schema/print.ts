import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { Print, PrintState } from "../../core/album/print.ts";
import type { Length } from "../../core/measure/length.ts";
import type { Rect } from "../../core/measure/rect.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import type { CutStep } from "../../core/sheet/cutting.ts";
import type { Choices, Lab } from "../../core/sheet/printer.ts";
import type { SheetOf } from "../../core/sheet/record.ts";
import { album, card, dayPhoto } from "./album.ts";
import { household } from "./household.ts";

const length = (name: string) => integer(name).$type<Length>();
const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });

/** A household's printers: what each leaves white, how long the bars of its test page came out, and how it was last used. */
export const printer = pgTable(
  "printer",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull().default("The printer"),
    margin: length("margin").notNull(),
    across: length("across").notNull(),
    along: length("along").notNull(),
    /** How long those bars are meant to be. */
    bar: length("bar").notNull(),
    /** The same, printed to the paper's edge; null where that was not measured. */
    borderlessAcross: length("borderless_across"),
    borderlessAlong: length("borderless_along"),
    last: jsonb("last").$type<Choices>(),
    /** What it is besides where it is a lab. */
    lab: jsonb("lab").$type<Lab>(),
    usedAt: instant("used_at").notNull().defaultNow(),
  },
  (table) => [
    index("printer_household").on(table.householdId),
    check("printer_sizes", sql`${table.margin} >= 0 and least(${table.across}, ${table.along}, ${table.bar}) > 0`),
  ],
);

/** A sheet of paper with prints ganged on it, and how it is cut. What is on it never changes once it is made. */
export const printSheet = pgTable(
  "print_sheet",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    /** Prints of pictures, or of cards: other paper. */
    of: text("of").$type<SheetOf>().notNull().default("photos"),
    paperW: length("paper_w").notNull(),
    paperH: length("paper_h").notNull(),
    cuts: jsonb("cuts").$type<CutStep[]>().notNull(),
    waste: jsonb("waste").$type<Rect[]>().notNull(),
    /** The cuts that are made, by their place in the list. */
    cutsDone: integer("cuts_done").array().notNull().default([]),
    madeAt: instant("made_at").notNull(),
    printedAt: instant("printed_at"),
    printerId: uuid("printer_id").references(() => printer.id, { onDelete: "set null" }),
    borderless: boolean("borderless").notNull().default(false),
    version: integer("version").notNull().default(1),
  },
  (table) => [
    unique("print_sheet_number").on(table.albumId, table.number),
    unique("print_sheet_of_album").on(table.id, table.albumId),
    check("print_sheet_paper", sql`${table.paperW} > 0 and ${table.paperH} > 0`),
  ],
);

/** Prints ordered from a lab, and the day they are due. */
export const labOrder = pgTable(
  "lab_order",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    orderedOn: date("ordered_on", { mode: "string" }).$type<CalendarDate>().notNull(),
    dueOn: date("due_on", { mode: "string" }).$type<CalendarDate>().notNull(),
    arrivedAt: instant("arrived_at"),
    labId: uuid("lab_id").references(() => printer.id, { onDelete: "set null" }),
  },
  (table) => [
    unique("lab_order_number").on(table.albumId, table.number),
    unique("lab_order_of_album").on(table.id, table.albumId),
    check("lab_order_dates", sql`${table.dueOn} >= ${table.orderedOn}`),
  ],
);

/** One print of a picture or a card of a day, on a sheet of ours or in an order at the lab, as it was when that was made. */
export const print = pgTable(
  "print",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    sheetId: uuid("sheet_id"),
    orderId: uuid("order_id"),
    /** Its number on the sheet or in the order. */
    place: integer("place").notNull(),
    /** What it is a print of: a picture as a day uses it, or a card. */
    useId: uuid("use_id").references(() => dayPhoto.id, { onDelete: "cascade" }),
    cardId: uuid("card_id").references(() => card.id, { onDelete: "cascade" }),
    /** Where it lies on its sheet; from zero in an order. */
    x: length("x").notNull(),
    y: length("y").notNull(),
    w: length("w").notNull(),
    h: length("h").notNull(),
    turned: boolean("turned").notNull(),
    spare: boolean("spare").notNull(),
    /** The crop and the look it was made with; another one since wants another print. */
    madeAs: text("made_as").notNull(),
    state: text("state").$type<PrintState>().notNull(),
    /** Which part of a picture's print it is, and how large the whole; null when it is the whole. */
    tile: jsonb("tile").$type<Print["tile"]>(),
    /** The paper of a lab's that it is cut out of. */
    paperW: length("paper_w"),
    paperH: length("paper_h"),
  },
  (table) => [
    index("print_of_album").on(table.albumId),
    index("print_use").on(table.useId),
    index("print_card").on(table.cardId),
    check("print_of_one", sql`(${table.useId} is null) <> (${table.cardId} is null)`),
    unique("print_place_on_sheet").on(table.sheetId, table.place),
    unique("print_place_in_order").on(table.orderId, table.place),
    // Said to be printed elsewhere, it is so once.
    uniqueIndex("print_use_elsewhere_once")
      .on(table.useId)
      .where(sql`${table.sheetId} is null and ${table.orderId} is null`),
    uniqueIndex("print_card_elsewhere_once")
      .on(table.cardId)
      .where(sql`${table.sheetId} is null and ${table.orderId} is null`),
    check("print_tile_of_picture", sql`${table.tile} is null or ${table.useId} is not null`),
    check("print_size", sql`${table.w} > 0 and ${table.h} > 0`),
    // Neither: it was printed elsewhere, as the keeper says.
    check("print_from_one", sql`${table.sheetId} is null or ${table.orderId} is null`),
    check("print_state", sql`${table.state} in ('made', 'printed', 'trimmed', 'spoiled')`),
    // A print is on a sheet, or in an order, of its own album.
    foreignKey({
      name: "print_sheet_same_album",
      columns: [table.sheetId, table.albumId],
      foreignColumns: [printSheet.id, printSheet.albumId],
    }).onDelete("cascade"),
    foreignKey({
      name: "print_order_same_album",
      columns: [table.orderId, table.albumId],
      foreignColumns: [labOrder.id, labOrder.albumId],
    }).onDelete("cascade"),
  ],
);
