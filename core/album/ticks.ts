import type { DayEdit } from "./edit.ts";
import { LEAF_STEPS, type Leaf, type LeafStep, SIDE_STEPS, type Side, type SideStep, sidesOf } from "./leaf.ts";
import type { Step } from "./model.ts";
import type { PlannedStep, TickedOn } from "./steps.ts";

const isLeafStep = (step: Step): step is LeafStep => (LEAF_STEPS as readonly Step[]).includes(step);
const isSideStep = (step: Step): step is SideStep => (SIDE_STEPS as readonly Step[]).includes(step);

/** Steps that are ticked on leaves or sides where a day has them; an insert is made as a page's base is. */
export const isOfLeaves = (step: Step): boolean => step === "insert" || isLeafStep(step) || isSideStep(step);

const withTick = <T>(done: readonly T[], step: T, is: boolean): readonly T[] =>
  done.includes(step) === is ? done : is ? [...done, step] : done.filter((each) => each !== step);

/**
 * The leaf with one step ticked, or unticked. Without a `face` it is a step of the whole leaf; with one it is a step of that
 * side, or, with a `guest`, of what that guest has on the side. A step that is not of that kind changes nothing.
 */
export function tickLeaf(leaf: Leaf, { face, guest, step }: Omit<TickedOn, "leaf" | "done">, is: boolean): Leaf {
  if (face === null) return isLeafStep(step) ? { ...leaf, done: withTick(leaf.done, step, is) } : leaf;
  if (!isSideStep(step)) return leaf;
  const side = leaf[face];
  const ticked: Side =
    guest === null
      ? { ...side, done: withTick(side.done, step, is) }
      : {
          ...side,
          guests: side.guests.map((one) =>
            one.dayId === guest ? { ...one, done: withTick(one.done, step, is) } : one,
          ),
        };
  return { ...leaf, [face]: ticked };
}

/**
 * Ticks steps of one day on every leaf and side that the day has, as `planned`; or unticks them. A day that is put into the
 * book is assembled too.
 */
export function tickSteps(
  leaves: readonly Leaf[],
  planned: readonly PlannedStep[],
  steps: readonly Step[],
  is: boolean,
): readonly Leaf[] {
  const ticked: readonly Step[] = is && steps.includes("file") ? [...steps, "assemble"] : steps;
  const places = planned.filter(({ step }) => ticked.includes(step)).flatMap(({ on }) => on);
  return leaves.map((leaf) =>
    places.filter((place) => place.leaf === leaf.id).reduce((now, place) => tickLeaf(now, place, is), leaf),
  );
}

/**
 * What an edit of a day ticks on its leaves, as `planned` for the day: the leaves after it, and whether nothing of the day
 * itself is left to tick. Null where the edit ticks nothing of the kind.
 */
export function tickedBy(
  edit: DayEdit,
  leaves: readonly Leaf[],
  planned: readonly PlannedStep[],
): { readonly leaves: readonly Leaf[]; readonly isAll: boolean } | null {
  if (edit.kind === "finish") {
    const all = planned.map(({ step }) => step);
    return { leaves: tickSteps(leaves, planned, all, true), isAll: false };
  }
  if (edit.kind !== "step" || !isOfLeaves(edit.step)) return null;
  const isAll = planned.some(({ step, on }) => step === edit.step && on.length > 0);
  return { leaves: tickSteps(leaves, planned, [edit.step], edit.done), isAll };
}

/** Whether anything of a leaf was made: a new make, or pieces laid anew, would make it again. */
export const isMade = (leaf: Leaf): boolean =>
  leaf.done.length > 0 ||
  sidesOf(leaf).some(({ done, guests }) => done.length > 0 || guests.some((guest) => guest.done.length > 0));
