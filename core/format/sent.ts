import { z } from "zod";
import {
  SENT_ANOTHER,
  SENT_BRING,
  SENT_EDIT,
  SENT_JOTTING_MOVE,
  SENT_MOVE,
  SENT_PHOTO_MOVE,
} from "../album/edit-schema.ts";
import { SENT_TALLY } from "../album/tally-schema.ts";
import { SENT_BOOK, SENT_MATTER, SENT_TRY_OUT } from "../book/edit-schema.ts";
import { SENT_END } from "../finish/end-schema.ts";
import { SENT_DECLINE } from "../pace/hours-schema.ts";
import { SENT_MARK } from "../photo/roll-schema.ts";
import { SENT_CHOICES } from "../sheet/choices-schema.ts";
import { SENT_PRINT } from "../sheet/sheet-schema.ts";

/** Everything that a page sends to an album, one thing at a time. */
export const SENT = z.union([
  SENT_ANOTHER,
  SENT_BRING,
  SENT_EDIT,
  SENT_JOTTING_MOVE,
  SENT_MARK,
  SENT_MOVE,
  SENT_PHOTO_MOVE,
  SENT_BOOK,
  SENT_TRY_OUT,
  SENT_MATTER,
  SENT_PRINT,
  SENT_CHOICES,
  SENT_DECLINE,
  SENT_END,
  SENT_TALLY,
]);
export type Sent = z.output<typeof SENT>;

/** The name a change goes by on its way, beside what it is: sent twice under one name, it is done once. */
export const ACT = z.object({ act: z.uuid().optional() });
