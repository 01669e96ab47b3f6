import { z } from "zod";
import { MATERIAL_IDS, type Micrometres } from "../material/material.ts";
import { IN_TICKS, type LengthKinds, rectSchema, sizeSchema } from "../measure/length-schema.ts";
import { textOf } from "../words/text-schema.ts";
import { isMotifOn, LOTS, MOST_OF_A_THING, THING_KINDS } from "./thing.ts";

/** A number that a page may have: story numbers of a year go to three digits. */
const NUMBER = z.int().min(0).max(999);
const EACH = z.int().min(0).max(999);

const NUMBERS = z.discriminatedUnion("kind", [
  z
    .object({ kind: z.literal("whole"), from: NUMBER, to: NUMBER, each: EACH.min(1) })
    .refine(({ from, to }) => from <= to, "from the first to the last"),
  z.object({ kind: z.literal("digits"), counts: z.array(EACH).length(10), turns: z.boolean() }),
  z.object({ kind: z.literal("unlimited") }),
]);

const LETTERS = z.object({
  counts: z
    .record(z.string().min(1).max(8), EACH)
    .refine((counts) => Object.keys(counts).length <= 200, "no alphabet has so many letters"),
  onlyCapitals: z.boolean(),
});

/** Up to 100 mm for one sheet or piece. */
const CALIPER = z.custom<Micrometres>((v) => Number.isSafeInteger(v) && (v as number) >= 1 && (v as number) <= 100_000);

/** Something of the drawer as it comes from outside. */
export const thingSchema = (kinds: LengthKinds) =>
  z
    .object({
      name: textOf(200, 1),
      kind: z.enum(THING_KINDS),
      material: z.enum(MATERIAL_IDS).nullable(),
      size: sizeSchema(kinds).nullable(),
      count: z.int().min(0).max(MOST_OF_A_THING),
      lies: textOf(200),
      lot: z.enum(LOTS),
      useUp: z.boolean(),
      hasTop: z.boolean(),
      oneSided: z.boolean(),
      motif: rectSchema(kinds).nullable().default(null),
      caliper: CALIPER.nullable(),
      numbers: NUMBERS.nullable(),
      letters: LETTERS.nullable(),
      note: textOf(2000),
    })
    .refine(({ size, motif }) => motif === null || isMotifOn(size, motif), "a motif beyond its sheet");
export const THING = thingSchema(IN_TICKS);
