import { z } from "zod";
import type { SlipTrouble } from "#core/words/deck-text.ts";
import { JARS } from "#core/words/slip.ts";

const SLIP_ID = z.string().min(1).max(120);

/** Slips for days, as the page dealt them; taken where nothing else stands there by now. */
export const PROMPTS_ACT = z.discriminatedUnion("act", [
  z.object({
    act: z.literal("hand-out"),
    jar: z.enum(JARS),
    handed: z
      .array(z.object({ dayId: z.uuid(), slip: SLIP_ID, saw: z.string().max(100_000) }))
      .min(1)
      .max(100),
  }),
  z.object({ act: z.literal("drop-deck"), deck: z.uuid() }),
]);
export type PromptsAct = z.input<typeof PROMPTS_ACT>;

export type PromptsAnswer =
  | { ok: true; said: string; troubles?: readonly SlipTrouble[]; guessed?: boolean }
  | {
      ok: false;
      reason: "no-name" | "name-taken" | "no-slips" | "too-large" | "not-found" | "unreachable" | "store-gone";
      troubles?: readonly SlipTrouble[];
    };
