import type { Built, BuiltPanel } from "../album/leaf.ts";
import { MATERIALS, type MaterialId } from "../material/material.ts";
import { ticks } from "../measure/length.ts";
import { craftOf } from "./catalog.ts";
import { type Craft, type Made, NOWHERE, type Sizes, type Stock } from "./craft.ts";
import { areaLaid, laidIn, seenShares } from "./lies.ts";
import { thickOf } from "./place.ts";

/** What is set of a construction as its piece keeps it: lengths apart from counts, so that files say lengths in millimetres. */
export function builtAs({ kind, settings }: Craft, sizes: Sizes, done: Made, paper: MaterialId): Built {
  const all = Object.entries(settings).map(([id, { counts, ways }]) => [id, sizes[id] ?? 0, counts || ways] as const);
  return {
    kind,
    closed: closedOf(done),
    micrometres: thickOf(done),
    blanks: done.parts
      .filter((part) => part.of === paper)
      .flatMap(({ blank, count }) => Array.from({ length: count }, () => blank)),
    lengths: Object.fromEntries(all.filter(([, , isCount]) => !isCount).map(([id, value]) => [id, ticks(value)])),
    counts: Object.fromEntries(all.filter(([, , isCount]) => isCount).map(([id, value]) => [id, value])),
  };
}

/** What of the closed construction is seen from above, from its own left upper corner. */
function closedOf(done: Made): BuiltPanel[] {
  const [closed] = done.states;
  const laid = closed ? laidIn(done, closed) : [];
  const { x, y } = areaLaid(laid);
  const seen = seenShares(laid);
  return laid.flatMap(({ part, shape, faceUp }, nth): BuiltPanel[] => {
    const of = done.parts.find(({ id }) => id === part)?.of;
    if (!of || (seen[nth] ?? 0) === 0) return [];
    const corners = shape.map((corner) => ({ x: ticks(corner.x - x), y: ticks(corner.y - y) }));
    return [{ shape: corners, face: faceUp ? "front" : "back", of }];
  });
}

/**
 * A piece's construction and its sizes; null where the catalog has no such kind. What it leaves out is as usual, what the kind
 * does not know is passed over.
 */
export function readBuilt({ kind, lengths, counts }: Built): { readonly of: Craft; readonly sizes: Sizes } | null {
  const of = craftOf(kind);
  if (!of) return null;
  const sizes = Object.entries(of.settings).map(([id, { usual, counts: isCount, ways }]) => [
    id,
    (isCount || ways ? counts[id] : lengths[id]) ?? usual(NOWHERE),
  ]);
  return { of, sizes: Object.fromEntries(sizes) };
}

export const stockOf = (paper: MaterialId): Stock => ({ paper, caliper: MATERIALS[paper].caliper });
