import { z } from "zod";
import { LIMITS } from "../limits.ts";
import { type CalendarDate, parseDate } from "../month/dates.ts";
import { LINE, NAME } from "../words/text-schema.ts";
import type { Tally } from "./tally.ts";

const ID = z.uuid();
const DATE = z.custom<CalendarDate>((value) => typeof value === "string" && parseDate(value) !== null);
const MARK = z.object({ id: ID, date: DATE, text: LINE });

/** What was counted over a month, as files have it. */
export const TALLIES: z.ZodType<Tally[], unknown> = z
  .array(z.object({ id: ID, name: NAME, marks: z.array(MARK).max(LIMITS.tallyMarks.most) }))
  .max(LIMITS.tallies.most);

/** One change of what is counted, on its way. */
export const SENT_TALLY = z.discriminatedUnion("how", [
  z.object({ what: z.literal("tally"), how: z.literal("add"), id: ID, name: NAME }),
  z.object({ what: z.literal("tally"), how: z.literal("name"), id: ID, name: NAME }),
  z.object({ what: z.literal("tally"), how: z.literal("remove"), id: ID }),
  z.object({ what: z.literal("tally"), how: z.literal("mark"), id: ID, mark: MARK }),
  z.object({ what: z.literal("tally"), how: z.literal("mark-text"), id: ID, text: LINE }),
  z.object({ what: z.literal("tally"), how: z.literal("unmark"), id: ID }),
]);
export type SentTally = z.output<typeof SENT_TALLY>;
