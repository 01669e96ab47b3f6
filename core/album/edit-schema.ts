import { z } from "zod";
import { LIMITS } from "../limits.ts";
import { IN_TICKS, sizeSchema } from "../measure/length-schema.ts";
import { type CalendarDate, isWallTime, parseDate } from "../month/dates.ts";
import { MOST_CLOSER, type PrintCrop, UNKNOWN_PICTURE, WHOLE } from "../photo/crop.ts";
import type { Preprint } from "../photo/preprint.ts";
import { cornersSchema } from "../photo/preprint-schema.ts";
import { LEAST_REPEAT } from "../photo/repeat.ts";
import { type InPrint, isArrangement, MOST_TOGETHER } from "../photo/together.ts";
import { arrangementSchema } from "../photo/together-schema.ts";
import { CARD_SETTING, printedOnSchema } from "../words/setting-schema.ts";
import { LINE, TEXT, textOf } from "../words/text-schema.ts";
import type { DayEdit } from "./edit.ts";
import { NUMERAL_STYLES, PARTS, STEPS } from "./model.ts";

/** What an edit may look like when it comes from outside. */
const SIZE = sizeSchema(IN_TICKS);
/** A pattern of less than a quarter inch would be thousands of pictures. */
const REPEAT = SIZE.refine(({ w, h }) => Math.min(w, h) >= LEAST_REPEAT, "too small to be repeated");
const ID = z.uuid();
const SPOT_SHARE = z.int().min(0).max(WHOLE);
const SLIDE = z.int().min(-WHOLE).max(WHOLE);
const PRINT_CROP: z.ZodType<PrintCrop> = z.object({
  keep: z.object({ x: SPOT_SHARE, y: SPOT_SHARE }).nullable(),
  slide: z.object({ x: SLIDE, y: SLIDE }),
  closer: z.int().min(100).max(MOST_CLOSER),
  border: IN_TICKS.length,
});

/** What is known of a picture is looked up where it is kept: a sender's word is not taken for it. */
const SHARED = z
  .object({ photoId: ID, crop: PRINT_CROP })
  .transform((each): InPrint => ({ ...each, picture: UNKNOWN_PICTURE }));

const SPOT = z.object({ x: SPOT_SHARE, y: SPOT_SHARE });
const PREPRINT: z.ZodType<Preprint> = z.object({ photoId: ID, corners: cornersSchema(SPOT) });

const DATE = z.custom<CalendarDate>((value) => typeof value === "string" && parseDate(value) !== null);
const CARD = z.object({
  id: ID,
  size: SIZE,
  text: TEXT,
  // What a page opened before these were known leaves out.
  back: TEXT.default(""),
  setting: CARD_SETTING.nullable().default(null),
  // A new card has none: a picture is put under it when it is there, and is asked for then.
  preprint: z.null().default(null),
  hidden: LINE.default(""),
  privateUntil: DATE.nullable().default(null),
});
const JOTTING = z.object({
  id: ID,
  text: TEXT,
  at: z.string().length(16).refine(isWallTime),
  privateUntil: DATE.nullable().default(null),
});

