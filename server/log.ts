import pino from "pino";

/** One line an event, to standard output. Nothing a keeper wrote, no file name, no mail address ever goes in. */
export const log = pino({
  level: process.env.HEARTH_LOG ?? "info",
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
});

/**
 * What a developer needs of an error and no more. Messages are left out: a database error repeats the statement's values,
 * and a parser's error repeats its input. Names, codes, the broken constraint and the places in our code remain.
 */
export function describeError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { error: typeof error };
  const at = (error.stack ?? "")
    .split("\n")
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 8)
    .map((line) => line.trim());
  const known = Object.fromEntries(
    (["code", "constraint", "table", "column", "severity"] as const).flatMap((key) =>
      key in error ? [[key, String(error[key as never])]] : [],
    ),
  );
  return { error: error.name, ...known, at, ...(error.cause ? { cause: describeError(error.cause) } : {}) };
}
