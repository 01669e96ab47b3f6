/** What whoever runs the program sets, beside where the database is. */
export type HostSettings = {
  /** The address it listens on. */
  readonly host: string;
  /** Whose word is taken for where a request came from and how: proxies, as Express names them. */
  readonly proxies: readonly string[];
  /** Connections to the database that answering requests may hold at once; the work in the background has its own. */
  readonly connections: number;
  /** Seconds between saying that no more should be sent here and taking no more. */
  readonly drainSeconds: number;
};

/** The background work of one process holds so many connections at the most. */
export const WORK_CONNECTIONS = 4;

/** Reads the settings; throws, in words, where one of them cannot be meant. */
export function readSettings(env: Readonly<Record<string, string | undefined>>): HostSettings {
  const number = (name: string, usual: number, least: number, most: number): number => {
    const said = env[name]?.trim();
    if (!said) return usual;
    const value = Number(said);
    if (Number.isInteger(value) && value >= least && value <= most) return value;
    throw new Error(`${name} is “${said}”. It has to be a whole number from ${least} to ${most}.`);
  };
  const proxies = (env.HEARTH_PROXY ?? "").split(",").map((each) => each.trim());
  return {
    host: env.HEARTH_HOST?.trim() || "127.0.0.1",
    proxies: [...new Set(["loopback", ...proxies.filter(Boolean)])],
    connections: number("HEARTH_POOL", 12, 2, 200),
    drainSeconds: number("HEARTH_DRAIN", 0, 0, 300),
  };
}
