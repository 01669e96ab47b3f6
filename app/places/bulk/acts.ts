import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import { RULER } from "#core/bulk/ruler-schema.ts";

const { element: MARK } = RULER;

/** A ruler is put to the closed book, or what it said is forgotten. */
export const RULER_ACT = z.discriminatedUnion("act", [
  z.object({ act: z.literal("measured"), mark: MARK }),
  z.object({ act: z.literal("forget"), mark: MARK }),
]);
export type RulerAct = z.input<typeof RULER_ACT>;
export type RulerAnswer =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "not-found" | "too-many" | Away };
