import { z } from "zod";
import { readPrintOf } from "../album/tiles.ts";
import { IN_TICKS, type LengthKinds } from "../measure/length-schema.ts";
import type { GangedSheet } from "./gang.ts";
import { isSound } from "./sound.ts";

const { side: LENGTH } = IN_TICKS;
const PLACE = z.int().min(0).max(2000);
const PART = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("print"), print: PLACE }),
  z.object({ kind: z.literal("cut-on"), prints: z.array(PLACE).max(2000) }),
  z.object({ kind: z.literal("waste") }),
]);
/** As `writePrintOf` writes it. */
const PRINT_OF = z
  .string()
  .max(60)
  .refine((word) => readPrintOf(word) !== null, "no print");
/** A place on a sheet, and a cut across it. */
export function onSheet({ side, length }: LengthKinds) {
  const place = z.object({ x: length, y: length, w: side, h: side });
  const cut = z.object({
    piece: place,
    axis: z.enum(["x", "y"]),
    line: side,
    from: z.enum(["left", "right", "top", "bottom"]),
    measure: side,
    first: PART,
    second: PART,
  });
  return { place, cut };
}
const { place: RECT, cut: CUT } = onSheet(IN_TICKS);

const ID = z.uuid();

/** Something said of a sheet, a print, what is on paper elsewhere, or an order: that it is so, or not after all. */
export const SENT_PRINT = z.discriminatedUnion("how", [
  z.object({
    what: z.literal("print"),
    how: z.literal("printed"),
    sheets: z.array(ID).min(1).max(500),
    on: z.boolean(),
  }),
  z.object({ what: z.literal("print"), how: z.literal("all-cut"), sheet: ID }),
  z.object({
    what: z.literal("print"),
    how: z.literal("cut"),
    sheet: ID,
    cut: z.int().min(0).max(8000),
    on: z.boolean(),
  }),
  z.object({ what: z.literal("print"), how: z.literal("spoiled"), print: ID, on: z.boolean() }),
  z.object({
    what: z.literal("print"),
    how: z.literal("elsewhere"),
    of: z.enum(["photos", "cards"]),
    ids: z.array(ID).min(1).max(500),
    on: z.boolean(),
  }),
  z.object({ what: z.literal("print"), how: z.literal("arrived"), order: ID, on: z.boolean() }),
  z.object({ what: z.literal("print"), how: z.literal("cut-out"), order: ID, on: z.boolean() }),
]);
export type SentPrint = z.output<typeof SENT_PRINT>;

/** Sheets as a browser planned them: taken only when each is cut apart as it says. */
export const GANGED_SHEETS: z.ZodType<GangedSheet[]> = z
  .array(
    z
      .object({
        paper: z.object({ w: LENGTH, h: LENGTH }),
        prints: z
          .array(z.object({ id: PRINT_OF, at: RECT, turned: z.boolean(), spare: z.boolean() }))
          .min(1)
          .max(2000),
        waste: z.array(RECT).max(4000),
        cuts: z.array(CUT).max(8000),
      })
      .refine(isSound, "a sheet that cannot be cut as it says"),
  )
  .min(1)
  .max(500);
