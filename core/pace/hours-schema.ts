import { z } from "zod";
import { STEPS } from "../album/model.ts";
import { type CalendarDate, parseDate } from "../month/dates.ts";
import { type Hours, MOST_EXCEPTIONS, MOST_MINUTES } from "./capacity.ts";

/** What hours may look like when they come from outside. */
const MINUTES = z.int().min(0).max(MOST_MINUTES);
const DATE = z.custom<CalendarDate>((value) => typeof value === "string" && parseDate(value) !== null);
const TIME = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/);

export const HOURS: z.ZodType<Hours, unknown> = z.object({
  weekly: z.array(MINUTES).length(7),
  exceptions: z
    .array(
      z
        .object({ from: DATE, to: DATE, minutes: MINUTES, why: z.string().max(200) })
        .refine(({ from, to }) => from <= to, "ends before it begins"),
    )
    .max(MOST_EXCEPTIONS),
  away: z
    .array(
      z
        .object({ from: TIME, to: TIME })
        .refine(({ from, to }) => from < to, "ends before it begins")
        .nullable(),
    )
    .length(7),
});

/** Minutes said by hand, by step; a step that is not among them is learned. */
export const OWN_MINUTES = z.partialRecord(z.enum(STEPS), z.int().min(1).max(MOST_MINUTES));

/** The name of a way to catch up, as `offerKey` gives it. */
export const OFFER_NAME = z
  .string()
  .regex(/^(one-printing|lab|(merge|skip|words-only|photo-only|no-insert|spread) [0-9a-f-]{36})$/);

/** "No" to a way to catch up, on its way. */
export const SENT_DECLINE = z.object({ what: z.literal("decline"), offer: OFFER_NAME });
