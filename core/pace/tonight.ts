import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import type { CalendarDate } from "../month/dates.ts";

export type TonightItem = { readonly page: Page; readonly step: PlannedStep };

/**
 * What can be done in the minutes there are: open steps of the pages whose day has come, oldest page first, each page's
 * steps in working order. A step that no longer fits ends its page's turn, since later steps need it done; shorter work
 * on another page may still fit.
 */
export function tonight(pages: readonly Page[], today: CalendarDate, minutes: number): TonightItem[] {
  const items: TonightItem[] = [];
  let left = minutes;
  for (const page of pages) {
    const first = page.days[0];
    if (!first || first.date > today) continue;
    for (const step of page.steps) {
      if (step.done) continue;
      if (step.minutes > left) break;
      items.push({ page, step });
      left -= step.minutes;
    }
  }
  return items;
}
