import { stopPostgres } from "./postgres.ts";

/** Stops the databases that `demo`, `dev` and the tests of this checkout left running. */
for (const name of ["demo", "test", "browser", "bench", "bench-load"]) await stopPostgres(name);
