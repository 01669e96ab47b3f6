import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, type Plugin } from "vite";
import { compression } from "vite-plugin-compression2";
import { leanTables } from "./lean-tables.ts";
import { scriptFiles } from "./script-files.ts";

/**
 * Where a file of a page does not come, the router loads the page that one is on again, and the link looks dead; without
 * a connection the browser then puts its own page in place of ours. Here such a page is one that cannot be drawn, which
 * the boundary round the places says, until it is loaded anew. The build stops when the router's own lines are not as
 * they are known here.
 */
function missingFilesAreErrors(): Plugin {
  const reloads = /window\.location\.reload\(\);\s*return new Promise\(\(\) => \{\s*\}\);/;
  let found = 0;
  return {
    name: "missing-files-are-errors",
    apply: "build",
    transform(code) {
      if (!code.includes("Error loading route module") || !reloads.test(code)) return null;
      found += 1;
      const page = 'return { default: () => { throw new Error("page-did-not-load", { cause: error }); } };';
      return { code: code.replace(reloads, page), map: null };
    },
    buildEnd(error) {
      if (!error && found === 0 && this.environment.name === "client")
        throw new Error(
          "The router loads missing files in another way now: see missingFilesAreErrors in vite.config.ts",
        );
    },
  };
}

/** The threads of the server, each a file beside it under its own name; see press/thread-file.ts. */
function threads(): Plugin {
  return {
    name: "threads-of-the-server",
    apply: (_, { isSsrBuild }) => isSsrBuild === true,
    buildStart() {
      for (const id of ["press/reading-worker.ts", "server/work/work-thread.ts"])
        this.emitFile({ type: "chunk", id, fileName: `${id.split("/").at(-1)?.replace(".ts", "")}.js` });
    },
  };
}

/** Packages of a hundred small files each: read one by one, they are a third of what starting the server takes. */
const MANY_FILES = [/^@radix-ui\//, "radix-ui", "lucide-react", "zod", "drizzle-orm", "temporal-polyfill"];

export default defineConfig(({ isSsrBuild }) => ({
  // The server bundle is the whole Express host, so that routes and host share one copy of the store.
  build: isSsrBuild
    ? { rollupOptions: { input: "./server/host.ts" } }
    : {
        assetsInlineLimit: 0,
        rolldownOptions: { output: { codeSplitting: { groups: scriptFiles(import.meta.dirname) } } },
      },
  ...(isSsrBuild ? { ssr: { noExternal: MANY_FILES } } : {}),
  // What a browser loads is packed once, here, and lies packed beside the file: see server/files.ts.
  plugins: [
    ...[missingFilesAreErrors(), ...leanTables(), threads(), tailwindcss(), reactRouter()],
    ...(isSsrBuild ? [] : [compression({ algorithms: ["gzip"], include: /\.(js|css|svg)$/, threshold: 1000 })]),
  ],
}));
