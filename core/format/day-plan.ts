import { type AlbumRead, type Page, pagesOf } from "../album/page.ts";
import { firstPage, insertsOf, pageSizeOf } from "../album/page-leaves.ts";
import { printSize } from "../measure/size.ts";
import { type CalendarDate, weekdayName } from "../month/dates.ts";
import { type Shareable, shareable } from "../share/share.ts";

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

/** The day plan as rows of text, one a page, head first, without what is private as of `today`; the file is written by the CSV library in press. */
export function dayPlanRows(whole: AlbumRead & Shareable, today: CalendarDate): string[][] {
  const { album: plan } = whole;
  const rows = pagesOf(shareable(whole, today)).map((page) => {
    const { days } = page;
    const first = firstPage(page.leaves);
    const { nominal } = plan.format;
    const { content } = page;
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
