import type { FormatProblem } from "#core/album/formats.ts";
import type { HolePresetId } from "#core/album/holes.ts";
import type { Binding } from "#core/album/model.ts";
import type { LengthProblem } from "#core/measure/length.ts";

/** The words for the measures of a book. */

export const BINDING_NAME: Record<Binding, string> = { ring: "Rings", "two-hole": "Two holes", sewn: "Sewn" };

export const LENGTH_PROBLEM: Record<LengthProblem, string> = {
  empty: "Give a length, for example 4½ or 11.4 cm.",
  "not-a-length": "That is not a length. Write 4½, 4 1/2, 4.5, 11.4 cm or 114 mm.",
  "not-positive": "A length is more than nothing.",
  "too-long": "That is over 2 metres. Check the unit.",
};

/** The margin does not leave what the opening was measured at. */
export const marginOver = (opening: string, margin: string, leaf: string): string =>
  `The opening (${opening}) and this margin (${margin}) do not go into a leaf of ${leaf}. Measure the three again.`;

export const FORMAT_PROBLEM: Record<FormatProblem, string> = {
  "opening-over-outer": "The opening is larger than the whole leaf. Measure both again.",
  "margin-over-outer": "The binding margin is as wide as the whole leaf. Measure both again.",
  "hole-outside": "A hole lies off the leaf. Measure from the upper end of the whole leaf, and from its binding edge.",
  "holes-overlap": "Two holes run into each other. Check their places.",
  "hole-of-nothing": "A hole is more than nothing across.",
};

export const HOLE_PRESET_NAME: Record<HolePresetId, string> = {
  "iso-838": "Two holes, 80 mm apart",
  "us-three": "Three holes, 4¼″ apart",
  "two-ring": "Two rings",
  "three-ring": "Three rings",
  "four-ring": "Four rings",
  none: "No holes",
};
