import type { Preparing, Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import type { CalendarDate } from "../month/dates.ts";

/** `ahead`: its day is still to come. */
export type TonightItem = { readonly page: Page; readonly step: PlannedStep; readonly ahead: boolean };

/** What is made before its day, by the album's way of preparing: whole pages but for what the day brings, or their parts. */
const AHEAD: Record<Preparing, readonly Step[]> = {
  all: ["base", "number", "insert"],
  parts: ["insert"],
  nothing: [],
};

/**
 * What can be done in the minutes there are: open steps of the pages whose day has come, oldest page first, each page's
 * steps in working order. A step that no longer fits ends its page's turn, since later steps need it done; shorter work
 * on another page may still fit. What is made ahead of the days to come is offered after them, the nearest day first.
 */
export function tonight(
  pages: readonly Page[],
  today: CalendarDate,
  minutes: number,
  preparing: Preparing,
): TonightItem[] {
  const items: TonightItem[] = [];
  let left = minutes;
  const take = (page: Page, steps: readonly PlannedStep[], ahead: boolean) => {
    for (const step of steps) {
      if (step.done) continue;
      if (step.minutes > left) break;
      items.push({ page, step, ahead });
      left -= step.minutes;
    }
  };
  const hasCome = ({ days: [first] }: Page) => first !== undefined && first.date <= today;
  for (const page of pages) if (hasCome(page)) take(page, page.steps, false);
  for (const page of pages)
    if (!hasCome(page))
      take(
        page,
        page.steps.filter(({ step }) => AHEAD[preparing].includes(step)),
        true,
      );
  return items;
}

/** The days to come that are told and have no page yet; of interest where all pages are made ahead. */
export const withoutPage = (pages: readonly Page[], today: CalendarDate): Page[] =>
  pages.filter(({ days: [first], skipped, leaves }) => !skipped && leaves.length === 0 && (first?.date ?? "") > today);
