// Serves the built program: DATABASE_URL and PORT say where. Ends cleanly on SIGINT and SIGTERM.
import path from "node:path";
import { startHost } from "../build/server/index.js";

const projectRoot = path.resolve(import.meta.dirname, "..");
const port = Number(process.env.PORT ?? 4100);
const host = await startHost({ databaseUrl: process.env.DATABASE_URL ?? "", port, projectRoot });
const address = host.server.address();
process.stdout.write(`listening on ${typeof address === "object" && address ? address.port : port}\n`);
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => host.close().then(() => process.exit(0)));
