import path from "node:path";

/** While the program runs from its sources, as tests and the seeding of the demo do, threads are loaded from theirs. */
const FROM_SOURCES = import.meta.url.endsWith(".ts");

/** Where a thread's code lies and how it is loaded: `source` is its file in the project, built beside the server by its name. */
export function threadFile(projectRoot: string, source: string): { filename: string; execArgv: string[] } {
  if (FROM_SOURCES) return { filename: path.join(projectRoot, source), execArgv: ["--import", "tsx"] };
  return { filename: path.join(projectRoot, "build/server", `${path.basename(source, ".ts")}.js`), execArgv: [] };
}
