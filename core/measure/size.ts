import { type Length, printNumber, sayLength, type Unit } from "./length.ts";

/** Width × height, always said in that order. */
export type Size = { readonly w: Length; readonly h: Length };

export const size = (w: Length, h: Length): Size => ({ w, h });
export const turned = ({ w, h }: Size): Size => ({ w: h, h: w });
export const sameSize = (a: Size, b: Size): boolean => a.w === b.w && a.h === b.h;

/** As `printSize`, each side to the nearest 64th of an inch or tenth of a millimetre, as a ruler says it. */
export function saySize({ w, h }: Size, unit: Unit): string {
  const number = (length: Length) => sayLength(length, unit).replace(/″| cm/, "");
  const numbers = `${number(w)} × ${number(h)}`;
  return unit === "cm" ? `${numbers} cm` : numbers;
}

/** `6 × 8` in inches, `14.8 × 21 cm` in centimetres. */
export function printSize({ w, h }: Size, unit: Unit): string {
  const numbers = `${printNumber(w, unit)} × ${printNumber(h, unit)}`;
  return unit === "cm" ? `${numbers} cm` : numbers;
}
