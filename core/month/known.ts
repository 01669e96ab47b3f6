import { type CalendarDate, datesFrom, daysBetween } from "./dates.ts";
import type { Span } from "./span.ts";

/** What is known ahead of a day: a feast, a journey, a visit, a performance. Read from a calendar, or said here. */
export type Known = {
  /** What it is called wherever it is read again. */
  readonly key: string;
  /** The calendar it was read from; empty where it was said here. */
  readonly source: string;
  readonly title: string;
  readonly from: CalendarDate;
  /** The last of its days. */
  readonly to: CalendarDate;
  /** `HH:MM` on the household's clock; null: whole days. */
  readonly starts: string | null;
  readonly ends: string | null;
  /** Whether it stands on the month calendar pages. */
  readonly onPage: boolean;
};

/** The same as a calendar has it. */
export type KnownRead = Omit<Known, "source" | "onPage">;

/** What reading a calendar changed. */
export type Told = {
  readonly fresh: readonly KnownRead[];
  readonly changed: readonly { readonly was: KnownRead; readonly now: KnownRead }[];
  /** No longer in the calendar that they were once read from. */
  readonly gone: readonly KnownRead[];
  readonly same: number;
};

const isSame = (one: KnownRead, other: KnownRead): boolean =>
  one.title === other.title &&
  one.from === other.from &&
  one.to === other.to &&
  one.starts === other.starts &&
  one.ends === other.ends;

/**
 * What is known once a calendar was read, again or for the first time: nothing stands twice, whatever the file was called;
 * what the same calendar no longer has goes, and what was chosen for the calendar pages stays chosen.
 */
export function readAgain(
  was: readonly Known[],
  source: string,
  read: readonly KnownRead[],
): { readonly all: readonly Known[]; readonly told: Told } {
  const before = new Map(was.map((each) => [each.key, each]));
  const now = new Map<string, Known>();
  const fresh: KnownRead[] = [];
  const changed: { was: KnownRead; now: KnownRead }[] = [];
  let same = 0;
  for (const each of read) {
    if (now.has(each.key)) continue;
    const known = before.get(each.key);
    now.set(each.key, { ...each, source, onPage: known?.onPage ?? false });
    if (!known) fresh.push(each);
    else if (isSame(known, each)) same += 1;
    else changed.push({ was: known, now: each });
  }
  const others = was.filter(({ key }) => !now.has(key));
  const isGone = (each: Known) => each.source === source && source !== "";
  const all = [...others.filter((each) => !isGone(each)), ...now.values()].sort(inOrder);
  return { all, told: { fresh, changed, gone: others.filter(isGone), same } };
}

/** By day, whole days first, then by the clock. */
export const inOrder = (one: KnownRead, other: KnownRead): number => {
  const [a, b] = [sortKey(one), sortKey(other)];
  return a < b ? -1 : a > b ? 1 : 0;
};
const sortKey = ({ from, starts, title, key }: KnownRead) => `${from} ${starts ?? ""} ${title} ${key}`;

/** What is known of one date. */
export const knownOn = (all: readonly Known[], date: CalendarDate): Known[] =>
  all.filter(({ from, to }) => from <= date && date <= to);

/** The dates of a span that something falls on. */
export function datesOf({ from, to }: Pick<Known, "from" | "to">, { start, end }: Span): CalendarDate[] {
  const [first, last] = [from > start ? from : start, to < end ? to : end];
  return first > last ? [] : datesFrom(first, daysBetween(first, last) + 1);
}

/** As it stands in a note or a prompt: `Choir concert, 18:00`. */
export const knownSaid = ({ title, starts }: Pick<Known, "title" | "starts">): string =>
  starts === null ? title : `${title}, ${starts}`;
