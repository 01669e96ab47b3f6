import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const ENTRY = z.looseObject({});
const FOURTEENTH_FORMAT = z.object({ album: z.looseObject({}), days: z.array(ENTRY), matters: z.array(ENTRY) });

const asNow = (entry: z.output<typeof ENTRY>) => ({ ...entry, everyYear: false, nextYear: "" });

/** No day stood every year, nothing was noted for the next one, and nothing was counted over the month. */
export const fromFourteenth = step(14, FOURTEENTH_FORMAT, ({ album, days, matters }, raw) =>
  brought({
    ...{ ...raw, formatVersion: 15, tallies: [], album: { ...album, nextYear: "" } },
    ...{ days: days.map(asNow), matters: matters.map(asNow) },
  }),
);
