import { shortDate } from "#app/wording/dates.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import { type InBook, isDated } from "#core/book/dated-page.ts";
import type { EntryAt } from "./boards.ts";

/** What a day, or a page of the front or back matter, is called within a sentence. */
export const inBookName = (page: InBook): string =>
  isDated(page)
    ? page.label
      ? `day ${page.label}`
      : shortDate(page.days[0]?.date ?? "")
    : `the ${MATTER_NAME[page.matter.kind].toLowerCase()}`;

/** Where it is worked on. */
export function inBookAt(page: InBook): EntryAt | null {
  if (!isDated(page)) return { entry: page.days[0]?.id ?? "" };
  const date = page.days[0]?.date;
  return date ? { date } : null;
}
