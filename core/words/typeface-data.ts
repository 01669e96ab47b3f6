/** What one font file says of its letters, in its own units. */
export type TypefaceTable = {
  readonly unitsPerEm: number;
  /** `[first code point, width, width, …]` of letters that follow each other. */
  readonly runs: readonly (readonly number[])[];
  /** Letters that are kerned alike, before another and after one; `kern` by class before and class after. */
  readonly left: readonly string[];
  readonly right: readonly string[];
  readonly kern: readonly (readonly number[])[];
};

/** A shipped typeface: how far its letters reach above and below the base line in ems, and its font files in order. */
export type TypefaceData = { readonly tall: number; readonly deep: number; readonly tables: readonly TypefaceTable[] };
