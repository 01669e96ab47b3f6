import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const EIGHTH_FORMAT = z.object({ matters: z.array(z.looseObject({})) });

/** Nothing was known ahead, and no month calendar page had squares. */
export const fromEighth = step(8, EIGHTH_FORMAT, ({ matters }, raw) =>
  brought({ ...raw, formatVersion: 9, known: [], matters: matters.map((entry) => ({ ...entry, month: null })) }),
);
