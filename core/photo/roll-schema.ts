import { z } from "zod";
import { parseDate } from "../month/dates.ts";
import { WHOLE } from "./crop.ts";
import { MOST_CHANGE, MOST_STRAIGHTEN } from "./look.ts";
import { LEAST_FACE, MOST_FACES } from "./picture-face.ts";
import type { RollMark } from "./roll.ts";

const CHANGE = z.int().min(-MOST_CHANGE).max(MOST_CHANGE);
const DATE = z.string().transform((text, issues) => {
  const date = parseDate(text);
  if (date) return date;
  issues.addIssue("not a date");
  return z.NEVER;
});

const SHARE = z.int().min(0).max(WHOLE);
const LONG = z.int().min(LEAST_FACE).max(WHOLE);
/** The faces of one picture, each within it. */
export const PICTURE_FACES = z
  .array(
    z
      .object({ x: SHARE, y: SHARE, w: LONG, h: LONG })
      .refine(({ x, y, w, h }) => x + w <= WHOLE && y + h <= WHOLE, "reaches beyond its picture"),
  )
  .max(MOST_FACES);

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
  z.object({ kind: z.literal("faces"), faces: PICTURE_FACES }),
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
