import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import { HAND, STAMP_SET } from "#core/words/setting-schema.ts";

export const HANDS_ACT = z.discriminatedUnion("act", [
  z.object({ act: z.literal("keep-hand"), hand: HAND }),
  z.object({ act: z.literal("keep-set"), set: STAMP_SET }),
]);
export type HandsAct = z.input<typeof HANDS_ACT>;
export type HandsAnswer = { ok: true; said: string } | { ok: false; reason: Away };
