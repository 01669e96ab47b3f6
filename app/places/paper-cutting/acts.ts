import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import { FACES } from "#core/album/leaf.ts";
import { isMotifOn } from "#core/drawer/thing.ts";
import { IN_TICKS, rectSchema, sizeSchema } from "#core/measure/length-schema.ts";

/** A sheet was cut: what came of it, and what of the rest is kept. */
export const CUT_ACT = z.object({
  thing: z.uuid(),
  cut: z
    .array(z.object({ leaf: z.uuid(), face: z.enum(FACES).nullable(), piece: z.string().max(40).nullable() }))
    .max(400),
  rests: z.array(sizeSchema(IN_TICKS)).max(100),
  kept: z
    .object({ size: sizeSchema(IN_TICKS), motif: rectSchema(IN_TICKS) })
    .refine(({ size, motif }) => isMotifOn(size, motif), "a motif beyond its rest")
    .nullable()
    // One sent before motifs were known leaves it out.
    .default(null),
});
export type CutAct = z.input<typeof CUT_ACT>;
export type CutAnswer =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "not-found" | "too-many" | "none-left" | Away };
