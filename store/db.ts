import { AsyncLocalStorage } from "node:async_hooks";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import * as schema from "./schema/index.ts";

export type Db = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Db["transaction"]>[0]>[0];
/** What a reading function needs: the pool, or a transaction under way. */
export type Reader = Db | Transaction;

export type Store = { readonly db: Db; readonly pool: pg.Pool; readonly close: () => Promise<void> };

/** Any number, the same in every process. */
const MIGRATION_LOCK = 481_516;

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
  // An idle connection that the server drops is replaced at the next query; the pool must not bring the process down.
  pool.on("error", () => {});
  const db = drizzle(pool, {
    schema,
    logger: {
      logQuery: () => {
        const tally = counter.getStore();
        if (tally) tally.count += 1;
      },
    },
  });
  return { db, pool, close: () => pool.end() };
}

/** Brings the tables up to date. Safe to call from several processes at once: the others wait for the first. */
export async function migrateStore(store: Store, migrationsFolder: string): Promise<void> {
  const guard = await store.pool.connect();
  try {
    await guard.query("select pg_advisory_lock($1)", [MIGRATION_LOCK]);
    await migrate(store.db, { migrationsFolder });
  } finally {
    await guard.query("select pg_advisory_unlock($1)", [MIGRATION_LOCK]);
    guard.release();
  }
}

/** By PostgreSQL's own codes: class 08 is the connection, class 53 a full disk or memory or too many connections. */
const GONE = /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|57P0[123]|08...|53...)$/;

/** Whether an error says that the database cannot take anything just now, rather than that something is wrong with a statement. */
export function isStoreGone(error: unknown): boolean {
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    const code = "code" in cause ? String(cause.code) : "";
    if (GONE.test(code) || /connection terminated|timeout exceeded when trying to connect/i.test(cause.message))
      return true;
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
