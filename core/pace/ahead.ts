import type { Matter, Preparing, Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import { addDays, type CalendarDate, daysBetween } from "../month/dates.ts";
import { type Hours, minutesBetween, minutesOn } from "./capacity.ts";
import { costOf, type OwnMinutes } from "./minutes.ts";
import { openSteps } from "./needs.ts";
import { AHEAD } from "./tonight.ts";

/** Kinds of work that can be done before the days they are for. */
export const AHEAD_KINDS = ["prompts", "front-matter", "base", "number", "insert", "build"] as const;
export type AheadKind = (typeof AHEAD_KINDS)[number];

/** Some of a kind: how many pages or days, and the minutes they take together, setting up counted once a sitting. */
export type AheadGroup = { readonly kind: AheadKind; readonly count: number; readonly minutes: number };

export type Ahead = {
  /** The day before which it is to be ready: day 1, or the next day there is. */
  readonly by: CalendarDate;
  readonly hasBegun: boolean;
  readonly groups: readonly AheadGroup[];
  readonly minutes: number;
  /** The last day on which it can be begun; null where there is not time enough from today on. */
  readonly beginBy: CalendarDate | null;
  /** Minutes that are missing, where there is not time enough. */
  readonly short: number;
  /** What to leave first, so that the rest is ready: in this order, as much of it as has to be. */
  readonly drop: readonly AheadKind[];
};

/** Finding a prompt, and what a page of the front matter takes where nothing of it is there yet. From memory. */
const PROMPT_MINUTES = 2;
const MATTER_MINUTES = 35;
const FRONT: readonly Matter[] = ["title", "opening-note", "month-calendar"];

/** What is missed least in a finished album goes first; a page without a base keeps its day waiting. Common practice. */
const DROP_ORDER: readonly AheadKind[] = ["insert", "build", "number", "front-matter", "base", "prompts"];

type Matters = readonly { readonly matter: { readonly kind: Matter }; readonly steps: readonly PlannedStep[] }[];

export type AheadAsk = {
  readonly pages: readonly Page[];
  readonly matters: Matters;
  readonly today: CalendarDate;
  readonly preparing: Preparing;
  readonly hours: Hours;
  readonly own: OwnMinutes;
  /** The share of the evenings meant that is kept, as far as is known. */
  readonly share: number;
};

/**
 * What can be ready before day 1, or, once the album is under way, each page before its own day; and by when it has to be
 * begun: the last day from which the minutes there are, as far as they are kept, reach for all that is due at every date. Null where no day is to come. What is made ahead is
 * as the album is prepared: all of a page but what its day brings, its small parts, or nothing but prompts and front matter.
 */
export function ahead({ pages, matters, today, preparing, hours, own, share }: AheadAsk): Ahead | null {
  const told = pages.filter(({ skipped }) => !skipped);
  const toCome = told.filter(({ days: [first] }) => first !== undefined && first.date > today);
  const [next] = toCome;
  const by = next?.days[0]?.date;
  const first = told[0]?.days[0]?.date;
  if (!by || !first) return null;
  const hasBegun = first <= today;
  const jobs = jobsOf(toCome, hasBegun ? [] : matters, preparing, own).map((job) =>
    hasBegun ? job : { ...job, date: by },
  );
  const groups = AHEAD_KINDS.flatMap((kind): AheadGroup[] => {
    const of = jobs.filter((job) => job.kind === kind);
    return of.length > 0 ? [{ kind, count: of.length, minutes: sumOf(of) }] : [];
  });
  const there = (from: CalendarDate, until: CalendarDate) => share * minutesBetween(hours, from, addDays(until, -1));
  /** How much is missing where it is begun today, over all the dates something has to be ready by. */
  const missing = (some: readonly Job[]): number =>
    Math.max(0, ...deadlines(some).map(({ date, minutes }) => Math.ceil(minutes - there(today, date))));
  const short = missing(jobs);
  const drop: AheadKind[] = [];
  for (const kind of DROP_ORDER) {
    if (missing(jobs.filter((job) => !drop.includes(job.kind))) === 0) break;
    if (jobs.some((job) => job.kind === kind)) drop.push(kind);
  }
  const [beginBy = addDays(by, -1)] = deadlines(jobs)
    .map(({ date, minutes }) => lastStart(date, minutes))
    .sort();
  return { by, hasBegun, groups, minutes: sumOf(jobs), beginBy: short > 0 ? null : beginBy, short, drop };

  /** The last day from which there are so many minutes until the day before a date; today where there are not. */
  function lastStart(until: CalendarDate, wanted: number): CalendarDate {
    // Whole minutes are summed and the share is taken once, as `there` takes it: the two agree to the last bit.
    let sum = 0;
    for (let at = daysBetween(today, until) - 1; at > 0; at--) {
      const date = addDays(today, at);
      sum += minutesOn(hours, date);
      if (share * sum >= wanted) return date;
    }
    return today;
  }
}

/** One thing to be made ahead, and the date before which it is to be ready. */
type Job = { readonly kind: AheadKind; readonly date: CalendarDate; readonly minutes: number };
const sumOf = (jobs: readonly Job[]) => jobs.reduce((sum, { minutes }) => sum + minutes, 0);

/** For every date something has to be ready by, the minutes of all that has to be by then. */
function deadlines(jobs: readonly Job[]): { date: CalendarDate; minutes: number }[] {
  const dates = [...new Set(jobs.map(({ date }) => date))].sort();
  return dates.map((date) => ({ date, minutes: sumOf(jobs.filter((job) => job.date <= date)) }));
}

/** What a page that has no leaf yet will want of what is made ahead. */
const ON_EVERY_PAGE: readonly Step[] = ["base", "number"];

/** Bases made in one sitting; setting up is counted once for so many. From memory. */
const A_SITTING = 5;

function jobsOf(pages: readonly Page[], matters: Matters, preparing: Preparing, own: OwnMinutes): Job[] {
  const dateOf = ({ days: [first] }: Page) => first?.date ?? ("9999-12-31" as CalendarDate);
  const isOpen = (page: Page, step: Step) => openSteps(page).some((each) => each.step === step);
  // A page that is made ahead and has no leaf yet will want its base and its number.
  const isBare = ({ leaves, content }: Page) => leaves.length === 0 && !content.waived.includes("paper");
  const eachOf = (page: Page, step: Step) =>
    costOf(own, step, page.steps.find((each) => each.step === step)?.minutes).each;
  const steps = AHEAD[preparing].flatMap((step) => {
    const { setUp } = costOf(own, step);
    const some = pages.filter(
      (page) => isOpen(page, step) || (preparing === "all" && ON_EVERY_PAGE.includes(step) && isBare(page)),
    );
    return some.map((page, at) => ({
      ...{ kind: step as AheadKind, date: dateOf(page) },
      minutes: eachOf(page, step) + (at % A_SITTING === 0 ? setUp : 0),
    }));
  });
  const prompts = pages
    .filter(({ states }) => states.prompt === "open")
    .map((page) => ({ kind: "prompts" as const, date: dateOf(page), minutes: PROMPT_MINUTES }));
  const front = matters
    .filter(({ matter, steps: own }) => FRONT.includes(matter.kind) && own.some(({ done }) => !done))
    .map(() => ({ kind: "front-matter" as const, date: "0001-01-01" as CalendarDate, minutes: MATTER_MINUTES }));
  return [...prompts, ...front, ...steps];
}
