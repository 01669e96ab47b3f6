import { type NumberedGroup, numberDays } from "../month/numbering.ts";
import { daysOfLeaf } from "./leaf.ts";
import { madeOf } from "./made.ts";
import type { AlbumFormat, AlbumPlan, Day } from "./model.ts";
import { type LeafOutline, leavesByGroup, type PageLeaf, pageSizeOf } from "./page-leaves.ts";
import { type Print, printsByThing } from "./print.ts";
import {
  fullness,
  type PageContent,
  type PlannedStep,
  poolContent,
  type RingStates,
  ringStates,
  stepsFor,
} from "./steps.ts";
import { contentThickness, leafThickness } from "./thickness.ts";

/** One page's worth of days, read: its number, what it holds, the leaves it has sides of, how far it is. */
export type Page = NumberedGroup & {
  readonly days: readonly Day[];
  readonly content: PageContent;
  readonly leaves: readonly PageLeaf[];
  readonly skipped: boolean;
  readonly states: RingStates;
  readonly steps: readonly PlannedStep[];
  readonly fullness: number;
};

/** What of an album its pages are read from. */
export type AlbumRead = {
  readonly album: AlbumPlan;
  readonly days: readonly Day[];
  readonly leaves: readonly LeafOutline[];
  /** Every print made for it. */
  readonly prints: readonly Print[];
};

const read = new WeakMap<readonly Day[], Omit<AlbumRead, "days"> & { readonly pages: readonly Page[] }>();

/**
 * Reads every page's worth of days of the album in order. Days outside the span are left out. The same album asked about
 * again gets the same answer without another reading.
 */
export function pagesOf(whole: AlbumRead): readonly Page[] {
  const { album, days, leaves, prints } = whole;
  const known = read.get(days);
  if (known?.album === album && known.leaves === leaves && known.prints === prints) return known.pages;
  const pages = readPages(whole);
  read.set(days, { album, leaves, prints, pages });
  return pages;
}

/** The reading itself, every time anew. */
export function readPages({ album: plan, days, leaves, prints }: AlbumRead): Page[] {
  const printsOf = printsByThing(prints);
  const byId = new Map(days.map((day) => [day.id, day]));
  const numbered = numberDays(days, plan.span, plan.numbering);
  const groupOf = new Map(numbered.flatMap((each) => each.group.members.map(({ id }) => [id, each] as const)));
  const leavesOf = leavesByGroup(leaves, (dayId) => groupOf.get(dayId));
  return numbered.flatMap((each) => {
    const members = each.group.members.flatMap(({ id }) => byId.get(id) ?? []);
    const [first, ...others] = members;
    if (!first) return [];
    const content = poolContent(
      first.content,
      others.map((day) => day.content),
    );
    const own = leavesOf.get(each) ?? [];
    const { skipped } = each.group.lead;
    const steps = skipped ? [] : stepsFor(content, own, plan.format.binding, madeOf(content, printsOf));
    const states = ringStates(content, steps, skipped);
    return [
      {
        ...each,
        days: members,
        content,
        leaves: own,
        skipped,
        states,
        steps,
        fullness: fullness(states),
      },
    ];
  });
}

/** Whether anything of a page's days is there already that somebody took or wrote; what was only planned is not. */
export const isBegun = ({ days, content }: Pick<Page, "days" | "content">): boolean =>
  content.photos.length + content.cards.length > 0 ||
  days.some(({ content: { title, note, jottings } }) => title !== "" || note !== "" || jottings.length > 0);

export type Progress = { readonly inBook: number; readonly wanted: number };

/** How many pages of those wanted are in the book. */
export function progressOf(pages: readonly Page[]): Progress {
  const wanted = pages.filter(({ skipped }) => !skipped);
  return { inBook: wanted.filter(({ states }) => states.book === "done").length, wanted: wanted.length };
}

/** A leaf is set aside with its days: it has sides of some, and none of them is in the span. One that is sewn in stays. */
export function isSetAside(
  leaf: Parameters<typeof daysOfLeaf>[0] & { readonly sewn: boolean },
  isInSpan: (dayId: string) => boolean,
): boolean {
  if (leaf.sewn) return false;
  const days = daysOfLeaf(leaf);
  return days.length > 0 && !days.some(isInSpan);
}

/** Thickness of the closed book in micrometres, on the mean over the page: its leaves, and what the days lay on them. */
export function closedThickness(pages: readonly Page[], leaves: readonly LeafOutline[], format: AlbumFormat): number {
  const inSpan = new Set(pages.flatMap(({ days }) => days.map(({ id }) => id)));
  const bare = leaves
    .filter((leaf) => !isSetAside(leaf, (id) => inSpan.has(id)))
    .reduce((sum, { make }) => sum + leafThickness(make, format.nominal), 0);
  return pages.reduce(
    (sum, { content, leaves: own }) => sum + contentThickness(content, pageSizeOf(own, format), own.length > 0),
    bare,
  );
}

/** The next thing to do on a page, in the order of the work. */
export const nextStep = (page: Pick<Page, "steps">): PlannedStep | undefined => page.steps.find(({ done }) => !done);
