import { type DryFit, type LoosePiece, layInPockets, layOnPage } from "../book/dry-fit.ts";
import { layoutById, pocketsOf, type Rect } from "../book/layout.ts";
import { meanThickness } from "../book/thickness.ts";
import { inches, ticks } from "../measure/length.ts";
import { type Size, size } from "../measure/size.ts";
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

/** One page's worth of days, read: its number, what it holds, how far it is. */
export type Page = NumberedGroup & {
  readonly days: readonly Day[];
  readonly content: PageContent;
  readonly skipped: boolean;
  readonly states: RingStates;
  readonly steps: readonly PlannedStep[];
  readonly fullness: number;
};

/** The id of the piece that carries the number, among the pieces of a page. */
export const NUMERAL_PIECE = "numeral";

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

/** The opening behind a page of its own size has the same ease as the album's. */
function openingOf(page: Size, format: AlbumFormat): Size {
  return size(ticks(page.w + format.opening.w - format.nominal.w), ticks(page.h + format.opening.h - format.nominal.h));
}

export type LeafPlan = {
  readonly page: Size;
  /** The area that takes pieces: the opening of a pocket page, else the page itself. */
  readonly area: Size;
  readonly pockets: readonly Rect[];
  readonly fit: DryFit;
};

const NUMERAL_CARD = size(inches(3), inches(4));
const NUMERAL_SPOT = size(inches(2), inches(2));

/** The page of a day with its pockets, and a first dry fit of its prints, cards and number on it. */
export function planLeaf(page: Page, format: AlbumFormat): LeafPlan {
  const { content } = page;
  const paper = pageSize(content, format);
  const layout = content.foundation?.kind === "pocket" ? layoutById(content.foundation.layout) : undefined;
  const area = layout ? openingOf(paper, format) : paper;
  const pockets = layout ? pocketsOf(layout, area) : [];
  const pieces: LoosePiece[] = [
    ...content.photos.map(({ id, print }) => ({ id, size: print })),
    ...content.cards.map((card) => ({ id: card.id, size: card.size })),
  ];
  if (content.foundation && content.numeral.style !== "none" && page.label !== null) {
    pieces.push({ id: NUMERAL_PIECE, size: layout ? NUMERAL_CARD : NUMERAL_SPOT });
  }
  const fit = layout ? layInPockets(pieces, pockets) : layOnPage(pieces, area);
  return { page: paper, area, pockets, fit };
}

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
