import { startPostgres } from "../scripts/postgres.ts";

/** Tests that touch the store use one cluster of their own, or the server that DATABASE_URL names. */
export default async function setup() {
  if (process.env.DATABASE_URL) return;
  const cluster = await startPostgres("test");
  process.env.DATABASE_URL = cluster.url;
  return () => cluster.stop();
}
