import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const ENTRY = z.looseObject({});
const EIGHTH_FORMAT = z.object({ days: z.array(ENTRY), matters: z.array(ENTRY) });

const asNow = (entry: z.output<typeof ENTRY>) => ({ ...entry, driesUntil: null });

/** Nothing was known ahead, no month calendar page had squares, and nothing was said to be drying. */
export const fromEighth = step(8, EIGHTH_FORMAT, ({ days, matters }, raw) =>
  brought({
    ...raw,
    formatVersion: 9,
    known: [],
    days: days.map(asNow),
    matters: matters.map((entry) => ({ ...asNow(entry), month: null })),
  }),
);
