import { sql } from "drizzle-orm";
import {
  type AnyPgColumn,
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  pgView,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import {
  type Binding,
  type BindingEdge,
  type Matter,
  type NumeralStyle,
  type Part,
  type Preparing,
  type Step,
  USUAL_PREPARING,
} from "../../core/album/model.ts";
import type { Pattern } from "../../core/book/pattern.ts";
import type { RulerMark } from "../../core/bulk/ruler.ts";
import type { EndMark } from "../../core/finish/end-mark.ts";
import type { Length, Unit } from "../../core/measure/length.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import type { MonthPage } from "../../core/month/month-kind.ts";
import type { Numbering } from "../../core/month/numbering.ts";
import type { FirstStep } from "../../core/pace/first-evening.ts";
import type { Corners } from "../../core/photo/preprint.ts";
import { type PhotoRule, USUAL_RULE } from "../../core/photo/propose.ts";
import type { InPrint, Together } from "../../core/photo/together.ts";
import type { CardSetting } from "../../core/words/lettering.ts";
import type { PrintedOn } from "../../core/words/printed-on.ts";
import { household, member } from "./household.ts";
import { photo } from "./photo.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const length = (name: string) => integer(name).$type<Length>();
const calendarDate = (name: string) => date(name, { mode: "string" }).$type<CalendarDate>();

export const album = pgTable(
  "album",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    /** The id an album carries through its archives, by which a second reading knows it again. */
    archiveId: uuid("archive_id").notNull().defaultRandom(),
    title: text("title").notNull(),
    unit: text("unit").$type<Unit>().notNull(),
    numbering: text("numbering").$type<Numbering>().notNull(),
    startsOn: calendarDate("starts_on").notNull(),
    endsOn: calendarDate("ends_on").notNull(),
    formatName: text("format_name").notNull(),
    binding: text("binding").$type<Binding>().notNull(),
    nominalW: length("nominal_w").notNull(),
    nominalH: length("nominal_h").notNull(),
    openingW: length("opening_w").notNull(),
    openingH: length("opening_h").notNull(),
    outerW: length("outer_w").notNull(),
    outerH: length("outer_h").notNull(),
    bareW: length("bare_w").notNull(),
    bareH: length("bare_h").notNull(),
    margin: length("margin").notNull(),
    bindingEdge: text("binding_edge").$type<BindingEdge>().notNull(),
    holePositions: integer("hole_positions").array().$type<Length[]>().notNull(),
    holeInset: length("hole_inset").notNull(),
    holeDiameter: length("hole_diameter").notNull(),
    coverW: length("cover_w").notNull(),
    coverH: length("cover_h").notNull(),
    capacity: integer("capacity_micrometres").notNull(),
    /** How many leaves a bound book was sewn with; null where leaves are put in, or nobody has counted. */
    leafCount: integer("leaf_count"),
    /** Which pictures a day's prints may be of. */
    photoRule: text("photo_rule").$type<PhotoRule>().notNull().default(USUAL_RULE),
    /** The closed book measured with a ruler, and what was reckoned of it then. */
    ruler: jsonb("ruler").$type<RulerMark[]>().notNull().default([]),
    /** How much of the pages is made before their days. */
    preparing: text("preparing").$type<Preparing>().notNull().default(USUAL_PREPARING),
    /** The pattern of foundation pages that was last set over the month. */
    pattern: jsonb("pattern").$type<Pattern>(),
    /** Steps of the first evening that were done where it cannot be seen, or left (core/pace/first-evening.ts). */
    firstSettled: text("first_settled").array().$type<FirstStep[]>().notNull().default([]),
    /** Loose ends that were left, or kept for an evening (core/finish/end-mark.ts). */
    looseEnds: jsonb("loose_ends").$type<EndMark[]>().notNull().default([]),
    /** What to do otherwise with the next album. */
    nextYear: text("next_year").notNull().default(""),
    version: integer("version").notNull().default(1),
    /** Counts every change to the album or any of its days; kept by triggers. What was read at one revision holds while it stands. */
    revision: integer("revision").notNull().default(1),
    createdAt: instant("created_at").notNull().defaultNow(),
    deletedAt: instant("deleted_at"),
  },
  (table) => [
    index("album_household").on(table.householdId),
    check("album_title_said", sql`${table.title} <> ''`),
    check("album_span", sql`${table.endsOn} >= ${table.startsOn} and ${table.endsOn} - ${table.startsOn} < 62`),
    check("album_sizes", sql`least(${table.nominalW}, ${table.nominalH}, ${table.openingW}, ${table.openingH}) > 0`),
    check("album_outer", sql`${table.outerW} >= ${table.openingW} and ${table.outerH} >= ${table.openingH}`),
    check("album_bare", sql`${table.bareW} > 0 and ${table.bareH} > 0`),
    check("album_leaf_count", sql`${table.leafCount} between 1 and 200`),
    check("album_margin", sql`${table.margin} >= 0 and ${table.margin} < ${table.outerW}`),
  ],
);

