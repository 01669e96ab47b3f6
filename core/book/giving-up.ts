import { daysOfLeaf, FACES, type Leaf, NOBODY } from "../album/leaf.ts";
import type { BookEdit } from "./edit.ts";

/** What has to be done for a day to be without a leaf: the whole leaf goes only where nobody else has anything on it. */
export function givingUp(leaf: Leaf, own: ReadonlySet<string>): BookEdit[] {
  const isShared = daysOfLeaf(leaf).some((id) => !own.has(id));
  // A leaf that is sewn in stays in the book, and is blank again.
  if (!isShared) return [{ kind: leaf.sewn ? "free-leaf" : "remove-leaf", leaf: leaf.id }];
  return FACES.flatMap((face): BookEdit[] => {
    const { owner, guests } = leaf[face];
    if (owner.kind === "day" && own.has(owner.dayId)) {
      const next = guests.find(({ dayId }) => !own.has(dayId));
      const heir = next ? { kind: "day" as const, dayId: next.dayId } : NOBODY;
      return [{ kind: "own-side", leaf: leaf.id, face, owner: heir }];
    }
    return guests
      .filter(({ dayId }) => own.has(dayId))
      .map(({ dayId }) => ({ kind: "share-side", leaf: leaf.id, face, dayId, shares: false }));
  });
}
