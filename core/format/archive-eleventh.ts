import { z } from "zod";
import { brought, step } from "./archive-step.ts";

/** No piece was a construction yet. */
export const fromEleventh = step(11, z.object({}), (_, raw) => brought({ ...raw, formatVersion: 12 }));
