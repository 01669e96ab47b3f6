import type { Micrometres } from "../material/material.ts";
import type { CalendarDate } from "../month/dates.ts";

/** Oftener than this nobody measures a book. */
export const MOST_MEASURED = 60;

/** The closed book measured with a ruler, and what was reckoned of it as it was then. Micrometres. */
export type Measured = { readonly measured: Micrometres; readonly reckoned: Micrometres };

/** One measure and the day it was taken. */
export type RulerMark = Measured & { readonly on: CalendarDate };

/** What the reckoning is multiplied by, and how far off it may still be, as a share of it. */
export type Correction = { readonly factor: number; readonly within: number };

/** Typical things are right to about a seventh, one book measured once to a tenth. From memory. */
const UNMEASURED = 0.15;
const ONCE = 0.1;
/** A ruler reads half a millimetre, so that nothing is surer than that. */
const LEAST_WITHIN = 0.02;

/** Between a half and twice what was reckoned: what is beyond that was measured of another book. */
export const isLikely = ({ measured, reckoned }: Measured): boolean =>
  measured > 0 && reckoned > 0 && measured * 2 >= reckoned && measured <= reckoned * 2;

/**
 * How the reckoning is corrected by what was measured: papers squeeze, and glue takes room. Least squares through nothing, so
 * that a thick book tells more than a thin one; how sure it is is twice the standard error of that, or a usual figure where
 * there is no second measure.
 */
export function correctionOf(all: readonly Measured[]): Correction {
  const likely = all.filter(isLikely);
  if (likely.length === 0) return { factor: 1, within: UNMEASURED };
  const squares = likely.reduce((sum, { reckoned }) => sum + reckoned * reckoned, 0);
  const factor = likely.reduce((sum, { measured, reckoned }) => sum + measured * reckoned, 0) / squares;
  if (likely.length === 1) return { factor, within: ONCE };
  const off = likely.reduce((sum, { measured, reckoned }) => sum + (measured - factor * reckoned) ** 2, 0);
  const error = Math.sqrt(off / (likely.length - 1) / squares);
  return { factor, within: Math.max(LEAST_WITHIN, Math.min(UNMEASURED, (2 * error) / factor)) };
}
