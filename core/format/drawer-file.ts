import { z } from "zod";
import type { Thing } from "../drawer/thing.ts";
import { thingSchema } from "../drawer/thing-schema.ts";
import { LIMITS } from "../limits.ts";
import { IN_MILLIMETRES } from "../measure/length-schema.ts";

/**
 * The drawer's own file: a ZIP with `drawer.json`, described here, and the pictures of its things under `pictures/`.
 * Lengths are millimetres. A reader refuses a `formatVersion` above its own.
 */
export const DRAWER_FORMAT = "hearth-clock-drawer";
export const DRAWER_VERSION = 1;
export const DRAWER_ENTRY = "drawer.json";

/** A thing as the file has it, with the entry that shows it; null: none does. */
export type FiledThing = Thing & { readonly picture: string | null };

const FILE = z.object({
  format: z.literal(DRAWER_FORMAT),
  formatVersion: z.literal(DRAWER_VERSION),
  lengths: z.literal("mm"),
  things: z
    .array(
      thingSchema(IN_MILLIMETRES).safeExtend({
        picture: z
          .string()
          .regex(/^pictures\/[0-9a-f]{64}\.(jpg|png|webp|avif|tif|heic)$/)
          .nullable(),
      }),
    )
    .max(LIMITS.things.most),
});

/** The JSON text of `drawer.json`, indented, for people to read too. */
export const writeDrawerFile = (things: readonly FiledThing[]): string =>
  JSON.stringify(
    z.encode(FILE, {
      ...({ format: DRAWER_FORMAT, formatVersion: DRAWER_VERSION, lengths: "mm" } as const),
      things: [...things] as never,
    }),
    null,
    2,
  );

export type DrawerFileProblem = "not-a-drawer" | "newer-format" | "damaged";
export type ReadDrawerFile =
  | { readonly ok: true; readonly things: readonly FiledThing[] }
  | { readonly ok: false; readonly reason: DrawerFileProblem };

/** Reads the text of `drawer.json`; a mark of the byte order before it is passed over. */
export function readDrawerFile(text: string): ReadDrawerFile {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    return { ok: false, reason: "damaged" };
  }
  const head = z.object({ format: z.literal(DRAWER_FORMAT), formatVersion: z.int().positive() }).safeParse(raw);
  if (!head.success) return { ok: false, reason: "not-a-drawer" };
  if (head.data.formatVersion > DRAWER_VERSION) return { ok: false, reason: "newer-format" };
  const read = FILE.safeDecode(raw as z.input<typeof FILE>);
  return read.success ? { ok: true, things: read.data.things } : { ok: false, reason: "damaged" };
}
