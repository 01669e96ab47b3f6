import { spawn } from "node:child_process";
import path from "node:path";
import { seedDemo } from "../demo/seed.ts";
import { openStore } from "../store/db.ts";
import { migrateStore } from "../store/migrate.ts";
import { startPostgres } from "./postgres.ts";

/** Starts the database and the built program with the demo household in it, and keeps both until told to end. */
const port = process.env.PORT ?? "4100";
const cluster = process.env.DATABASE_URL ? null : await startPostgres("demo");
const databaseUrl = process.env.DATABASE_URL ?? cluster?.url ?? "";

const store = openStore(databaseUrl);
await migrateStore(store, path.resolve(import.meta.dirname, "../store/migrations"));
await seedDemo(store.db, () =>
  process.stdout.write("The demo's pictures are being painted, once; later starts are quick.\n"),
);
await store.close();

const server = spawn(process.execPath, [path.resolve(import.meta.dirname, "serve.mjs")], {
  stdio: ["ignore", "pipe", "inherit"],
  env: {
    ...process.env,
    NODE_ENV: "production",
    DATABASE_URL: databaseUrl,
    PORT: port,
    HEARTH_LOG: process.env.HEARTH_LOG ?? "warn",
  },
});
server.stdout.on("data", (text: Buffer) => {
  for (const line of text.toString().split("\n").filter(Boolean))
    process.stdout.write(
      line.startsWith("listening")
        ? `Hearth Clock is at http://127.0.0.1:${line.trim().split(" ").at(-1)}  (Ctrl+C ends it)\n`
        : `${line}\n`,
    );
});
const end = () => server.kill("SIGTERM");
process.once("SIGINT", end);
process.once("SIGTERM", end);
server.once("exit", async (code) => {
  await cluster?.stop();
  process.exit(code ?? 0);
});
