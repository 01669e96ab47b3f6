import { z } from "zod";
import { type Length, LONGEST, millimetres, toMillimetres } from "./length.ts";

/** Lengths as they come from outside: in ticks from the program's own pages, in millimetres in archives. */
export type LengthKinds = {
  /** More than nothing. */
  readonly side: z.ZodType<Length, number>;
  /** Nothing, or more. */
  readonly length: z.ZodType<Length, number>;
  /** A place, which may lie before what it is measured from. */
  readonly place: z.ZodType<Length, number>;
};

const LENGTH = z.custom<Length>((v) => Number.isSafeInteger(v) && Math.abs(v as number) <= LONGEST);

const ticksFrom = (least: number): z.ZodType<Length, number> =>
  z.codec(z.int().min(least).max(LONGEST), LENGTH, { decode: (n) => n as Length, encode: (length) => length });
export const IN_TICKS: LengthKinds = { side: ticksFrom(1), length: ticksFrom(0), place: ticksFrom(-LONGEST) };

const millimetresFrom = (least: number): z.ZodType<Length, number> =>
  z.codec(z.number().min(least).max(2000), LENGTH, { decode: (mm) => millimetres(mm), encode: toMillimetres });
export const IN_MILLIMETRES: LengthKinds = {
  side: millimetresFrom(0).refine((length) => length > 0, "a size of nothing"),
  length: millimetresFrom(0),
  place: millimetresFrom(-2000),
};

export const sizeSchema = ({ side }: LengthKinds) => z.object({ w: side, h: side });
export const rectSchema = ({ place, side }: LengthKinds) => z.object({ x: place, y: place, w: side, h: side });
