/**
 * What may hang loose, by how much it matters: what would be wrong in the finished book, or lost to it; what is still to be
 * made; and what it would be nicer with.
 */
export const END_GROUPS = {
  matters: ["note", "come", "spoiled", "names", "wordless", "room", "fit", "rings", "slip", "nobody"],
  open: ["print", "lab", "jotted", "nearly", "bare", "skipped", "calendar", "matter", "through"],
  nicer: ["hint", "pocket", "described", "unmarked"],
} as const;
export type EndGroup = keyof typeof END_GROUPS;
export type EndKind = (typeof END_GROUPS)[EndGroup][number];
export const END_KINDS: readonly EndKind[] = [...END_GROUPS.matters, ...END_GROUPS.open, ...END_GROUPS.nicer];

/** Left as it is, once; or kept for the next evening. */
export const END_AS = ["left", "tonight"] as const;
export type EndAs = (typeof END_AS)[number];

/**
 * What a keeper said of a loose end: of which kind and of which day or page it is, null where it is the whole album's; and
 * what it was about then, by ids, so that what comes later of the same kind is not left with it.
 */
export type EndMark = {
  readonly kind: EndKind;
  readonly entry: string | null;
  readonly of: readonly string[];
  readonly as: EndAs;
};

type Marked = Pick<EndMark, "kind" | "entry">;
const isSame = (one: Marked, other: Marked): boolean => one.kind === other.kind && one.entry === other.entry;

/** The marks with one more; what is said anew of the same end is said of all that it is about now. Null: nothing is said of it. */
export function withEndMark(
  marks: readonly EndMark[],
  { as, ...end }: Omit<EndMark, "as"> & { as: EndAs | null },
): EndMark[] {
  const before = marks.find((each) => isSame(each, end) && each.as === "left");
  const others = marks.filter((each) => !isSame(each, end));
  if (as === "left") return [...others, { ...end, of: [...new Set([...(before?.of ?? []), ...end.of])], as }];
  const kept = before ? [...others, before] : others;
  return as === null ? kept : [...kept, { ...end, as }];
}

/** What of an end was not left: null where all of it was. An end that is about nothing in particular is left as a whole. */
export function notLeft<E extends Omit<EndMark, "as">>(end: E, marks: readonly EndMark[]): E | null {
  const left = marks.find((each) => each.as === "left" && isSame(each, end));
  if (!left) return end;
  const of = end.of.filter((each) => !left.of.includes(each));
  return of.length > 0 ? { ...end, of } : null;
}

export const isForTonight = (end: Marked, marks: readonly EndMark[]): boolean =>
  marks.some((each) => each.as === "tonight" && isSame(each, end));
