import { startPostgres } from "../scripts/postgres.ts";
import { openStore } from "../store/db.ts";
import { migrateStore } from "../store/migrate.ts";

/** Tests that touch the store use one cluster of their own, or the server that DATABASE_URL names. */
export default async function setup() {
  const cluster = process.env.DATABASE_URL ? null : await startPostgres("test", true);
  process.env.DATABASE_URL ??= cluster?.url ?? "";
  const store = openStore(process.env.DATABASE_URL);
  await migrateStore(store, "store/migrations");
  await store.close();
  return () => cluster?.stop();
}
