import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
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
]);
export type PromptsAct = z.input<typeof PROMPTS_ACT>;

/** What a deck would be, before it is kept. */
export type DeckPreview = {
  readonly count: number;
  /** The first few, as they were read. */
  readonly first: readonly string[];
  /** The line that was taken for the head of a table. */
  readonly head: string | null;
};

export type PromptsAnswer =
  /** Read and not kept yet: something in it is to be looked at first. */
  | { ok: true; preview: DeckPreview; troubles: readonly SlipTrouble[] }
  | { ok: true; said: string; troubles?: readonly SlipTrouble[]; guessed?: boolean }
  | {
      ok: false;
      reason: "no-name" | "name-taken" | "no-slips" | "too-large" | "not-found" | "nothing-put" | Away;
      troubles?: readonly SlipTrouble[];
    };
