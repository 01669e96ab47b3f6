import { readFileSync } from "node:fs";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { z } from "zod";
import { isStoreGone, type Store } from "./db.ts";

/** Any number, the same in every process. */
const MIGRATION_LOCK = 481_516;
const PAUSE_MS = 500;

/** The database was written by a newer program: its tables have steps that this one does not know. */
export class NewerSchema extends Error {
  readonly steps: readonly string[];
  constructor(known: string, steps: readonly string[]) {
    super(
      `This program knows the tables up to ${known}; the database has ${steps.join(", ")}, which a newer program made. ` +
        "Nothing was changed. Start the newer program, or give this one the backup that was made before.",
    );
    this.steps = steps;
  }
}

const JOURNAL = z.object({ entries: z.array(z.object({ tag: z.string() })).min(1) });

/** The steps of the tables that this program knows, in order, by name. */
function knownSteps(migrationsFolder: string): string[] {
  const journal = readFileSync(path.join(migrationsFolder, "meta/_journal.json"), "utf8");
  return JOURNAL.parse(JSON.parse(journal)).entries.map(({ tag }) => tag);
}

/** The steps that a newer program made in this database; none in one that is as old as this program or older. */
async function newerSteps(client: pg.Client, known: readonly string[]): Promise<string[]> {
  await client.query(
    "create table if not exists schema_step (tag text primary key, at timestamptz not null default now())",
  );
  const { rows } = await client.query<{ tag: string }>("select tag from schema_step order by tag");
  return rows.map(({ tag }) => tag).filter((tag) => !known.includes(tag));
}

/**
 * Brings the tables up to date, over a connection of its own without any limit on how long a statement takes. Safe to
 * call from several processes at once: the others wait for the first, however long it needs, and so does a process that
 * starts before its database; `waiting` hears of it, once. Returns the name of the last step; throws `NewerSchema` where
 * the tables are ahead.
 */
export async function migrateStore(
  store: Store,
  migrationsFolder: string,
  waiting: (why: unknown) => void = () => {},
): Promise<string> {
  for (let told = false; ; told = true) {
    try {
      return await migrateOnce(store.url, migrationsFolder);
    } catch (error) {
      if (!isStoreGone(error)) throw error;
      if (!told) waiting(error);
      await wait(PAUSE_MS);
    }
  }
}

async function migrateOnce(url: string, migrationsFolder: string): Promise<string> {
  const client = new pg.Client({ connectionString: url, options: "-c timezone=UTC -c statement_timeout=0" });
  client.on("error", () => {});
  await client.connect();
  try {
    // The lock goes with the connection, also where this process ends in the middle.
    await client.query("select pg_advisory_lock($1)", [MIGRATION_LOCK]);
    const known = knownSteps(migrationsFolder);
    const last = known.at(-1) ?? "";
    const newer = await newerSteps(client, known);
    if (newer.length > 0) throw new NewerSchema(last, newer);
    await migrate(drizzle(client), { migrationsFolder });
    await client.query("insert into schema_step (tag) select unnest($1::text[]) on conflict do nothing", [known]);
    return last;
  } finally {
    await client.end().catch(() => {});
  }
}
