import { z } from "zod";
import { LIMITS } from "../limits.ts";
import { END_AS, END_KINDS, type EndMark } from "./end-mark.ts";

const ABOUT = z.array(z.string().min(1).max(80)).max(LIMITS.endIds.most);

/** What was said of loose ends, as files have it. */
export const END_MARKS: z.ZodType<EndMark[]> = z
  .array(z.object({ kind: z.enum(END_KINDS), entry: z.uuid().nullable(), of: ABOUT, as: z.enum(END_AS) }))
  .max(LIMITS.endMarks.most);

/** One thing said of a loose end, on its way; null takes back that it was for tonight. */
export const SENT_END = z.object({
  what: z.literal("end"),
  kind: z.enum(END_KINDS),
  entry: z.uuid().nullable(),
  of: ABOUT,
  as: z.enum(END_AS).nullable(),
});
export type SentEnd = z.output<typeof SENT_END>;
