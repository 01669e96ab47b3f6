import { inches, type Length, millimetres, minus, plus, ticks, type Unit } from "../measure/length.ts";
import { aSeries } from "../measure/sheets.ts";
import { type Size, size } from "../measure/size.ts";
import { checkHoles, type HolePresetId, type HoleProblem, holePreset, NO_HOLES } from "./holes.ts";
import type { AlbumFormat } from "./model.ts";

/**
 * Measured starting points. Protectors differ from maker to maker, so all of these are typical values, from memory,
 * to be corrected with a ruler. Common practice: a protector on a 10 × 8 format is 11 wide, an inch more at the rings.
 */
export type FormatPreset = AlbumFormat & { readonly id: string; readonly unit: Unit };

/**
 * What a protector's opening has beyond the page it is named for: two pockets of 3 side by side, each with a sixteenth of play,
 * and the sixteenth of weld between them, are 6³⁄₁₆.
 */
const EASE = inches(3 / 16);

/** A board stands a quarter inch beyond the leaves at the free edge, an eighth above and below. */
const coverOf = (outer: Size): Size => size(plus(outer.w, inches(1 / 4)), plus(outer.h, inches(1 / 4)));

function ringAlbum(
  id: string,
  w: number,
  h: number,
  atRings: Length,
  rings: HolePresetId = "three-ring",
): FormatPreset {
  const nominal = size(inches(w), inches(h));
  const outer = size(plus(nominal.w, atRings), plus(nominal.h, inches(1 / 4)));
  return {
    id,
    unit: "inch",
    name: `${w} × ${h} ring album`,
    binding: "ring",
    nominal,
    opening: size(plus(nominal.w, EASE), plus(nominal.h, EASE)),
    outer,
    // It turns with the others when it is as large as their protectors. Common practice: 11 × 8¼ beside a 10 × 8.
    bare: outer,
    // The opening takes its ease from what is left for the rings.
    margin: minus(atRings, EASE),
    bindingEdge: "left",
    holes: holePreset(rings, outer.h),
    cover: coverOf(outer),
    capacity: 50_000,
    leaves: null,
  };
}

const A5 = aSeries(5);
const A5_BINDER_LEAF = size(plus(A5.w, millimetres(20)), plus(A5.h, millimetres(8)));

export const FORMAT_PRESETS: readonly FormatPreset[] = [
  ringAlbum("ring-6x8", 6, 8, inches(1)),
  ringAlbum("ring-8x8", 8, 8, inches(1)),
  ringAlbum("ring-10x8", 10, 8, inches(1)),
  {
    id: "a5-two-hole",
    unit: "cm",
    name: "A5 two-hole binder",
    binding: "two-hole",
    nominal: A5,
    opening: A5,
    outer: A5_BINDER_LEAF,
    bare: A5,
    margin: millimetres(20),
    bindingEdge: "left",
    holes: holePreset("iso-838", A5_BINDER_LEAF.h),
    cover: size(plus(A5_BINDER_LEAF.w, millimetres(6)), plus(A5_BINDER_LEAF.h, millimetres(8))),
    capacity: 35_000,
    leaves: null,
  },
  {
    id: "a5-sewn",
    unit: "cm",
    name: "A5 sewn book",
    binding: "sewn",
    nominal: A5,
    opening: A5,
    outer: A5,
    bare: A5,
    margin: millimetres(0),
    bindingEdge: "left",
    holes: NO_HOLES,
    cover: size(plus(A5.w, millimetres(3)), plus(A5.h, millimetres(6))),
    capacity: 22_000,
    leaves: 40,
  },
];

export const presetById = (id: string): FormatPreset | undefined => FORMAT_PRESETS.find((preset) => preset.id === id);

/** The usual card sizes, in the order keepers reach for them. Common practice. */
export const CARD_SIZES: readonly Size[] = [
  size(inches(3), inches(4)),
  size(inches(4), inches(3)),
  size(inches(4), inches(6)),
  size(inches(6), inches(4)),
  size(inches(2), inches(2)),
  size(inches(3), inches(3)),
];

/** Print sizes asked for most. Common practice. */
export const PRINT_SIZES: readonly Size[] = [
  size(inches(6), inches(4)),
  size(inches(4), inches(6)),
  size(inches(4), inches(3)),
  size(inches(3), inches(4)),
  size(inches(4), inches(4)),
  size(inches(3), inches(3)),
  size(inches(2), inches(2)),
  size(inches(6), inches(8)),
];

/** A picture's usual print: as wide as the page allows, upright or lying as the picture is. */
export const usualPrint = (landscape: boolean): Size =>
  landscape ? size(inches(6), inches(4)) : size(inches(3), inches(4));

export type FormatProblem = "opening-over-outer" | "margin-over-outer" | HoleProblem;

/**
 * By how much the binding margin and the opening together are wider than the leaf they are in; zero where the three agree.
 * Such a book can be kept, and was once shipped; who measures is told.
 */
export function overMeasured({ opening, outer, margin, bindingEdge }: AlbumFormat): Length {
  const over = bindingEdge === "left" ? opening.w + margin - outer.w : opening.h + margin - outer.h;
  return ticks(Math.max(0, over));
}

/** What cannot be true of a measured format: a page wider than its leaf, a margin that leaves no page, a hole off the leaf. */
export function checkFormat(format: AlbumFormat): FormatProblem | null {
  const { opening, outer, margin, bindingEdge, holes } = format;
  if (opening.w > outer.w || opening.h > outer.h) return "opening-over-outer";
  const [across, along] = bindingEdge === "left" ? [outer.w, outer.h] : [outer.h, outer.w];
  if (margin >= across) return "margin-over-outer";
  return checkHoles(holes, across, along);
}
