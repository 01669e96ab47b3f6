import { type Leaf, NOBODY, PLAIN_PAPER } from "../album/leaf.ts";
import { usualOfLeaf } from "../album/usual-material.ts";
import type { BookEdit } from "../book/edit.ts";
import { MATERIALS, type Micrometres, micrometres } from "../material/material.ts";
import type { SeenSlip } from "./slip.ts";

/** What may be put between a leaf that is looked through and what is seen behind it. */
export const BETWEEN = ["vellum", "paper"] as const;
export type Between = (typeof BETWEEN)[number];

const makeOf = (kind: Between) => ({ ...PLAIN_PAPER, kind });

/** How much thicker the book is for it. */
export const thicknessOfBetween = (kind: Between): Micrometres => {
  const material = usualOfLeaf(makeOf(kind));
  return micrometres(material ? MATERIALS[material].caliper : 0);
};

/** A new leaf of nobody's behind the one that is looked through, seen from the face that is up. */
export function putBetween(
  leaves: readonly Pick<Leaf, "id">[],
  { through, face }: Pick<SeenSlip, "through" | "face">,
  kind: Between,
  id: string,
): BookEdit {
  const at = leaves.findIndex((leaf) => leaf.id === through.leaf.id);
  // On the right the leaf behind it comes after it, on the left before it.
  const after = face === "front" ? through.leaf.id : (leaves[at - 1]?.id ?? null);
  return { kind: "add-leaf", id, make: makeOf(kind), after, front: NOBODY, back: NOBODY };
}
