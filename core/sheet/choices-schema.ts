import { z } from "zod";
import { IN_TICKS, type LengthKinds } from "../measure/length-schema.ts";
import { CUT_STEPS, type CutStepName } from "./gang.ts";
import { PRINT_PAPERS, type PrintPaperId } from "./paper.ts";
import type { Choices } from "./printer.ts";

const TYPED = z.string().max(40);
const PAPER_IDS: readonly PrintPaperId[] = [...PRINT_PAPERS.map(({ id }) => id), "own"];
const STEP_NAMES = Object.keys(CUT_STEPS) as [CutStepName, ...CutStepName[]];
export const choicesSchema = ({ length }: LengthKinds) =>
  z.object({
    papers: z.array(z.enum(PAPER_IDS)).max(PAPER_IDS.length),
    own: z.object({ w: TYPED, h: TYPED }),
    borderless: z.boolean(),
    gap: length,
    canTurn: z.boolean(),
    spares: z.boolean(),
    step: z.enum(STEP_NAMES),
  });
const CHOICES: z.ZodType<Choices, unknown> = choicesSchema(IN_TICKS);

/** What was chosen on a printer, on its way: it is found so the next time. A null id says that no printer is kept yet. */
export const SENT_CHOICES = z.object({
  what: z.literal("choices"),
  printer: z.uuid().nullable(),
  choices: CHOICES,
  unit: z.enum(["inch", "cm"]),
});
