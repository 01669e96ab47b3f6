import { seedDemo } from "../../demo/seed.ts";
import { startPostgres } from "../../scripts/postgres.ts";
import { startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { migrateStore } from "../../store/migrate.ts";

/** One database with the demo in it, and one server over it, for all browser tests. */
export default async function setup() {
  const cluster = await startPostgres("browser", true);
  const store = openStore(cluster.url);
  await migrateStore(store, "store/migrations");
  await seedDemo(store.db);
  await store.close();
  const server = await startServer(cluster.url);
  process.env.BROWSER_DATABASE_URL = cluster.url;
  process.env.BROWSER_BASE = server.base;
  return async () => {
    await server.stop();
    await cluster.stop();
  };
}
