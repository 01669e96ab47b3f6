import type { Ink } from "../material/ink.ts";
import type { NumeralColour } from "./leaf.ts";

/** What numbers and words of each colour are drawn in. */
export const INK_OF: Readonly<Record<NumeralColour, Ink>> = {
  brass: "brass",
  black: "ink",
  white: "paper",
  red: "ember",
  kraft: "kraft",
};
