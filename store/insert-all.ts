import type { PgTable } from "drizzle-orm/pg-core";
import type { Transaction } from "./db.ts";

/** Rows of one statement: PostgreSQL takes 65,535 values at once, and no table of ours has sixty columns. */
const AT_ONCE = 1000;

/** Writes any number of rows, in as many statements as it takes. */
export async function insertAll<T extends PgTable>(
  tx: Transaction,
  table: T,
  rows: readonly T["$inferInsert"][],
): Promise<void> {
  for (let at = 0; at < rows.length; at += AT_ONCE)
    await tx.insert(table).values(rows.slice(at, at + AT_ONCE) as never);
}
