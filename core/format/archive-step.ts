import type { z } from "zod";

/**
 * Archives of earlier formats, each brought to the next. One that is of its format and does not look like it is told with
 * where in the file, as the reader of today's does.
 */
export type Brought =
  | { readonly ok: true; readonly raw: unknown }
  | { readonly ok: false; readonly path: readonly PropertyKey[] };
export type Step = { readonly version: number; readonly bring: (raw: unknown) => Brought };

/** The step from one format to the next for what `schema` reads. */
export function step<S extends z.ZodType>(
  version: number,
  schema: S,
  bring: (old: z.output<S>, raw: object) => Brought,
): Step {
  return {
    version,
    bring: (raw) => {
      const read = schema.safeParse(raw);
      return read.success ? bring(read.data, raw as object) : { ok: false, path: read.error.issues[0]?.path ?? [] };
    },
  };
}
export const brought = (raw: object): Brought => ({ ok: true, raw });
