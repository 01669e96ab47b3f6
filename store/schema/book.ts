import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  foreignKey,
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
import type { HolePresetId } from "../../core/album/holes.ts";
import type { Face, InsertKind, LeafKind, LeafStep, Piece, SideStep } from "../../core/album/leaf.ts";
import type { MadeOf } from "../../core/album/made-of.ts";
import type { AlbumFormat } from "../../core/album/model.ts";
import type { LayoutNode } from "../../core/book/layout.ts";
import type { Template, TemplatePiece } from "../../core/book/template.ts";
import type { KeptMaking } from "../../core/craft/kept.ts";
import type { Length, Unit } from "../../core/measure/length.ts";
import { album, day } from "./album.ts";
import { household, member } from "./household.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const length = (name: string) => integer(name).$type<Length>();

/** A leaf of an album's book: what it is, and what was done once for it. */
export const leaf = pgTable(
  "leaf",
  {
    id: uuid("id").primaryKey(),
    albumId: uuid("album_id")
      .notNull()
      .references(() => album.id, { onDelete: "cascade" }),
    /** Its place from 0, without gaps, as a trigger checks at the end of a transaction; null while in the tray. */
    position: integer("position"),
    kind: text("kind").$type<LeafKind>().notNull(),
    layout: text("layout"),
    /** Null where it is of the album's page size. */
    w: length("w"),
    h: length("h"),
    basePaper: text("base_paper").notNull().default(""),
    /** Which sort of insert it is; null for a page. */
    insert: text("insert").$type<InsertKind>(),
    note: text("note").notNull().default(""),
    /** The holes it came with; null where it came with none. */
    oldHoles: text("old_holes").$type<HolePresetId>(),
    /** What its base is made of; null: as usual. */
    of: jsonb("made_of").$type<MadeOf>(),
    done: text("done").array().$type<LeafStep[]>().notNull().default([]),
    drop: length("drop"),
    /** One of those a bound book was sewn with. */
    sewn: boolean("sewn").notNull().default(false),
    /** Glued by its back to the leaf after it. */
    glued: boolean("glued").notNull().default(false),
    liftsOff: boolean("lifts_off").notNull().default(false),
    /** The first leaf of another volume. */
    opensVolume: boolean("opens_volume").notNull().default(false),
    /** What is seen through it and was said to stay as it is. */
    leftSeen: text("left_seen").array().notNull().default([]),
    version: integer("version").notNull().default(0),
    updatedAt: instant("updated_at"),
    updatedBy: uuid("updated_by").references(() => member.id, { onDelete: "set null" }),
    deletedAt: instant("deleted_at"),
  },
  (table) => [
    // Deferred in the migration, so that neighbours can exchange places within one transaction.
    unique("leaf_place_once").on(table.albumId, table.position),
    unique("leaf_of_album").on(table.id, table.albumId),
    check(
      "leaf_placed",
      sql`(${table.position} is null) = (${table.deletedAt} is not null) and coalesce(${table.position}, 0) >= 0`,
    ),
    check("leaf_kind", sql`${table.kind} in ('full', 'pocket', 'paper', 'clear', 'vellum')`),
    check(
      "leaf_size",
      sql`(${table.w} is null) = (${table.h} is null) and coalesce(${table.w}, 1) > 0 and coalesce(${table.h}, 1) > 0`,
    ),
    check("leaf_done", sql`${table.done} <@ array['base', 'punch', 'file']`),
  ],
);

/** One of the two sides of a leaf: one owner at most, and what lies on it. */
export const side = pgTable(
  "side",
  {
    leafId: uuid("leaf_id").notNull(),
    albumId: uuid("album_id").notNull(),
    face: text("face").$type<Face>().notNull(),
    dayId: uuid("day_id"),
    pieces: jsonb("pieces").$type<Piece[]>(),
    /** What was done of this side. */
    done: text("done").array().$type<SideStep[]>().notNull().default([]),
    /** What the keeper says under the opening in which it is up. */
    line: text("line").notNull().default(""),
  },
  (table) => [
    primaryKey({ columns: [table.leafId, table.face] }),
    foreignKey({
      name: "side_leaf",
      columns: [table.leafId, table.albumId],
      foreignColumns: [leaf.id, leaf.albumId],
    }).onDelete("cascade"),
    foreignKey({
      name: "side_day",
      columns: [table.dayId, table.albumId],
      foreignColumns: [day.id, day.albumId],
    }).onDelete("cascade"),
    index("side_day_of").on(table.dayId),
    check("side_face", sql`${table.face} in ('front', 'back')`),
    check("side_done", sql`${table.done} <@ array['number', 'assemble']`),
  ],
);

