import path from "node:path";
import express from "express";
import type { ServerBuild } from "react-router";
import { createServer } from "vite";
import { seedDemo } from "../demo/seed.ts";
import { openReadingPool } from "../press/reading-pool.ts";
import { makeApp, makeGiven } from "../server/host.ts";
import { openWork } from "../server/work/open.ts";
import { openStore } from "../store/db.ts";
import { migrateStore } from "../store/migrate.ts";
import { startPostgres } from "./postgres.ts";

/** The program with the sources as they are, reloaded as they change, over the demo's database. */
const cluster = process.env.DATABASE_URL ? null : await startPostgres("demo");
const databaseUrl = process.env.DATABASE_URL ?? cluster?.url ?? "";
const store = openStore(databaseUrl);
await migrateStore(store, path.resolve(import.meta.dirname, "../store/migrations"));
await seedDemo(store.db);
const vite = await createServer({ server: { middlewareMode: true } });
const app = express();
app.use(vite.middlewares);
const projectRoot = path.resolve(import.meta.dirname, "..");
const reading = openReadingPool(projectRoot);
const work = openWork(projectRoot, databaseUrl);
app.use(
  makeApp(
    makeGiven(store, reading.read, work),
    async () => (await vite.ssrLoadModule("virtual:react-router/server-build")) as ServerBuild,
    null,
  ),
);
const port = Number(process.env.PORT ?? 4100);
app.listen(port, "127.0.0.1", () => process.stdout.write(`Hearth Clock, sources live, at http://127.0.0.1:${port}\n`));
const end = async () => {
  await vite.close();
  await work.close();
  await reading.close();
  await store.close();
  await cluster?.stop();
  process.exit(0);
};
process.once("SIGINT", end);
process.once("SIGTERM", end);
