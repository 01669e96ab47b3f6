import { z } from "zod";
import { LIMITS } from "../limits.ts";
import { type GoesOut, WHICH_PAGES } from "./going-out.ts";

const NAME_OF_PIECE = z.string().regex(/^[0-9a-z-]{1,40}$/);

/** What goes out by a link, on its way. */
export const GOES_OUT: z.ZodType<GoesOut> = z.object({
  pages: z.enum(WHICH_PAGES),
  entries: z.array(z.uuid()).max(LIMITS.archiveDays.most),
  pieces: z.array(NAME_OF_PIECE).max(LIMITS.archivePieces.most),
});
