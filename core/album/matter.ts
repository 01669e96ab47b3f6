import { addDays, type CalendarDate } from "../month/dates.ts";
import type { Known } from "../month/known.ts";
import { USUAL_MONTH } from "../month/month-kind.ts";
import { type MonthGrid, monthGrids } from "../month/month-page.ts";
import { madeOf } from "./made.ts";
import type { Matter, MatterEntry } from "./model.ts";
import { type AlbumRead, type Page, pagesOf } from "./page.ts";
import { leavesByGroup, type PageLeaf } from "./page-leaves.ts";
import { printsByThing } from "./print.ts";
import { type PageContent, type PlannedStep, poolContent, type RingStates, ringStates, stepsFor } from "./steps.ts";

/** What a page of the front or back matter is for. */
export type MatterKind = {
  readonly kind: Matter;
  readonly title: string;
  /** The squares of a month calendar; `isUsual` where nobody chose what stands in them. */
  readonly month?: { readonly isUsual: boolean; readonly grids: readonly MonthGrid[] } | undefined;
};

/** An entry of the front or back matter, read as a page's worth of days is. */
export type MatterPage = {
  readonly label: null;
  readonly skipped: false;
  readonly matter: MatterKind;
  readonly entry: MatterEntry;
  readonly days: readonly [MatterEntry];
  readonly content: PageContent;
  readonly leaves: readonly PageLeaf[];
  readonly states: RingStates;
  readonly steps: readonly PlannedStep[];
};

/** Reads the entries of the front and back matter in order. None of them has a number or asks for a prompt. */
export function matterPages(album: WholeRead): MatterPage[] {
  const { matters, leaves, prints, days, known = [] } = album;
  const { span, format } = album.album;
  const { binding } = format;
  const titles = days.filter(({ skipped }) => !skipped).map(({ date, content }) => ({ date, title: content.title }));
  const printsOf = printsByThing(prints);
  const byId = new Map(matters.map((entry) => [entry.id, entry]));
  const leavesOf = leavesByGroup(leaves, (id) => byId.get(id));
  return [...matters].sort(inOrder).map((entry): MatterPage => {
    const pooled = poolContent(entry.content, []);
    const content: PageContent = {
      ...pooled,
      numeral: { style: "none", note: "" },
      waived: [...new Set([...pooled.waived, "prompt" as const])],
    };
    const own = leavesOf.get(entry) ?? [];
    const steps = stepsFor(content, own, binding, madeOf(content, printsOf));
    return {
      label: null,
      skipped: false,
      matter: {
        ...{ kind: entry.matter, title: entry.content.title },
        ...(entry.matter === "month-calendar" && {
          month: { isUsual: entry.month === null, grids: monthGrids(entry.month ?? USUAL_MONTH, span, titles, known) },
        }),
      },
      entry,
      days: [entry],
      content,
      leaves: own,
      states: ringStates(content, steps),
      steps,
    };
  });
}

const RANK: Record<Matter, number> = {
  title: 0,
  "opening-note": 1,
  "month-calendar": 2,
  before: 3,
  section: 4,
  closing: 5,
};
const inOrder = (a: MatterEntry, b: MatterEntry): number =>
  RANK[a.matter] - RANK[b.matter] || ((a.date ?? "") < (b.date ?? "") ? -1 : 1);

const FIRST = "0001-01-01" as CalendarDate;
const LAST = "9999-12-31" as CalendarDate;

/**
 * The date by which an entry's leaves stand among those of the days: the front matter before all, the closing page after
 * all, a section before the day it begins with.
 */
export function standsAt({ matter, date }: Pick<MatterEntry, "matter" | "date">): CalendarDate {
  if (matter === "closing") return LAST;
  if (matter === "section" && date) return addDays(date, -1);
  return FIRST;
}

/** What of an album all its pages are read from, those that are no day's among them. */
export type WholeRead = AlbumRead & {
  readonly matters: readonly MatterEntry[];
  /** What is known ahead of the days; where it is left out, no month calendar shows any of it. */
  readonly known?: readonly Known[];
};
export type AnyPage = Page | MatterPage;

/** Every page's worth of days, and before and after them the front and back matter. */
export function allPagesOf(album: WholeRead): readonly AnyPage[] {
  const matters = matterPages(album);
  const isBack = ({ matter }: MatterPage) => matter.kind === "closing";
  return [...matters.filter((page) => !isBack(page)), ...pagesOf(album), ...matters.filter(isBack)];
}

/** The day by which a page is put among the album's: its first date, or the first or last of the month. */
export function dayOfPage(page: AnyPage, { span }: AlbumRead["album"]): CalendarDate {
  if (!("matter" in page)) return page.group.lead.date;
  return page.matter.kind === "closing" ? span.end : span.start;
}
