import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  doublePrecision,
  index,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { ROLES, type Role } from "../../core/share/role.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const IS_ROLE = sql.raw(`in (${ROLES.map((role) => `'${role}'`).join(", ")})`);

export const household = pgTable(
  "household",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    name: text("name").notNull(),
    timeZone: text("time_zone").notNull(),
    /** Those who are written about, by the names they are called: for words in which a name is missing. */
    people: text("people").array().notNull().default([]),
    /** A wall clock that stands still, `YYYY-MM-DDTHH:MM`: the demo's. Null for everyone else. */
    fixedNow: text("fixed_now"),
    isDemo: boolean("is_demo").notNull().default(false),
    createdAt: instant("created_at").notNull().defaultNow(),
    /** Where it lives, in degrees north and east, for the sun alone; both or neither is known. */
    latitude: doublePrecision("latitude"),
    longitude: doublePrecision("longitude"),
    /** When it goes, with all it holds; null: it stays. */
    goesAt: instant("goes_at"),
  },
  (table) => [
    check(
      "household_on_globe",
      sql`(${table.latitude} is null) = (${table.longitude} is null) and ${table.latitude} between -90 and 90 and ${table.longitude} between -180 and 180`,
    ),
  ],
);

export const member = pgTable(
  "member",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    role: text("role").$type<Role>().notNull().default("keeper"),
    /** When they left; their name stays, for what they wrote. */
    leftAt: instant("left_at"),
    /** Lower case. Null for a member of the demo, who signs in with the button, and for one who left. */
    mail: text("mail"),
    passphraseHash: text("passphrase_hash"),
  },
  (table) => [
    uniqueIndex("member_mail_once").on(table.mail),
    index("member_household").on(table.householdId),
    check("member_mail_lower", sql`${table.mail} = lower(${table.mail})`),
    check("member_mail_has_passphrase", sql`(${table.mail} is null) = (${table.passphraseHash} is null)`),
    check("member_role", sql`${table.role} ${IS_ROLE}`),
    check("member_left_has_no_door", sql`${table.leftAt} is null or ${table.mail} is null`),
  ],
);

/** A way into a household for one person, by an address that is handed to them. */
export const invitation = pgTable(
  "invitation",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    /** What whoever takes it up may do. */
    role: text("role").$type<Role>().notNull(),
    /** Whom it is for. */
    name: text("name").notNull(),
    /** SHA-256 of the secret in the address, in hex. */
    secretHash: text("secret_hash").notNull().unique(),
    madeBy: uuid("made_by")
      .notNull()
      .references(() => member.id, { onDelete: "cascade" }),
    madeAt: instant("made_at").notNull(),
    expiresAt: instant("expires_at").notNull(),
  },
  (table) => [
    index("invitation_household").on(table.householdId),
    check("invitation_role", sql`${table.role} ${IS_ROLE}`),
  ],
);

/** What a session was begun on, as far as it matters to tell two apart. */
export type SessionDevice = "phone" | "computer";

/** Only a hash of the session token is kept, so that the database alone opens no door. */
export const session = pgTable(
  "session",
  {
    tokenHash: text("token_hash").primaryKey(),
    memberId: uuid("member_id")
      .notNull()
      .references(() => member.id, { onDelete: "cascade" }),
    expiresAt: instant("expires_at").notNull(),
    /** Names it to its member, who may end it. */
    id: uuid("id").notNull().defaultRandom(),
    startedAt: instant("started_at").notNull().defaultNow(),
    /** When it was used last, to the hour. */
    seenAt: instant("seen_at").notNull().defaultNow(),
    /** What it was begun on; null where that is not known. */
    device: text("device").$type<SessionDevice>(),
  },
  (table) => [index("session_expiry").on(table.expiresAt), index("session_member").on(table.memberId)],
);
