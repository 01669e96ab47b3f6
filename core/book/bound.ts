import { daysOfLeaf, type Leaf, NOBODY, newLeaf, PLAIN_PAPER, sidesOf } from "../album/leaf.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type DateOf, insertOfDay, placeFor } from "./place.ts";

/** A leaf of a bound book before anything is on it. */
export const blankLeaf = (id: string): Leaf => ({ ...newLeaf(id, PLAIN_PAPER, NOBODY, NOBODY), sewn: true });

/** Whether a sewn leaf is nobody's yet, and nothing is on it. */
export const isBlank = (leaf: Leaf): boolean =>
  leaf.sewn &&
  leaf.done.length === 0 &&
  sidesOf(leaf).every(({ owner, pieces }) => owner.kind === "nobody" && (pieces ?? []).length === 0);

/** How many of a bound book's leaves are in it, and how many of them are used. */
export function sewnCount(leaves: readonly Leaf[]): { readonly sewn: number; readonly used: number } {
  const sewn = leaves.filter((leaf) => leaf.sewn);
  return { sewn: sewn.length, used: sewn.filter((leaf) => !isBlank(leaf)).length };
}

/**
 * The blank leaf of a bound book that a day gets: between those of the days before and after it, as many left free on either
 * side as there are days of `dates` between that have none yet. A day that has one already gets another only where one is to
 * spare. Null where none is: then a leaf must be tipped in.
 */
function blankFor(leaves: readonly Leaf[], dayId: string, dateOf: DateOf, dates: readonly CalendarDate[]): Leaf | null {
  const date = dateOf(dayId);
  if (!date) return null;
  const datesOn = (leaf: Leaf) => daysOfLeaf(leaf).flatMap((id) => dateOf(id) ?? []);
  const from = placeFor(leaves, dateOf, date);
  const next = leaves.findIndex((leaf, at) => at >= from && datesOn(leaf).some((its) => its > date));
  const free = leaves.slice(from, next < 0 ? leaves.length : next).filter(isBlank);
  const placed = new Set(leaves.filter(({ sewn }) => sewn).flatMap(datesOn));
  const after = next < 0 ? undefined : datesOn(leaves[next] as Leaf).find((its) => its > date);
  const before = leaves
    .slice(0, from)
    .flatMap(datesOn)
    .reduce<CalendarDate | undefined>((last, its) => (its < date && (!last || its > last) ? its : last), undefined);
  const waiting = dates.filter((each) => !placed.has(each) && each !== date);
  const earlier = waiting.filter((each) => each < date && (!before || each > before)).length;
  const later = waiting.filter((each) => each > date && (!after || each < after)).length;
  const hasOne = placed.has(date);
  if (hasOne) return free.length > later ? (free[0] ?? null) : null;
  return free[Math.min(earlier, free.length - 1)] ?? null;
}

/**
 * Gives a day a new leaf where it belongs. In a bound book a plain page is one of its blank leaves, under the new leaf's name;
 * any other, and one that none is left for, is added between them. `dates` are those of the album's told days.
 */
export function giveToDay(
  leaves: readonly Leaf[],
  leaf: Leaf,
  dayId: string,
  dateOf: DateOf,
  dates: readonly CalendarDate[],
): Leaf[] {
  const blank = isPlain(leaf) ? blankFor(leaves, dayId, dateOf, dates) : null;
  return blank
    ? leaves.map((each) => (each === blank ? { ...leaf, sewn: true } : each))
    : insertOfDay(leaves, leaf, dayId, dateOf);
}

/**
 * The leaves of a book whose number of sewn ones was `was` and is counted as `now`; null: not counted, or not a bound book.
 * Blank ones are added at its end or taken from there; what something is on stays. At the first count the plain pages that
 * are there already are of those it was sewn with.
 */
export function countedAnew(
  leaves: readonly Leaf[],
  was: number | null,
  now: number | null,
  newId: () => string,
): Leaf[] {
  if (now === null) return leaves.filter((leaf) => !isBlank(leaf)).map((leaf) => ({ ...leaf, sewn: false }));
  const counted = was === null ? leaves.map((leaf) => ({ ...leaf, sewn: leaf.sewn || isPlain(leaf) })) : [...leaves];
  const missing = now - (was ?? sewnCount(counted).sewn);
  if (missing >= 0) return [...counted, ...Array.from({ length: missing }, () => blankLeaf(newId()))];
  const spare = new Set(counted.filter(isBlank).slice(missing));
  return counted.filter((leaf) => !spare.has(leaf));
}

const isPlain = ({ make: { kind, insert, size } }: Pick<Leaf, "make">): boolean =>
  kind === "paper" && insert === null && size === null;
