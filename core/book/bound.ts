import { daysOfLeaf, EMPTY_SIDE, type Face, type Leaf, NOBODY, newLeaf, PLAIN_PAPER, sidesOf } from "../album/leaf.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type DateOf, insertOfDay, placeFor } from "./place.ts";

/** A leaf of a bound book before anything is on it. */
export const blankLeaf = (id: string): Leaf => ({ ...newLeaf(id, PLAIN_PAPER, NOBODY, NOBODY), sewn: true });

/** Whether a sewn leaf is nobody's yet, and nothing is on it. */
export const isBlank = (leaf: Leaf): boolean =>
  leaf.sewn &&
  !leaf.glued &&
  leaf.done.length === 0 &&
  sidesOf(leaf).every(({ owner, pieces }) => owner.kind === "nobody" && (pieces ?? []).length === 0);

/** Whether a leaf among others is still to be used: blank, and not glued to from before. */
const isSpare = (leaf: Leaf, at: number, all: readonly Leaf[]): boolean => isBlank(leaf) && !all[at - 1]?.glued;

/** How many of a bound book's leaves are in it, and how many of them are used. */
export function sewnCount(leaves: readonly Leaf[]): { readonly sewn: number; readonly used: number } {
  const sewn = leaves.filter((leaf) => leaf.sewn).length;
  return { sewn, used: sewn - leaves.filter(isSpare).length };
}

/**
 * The blank leaf of a bound book that a day gets. It lies between the leaves of the days before and after it, and leaves free
 * on either side as many blank ones as there are days of `dates` there that have none yet. A day that has a leaf already gets
 * another only where one is to spare. Null where there is none for it: then a leaf must be tipped in.
 */
function blankFor(leaves: readonly Leaf[], dayId: string, dateOf: DateOf, dates: readonly CalendarDate[]): Leaf | null {
  const date = dateOf(dayId);
  if (!date) return null;
  const datesOn = (leaf: Leaf) => daysOfLeaf(leaf).flatMap((id) => dateOf(id) ?? []);
  const from = placeFor(leaves, dateOf, date);
  const next = leaves.findIndex((leaf, at) => at >= from && datesOn(leaf).some((its) => its > date));
  const end = next < 0 ? leaves.length : next;
  const free = leaves.filter((leaf, at) => at >= from && at < end && isSpare(leaf, at, leaves));
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
  if (now === null)
    return leaves
      .filter((leaf, at) => !isSpare(leaf, at, leaves))
      .map((leaf) => ({ ...leaf, sewn: false, glued: false }));
  const counted = was === null ? leaves.map((leaf) => ({ ...leaf, sewn: leaf.sewn || isPlain(leaf) })) : [...leaves];
  const missing = now - (was ?? sewnCount(counted).sewn);
  if (missing >= 0) return [...counted, ...Array.from({ length: missing }, () => blankLeaf(newId()))];
  const spare = new Set(counted.filter(isSpare).slice(missing));
  return stillGlued(
    counted,
    counted.filter((leaf) => !spare.has(leaf)),
  );
}

/** Leaves of which some are gone: what was glued to one of those is by itself again. */
export function stillGlued(before: readonly Leaf[], after: readonly Leaf[]): Leaf[] {
  const nextOf = new Map(before.map(({ id }, at) => [id, before[at + 1]?.id]));
  return after.map((leaf, at) =>
    leaf.glued && after[at + 1]?.id !== nextOf.get(leaf.id) ? { ...leaf, glued: false } : leaf,
  );
}

/** Whether a side lies against another it is glued to. */
export function isGluedOver(leaves: readonly Leaf[], id: string, face: Face): boolean {
  const at = leaves.findIndex((leaf) => leaf.id === id);
  return (face === "back" ? leaves[at]?.glued : leaves[at - 1]?.glued) ?? false;
}

/** Why two leaves cannot be glued together: they are not two sewn ones one after the other, or something lies between. */
export type GlueProblem = "not-neighbours" | "glued-over";

/** Glues a leaf by its back to the one after it, both sides nobody's from then on; or takes the two apart. */
export function withGlue(leaves: readonly Leaf[], id: string, next: string, glued: boolean): Leaf[] | GlueProblem {
  const at = leaves.findIndex((leaf) => leaf.id === id);
  const [one, other] = [leaves[at], leaves[at + 1]];
  if (!one?.sewn || !other?.sewn || other.id !== next) return "not-neighbours";
  if (!glued) return leaves.map((leaf) => (leaf === one ? { ...one, glued } : leaf));
  if ([one.back, other.front].some(({ pieces }) => pieces && pieces.length > 0)) return "glued-over";
  const bare = { ...EMPTY_SIDE, pieces: [] };
  return leaves.map((leaf) =>
    leaf === one ? { ...one, glued, back: bare } : leaf === other ? { ...other, front: bare } : leaf,
  );
}

const isPlain = ({ make: { kind, insert, size } }: Pick<Leaf, "make">): boolean =>
  kind === "paper" && insert === null && size === null;
