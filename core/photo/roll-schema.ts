import { z } from "zod";
import { LIMITS } from "../limits.ts";
import { parseDate } from "../month/dates.ts";
import { WHOLE } from "./crop.ts";
import { MOST_CHANGE, MOST_STRAIGHTEN } from "./look.ts";
import { LONGEST_NAME } from "./on-it.ts";
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

/** How somebody of the household is called. */
const PERSON = z.string().trim().min(1).max(LONGEST_NAME);
/** Who is on a picture, each once. */
export const ON_IT = z
  .array(PERSON)
  .max(LIMITS.peopleNames.most)
  .refine((names) => new Set(names).size === names.length, "a name twice")
  .nullable();

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
  z.object({ kind: z.literal("person"), name: PERSON, on: z.boolean() }),
  z.object({ kind: z.literal("nobody"), on: z.boolean() }),
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
