import { sql } from "drizzle-orm";
import {
  bigint,
  check,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
  varchar,
} from "drizzle-orm/pg-core";
import { household, member } from "./household.ts";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const bytes = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** What is done in the background. */
export type WorkKind = "read-archive" | "write-archive" | "write-document" | "write-household";
/** `gathering`: its file is still coming in. `refused`: it could not be, and `outcome` says why. `failed`: something broke. */
export type WorkState = "gathering" | "waiting" | "running" | "done" | "refused" | "failed" | "cancelled";

/** A piece of work that takes longer than a page may wait for: asked for by a member, done by one process, told as it goes. */
export const work = pgTable(
  "work",
  {
    /** Given by whoever asks, so that asking twice is asking once. */
    id: uuid("id").primaryKey(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    memberId: uuid("member_id").references(() => member.id, { onDelete: "set null" }),
    kind: text("kind").$type<WorkKind>().notNull(),
    /** What is to be done, as its kind understands it. */
    asked: jsonb("asked").$type<unknown>().notNull(),
    state: text("state").$type<WorkState>().notNull(),
    /** How far it is: so much of so much. */
    done: bigint("done", { mode: "number" }).notNull().default(0),
    whole: bigint("whole", { mode: "number" }).notNull().default(0),
    outcome: jsonb("outcome").$type<unknown>(),
    askedAt: instant("asked_at").notNull().defaultNow(),
    /** The process that does it, and when it last said so: one that falls silent has lost it. */
    claimedBy: text("claimed_by"),
    beatAt: instant("beat_at"),
    tries: integer("tries").notNull().default(0),
    /** It goes then, with its file. */
    expiresAt: instant("expires_at").notNull(),
  },
  (table) => [
    index("work_waiting").on(table.state, table.askedAt),
    index("work_of_household").on(table.householdId),
    check(
      "work_state",
      sql`${table.state} in ('gathering', 'waiting', 'running', 'done', 'refused', 'failed', 'cancelled')`,
    ),
    check("work_kind", sql`${table.kind} in ('read-archive', 'write-archive', 'write-document', 'write-household')`),
    check("work_claimed", sql`(${table.state} = 'running') = (${table.claimedBy} is not null)`),
  ],
);

/** The file of a piece of work, in parts of one size, so that no more than one is held at a time. */
export const workPart = pgTable(
  "work_part",
  {
    workId: uuid("work_id")
      .notNull()
      .references(() => work.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    bytes: bytes("bytes").notNull(),
  },
  (table) => [primaryKey({ columns: [table.workId, table.place] }), check("work_part_place", sql`${table.place} >= 0`)],
);

/** An act that was done, by the id it was sent with, and what was answered: sent again, it is answered and not done again. */
export const doneAct = pgTable(
  "done_act",
  {
    id: uuid("id").notNull(),
    householdId: uuid("household_id")
      .notNull()
      .references(() => household.id, { onDelete: "cascade" }),
    answer: jsonb("answer").$type<unknown>(),
    at: instant("at").notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.householdId, table.id] }), index("done_act_at").on(table.at)],
);

/** How often something was tried of late, as the limiter's library keeps it; keys are hashed. */
export const tryCount = pgTable("try_count", {
  key: varchar("key", { length: 255 }).primaryKey(),
  points: integer("points").notNull().default(0),
  expire: bigint("expire", { mode: "number" }),
});

/** A device that a member signed in from before: wrong tries of others do not keep it out. Only a hash of its name is kept. */
export const knownDevice = pgTable(
  "known_device",
  {
    tokenHash: text("token_hash").notNull(),
    memberId: uuid("member_id")
      .notNull()
      .references(() => member.id, { onDelete: "cascade" }),
    seenAt: instant("seen_at").notNull(),
  },
  (table) => [primaryKey({ columns: [table.tokenHash, table.memberId] })],
);
