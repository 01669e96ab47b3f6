import { inches, millimetres } from "./length.ts";
import { type Size, size } from "./size.ts";

/**
 * A-series sheet `n`, portrait. Source: ISO 216: A0 is 841 × 1189 mm and each next size halves the longer side,
 * rounded down to the millimetre.
 */
export function aSeries(n: number): Size {
  if (!Number.isInteger(n) || n < 0 || n > 10) throw new RangeError("the A-series runs from A0 to A10");
  let w = 841;
  let h = 1189;
  for (let step = 0; step < n; step++) [w, h] = [Math.floor(h / 2), w];
  return size(millimetres(w), millimetres(h));
}

/** US sheets. Source: ANSI/ASME Y14.1 (A, B); Legal: common practice. */
export const LETTER = size(inches(8.5), inches(11));
export const TABLOID = size(inches(11), inches(17));
export const LEGAL = size(inches(8.5), inches(14));
