import { z } from "zod";
import { type CalendarDate, parseDate } from "./dates.ts";
import type { Known } from "./known.ts";
import { MONTH_KINDS, type MonthPage, WEEK_STARTS } from "./month-kind.ts";

const DATE = z.custom<CalendarDate>((value) => typeof value === "string" && parseDate(value) !== null);
const TIME = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/);

/** What is known ahead, and the squares of a month calendar page, as they may come from outside. */
export const KNOWN: z.ZodType<Known, unknown> = z
  .object({
    key: z.string().min(1).max(500),
    source: z.string().max(200),
    title: z.string().min(1).max(200),
    from: DATE,
    to: DATE,
    starts: TIME.nullable(),
    ends: TIME.nullable(),
    onPage: z.boolean(),
  })
  .refine(({ from, to }) => from <= to, "ends before it begins");

export const MONTH_PAGE: z.ZodType<MonthPage, unknown> = z.object({
  kind: z.enum(MONTH_KINDS),
  weekStart: z.literal(WEEK_STARTS),
});
