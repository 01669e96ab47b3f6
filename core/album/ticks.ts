import { type DayEdit, happeningOf } from "./edit.ts";
import {
  type Face,
  heldIn,
  idOfHeld,
  LEAF_STEPS,
  type Leaf,
  type LeafStep,
  type Piece,
  SIDE_STEPS,
  type Side,
  type SideStep,
  sidesOf,
} from "./leaf.ts";
import type { DayContent, Step } from "./model.ts";
import { type Happening, type PlannedStep, reopenedBy, type TickedOn } from "./steps.ts";

const isLeafStep = (step: Step): step is LeafStep => (LEAF_STEPS as readonly Step[]).includes(step);
const isSideStep = (step: Step): step is SideStep => (SIDE_STEPS as readonly Step[]).includes(step);

/** Steps that are ticked on leaves, sides or constructions where a day has them; an insert is made as a page's base is. */
export const isOfLeaves = (step: Step): boolean =>
  step === "insert" || step === "build" || isLeafStep(step) || isSideStep(step);

const withTick = <T>(done: readonly T[], step: T, is: boolean): readonly T[] =>
  done.includes(step) === is ? done : is ? [...done, step] : done.filter((each) => each !== step);

/**
 * The leaf with one thing ticked, or unticked, that is done at the bench for a construction on one of its sides; `nth` null:
 * all of it. A piece that is none, or gone, changes nothing.
 */
export function tickBuilt(
  leaf: Leaf,
  { face, piece, nth }: { readonly face: Face; readonly piece: string; readonly nth: number | null },
  is: boolean,
): Leaf {
  const side = leaf[face];
  const pieces = side.pieces?.map((each): Piece => {
    const { what } = each;
    if (each.id !== piece || !("built" in what) || !what.built) return each;
    const all = what.built.steps.map((_, at) => at);
    const ticked = all.filter((at) => (nth === null || at === nth ? is : what.built?.ticked.includes(at)));
    return { ...each, what: { ...what, built: { ...what.built, ticked } } };
  });
  return pieces ? { ...leaf, [face]: { ...side, pieces } } : leaf;
}

type TickPlace =
  | Omit<Extract<TickedOn, { readonly step: LeafStep | SideStep }>, "leaf" | "done">
  | Omit<Extract<TickedOn, { readonly step: "build" }>, "leaf" | "done" | "kind">;

/**
 * The leaf with one step ticked, or unticked. Without a `face` it is a step of the whole leaf; with one it is a step of that
 * side, or, with a `guest`, of what that guest has on the side. A step that is not of that kind changes nothing.
 */
export function tickLeaf(leaf: Leaf, place: TickPlace, is: boolean): Leaf {
  if (place.step === "build") return tickBuilt(leaf, { ...place, nth: null }, is);
  const { face, guest, step } = place;
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

/** Whether a print or a card of this id lies on a side, or in something that lies there. */
const liesOn = ({ pieces }: Side, id: string): boolean =>
  pieces?.some((piece) => {
    const { what } = piece;
    const stands = what.kind === "photo" ? what.use : what.kind === "card" ? what.card : null;
    return stands === id || heldIn(piece).some((held) => idOfHeld(held) === id);
  }) ?? false;

/**
 * The leaves after something happened to one thing of a day, or to its numbers, as `planned` for the day: the sides that the
 * thing lies on are open again; while it lies nowhere, those that nobody has arranged.
 */
export function openedBy(
  leaves: readonly Leaf[],
  planned: readonly PlannedStep[],
  { happening, of }: { readonly happening: Happening; readonly of: string | null },
): readonly Leaf[] {
  const steps = reopenedBy(happening);
  const byId = new Map(leaves.map((leaf) => [leaf.id, leaf]));
  const sideOf = ({ leaf, face }: TickedOn): Side | undefined => (face ? byId.get(leaf)?.[face] : undefined);
  const places = planned.filter(({ step }) => steps.includes(step)).flatMap(({ on }) => on);
  const isLaid = of !== null && leaves.some((leaf) => sidesOf(leaf).some((side) => liesOn(side, of)));
  const touched = places.filter((place) => {
    const side = sideOf(place);
    if (!place.done || !side) return false;
    return of === null || (isLaid ? liesOn(side, of) : side.pieces === null);
  });
  if (touched.length === 0) return leaves;
  return leaves.map((leaf) =>
    touched.filter((place) => place.leaf === leaf.id).reduce((now, place) => tickLeaf(now, place, false), leaf),
  );
}

/**
 * What an edit of a day, as its content stands before it, ticks or opens again on the day's leaves, as `planned` for the
 * day: the leaves after it, and whether nothing of the day itself is left to tick. Null where it does nothing of the kind.
 */
export function tickedBy(
  edit: DayEdit,
  leaves: readonly Leaf[],
  planned: readonly PlannedStep[],
  content: DayContent,
): { readonly leaves: readonly Leaf[]; readonly isAll: boolean } | null {
  const happened = happeningOf(content, edit);
  if (happened) return { leaves: openedBy(leaves, planned, happened), isAll: false };
  if (edit.kind === "finish") {
    const all = planned.map(({ step }) => step);
    return { leaves: tickSteps(leaves, planned, all, true), isAll: false };
  }
  if (edit.kind !== "step" || !isOfLeaves(edit.step)) return null;
  const isAll = planned.some(({ step, on }) => step === edit.step && on.length > 0);
  return { leaves: tickSteps(leaves, planned, [edit.step], edit.done), isAll };
}

const isBegunAtBench = ({ what }: Piece): boolean => "built" in what && (what.built?.ticked.length ?? 0) > 0;

/** Whether anything of a leaf was made: a new make, or pieces laid anew, would make it again. */
export const isMade = (leaf: Leaf): boolean =>
  leaf.done.length > 0 ||
  sidesOf(leaf).some(
    ({ done, guests, pieces }) =>
      done.length > 0 || guests.some((guest) => guest.done.length > 0) || (pieces ?? []).some(isBegunAtBench),
  );
