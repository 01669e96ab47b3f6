import { missingEntries } from "../tests/matrix/routes.ts";

/** Says which routes and intents nobody has tried with another's session; part of `./hearth check`. */
const missing = missingEntries();
for (const each of missing) process.stdout.write(`${each}\n`);
process.exitCode = missing.length > 0 ? 1 : 0;
