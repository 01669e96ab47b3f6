import { readdirSync, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { runInNewContext } from "node:vm";
import { expect, it } from "vitest";
import { leanTables } from "../../lean-tables.ts";

const require = createRequire(import.meta.url);

/** A file of a package as the build writes it. */
function built(id: string): string {
  const code = readFileSync(id, "utf8");
  for (const { transform } of leanTables()) {
    const made = typeof transform === "function" ? transform.call({} as never, code, id) : null;
    if (made && typeof made === "object" && "code" in made) return String(made.code);
  }
  throw new Error("no table was found");
}

it("packs the table of line breaks so that the same comes out of it", () => {
  const file = require.resolve("linebreak").replace("main.cjs", "module.mjs");
  const [packed = ""] = /"[A-Za-z0-9+/=]{1000,}"/.exec(readFileSync(file, "utf8")) ?? [];
  const Trie = createRequire(require.resolve("linebreak"))("unicode-trie");
  const { data, highStart, errorValue } = new Trie(Buffer.from(JSON.parse(packed), "base64"));
  const [made = ""] = /\(\(runs\) => \{[\s\S]*?\}\)\(JSON\.parse\("[^"]*"\)\)/.exec(built(file)) ?? [];
  const again = runInNewContext(made);
  expect({ ...again, data: [...again.data] }).toEqual({ highStart, errorValue, data: [...data] });
});

it("keeps the table of hyphens as text, whole", () => {
  const file = require.resolve("hyphen/patterns/en-gb.js");
  const made = runInNewContext(
    built(file).replace("export default", "globalThis.made =").concat("; [...Object.values(made)]"),
  );
  expect(JSON.stringify(made)).toBe(JSON.stringify(require(file)));
});

it("sends browsers nothing of the library that reads what comes from outside", () => {
  const assets = new URL("../../build/client/assets/", import.meta.url);
  const scripts = readdirSync(assets).filter((name) => name.endsWith(".js"));
  expect(scripts.length).toBeGreaterThan(20);
  // Its own name for what it refuses, which is in every build of it.
  expect(scripts.filter((name) => readFileSync(new URL(name, assets), "utf8").includes("ZodError"))).toEqual([]);
});
