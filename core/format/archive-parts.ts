import { z } from "zod";
import { type Length, LONGEST, millimetres, toMillimetres } from "../measure/length.ts";
import { clean } from "../words/clean.ts";

/** What every part of an archive is made of. Lengths are millimetres outside and ticks inside. */
export const ID = z.uuid();
export const CLEAN = z.string().refine((text) => clean(text) === text, "a character that no text has");
export const TEXT = CLEAN.max(100_000);
export const LINE = CLEAN.max(500);

const lengthFrom = (least: number) =>
  z.codec(
    z.number().min(least).max(2000),
    z.custom<Length>((v) => Number.isSafeInteger(v) && Math.abs(v as number) <= LONGEST),
    {
      decode: (mm) => millimetres(mm),
      encode: (length) => toMillimetres(length),
    },
  );
export const LENGTH = lengthFrom(0);
/** A place, which may lie beyond the edge it is measured from. */
export const PLACE = lengthFrom(-2000);
export const SIDE_LENGTH = LENGTH.refine((length) => length > 0, "a size of nothing");
export const SIZE = z.object({ w: SIDE_LENGTH, h: SIDE_LENGTH });
