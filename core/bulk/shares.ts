import { type Micrometres, micrometres } from "../material/material.ts";
import { type Binding, closingOf, gapeAt } from "./closing.ts";
import { greatest, liesAt, type Patch, type Spot } from "./heights.ts";

/** What something costs: how far the book would gape without it, and how thick it would be where it is thickest. */
export type Share<K> = {
  readonly of: K;
  readonly gape: Micrometres;
  readonly height: Micrometres;
  /** How much of either it costs: of the gape where the book gapes, else of its height. */
  readonly costs: Micrometres;
};

/**
 * What each of some groups of patches costs, the dearest first, by leaving it out. What does not lie where the board rests,
 * or where the book is thickest, costs nothing: it is passed over.
 */
export function sharesOf<T extends Patch, K>(
  patches: readonly T[],
  binding: Binding,
  groupOf: (patch: T) => K | null,
): Share<K>[] {
  const { rests, thickest, gape } = closingOf(patches, binding);
  const spot: Spot | null = rests ?? thickest;
  if (!spot) return [];
  const groups = new Set(patches.filter((patch) => liesAt(patch, spot)).map(groupOf));
  const whole = thickest?.height ?? 0;
  return [...groups]
    .flatMap((of): Share<K>[] => {
      if (of === null) return [];
      const left = patches.filter((patch) => groupOf(patch) !== of);
      const without = greatest(left, (height, x) => gapeAt({ height, x }, binding));
      const gapes = micrometres(without ? gapeAt(without, binding) : 0);
      const height = micrometres(greatest(left)?.height ?? 0);
      return [{ of, gape: gapes, height, costs: micrometres(rests ? gape - gapes : whole - height) }];
    })
    .filter(({ costs }) => costs > 0)
    .sort((a, b) => b.costs - a.costs);
}
