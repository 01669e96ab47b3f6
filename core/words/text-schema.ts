import { z } from "zod";
import { clean } from "./clean.ts";

/** Text from outside, of so many letters; characters that no text has are left out. */
export const textOf = (most: number, least = 0) =>
  z.codec(z.string().max(most), z.string().min(least), { decode: clean, encode: (text) => text });

/** A page of words. */
export const TEXT = textOf(100_000);
/** A line of words. */
export const LINE = textOf(500);
/** A line that says something. */
export const NAME = textOf(500, 1);
