import type { MaterialId } from "../material/material.ts";
import type { LeafKind, LeafMake, PieceWhat } from "./leaf.ts";
import type { NumeralStyle } from "./model.ts";

/** Pages of each kind; the film of a protector round it is counted beside it. Common practice. */
const LEAF: Readonly<Record<LeafKind, MaterialId | null>> = {
  full: "cardstock-80",
  pocket: null,
  paper: "patterned-paper",
  clear: "transparency",
  vellum: "vellum",
};

const NUMERAL: Readonly<Record<NumeralStyle, MaterialId | null>> = {
  sticker: "flat-sticker",
  chipboard: "chipboard",
  wood: "wood-veneer",
  acrylic: "acrylic",
  stamped: null,
  cut: "cardstock-80",
  printed: null,
  none: null,
};

/** What a leaf usually is of; null where it is nothing but film. */
export const usualOfLeaf = ({ kind, insert }: Pick<LeafMake, "kind" | "insert">): MaterialId | null =>
  insert === null ? LEAF[kind] : "cardstock-80";

/** What a number of a style usually is of; null where it is ink. */
export const usualOfNumeral = (style: NumeralStyle): MaterialId | null => NUMERAL[style];

/** What a piece usually is of, a number's style as its day says unless it says its own; null: it has no thickness. Common practice. */
export function usualOfPiece(what: PieceWhat, style: NumeralStyle): MaterialId | null {
  switch (what.kind) {
    case "photo":
      return "photo-paper";
    case "numeral":
      return usualOfNumeral(what.look?.style ?? style);
    case "room":
    case "window":
      return null;
    case "filler":
      return "patterned-paper";
    case "embellishment":
      return "flat-sticker";
    case "overlay":
      return "transparency";
    default:
      return "cardstock-80";
  }
}
