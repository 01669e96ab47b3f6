import { inches, type Length, toMillimetres } from "../measure/length.ts";
import { type Micrometres, micrometres } from "./material.ts";

/** Grams to the square metre. */
export type Grammage = number & { readonly __unit: "g/m2" };

/**
 * The sheet, in inches, of which five hundred weigh what a paper is called by in pounds. Definition of basis weight, TAPPI
 * T 410.
 */
const BASIC_SIZES = {
  bond: [17, 22],
  text: [25, 38],
  cover: [20, 26],
  index: [25.5, 30.5],
  tag: [24, 36],
} as const;
export type Basis = keyof typeof BASIC_SIZES;
export const BASES = Object.keys(BASIC_SIZES) as [Basis, ...Basis[]];

/** A pound (avoirdupois), in grams: exact by definition. */
const POUND = 453.59237;
const REAM = 500;
const SQUARE_INCH = toMillimetres(inches(1)) ** 2 / 1e6;

/** What a paper called by its pounds weighs, in grams to the square metre. */
export function grammageOf(pounds: number, basis: Basis): Grammage {
  const [w, h] = BASIC_SIZES[basis];
  return ((pounds * POUND) / (REAM * w * h * SQUARE_INCH)) as Grammage;
}

/** How thick a sheet is of its weight and its bulk in cm³/g, that is its micrometres for each g/m² (ISO 534). */
export const caliperByBulk = (grammage: Grammage, bulk: number): Micrometres => micrometres(grammage * bulk);

/** How thick one sheet is of a stack that was measured; null where there is no stack. */
export const caliperOfStack = (high: Length, sheets: number): Micrometres | null =>
  sheets >= 1 && high > 0 ? micrometres((toMillimetres(high) * 1000) / Math.floor(sheets)) : null;
