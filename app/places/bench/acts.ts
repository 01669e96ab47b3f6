import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import { madeAsSchema } from "#core/book/piece-schema.ts";
import { MATERIAL_IDS } from "#core/material/material.ts";
import { IN_TICKS } from "#core/measure/length-schema.ts";
import { textOf } from "#core/words/text-schema.ts";

/** What is set of a construction, to be kept under a name. */
export const KEEP_ACT = madeAsSchema(IN_TICKS).extend({
  ...{ act: z.literal("keep"), name: textOf(80, 1), paper: z.enum(MATERIAL_IDS) },
});

export type KeepAnswer = { ok: true; said: string } | { ok: false; reason: "name-taken" | "too-many" | Away };
