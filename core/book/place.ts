import { daysOfLeaf, type Leaf } from "../album/leaf.ts";
import type { CalendarDate } from "../month/dates.ts";

/** The date of a day of the album, or by which another entry stands; undefined where it is not known. */
export type DateOf = (dayId: string) => CalendarDate | undefined;

/** The date by which a leaf stands in the book: its front's day's, else its back's. */
const dateOfLeaf = (leaf: Leaf, dateOf: DateOf): CalendarDate | undefined => {
  const [first] = daysOfLeaf(leaf);
  return first === undefined ? undefined : dateOf(first);
};

/** Where a new leaf of this date goes: after every leaf of that date or an earlier one. */
export function placeFor(leaves: readonly Leaf[], dateOf: DateOf, date: CalendarDate): number {
  const last = leaves.findLastIndex((each) => {
    const its = dateOfLeaf(each, dateOf);
    return its !== undefined && its <= date;
  });
  return last + 1;
}

/** The place at or after `at` that is not between two leaves glued together. */
export function pastGlued(leaves: readonly { readonly glued: boolean }[], at: number): number {
  let place = at;
  while (place > 0 && leaves[place - 1]?.glued) place++;
  return place;
}

/** Leaves with others put in at a place, or where two are glued together there, behind those. */
export function withAt(leaves: readonly Leaf[], at: number, added: readonly Leaf[]): Leaf[] {
  const place = pastGlued(leaves, at);
  return [...leaves.slice(0, place), ...added, ...leaves.slice(place)];
}

/** Puts a leaf of a day where it belongs: an insert over the first page that is the day's, a page by the day's date. */
export function insertOfDay(leaves: readonly Leaf[], leaf: Leaf, dayId: string, dateOf: DateOf): Leaf[] {
  const isOwn = (each: Leaf) => daysOfLeaf(each).includes(dayId);
  const over = leaf.make.insert === null ? -1 : leaves.findIndex((each) => each.make.insert === null && isOwn(each));
  if (over >= 0) return withAt(leaves, over, [leaf]);
  const date = dateOf(dayId);
  if (date) return withAt(leaves, placeFor(leaves, dateOf, date), [leaf]);
  const own = leaves.findLastIndex(isOwn);
  return withAt(leaves, own >= 0 ? own + 1 : leaves.length, [leaf]);
}

/**
 * Puts the leaves of days that changed their dates where those dates are now, a day's own in the order they were. A leaf
 * that a day which stayed has a side of stays with that one.
 */
export function followDates(leaves: readonly Leaf[], moved: readonly string[], dateOf: DateOf): Leaf[] {
  const goes = (leaf: Leaf): boolean => {
    const days = daysOfLeaf(leaf);
    // A leaf that is sewn in goes nowhere; its story is told where it is.
    return !leaf.sewn && days.length > 0 && days.every((id) => moved.includes(id));
  };
  const going = leaves.filter(goes);
  return moved.reduce<Leaf[]>(
    (now, dayId) => {
      const date = dateOf(dayId);
      const own = going.filter((leaf) => daysOfLeaf(leaf)[0] === dayId);
      return withAt(now, date ? placeFor(now, dateOf, date) : now.length, own);
    },
    leaves.filter((leaf) => !goes(leaf)),
  );
}
