import { z } from "zod";
import { type Length, LONGEST, millimetres, toMillimetres } from "../measure/length.ts";
import { clean } from "../words/clean.ts";

/** What every part of an archive is made of. Lengths are millimetres outside and ticks inside. */
export const ID = z.uuid();
/** Characters that no text has, as an archive from before may hold them, are left out. */
const textOf = (most: number, least = 0) =>
  z.codec(z.string().max(most), z.string().min(least), { decode: clean, encode: (text) => text });
export const TEXT = textOf(100_000);
export const LINE = textOf(500);
export const NAME = textOf(500, 1);

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
