// Serves the built program: DATABASE_URL and PORT say where. Ends cleanly on SIGINT and SIGTERM.
import { readFileSync } from "node:fs";
import path from "node:path";
import { startHost } from "../build/server/index.js";

const projectRoot = path.resolve(import.meta.dirname, "..");
const port = Number(process.env.PORT ?? 4100);
const { version } = JSON.parse(readFileSync(path.join(projectRoot, "package.json"), "utf8"));
const host = await startHost({ databaseUrl: process.env.DATABASE_URL ?? "", port, projectRoot }).catch((error) => {
  // Said as it is where it is for whoever runs the program, such as tables that a newer one made.
  process.stderr.write(`Hearth Clock ${version} did not start. ${error.message}\n`);
  process.exit(1);
});
// Before it says that it is here: whoever hears that may end it at once.
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => host.close().then(() => process.exit(0)));
process.stdout.write(`Hearth Clock ${version}, tables as of ${host.schema}\n`);
const address = host.server.address();
process.stdout.write(`listening on ${typeof address === "object" && address ? address.port : port}\n`);
