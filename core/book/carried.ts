import { type Fit, PLAY } from "../fit/fit.ts";
import type { Length } from "../measure/length.ts";
import { contains, mirrored, type Rect, rect } from "../measure/rect.ts";

/** A piece as it lies on a side: where, how it fits, and in which pocket. */
type Placed = { readonly rect: Rect; readonly fit: Fit; readonly pocket: number | null };

/** Whether a piece fills its pocket well enough to be held by it. */
const fills = ({ fit }: Placed): boolean => fit.kind === "fits" || fit.kind === "snug";

/** A piece by hand laid a little over the edge of what it is stuck to is still stuck to it. */
const wide = ({ x, y, w, h }: Rect): Rect => rect(x - PLAY, y - PLAY, w + 2 * PLAY, h + 2 * PLAY);

/**
 * A piece that is too small for its pocket does not wander when it is stuck to one that fills the pocket. So a small piece
 * that lies wholly on a filling one counts as stuck to it: on the same face, or on the other, back to back. Common practice: two 3 × 4
 * stuck to the back of one 4 × 6. Pockets have the same number on both faces; `across` is the page's width.
 */
export function withStacks<P extends Placed>(own: readonly P[], other: readonly P[], across: Length): readonly P[] {
  if (!own.some(({ fit }) => fit.kind === "wanders")) return own;
  const behind = other.filter(fills).map(({ rect: lies, pocket }) => ({ lies: mirrored(lies, across), pocket }));
  return own.map((placed, at) => {
    if (placed.fit.kind !== "wanders") return placed;
    const under = own
      .slice(0, at)
      .filter(fills)
      .map(({ rect: lies, pocket }) => ({ lies, pocket }));
    const holds = (one: { lies: Rect; pocket: number | null }) =>
      one.pocket === placed.pocket && contains(wide(one.lies), placed.rect);
    if (under.some(holds)) return { ...placed, fit: { kind: "carried", by: "under" } };
    return behind.some(holds) ? { ...placed, fit: { kind: "carried", by: "back" } } : placed;
  });
}
