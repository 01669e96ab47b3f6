import { z } from "zod";
import { brought, step } from "./archive-step.ts";

/** Nothing was cut into a construction of one's own yet. */
export const fromTwelfth = step(12, z.object({}), (_, raw) => brought({ ...raw, formatVersion: 13 }));
