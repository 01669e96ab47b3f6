import { z } from "zod";
import type { LengthKinds } from "../measure/length-schema.ts";
import { isArrangement, MOST_TOGETHER } from "./together.ts";

/** How pictures lie together, as it comes from outside; whether there are as many rooms as pictures is asked beside it. */
export const arrangementSchema = (kinds: LengthKinds) =>
  z.object({
    along: z.enum(["rows", "columns"]),
    counts: z.array(z.int().min(1).max(MOST_TOGETHER)).min(1).max(MOST_TOGETHER),
    gap: kinds.length,
  });

/** Pictures that share a print with its first, as they come from outside; each as `other` reads it. */
export const togetherSchema = <T>(kinds: LengthKinds, other: z.ZodType<T, unknown>) =>
  arrangementSchema(kinds)
    .extend({
      others: z
        .array(other)
        .min(1)
        .max(MOST_TOGETHER - 1),
    })
    .refine((each) => isArrangement(each, each.others.length + 1), "as many rooms as pictures");
