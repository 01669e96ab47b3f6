import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const ENTRY = z.looseObject({});
const SEVENTH_FORMAT = z.object({ days: z.array(ENTRY), matters: z.array(ENTRY) });

/** Nothing was said not to be done: what was not ticked was open. */
const withoutSayings = (entry: z.output<typeof ENTRY>) => ({ ...entry, undone: [] });

export const fromSeventh = step(7, SEVENTH_FORMAT, ({ days, matters }, raw) =>
  brought({ ...raw, formatVersion: 8, days: days.map(withoutSayings), matters: matters.map(withoutSayings) }),
);
