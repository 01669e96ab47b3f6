import { AsyncLocalStorage } from "node:async_hooks";
import { setTimeout as wait } from "node:timers/promises";
import { getTableColumns, type SQL, sql } from "drizzle-orm";
import { drizzle, type NodePgQueryResultHKT } from "drizzle-orm/node-postgres";
import type { PgDatabase, PgTable } from "drizzle-orm/pg-core";
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

/** How often a transaction is tried that PostgreSQL ended because of a deadlock, and how long it waits before each next try. */
const MOST_TRIES = 6;
const PAUSE_MS = 25;

const counter = new AsyncLocalStorage<{ count: number }>();

/** Runs `work` and tells how many statements it sent to the database. */
export function countingQueries<T>(work: (queries: () => number) => T): T {
  const tally = { count: 0 };
  return counter.run(tally, () => work(() => tally.count));
}

/** Opens a database; `most`: how many connections may be held at once. */
export function openStore(url: string, most = 12): Store {
  const pool = new pg.Pool({
    connectionString: url,
    max: most,
    connectionTimeoutMillis: 4000,
    idleTimeoutMillis: 30_000,
    statement_timeout: 30_000,
    options: "-c timezone=UTC",
  });
  // A connection that the server drops, idle or at work, is replaced at the next query; whoever waits for an answer on it
  // gets the error. Without a listener the same error would end the program.
  pool.on("error", () => {});
  pool.on("connect", (client) => client.on("error", () => {}));
  const logQuery = () => {
    const tally = counter.getStore();
    if (tally) tally.count += 1;
  };
  const settings = { schema, logger: { logQuery } };
  const db = drizzle(pool, settings);
  const connections = new WeakMap<pg.PoolClient, Db>();
  db.transaction = (work, config) =>
    againWhenChosen(async () => {
      const client = await pool.connect();
      const connection = connections.get(client) ?? drizzle(client, settings);
      connections.set(client, connection);
      try {
        return await connection.transaction((tx) => work(on(connection, tx)), config);
      } finally {
        client.release();
      }
    });
  return { db, pool, url, close: () => pool.end() };
}

/** The connection that each transaction under way runs on. */
const connectionOf = new WeakMap<Transaction, Db>();

/** Notes on which connection a transaction runs, and those begun inside it. */
function on(connection: Db, tx: Transaction): Transaction {
  connectionOf.set(tx, connection);
  const begin = tx.transaction.bind(tx);
  tx.transaction = (work) => begin((inner) => work(on(connection, inner)));
  return tx;
}

/**
 * A query that is written once for each connection, instead of anew for each transaction: building the statement of a
 * whole day costs more than asking for it. `write` must use placeholders for all that changes.
 *
 * @example
 * const dayQuery = writtenOnce((db) => db.query.day.findFirst({ where: eq(day.id, sql.placeholder("id")) }).prepare("day"));
 * const row = await dayQuery(tx).execute({ id });
 */
export function writtenOnce<Q>(write: (db: Reader) => Q): (within: Reader) => Q {
  const written = new WeakMap<Reader, Q>();
  return (within) => {
    const connection = connectionOf.get(within as Transaction) ?? within;
    const query = written.get(connection) ?? write(connection);
    written.set(connection, query);
    return query;
  };
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

/**
 * For a row that is there already: its columns of these names as they were to be inserted. `of` says some of them as the
 * keys of an object.
 */
export function excluded<T extends PgTable>(
  table: T,
  of: object,
  ...names: (keyof T["$inferInsert"] & string)[]
): Record<string, SQL> {
  const columns = getTableColumns(table) as Record<string, { readonly name: string }>;
  return Object.fromEntries(
    [...Object.keys(of), ...names].map((name) => [name, sql.raw(`excluded."${columns[name]?.name}"`)]),
  );
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

/** Whether a row was refused by a rule of its table: a size of nothing, a span that ends before it begins. */
export const breaksRule = (error: unknown): boolean => hasCode(error, "23514");

/** Whether PostgreSQL ended a transaction so that others could go on: a deadlock, or writes that could not be put in a row. */
const isVictim = (error: unknown): boolean => hasCode(error, "40P01") || hasCode(error, "40001");
