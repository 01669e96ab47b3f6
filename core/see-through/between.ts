import { type Leaf, NOBODY, PLAIN_PAPER } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { usualOfLeaf } from "../album/usual-material.ts";
import { applyBookEdit, type BookEdit } from "../book/edit.ts";
import { type BookPage, type LeafRead, readBuild } from "../book/read.ts";
import { type Spread, spreadAt } from "../book/spread.ts";
import { MATERIALS, type Micrometres, micrometres } from "../material/material.ts";
import type { SeenSlip } from "./slips.ts";

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

/** The opening as it would be with a leaf between; null where it cannot be put there. */
export function spreadWith<P extends BookPage>(
  read: readonly LeafRead<P>[],
  spread: Spread<P>,
  slip: Pick<SeenSlip<P>, "through" | "face">,
  kind: Between,
  format: AlbumFormat,
): Spread<P> | null {
  const id = `between ${kind}`;
  const done = applyBookEdit(
    read.map(({ leaf }) => leaf),
    putBetween(
      read.map(({ leaf }) => leaf),
      slip,
      kind,
      id,
    ),
  );
  if (!done.ok) return null;
  const known = new Map(read.map((each) => [each.leaf.id, each]));
  const leaves = done.leaves.map((leaf): LeafRead<P> => {
    const before = known.get(leaf.id);
    if (before) return before;
    const side = (face: "front" | "back") => ({
      ...{ face, owner: NOBODY, page: null, guests: [], content: null, gluedOver: false, auto: false },
      ...{ pockets: [], pieces: [] },
    });
    return { leaf, build: readBuild(leaf.make, format), front: side("front"), back: side("back") };
  });
  return spreadAt(leaves, spread.at + (slip.face === "front" ? 0 : 1), format);
}
