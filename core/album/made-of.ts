import { MATERIALS, type MaterialId, type Micrometres, micrometres } from "../material/material.ts";
import type { LeafKind, LeafMake, PieceWhat } from "./leaf.ts";
import type { NumeralStyle } from "./model.ts";

/** What something is held by where it lies; null: by glue, which has no height to speak of, or by its pocket. */
export const SITS = ["tape-runner", "foam-tape", "foam-dot"] as const satisfies readonly MaterialId[];
export type Sits = (typeof SITS)[number];

/** More layers of one thing than these nobody glues together. */
export const MOST_LAYERS = 20;

/** What a leaf or a piece is made of, where somebody said so. */
export type MadeOf = {
  /** The thing of the drawer that it is taken or cut from; null: of none that is there. */
  readonly thing: string | null;
  /** Null: as its thing is, or else as its kind usually is. */
  readonly material: MaterialId | null;
  readonly layers: number;
  readonly sits: Sits | null;
  /** It lies there cut out: the sheet it came from is counted in the drawer no longer. */
  readonly cut: boolean;
};
export const AS_USUAL: MadeOf = { thing: null, material: null, layers: 1, sits: null, cut: false };

/** What is said of something's like: of the same material, and taken from nothing yet. */
export const likeOf = (of: MadeOf): MadeOf => ({ ...of, thing: null, cut: false });

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

/**
 * How thick something lies: its layers, and what it sits on. `caliper` is what one layer of its thing was measured as;
 * null where nobody did.
 */
export function thicknessOf(
  usual: MaterialId | null,
  of: MadeOf | null | undefined,
  caliper: Micrometres | null = null,
): Micrometres {
  const material = of?.material ?? usual;
  const layer = caliper ?? (material ? MATERIALS[material].caliper : 0);
  return micrometres(layer * (of?.layers ?? 1) + (of?.sits ? MATERIALS[of.sits].caliper : 0));
}