export const day = pgTable(
  "day",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    /** Null for the front and back matter. */
    date: calendarDate("date"),
    /** What a page that is no day's is for; null for a day. */
    matter: text("matter").$type<Matter>(),
    /** The date given to such a page. */
    ownDate: calendarDate("own_date"),
    skipped: boolean("skipped").notNull().default(false),
    mergedInto: uuid("merged_into").references((): AnyPgColumn => day.id),
    title: text("title").notNull().default(""),
    note: text("note").notNull().default(""),
    promptText: text("prompt_text").notNull().default(""),
    promptSlip: text("prompt_slip"),
    techniqueText: text("technique_text").notNull().default(""),
    techniqueSlip: text("technique_slip"),
    waived: text("waived").array().$type<Part[]>().notNull().default([]),
    numeralStyle: text("numeral_style").$type<NumeralStyle>().notNull().default("printed"),
    numeralNote: text("numeral_note").notNull().default(""),
    done: text("done").array().$type<Step[]>().notNull().default([]),
    undone: text("undone").array().$type<Step[]>().notNull().default([]),
    leftAlone: text("left_alone").array().notNull().default([]),
    /** All of it stays in the household until this day. */
    privateUntil: date("private_until", { mode: "string" }).$type<CalendarDate>(),
    /** Its page was made wet: nothing goes on it before this day. */
    driesUntil: calendarDate("dries_until"),
    /** A tradition: the next album has it on the same day. */
    everyYear: boolean("every_year").notNull().default(false),
    /** What to do otherwise next year. */
    nextYear: text("next_year").notNull().default(""),
    /** What a month calendar page has in its squares; null: as usual, where nothing lies on it. */
    monthPage: jsonb("month_page").$type<MonthPage>(),
    version: integer("version").notNull().default(0),
    updatedAt: instant("updated_at"),
    updatedBy: uuid("updated_by").references(() => member.id, { onDelete: "set null" }),
  },
  (table) => [
    // Deferred in the migration, so that two days can exchange dates within one transaction.
    unique("day_date_once").on(table.albumId, table.date),
    // A leaf or a side names its day together with the album, so that it can only be a day of its own album.
    unique("day_of_album").on(table.id, table.albumId),
    check("day_dated", sql`(${table.date} is null) = (${table.matter} is not null)`),
    check("day_own_date", sql`${table.ownDate} is null or ${table.matter} is not null`),
    check("day_month_page", sql`${table.monthPage} is null or ${table.matter} is not distinct from 'month-calendar'`),
    check("day_not_into_itself", sql`${table.mergedInto} <> ${table.id}`),
  ],
);

const ofDay = {
  id: uuid("id").primaryKey().defaultRandom(),
  dayId: uuid("day_id")
    .notNull()
    .references(() => day.id, { onDelete: "cascade" }),
  position: integer("position").notNull(),
  /** In the tray since; null while on its day. */
  deletedAt: instant("deleted_at"),
};
const pieceColumns = { ...ofDay, w: length("w").notNull(), h: length("h").notNull() };

