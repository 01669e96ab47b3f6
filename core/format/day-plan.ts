import type { AlbumPlan } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { firstPage, insertsOf, pageSizeOf } from "../album/page-leaves.ts";
import { shared } from "../album/secrecy.ts";
import { printSize } from "../measure/size.ts";
import { type CalendarDate, weekdayName } from "../month/dates.ts";

/** Column heads of the day plan, in order. */
export const DAY_PLAN_HEAD = [
  ...([
    "number",
    "dates",
    "weekday",
    "title",
    "prompt",
    "photos",
    "cards",
    "words",
    "foundation",
    "base paper",
  ] as const),
  ...(["page size", "inserts", "steps done", "steps", "state", "note"] as const),
];

const state = (page: Page): string =>
  page.skipped ? "skipped" : page.states.book === "done" ? "in the book" : page.fullness > 0 ? "begun" : "to come";

/** The day plan as rows of text, one a page, head first, without words that are private as of `today`; the file is written by the CSV library in press. */
export function dayPlanRows(plan: AlbumPlan, pages: readonly Page[], today: CalendarDate): string[][] {
  const rows = pages.map((page) => {
    const { days } = page;
    const first = firstPage(page.leaves);
    const { nominal } = plan.format;
    const content = shared(page.content, today);
    const words = content.cards
      .flatMap(({ text, back }) => [text, back])
      .filter(Boolean)
      .join("\n\n");
    return [
      page.label ?? "",
      days.map(({ date }) => date).join(" "),
      days.map(({ date }) => weekdayName(date)).join(" "),
      days
        .map((day) => day.content.title)
        .filter(Boolean)
        .join(" / "),
      content.prompt.text,
      String(content.photos.length),
      content.cards.map(({ size }) => printSize(size, plan.unit)).join("; "),
      words,
      first?.make.kind ?? "",
      first?.make.basePaper ?? "",
      printSize(pageSizeOf(page.leaves, plan.format), plan.unit),
      insertsOf(page.leaves)
        .map(({ make }) => `${make.insert} ${printSize(make.size ?? nominal, plan.unit)}`)
        .join("; "),
      String(page.steps.filter(({ done }) => done).length),
      String(page.steps.length),
      state(page),
      days
        .map((day) => day.content.note)
        .filter(Boolean)
        .join("\n"),
    ];
  });
  return [[...DAY_PLAN_HEAD], ...rows];
}
