import { type Micrometres, micrometres } from "../material/material.ts";
import { type Binding, gapeAt } from "./closing.ts";
import { greatest, type Patch } from "./heights.ts";

/** A book in two volumes: how many leaves are in the first, and how far each gapes. */
export type Split = { readonly first: number; readonly gapes: readonly [Micrometres, Micrometres] };

const gapeOf = (patches: readonly Patch[], binding: Binding): Micrometres => {
  const rests = greatest(patches, (height, x) => gapeAt({ height, x }, binding));
  return micrometres(rests ? gapeAt(rests, binding) : 0);
};

const worst = ({ gapes }: Split): number => Math.max(...gapes);

/**
 * Where to part a book so that the worse of its two volumes gapes least, and of such places the one that parts it most
 * evenly; null where it has fewer than two places to part it. `leaves` are the patches of each leaf in order; `mayPart` says
 * of a number of leaves whether the book may be parted after so many. The more leaves a volume has the more it gapes, so
 * the first volume's gape is searched by halving for where it passes the second's.
 */
export function bestSplit(
  leaves: readonly (readonly Patch[])[],
  binding: Binding,
  mayPart: (first: number) => boolean = () => true,
): Split | null {
  const places = leaves.map((_, at) => at).filter((at) => at > 0 && mayPart(at));
  if (places.length === 0) return null;
  const known = new Map<number, Split>();
  const at = (place: number): Split => {
    const first = places[place] ?? 0;
    const before = known.get(first);
    if (before) return before;
    const split: Split = {
      first,
      gapes: [gapeOf(leaves.slice(0, first).flat(), binding), gapeOf(leaves.slice(first).flat(), binding)],
    };
    known.set(first, split);
    return split;
  };
  // The first place at which the first volume gapes as much as the second, or more.
  let [low, high] = [0, places.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    const { gapes } = at(middle);
    if (gapes[0] >= gapes[1] && gapes[0] > 0) high = middle;
    else low = middle + 1;
  }
  const least = Math.min(worst(at(low)), low > 0 ? worst(at(low - 1)) : Number.POSITIVE_INFINITY);
  // Any place as good as the best lies beside it: of those that close, the most even one.
  const good = (place: number) => place >= 0 && place < places.length && worst(at(place)) <= least;
  const start = good(low) ? low : low - 1;
  let [from, to] = [start, start];
  const middle = leaves.length / 2;
  const off = (place: number) => Math.abs((places[place] ?? 0) - middle);
  while (good(from - 1) && off(from - 1) < off(from)) from -= 1;
  while (good(to + 1) && off(to + 1) < off(to)) to += 1;
  return off(from) <= off(to) ? at(from) : at(to);
}
