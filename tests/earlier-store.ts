import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { openStore } from "../store/db.ts";
import { migrateStore } from "../store/migrate.ts";

export const MIGRATIONS = "store/migrations";

/** A store of an empty database as an earlier version left it: with its steps up to the one of this number, 0 the first. */
export async function storeAsOf(url: string, last: number) {
  const folder = mkdtempSync(path.join(tmpdir(), "hearth-earlier-"));
  cpSync(MIGRATIONS, folder, { recursive: true });
  const journal = JSON.parse(readFileSync(path.join(folder, "meta/_journal.json"), "utf8"));
  journal.entries = journal.entries.filter(({ idx }: { idx: number }) => idx <= last);
  writeFileSync(path.join(folder, "meta/_journal.json"), JSON.stringify(journal));
  const store = openStore(url);
  await migrateStore(store, folder);
  rmSync(folder, { recursive: true });
  return store;
}
