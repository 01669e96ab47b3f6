import { z } from "zod";
import { LIMITS } from "../limits.ts";
import type { Length } from "../measure/length.ts";
import { IN_TICKS, type LengthKinds, rectSchema } from "../measure/length-schema.ts";
import {
  ALIGNS,
  type CardSetting,
  type Hand,
  HEADING_STYLES,
  LEAST_SIZE,
  MOST_SIZE,
  PITCHES,
  SPACINGS,
  STANDS,
  STOCKS,
  type StampSet,
  TYPED_IN,
} from "./lettering.ts";
import { ON_KINDS, TONES } from "./printed-on.ts";
import { textOf } from "./text-schema.ts";

/** Things that are printed on a picture, as they come from outside. */
export const printedOnSchema = (kinds: LengthKinds) =>
  z
    .array(
      z.object({
        id: z.uuid(),
        kind: z.enum(ON_KINDS),
        text: textOf(500),
        typeface: z.enum(TYPED_IN),
        size: z.int().min(LEAST_SIZE).max(MOST_SIZE),
        tone: z.enum(TONES),
        at: rectSchema(kinds),
      }),
    )
    .max(LIMITS.printedOn.most);

/** The way a card is written, as it comes from outside: lengths in whatever unit `length` reads. */
export function settingSchema(length: z.ZodType<Length, unknown>) {
  const LINE = textOf(80, 1);
  const EDGES = z.object({ left: length, top: length, right: length, bottom: length });
  const RECTS = z.array(z.object({ x: length, y: length, w: length, h: length })).max(40);
  const sided = z.enum(["left", "centre"]);
  const hand = z.object({ name: LINE, em: length, line: length });
  const set = z.object({
    name: LINE,
    high: length,
    usual: length,
    narrow: length,
    broad: length,
    between: length,
    space: length,
  });
  const LETTERING = z.discriminatedUnion("kind", [
    z.object({
      kind: z.literal("typed"),
      typeface: z.enum(TYPED_IN),
      size: z.int().min(LEAST_SIZE).max(MOST_SIZE),
      leading: z.int().min(80).max(300),
      align: z.enum(ALIGNS),
      headings: z.enum(HEADING_STYLES).optional(),
    }),
    z.object({
      kind: z.literal("typewriter"),
      pitch: z.literal(PITCHES),
      spacing: z.literal(SPACINGS),
      align: sided,
    }),
    z.object({ kind: z.literal("handwriting"), hand }),
    z.object({ kind: z.literal("stamped"), set, align: sided }),
  ]);
  return {
    hand,
    set,
    setting: z.object({
      lettering: LETTERING,
      stands: z.enum(STANDS).optional(),
      margins: EDGES,
      cutOff: EDGES,
      keepOut: z.object({ front: RECTS, back: RECTS }),
      longWords: z.enum(["break", "tell"]),
      stock: z.enum(STOCKS),
      boxes: z
        .array(
          z.object({
            id: z.uuid(),
            at: z.object({ x: length, y: length, w: length, h: length }),
            text: textOf(200),
            typeface: z.enum(TYPED_IN),
            size: z.int().min(LEAST_SIZE).max(MOST_SIZE),
          }),
        )
        .max(LIMITS.printedOn.most)
        .optional(),
    }),
  };
}

/** The lettering of a change from before a typeface was called so, as a device may still have one waiting. */
const withTypeface = (given: unknown): unknown => {
  const setting = z.looseObject({ lettering: z.looseObject({ face: z.string() }) }).safeParse(given);
  if (!setting.success) return given;
  const { face, ...lettering } = setting.data.lettering;
  return { ...setting.data, lettering: { typeface: face, ...lettering } };
};

const own = settingSchema(IN_TICKS.length);
export const CARD_SETTING: z.ZodType<CardSetting> = z.preprocess(withTypeface, own.setting);
export const HAND: z.ZodType<Hand> = own.hand.refine(({ em, line }) => em > 0 && line > 0);
export const STAMP_SET: z.ZodType<StampSet> = own.set.refine(
  ({ high, usual, narrow, broad }) => Math.min(high, usual, narrow, broad) > 0,
);
