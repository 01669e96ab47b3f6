import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { openReadingPool } from "../../press/reading-pool.ts";

/** Reads a folder's pictures again and again, a few at a time, and says the most memory it took, in megabytes. */
const [folder = "", count = "0", atOnce = "1"] = process.argv.slice(2);
const files = readdirSync(folder).map((name) => path.join(folder, name));
const pool = openReadingPool(path.resolve(import.meta.dirname, "../.."));
let most = 0;
let next = 0;
await Promise.all(
  Array.from({ length: Number(atOnce) }, async () => {
    while (next < Number(count)) {
      const read = await pool.read(readFileSync(files[next++ % files.length] ?? ""), "a.jpg");
      if (!read.ok) throw new Error(read.reason);
      most = Math.max(most, process.memoryUsage().rss);
    }
  }),
);
await pool.close();
process.stdout.write(String(most / 1024 ** 2));
