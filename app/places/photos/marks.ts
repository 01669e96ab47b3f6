import { z } from "zod";
import { parseDate } from "#core/month/dates.ts";
import { MOST_CHANGE, MOST_STRAIGHTEN } from "#core/photo/look.ts";
import type { RollMark } from "#core/photo/roll.ts";
import type { RollPicture } from "./view.ts";

const CHANGE = z.int().min(-MOST_CHANGE).max(MOST_CHANGE);
const DATE = z.string().transform((text, issues) => {
  const date = parseDate(text);
  if (date) return date;
  issues.addIssue("not a date");
  return z.NEVER;
});

/** One thing said of pictures of the roll, as it comes from outside. */
const ROLL_MARK: z.ZodType<RollMark> = z.discriminatedUnion("kind", [
  z.object({ kind: z.enum(["star", "rejected", "banked"]), on: z.boolean() }),
  z.object({ kind: z.literal("away") }),
  z.object({ kind: z.literal("date"), date: DATE.nullable() }),
  z.object({
    kind: z.literal("look"),
    look: z.object({
      blackAndWhite: z.boolean(),
      straighten: z.int().min(-MOST_STRAIGHTEN).max(MOST_STRAIGHTEN),
      light: CHANGE,
      contrast: CHANGE,
    }),
  }),
]);

export const SENT_MARK = z.object({ ids: z.array(z.uuid()).min(1).max(5000), mark: ROLL_MARK });
export type SentMark = z.output<typeof SENT_MARK>;

/** A picture as it is with a mark that is still on its way; null when it is put away. */
export function withMark(picture: RollPicture, mark: RollMark): RollPicture | null {
  switch (mark.kind) {
    case "away":
      return null;
    case "star":
    case "rejected":
    case "banked":
      return { ...picture, [mark.kind]: mark.on };
    case "date":
      return { ...picture, date: mark.date ?? picture.date, given: mark.date !== null };
    case "look":
      return { ...picture, look: mark.look };
  }
}
