import { z } from "zod";
import { parseDate } from "../month/dates.ts";
import { MOST_CHANGE, MOST_STRAIGHTEN } from "./look.ts";
import type { RollMark } from "./roll.ts";

const CHANGE = z.int().min(-MOST_CHANGE).max(MOST_CHANGE);
const DATE = z.string().transform((text, issues) => {
  const date = parseDate(text);
  if (date) return date;
  issues.addIssue("not a date");
  return z.NEVER;
});

/** One thing said of pictures of the roll, as it comes from outside. */
export const ROLL_MARK: z.ZodType<RollMark> = z.discriminatedUnion("kind", [
  z.object({ kind: z.enum(["star", "set-aside", "banked"]), on: z.boolean() }),
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

/** A mark that waited on a device while the program was renewed may still go by its name of then. */
function namedAsNow(mark: unknown): unknown {
  const isOld = typeof mark === "object" && mark !== null && "kind" in mark && mark.kind === "rejected";
  return isOld ? { ...mark, kind: "set-aside" } : mark;
}

/** One thing said of pictures of the household's roll. */
export const SENT_MARK = z.object({
  what: z.literal("mark"),
  ids: z.array(z.uuid()).min(1).max(5000),
  mark: z.preprocess(namedAsNow, ROLL_MARK),
});
