import { z } from "zod";
import type { Spot } from "./crop.ts";
import { areCorners } from "./preprint.ts";

/** Four corners as they come from outside; each as `spot` reads it. */
export const cornersSchema = (spot: z.ZodType<Spot, unknown>) =>
  z.tuple([spot, spot, spot, spot]).refine(areCorners, "not the corners of a card");
