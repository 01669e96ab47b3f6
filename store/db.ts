import { AsyncLocalStorage } from "node:async_hooks";
import { setTimeout as wait } from "node:timers/promises";
import { drizzle, type NodePgQueryResultHKT } from "drizzle-orm/node-postgres";
import type { PgDatabase } from "drizzle-orm/pg-core";
import pg from "pg";
import * as schema from "./schema/index.ts";

/** The pool, or a transaction under way: one begun inside another is part of it. */
export type Db = PgDatabase<NodePgQueryResultHKT, typeof schema>;
export type Transaction = Parameters<Parameters<Db["transaction"]>[0]>[0];
/** What a reading function needs: the pool, or a transaction under way. */
export type Reader = Db | Transaction;

export type Store = {
  readonly db: Db;
  readonly pool: pg.Pool;
  readonly url: string;
  readonly close: () => Promise<void>;
};

/** How often a transaction is begun that PostgreSQL ended to let another pass, and how long it waits before each next try. */
const MOST_TRIES = 6;
const PAUSE_MS = 25;

const counter = new AsyncLocalStorage<{ count: number }>();

/** Runs `work` and tells how many statements it sent to the database. */
export function countingQueries<T>(work: (queries: () => number) => T): T {
  const tally = { count: 0 };
  return counter.run(tally, () => work(() => tally.count));
}

export function openStore(url: string): Store {
  const pool = new pg.Pool({
    connectionString: url,
    max: 12,
    connectionTimeoutMillis: 4000,
    idleTimeoutMillis: 30_000,
    statement_timeout: 30_000,
    options: "-c timezone=UTC",
  });
  // A connection that the server drops, idle or at work, is replaced at the next query; whoever waits for an answer on it
  // gets the error. Without a listener the same error would end the program.
  pool.on("error", () => {});
  pool.on("connect", (client) => client.on("error", () => {}));
  const db = drizzle(pool, {
    schema,
    logger: {
      logQuery: () => {
        const tally = counter.getStore();
        if (tally) tally.count += 1;
      },
    },
  });
  const begin = db.transaction.bind(db);
  db.transaction = (work, config) => againWhenChosen(() => begin(work, config));
  return { db, pool, url, close: () => pool.end() };
}

/** Does a transaction, and does it again where PostgreSQL chose it to end a deadlock: nothing of it was written. */
async function againWhenChosen<T>(transaction: () => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await transaction();
    } catch (error) {
      if (!isVictim(error) || tried === MOST_TRIES) throw error;
      await wait(PAUSE_MS * tried * (0.5 + Math.random()));
    }
  }
}

/**
 * Codes that say "not now". PostgreSQL's own: class 08 is the connection, class 53 a full disk or memory or too many
 * connections, 57P its shutdown and start, 57014 and 55P03 a statement or lock waited for too long, 25006 a server that
 * only reads. Node's: the machine or the network.
 */
const GONE =
  /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOTFOUND|EAI_AGAIN|57P0[1-5]|57014|55P03|25006|08...|53...)$/;
/** What the driver says without a code. */
const GONE_IN_WORDS =
  /connection (was )?(terminated|ended|closed)|connection error|not queryable|timeout exceeded when trying to connect|query read timeout|pool after calling end/i;

/** Whether an error says that the database cannot take anything just now, rather than that something is wrong with a statement. */
export function isStoreGone(error: unknown): boolean {
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    const code = "code" in cause ? String(cause.code) : "";
    if (GONE.test(code) || (code === "" && GONE_IN_WORDS.test(cause.message))) return true;
    if (cause instanceof AggregateError && cause.errors.some(isStoreGone)) return true;
  }
  return false;
}

function hasCode(error: unknown, code: string): boolean {
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    if ("code" in cause && cause.code === code) return true;
  }
  return false;
}

/** Whether an error is a broken uniqueness rule. */
export const isTaken = (error: unknown): boolean => hasCode(error, "23505");

/** Whether an error is a broken reference: something named that is not there, or not in this album. */
export const isForeign = (error: unknown): boolean => hasCode(error, "23503");

/**
 * Whether a value cannot be kept at all: not text, not a date, a number too large. Class 22 of PostgreSQL's codes. What
 * comes from outside is checked before it gets here; where that missed something, it is a refusal and no fault.
 */
export const isBadValue = (error: unknown): boolean =>
  ["22P02", "22021", "22003", "22007", "22008", "22P05"].some((code) => hasCode(error, code));

/** Whether PostgreSQL ended a transaction so that others could go on: a deadlock, or writes that could not be put in a row. */
const isVictim = (error: unknown): boolean => hasCode(error, "40P01") || hasCode(error, "40001");
