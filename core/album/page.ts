import type { Size } from "../measure/size.ts";
import { type NumberedGroup, numberDays } from "../month/numbering.ts";
import type { AlbumFormat, AlbumPlan, Day } from "./model.ts";
import {
  fullness,
  type PageContent,
  type PlannedStep,
  poolContent,
  type RingStates,
  ringStates,
  stepsFor,
} from "./steps.ts";
import { meanThickness } from "./thickness.ts";

/** One page's worth of days, read: its number, what it holds, how far it is. */
export type Page = NumberedGroup & {
  readonly days: readonly Day[];
  readonly content: PageContent;
  readonly skipped: boolean;
  readonly states: RingStates;
  readonly steps: readonly PlannedStep[];
  readonly fullness: number;
};

const read = new WeakMap<readonly Day[], { plan: AlbumPlan; pages: Page[] }>();

/**
 * Reads every page of the album in order. Days outside the span are left out. The same plan and days asked about again
 * get the same answer without another reading.
 */
export function pagesOf(plan: AlbumPlan, days: readonly Day[]): readonly Page[] {
  const known = read.get(days);
  if (known?.plan === plan) return known.pages;
  const pages = readPages(plan, days);
  read.set(days, { plan, pages });
  return pages;
}

/** The reading itself, every time anew. */
export function readPages(plan: AlbumPlan, days: readonly Day[]): Page[] {
  const byId = new Map(days.map((day) => [day.id, day]));
  return numberDays(days, plan.span, plan.numbering).flatMap((numbered) => {
    const members = numbered.group.members.flatMap(({ id }) => byId.get(id) ?? []);
    const [first, ...others] = members;
    if (!first) return [];
    const content = poolContent(
      first.content,
      others.map((day) => day.content),
    );
    const { skipped } = numbered.group.lead;
    const states = ringStates(content, plan.format.binding, skipped);
    return [
      {
        ...numbered,
        days: members,
        content,
        skipped,
        states,
        steps: skipped ? [] : stepsFor(content, plan.format.binding),
        fullness: fullness(states),
      },
    ];
  });
}

/** The size of a day's page: its own, or the album's. */
export const pageSize = (content: PageContent, format: AlbumFormat): Size => content.pageSize ?? format.nominal;

export type Progress = { readonly inBook: number; readonly wanted: number };

/** How many pages of those wanted are in the book. */
export function progressOf(pages: readonly Page[]): Progress {
  const wanted = pages.filter(({ skipped }) => !skipped);
  return { inBook: wanted.filter(({ states }) => states.book === "done").length, wanted: wanted.length };
}

/** Thickness of the closed book in micrometres, on the mean over the page. */
export function closedThickness(pages: readonly Page[], format: AlbumFormat): number {
  return pages.reduce((sum, page) => sum + meanThickness(page.content, pageSize(page.content, format)), 0);
}

/** The next thing to do on a page, in the order of the work. */
export const nextStep = (page: Page): PlannedStep | undefined => page.steps.find(({ done }) => !done);
