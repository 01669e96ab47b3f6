import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import { type CalendarDate, daysBetween } from "../month/dates.ts";

/** So many days without a word written, and an album is come back to. */
export const AWAY_FROM = 14;

export type Standing = {
  /** The day on which something was last done. */
  readonly last: CalendarDate;
  /** Told pages: those in the book, those begun and not in it, and those whose day has come with nothing on them yet. */
  readonly inBook: number;
  readonly begun: number;
  readonly untouched: number;
  /**
   * The one next thing: of the pages begun whose day has come the one that wants the fewest minutes; else the oldest day with
   * nothing on it; else what is begun ahead.
   */
  readonly next: { readonly page: Page; readonly step: PlannedStep; readonly minutes: number } | null;
};

const isOpen = ({ done }: PlannedStep) => !done;
const minutesLeft = (page: Page): number => page.steps.filter(isOpen).reduce((sum, { minutes }) => sum + minutes, 0);
const isBegun = ({ steps, content, leaves }: Page): boolean =>
  steps.some(({ done }) => done) ||
  leaves.length > 0 ||
  content.photos.length + content.cards.length + content.jottings.length > 0;

/**
 * Where an album stands for somebody who comes back to it; null for one that was at work in the last fortnight, has nothing
 * on it, or is done. `last` is when somebody last wrote in it, in the household's days.
 */
export function standing(pages: readonly Page[], today: CalendarDate, last: CalendarDate | null): Standing | null {
  if (last === null || daysBetween(last, today) < AWAY_FROM) return null;
  const told = pages.filter(({ skipped }) => !skipped);
  const open = told.filter(({ states }) => states.book !== "done");
  const begun = open.filter(isBegun);
  const hasCome = ({ days: [first] }: Page) => first !== undefined && first.date <= today;
  const untouched = open.filter((page) => !isBegun(page) && hasCome(page));
  const byMinutes = begun.filter((page) => page.steps.some(isOpen)).sort((a, b) => minutesLeft(a) - minutesLeft(b));
  const page = byMinutes.find(hasCome) ?? untouched[0] ?? byMinutes[0];
  const step = page?.steps.find(isOpen);
  if (open.length === 0 || (begun.length === 0 && told.length === open.length)) return null;
  return {
    ...{ last, inBook: told.length - open.length, begun: begun.length, untouched: untouched.length },
    next: page && step ? { page, step, minutes: minutesLeft(page) } : null,
  };
}
