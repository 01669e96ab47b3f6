import type { Leaf } from "../album/leaf.ts";

/** Which leaf begins the volume that each leaf is in, by their places: the first of the book begins the first. */
export function volumeStarts(leaves: readonly Pick<Leaf, "opensVolume">[]): number[] {
  let start = 0;
  return leaves.map(({ opensVolume }, at) => {
    if (opensVolume) start = at;
    return start;
  });
}

/** The leaves of each volume, in order. A book of no leaves has none. */
export function volumesOf<L>(leaves: readonly L[], leafOf: (each: L) => Pick<Leaf, "opensVolume">): L[][] {
  const starts = volumeStarts(leaves.map(leafOf));
  return [...new Set(starts)].map((start) => leaves.filter((_, at) => starts[at] === start));
}

/** Leaves without one of them: a volume that it began is begun by the leaf after it. */
export function withoutLeaf(leaves: readonly Leaf[], id: string): Leaf[] {
  const at = leaves.findIndex((leaf) => leaf.id === id);
  const opened = at > 0 && leaves[at]?.opensVolume;
  return leaves.flatMap((leaf, nth) => {
    if (nth === at) return [];
    return opened && nth === at + 1 ? [{ ...leaf, opensVolume: true }] : [leaf];
  });
}
