import { z } from "zod";
import type { Micrometres } from "../material/material.ts";
import { parseDate } from "../month/dates.ts";
import { MOST_MEASURED } from "./ruler.ts";

/** Up to half a metre: no book is thicker. */
const THICK = z.custom<Micrometres>((v) => Number.isSafeInteger(v) && (v as number) >= 1 && (v as number) <= 500_000);

/** What a ruler said, as it comes from outside. Micrometres. */
export const RULER = z
  .array(
    z.object({
      on: z.custom<NonNullable<ReturnType<typeof parseDate>>>((v) => typeof v === "string" && parseDate(v) !== null),
      measured: THICK,
      reckoned: THICK,
    }),
  )
  .max(MOST_MEASURED);