/** A day that has pieces on a side without owning it. */
export const sideGuest = pgTable(
  "side_guest",
  {
    leafId: uuid("leaf_id").notNull(),
    albumId: uuid("album_id").notNull(),
    face: text("face").$type<Face>().notNull(),
    dayId: uuid("day_id").notNull(),
    /** Which of those that share it, from 0. */
    position: integer("position").notNull(),
    /** What was done of its own pieces there. */
    done: text("done").array().$type<SideStep[]>().notNull().default([]),
  },
  (table) => [
    primaryKey({ columns: [table.leafId, table.face, table.dayId] }),
    foreignKey({
      name: "side_guest_side",
      columns: [table.leafId, table.face],
      foreignColumns: [side.leafId, side.face],
    }).onDelete("cascade"),
    foreignKey({
      name: "side_guest_leaf",
      columns: [table.leafId, table.albumId],
      foreignColumns: [leaf.id, leaf.albumId],
    }).onDelete("cascade"),
    foreignKey({
      name: "side_guest_day",
      columns: [table.dayId, table.albumId],
      foreignColumns: [day.id, day.albumId],
    }).onDelete("cascade"),
    index("side_guest_day_of").on(table.dayId),
    check("side_guest_done", sql`${table.done} <@ array['number', 'assemble']`),
  ],
);

/** A candidate arrangement of a side, beside the one that is kept. */
export const tryOut = pgTable(
  "try_out",
  {
    id: uuid("id").primaryKey(),
    leafId: uuid("leaf_id").notNull(),
    face: text("face").$type<Face>().notNull(),
    name: text("name").notNull(),
    pieces: jsonb("pieces").$type<Piece[]>().notNull(),
    version: integer("version").notNull().default(0),
    madeAt: instant("made_at").notNull(),
    deletedAt: instant("deleted_at"),
    /** When it became the side's arrangement: it waits no more, and is in no tray. */
    keptAt: instant("kept_at"),
  },
  (table) => [
    foreignKey({
      name: "try_out_side",
      columns: [table.leafId, table.face],
      foreignColumns: [side.leafId, side.face],
    }).onDelete("cascade"),
    index("try_out_of").on(table.leafId, table.face),
  ],
);

/** A household's own pocket layout, for any page of its size. */
export const pocketLayout = pgTable(
  "pocket_layout",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    pageW: length("page_w").notNull(),
    pageH: length("page_h").notNull(),
    margin: length("margin").notNull(),
    root: jsonb("root").$type<LayoutNode>().notNull(),
    /** In the tray since; null while it is in use. */
    deletedAt: instant("deleted_at"),
  },
  (table) => [
    index("pocket_layout_household").on(table.householdId),
    check("pocket_layout_size", sql`${table.pageW} > 0 and ${table.pageH} > 0 and ${table.margin} >= 0`),
  ],
);

/** A foundation page a household has made, to make again. */
export const template = pgTable(
  "template",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    pageW: length("page_w").notNull(),
    pageH: length("page_h").notNull(),
    kind: text("kind").$type<Template["kind"]>().notNull(),
    layout: text("layout"),
    pieces: jsonb("pieces").$type<TemplatePiece[]>().notNull(),
    /** In the tray since; null while it is in use. */
    deletedAt: instant("deleted_at"),
  },
  (table) => [index("template_household").on(table.householdId)],
);

/** What is set of a construction, kept by a household to begin others from. */
export const keptMaking = pgTable(
  "kept_making",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    paper: text("paper").$type<KeptMaking["paper"]>().notNull(),
    set: jsonb("set").$type<Omit<KeptMaking, "name" | "paper">>().notNull(),
    /** In the tray since; null while it is in use. */
    deletedAt: instant("deleted_at"),
  },
  (table) => [index("kept_making_household").on(table.householdId)],
);

/** A book measured once, to start other albums from. Albums keep a measured copy of their own. */
export const measuredFormat = pgTable(
  "measured_format",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    unit: text("unit").$type<Unit>().notNull(),
    format: jsonb("format").$type<AlbumFormat>().notNull(),
    /** In the tray since; null while it is in use. */
    deletedAt: instant("deleted_at"),
  },
  (table) => [index("measured_format_household").on(table.householdId)],
);