export const card = pgTable(
  "card",
  {
    ...pieceColumns,
    text: text("text").notNull(),
    back: text("back").notNull().default(""),
    /** How it is written; null: as usual for its size. */
    setting: jsonb("setting").$type<CardSetting>(),
    hidden: text("hidden").notNull().default(""),
    /** A picture of what is printed on it already, and where its corners lie there. */
    preprintPhoto: uuid("preprint_photo").references(() => photo.id),
    preprintCorners: jsonb("preprint_corners").$type<Corners>(),
    privateUntil: calendarDate("private_until"),
    /** Whoever gave it words; null while it has none. */
    writtenBy: uuid("written_by").references(() => member.id, { onDelete: "set null" }),
  },
  (table) => [
    index("card_day").on(table.dayId),
    index("card_preprint_photo").on(table.preprintPhoto).where(sql`${table.preprintPhoto} is not null`),
    check("card_size", sql`${table.w} > 0 and ${table.h} > 0`),
    check("card_preprint", sql`(${table.preprintPhoto} is null) = (${table.preprintCorners} is null)`),
  ],
);

/** Words caught on the day. The phone that sent one gave it its id, so that it is never taken twice. */
export const jotting = pgTable(
  "jotting",
  {
    ...ofDay,
    text: text("text").notNull(),
    /** By the household's own clock: `YYYY-MM-DDTHH:MM`. */
    at: text("at").notNull(),
    privateUntil: calendarDate("private_until"),
    /** Whoever wrote it; null where it came with an archive, or from before this was kept. */
    writtenBy: uuid("written_by").references(() => member.id, { onDelete: "set null" }),
  },
  (table) => [index("jotting_day").on(table.dayId)],
);

/** Pictures that share a print as they are kept: what is known of them is known where they are. */
type KeptTogether = Omit<Together, "others"> & { readonly others: readonly Omit<InPrint, "picture">[] };

export const dayPhoto = pgTable(
  "day_photo",
  {
    ...pieceColumns,
    photoId: uuid("photo_id")
      .notNull()
      .references(() => photo.id),
    alt: text("alt").notNull().default(""),
    /** One repetition of a pattern, across and down; null where the picture fills its print once. */
    repeatW: length("repeat_w"),
    repeatH: length("repeat_h"),
    /** How pictures share the print, and which the others are; null where this one has it to itself. */
    together: jsonb("together").$type<KeptTogether>(),
    onIt: jsonb("on_it").$type<PrintedOn[]>().notNull().default([]),
    privateUntil: date("private_until", { mode: "string" }).$type<CalendarDate>(),
    /** The point to keep in ten-thousandths of the picture; null for the machine's guess. */
    keepX: integer("keep_x"),
    keepY: integer("keep_y"),
    slideX: integer("slide_x").notNull().default(0),
    slideY: integer("slide_y").notNull().default(0),
    /** How much closer than need be, in per cent. */
    closer: integer("closer").notNull().default(100),
    border: integer("border").$type<Length>().notNull().default(sql`0`),
  },
  (table) => [
    index("day_photo_day").on(table.dayId),
    index("day_photo_photo").on(table.photoId),
    check("day_photo_size", sql`${table.w} > 0 and ${table.h} > 0`),
    check("day_photo_keep", sql`(${table.keepX} is null) = (${table.keepY} is null)`),
    index("day_photo_together").on(table.dayId).where(sql`${table.together} is not null`),
    check("day_photo_closer", sql`${table.closer} between 100 and 400 and ${table.border} >= 0`),
  ],
);

/** Which pictures lie on which days, alone in a print or with others; made by the migrations. */
export const pictureOnDay = pgView("picture_on_day", {
  useId: uuid("use_id").notNull(),
  dayId: uuid("day_id").notNull(),
  photoId: uuid("photo_id").notNull(),
  deletedAt: timestamp("deleted_at", { withTimezone: true, mode: "date" }),
}).existing();
