import { inches, type Length, millimetres, ticks } from "../measure/length.ts";
import type { HolePattern } from "./model.ts";

export const NO_HOLES: HolePattern = { positions: [], inset: ticks(0), diameter: ticks(0) };

export const HOLE_PRESETS = ["iso-838", "us-three", "two-ring", "three-ring", "four-ring", "none"] as const;
export type HolePresetId = (typeof HOLE_PRESETS)[number];

/** `count` holes `apart` from each other, the row centred on an edge `along` long. */
function centredRow(count: number, apart: Length, along: Length): Length[] {
  const first = Math.round((along - apart * (count - 1)) / 2);
  return Array.from({ length: count }, (_, at) => ticks(first + at * apart));
}

/**
 * A usual hole pattern for an edge `along` long, its row centred.
 * `iso-838`: two holes 80 mm apart, 6 mm across, centres 12 mm from the edge (ISO 838).
 * `us-three`: 4¼ in apart, ⁹⁄₃₂ in across, ½ in from the edge: common practice for Letter sheets.
 * The rings divide the edge evenly: typical, from memory, to be corrected with a ruler.
 */
export function holePreset(id: HolePresetId, along: Length): HolePattern {
  const rings = (count: number): HolePattern => ({
    positions: centredRow(count, ticks(Math.round(along / count)), along),
    inset: inches(3 / 8),
    diameter: inches(1 / 4),
  });
  switch (id) {
    case "iso-838":
      return {
        positions: centredRow(2, millimetres(80), along),
        inset: millimetres(12),
        diameter: millimetres(6),
      };
    case "us-three":
      return { positions: centredRow(3, inches(4.25), along), inset: inches(1 / 2), diameter: inches(9 / 32) };
    case "two-ring":
      return rings(2);
    case "three-ring":
      return rings(3);
    case "four-ring":
      return rings(4);
    case "none":
      return NO_HOLES;
  }
}

export type HoleProblem = "hole-outside" | "holes-overlap" | "hole-of-nothing";

/** Whether every hole lies wholly on a leaf `across` from the binding edge and `along` it, and none runs into the next. */
export function checkHoles(
  { positions, inset, diameter }: HolePattern,
  across: Length,
  along: Length,
): HoleProblem | null {
  if (positions.length === 0) return null;
  if (diameter <= 0) return "hole-of-nothing";
  const off = (centre: number, length: number) => 2 * centre < diameter || 2 * (length - centre) < diameter;
  if (off(inset, across) || positions.some((position) => off(position, along))) return "hole-outside";
  const sorted = [...positions].sort((a, b) => a - b);
  return sorted.some((position, at) => at > 0 && position - (sorted[at - 1] ?? 0) < diameter) ? "holes-overlap" : null;
}
