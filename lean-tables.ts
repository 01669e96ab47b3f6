import { createRequire } from "node:module";
import type { Plugin } from "vite";

/**
 * Two packages bring large tables that are made ready as soon as their file runs: a slow machine stands still for a third of
 * a second before a page can be used. Here they are written in another way while building, and the build stops when a
 * package does not keep its table as it is known here.
 */
export const leanTables = (): Plugin[] => [lineBreaks(), hyphens()];

/**
 * Where a line may break: a stream deflated twice. It becomes runs of equal values, which the line packs better still and
 * one loop unpacks.
 */
function lineBreaks(): Plugin {
  const packed = /= [\w$.]+\(("[A-Za-z0-9+/=]{1000,}")\);\s*const ([\w$]+) = new ([\w$.]+)\(([\w$]+)\);/;
  let found = 0;
  return {
    name: "lean-line-breaks",
    apply: "build",
    transform(code, id) {
      if (!id.includes("/node_modules/linebreak/")) return null;
      const [whole, base64 = "", trie = "", maker = ""] = packed.exec(code) ?? [];
      if (!whole) return null;
      found += 1;
      return {
        code: code.replace(whole, () => `= 0;\nconst ${trie} = new ${maker}(${unpackedOf(base64)});`),
        map: null,
      };
    },
    buildEnd(error) {
      if (!error && found === 0 && this.environment.name === "client")
        throw new Error("The package of line breaks keeps its table in another way now: see lean-tables.ts");
    },
  };
}

/** Where a word may be parted: a nest of thirteen thousand lines. It becomes text, read when the first word is parted. */
function hyphens(): Plugin {
  let found = 0;
  return {
    name: "lean-hyphens",
    apply: "build",
    transform(_, id) {
      if (!id.includes("/node_modules/hyphen/patterns/en-gb.js")) return null;
      const table: unknown = createRequire(import.meta.url)(id.split("?")[0] ?? id);
      if (!Array.isArray(table)) throw new Error("The package of hyphens keeps its table in another way now");
      found += 1;
      const parts = table.map((_part, at) => `get ${at}() { return all()[${at}]; }`);
      return {
        code: `let known; const all = () => (known ??= JSON.parse(${JSON.stringify(JSON.stringify(table))})); export default { ${parts.join(", ")} };`,
        map: null,
      };
    },
    buildEnd(error) {
      if (!error && found === 0 && this.environment.name === "client")
        throw new Error("The table of hyphens was not found: see lean-tables.ts");
    },
  };
}

type Trie = { readonly data: Uint32Array; readonly highStart: number; readonly errorValue: number };

/** What makes the table again: how often each of its values stands in a row, and the value, in text that is read fast. */
function unpackedOf(base64: string): string {
  const near = createRequire(createRequire(import.meta.url).resolve("linebreak"));
  const Unpacked: new (packed: Buffer) => Trie = near("unicode-trie");
  const { data, highStart, errorValue } = new Unpacked(Buffer.from(JSON.parse(base64), "base64"));
  const runs: number[] = [];
  let from = 0;
  for (let at = 1; at <= data.length; at++) {
    if (at < data.length && data[at] === data[from]) continue;
    runs.push(at - from, data[from] ?? 0);
    from = at;
  }
  return `((runs) => {
    const data = new Uint32Array(${data.length});
    for (let i = 0, at = 0; i < runs.length; i += 2) data.fill(runs[i + 1], at, (at += runs[i]));
    return { data, highStart: ${highStart}, errorValue: ${errorValue} };
  })(JSON.parse("${JSON.stringify(runs)}"))`;
}
