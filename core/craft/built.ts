import isEqual from "fast-deep-equal";
import type { Built, BuiltPanel, OwnCut } from "../album/leaf.ts";
import { MATERIALS, type MaterialId } from "../material/material.ts";
import { ticks } from "../measure/length.ts";
import { craftOf } from "./catalog.ts";
import { type Craft, type Made, made, NOWHERE, type Sizes, type Stock } from "./craft.ts";
import { areaLaid, laidIn, seenShares } from "./lies.ts";
import { goesThrough, thickOf } from "./place.ts";
import { reheld, slotsOf } from "./slots.ts";

/**
 * What is set of a construction as its piece keeps it: lengths apart from counts, so that files say lengths in millimetres.
 * `was`: what the piece was built as before; `own`: what is cut into it of one's own.
 */
export function builtAs(
  { kind, settings }: Craft,
  sizes: Sizes,
  done: Made,
  paper: MaterialId,
  was?: Built,
  own: readonly OwnCut[] = [],
): Built {
  const { lengths, counts } = lengthsAndCounts(settings, sizes);
  const steps = done.steps.map(({ minutes, dries = 0 }) => ({ minutes, dries }));
  const isAlike =
    was?.kind === kind && isEqual([was.lengths, was.counts, was.steps, was.own ?? []], [lengths, counts, steps, own]);
  return {
    kind,
    closed: closedOf(done),
    micrometres: thickOf(done),
    blanks: done.parts
      .filter((part) => part.of === paper)
      .flatMap(({ blank, count }) => Array.from({ length: count }, () => blank)),
    ...{ lengths, counts, steps },
    ...(own.length > 0 ? { own } : {}),
    ...(goesThrough(done) ? { through: true } : {}),
    // Of another size it is made anew; what it holds it keeps.
    ticked: isAlike ? was.ticked : [],
    holds: was ? reheld(was.holds, slotsOf(done)) : [],
  };
}

/** What is set, lengths apart from counts. */
export function lengthsAndCounts(settings: Craft["settings"], sizes: Sizes): Pick<Built, "lengths" | "counts"> {
  const all = Object.entries(settings).map(([id, { counts, ways }]) => [id, sizes[id] ?? 0, counts || ways] as const);
  return {
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
export function readBuilt({
  kind,
  lengths,
  counts,
}: Pick<Built, "kind" | "lengths" | "counts">): { readonly of: Craft; readonly sizes: Sizes } | null {
  const of = craftOf(kind);
  if (!of) return null;
  const sizes = Object.entries(of.settings).map(([id, { usual, counts: isCount, ways }]) => [
    id,
    (isCount || ways ? counts[id] : lengths[id]) ?? usual(NOWHERE),
  ]);
  return { of, sizes: Object.fromEntries(sizes) };
}

/** What is set of one construction as far as another has it too: what one is begun from when it becomes the other. */
export function sizesInCommon(
  built: Pick<Built, "kind" | "lengths" | "counts">,
  { settings }: Pick<Craft, "settings">,
): Sizes {
  const sizes = readBuilt(built)?.sizes ?? {};
  return Object.fromEntries(Object.entries(sizes).filter(([id]) => id in settings));
}

export const stockOf = (paper: MaterialId): Stock => ({ paper, caliper: MATERIALS[paper].caliper });

/** A piece's construction made as it is set, with its own cuts; null where it cannot be made so. */
export function madeAgain(
  built: Built,
  paper: MaterialId | null | undefined,
): { readonly of: Craft; readonly done: Made } | null {
  const read = readBuilt(built);
  const done = read && made(read.of, read.sizes, stockOf(paper ?? read.of.paper), NOWHERE, built.own ?? []);
  return read && done?.ok ? { of: read.of, done } : null;
}