export const DAY_EDIT: z.ZodType<DayEdit, unknown> = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("title"), text: LINE }),
  z.object({ kind: z.literal("note"), text: TEXT }),
  z.object({ kind: z.literal("prompt"), text: TEXT, slip: LINE.nullable() }),
  z.object({ kind: z.literal("waive"), part: z.enum(PARTS), on: z.boolean() }),
  z.object({ kind: z.literal("numeral"), style: z.enum(NUMERAL_STYLES), note: LINE }),
  z.object({ kind: z.literal("technique"), text: TEXT, slip: LINE.nullable() }),
  z.object({ kind: z.literal("let-go") }),
  z.object({ kind: z.literal("add-card"), card: CARD }),
  z.object({ kind: z.literal("card-back"), id: ID, text: TEXT }),
  z.object({ kind: z.literal("card-setting"), id: ID, setting: CARD_SETTING.nullable() }),
  z.object({ kind: z.literal("card-preprint"), id: ID, preprint: PREPRINT.nullable() }),
  z.object({ kind: z.literal("card-secrecy"), id: ID, hidden: LINE, privateUntil: DATE.nullable() }),
  z.object({
    kind: z.literal("carry-over"),
    id: ID,
    kept: TEXT,
    rest: TEXT,
    to: z.union([z.literal("back"), z.object({ card: ID })]),
  }),
  z.object({ kind: z.literal("add-jotting"), jotting: JOTTING }),
  z.object({ kind: z.literal("jotting-text"), id: ID, text: TEXT }),
  z.object({ kind: z.literal("jotting-private"), id: ID, privateUntil: DATE.nullable() }),
  z.object({ kind: z.literal("remove-jotting"), id: ID }),
  z.object({ kind: z.literal("card-text"), id: ID, text: TEXT }),
  z.object({ kind: z.literal("card-size"), id: ID, size: SIZE }),
  z.object({ kind: z.literal("remove-card"), id: ID }),
  z.object({ kind: z.literal("photo-alt"), id: ID, alt: LINE }),
  z.object({ kind: z.literal("photo-print"), id: ID, print: SIZE }),
  z.object({ kind: z.literal("photo-crop"), id: ID, crop: PRINT_CROP }),
  z.object({ kind: z.literal("photo-repeat"), id: ID, repeat: REPEAT.nullable() }),
  arrangementSchema(IN_TICKS)
    .extend({ kind: z.literal("photo-together"), id: ID, pictures: z.array(SHARED).min(1).max(MOST_TOGETHER) })
    .refine(
      (each) => each.pictures.length === 1 || isArrangement(each, each.pictures.length),
      "as many rooms as pictures",
    ),
  z.object({ kind: z.literal("photo-together-crop"), id: ID, photoId: ID, crop: PRINT_CROP }),
  z.object({ kind: z.literal("photo-on-it"), id: ID, onIt: printedOnSchema(IN_TICKS) }),
  z.object({ kind: z.literal("photo-private"), id: ID, privateUntil: DATE.nullable() }),
  z.object({ kind: z.literal("remove-photo"), id: ID }),
  z.object({ kind: z.literal("leave-alone"), slip: textOf(LIMITS.slipKey.most, 1), on: z.boolean() }),
  z.object({ kind: z.literal("day-private"), privateUntil: DATE.nullable() }),
  z.object({ kind: z.literal("dries"), until: DATE.nullable() }),
  z.object({ kind: z.literal("every-year"), on: z.boolean() }),
  z.object({ kind: z.literal("next-year"), text: TEXT }),
  z.object({ kind: z.literal("step"), step: z.enum(STEPS), done: z.boolean() }),
  z.object({ kind: z.literal("finish") }),
]);

/** An edit on its way to the album: which day, and the version of it that the keeper saw. */
export const SENT_EDIT = z.object({
  what: z.literal("edit"),
  dayId: ID,
  base: z.int().min(0).nullable(),
  edit: DAY_EDIT,
});

/** A change to where days stand in the month. */
export const SENT_MOVE = z.discriminatedUnion("how", [
  z.object({ what: z.literal("month"), how: z.literal("skip"), dayId: ID, on: z.boolean() }),
  z.object({ what: z.literal("month"), how: z.literal("merge"), dayId: ID, side: z.enum(["before", "after"]) }),
  z.object({ what: z.literal("month"), how: z.literal("split"), dayId: ID }),
  z.object({ what: z.literal("month"), how: z.literal("move"), dayId: ID, to: z.iso.date() }),
]);

/** Several days skipped and taken up again in one act. */
export const TOLD_CHANGE = z.object({ tell: z.array(ID).max(62), skip: z.array(ID).max(62) });

/** A photo carried over to another day of the album. */
export const SENT_PHOTO_MOVE = z.object({ what: z.literal("move-photo"), dayId: ID, useId: ID, to: z.iso.date() });

/** A jotting and pictures of the roll brought to a day: every piece has the id it was given on the device that brings it. */
export const SENT_BRING = z.object({
  what: z.literal("bring"),
  dayId: ID,
  jotting: z.object({ id: ID, text: textOf(100_000, 1), at: z.string().length(16).refine(isWallTime) }).nullable(),
  pictures: z.array(z.object({ useId: ID, photoId: ID })).max(60),
});
export type SentBring = z.output<typeof SENT_BRING>;

/** Another picture of the roll in the place of one that a day has. */
export const SENT_ANOTHER = z.object({ what: z.literal("another-picture"), dayId: ID, useId: ID, photoId: ID });
export type SentAnother = z.output<typeof SENT_ANOTHER>;

/** A jotting carried over to another day of the album. */
export const SENT_JOTTING_MOVE = z.object({ what: z.literal("move-jotting"), dayId: ID, id: ID, to: z.iso.date() });

export type SentMove = z.output<typeof SENT_MOVE>;
