import autocannon from "autocannon";

export type Visit = { readonly base: string; readonly cookie: string };

const ROUNDS = 5;
const SECONDS = 3;

function throughput({ base, cookie }: Visit, path: string, seconds: number): Promise<number> {
  return new Promise((resolve, reject) => {
    autocannon(
      { url: base + path, connections: 6, duration: seconds, headers: { cookie, "accept-encoding": "gzip" } },
      (error, result) => {
        if (error) return reject(error);
        if (result.non2xx > 0 || result.errors > 0)
          return reject(new Error(`${path}: ${result.non2xx} refused, ${result.errors} failed`));
        resolve(result.requests.average);
      },
    );
  });
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/**
 * Throughput of each page over that of an empty page of the same stack, the pages taken in turn within every round so
 * that a busy machine slows all of them; the median over the rounds.
 */
export async function pageRatios(
  visit: Visit,
  empty: string,
  pages: Readonly<Record<string, string>>,
): Promise<Record<string, number>> {
  for (const path of [empty, ...Object.values(pages)]) await throughput(visit, path, 2);
  const ratios: Record<string, number[]> = {};
  for (let round = 0; round < ROUNDS; round++) {
    const base = await throughput(visit, empty, SECONDS);
    for (const [name, path] of Object.entries(pages)) {
      const list = ratios[name] ?? [];
      ratios[name] = list;
      list.push((await throughput(visit, path, SECONDS)) / base);
    }
  }
  return Object.fromEntries(Object.entries(ratios).map(([name, values]) => [name, median(values)]));
}

/** The most database statements that any of the pages needed, as each page itself says; after a change, so that nothing is remembered. */
export async function mostQueries({ base, cookie }: Visit, paths: readonly string[]): Promise<number> {
  const counts = await Promise.all(
    paths.map(async (path) => {
      const answer = await fetch(base + path, { headers: { cookie } });
      const said = /queries;desc="(\d+)"/.exec(answer.headers.get("server-timing") ?? "");
      if (!answer.ok || !said) throw new Error(`${path} did not say how many statements it sent`);
      return Number(said[1]);
    }),
  );
  return Math.max(...counts);
}
