import type { AnyPage } from "../album/matter.ts";
import { matterName } from "../album/matter-name.ts";
import { printDate, printShort, weekdayName } from "../month/dates.ts";

/** The titles of a page's days, each once. */
export const titlesOf = (page: AnyPage): string =>
  [...new Set(page.days.flatMap(({ content }) => content.title.trim() || []))].join(", ");

/** What a page is called where nothing else says which it is: its number and its date, or what it is for. */
export function pageCalled(page: AnyPage): string {
  if ("matter" in page) return matterName(page.matter);
  const dates = page.days.map(({ date }) => `${weekdayName(date)}, ${printDate(date)}`).join(" and ");
  return page.label ? `Day ${page.label}, ${dates}` : dates;
}

/** The same in few words, with its title: `Day 5: Between two tides`. */
export function pageTitled(page: AnyPage): string {
  if ("matter" in page) return matterName(page.matter);
  const called = page.label ? `Day ${page.label}` : page.days.map(({ date }) => printShort(date)).join(" and ");
  const titles = titlesOf(page);
  return titles ? `${called}: ${titles}` : called;
}
