import type { StillMat } from "#app/drawing/mat-text.ts";
import { leadDate, pageOf } from "#app/places/album/view.ts";
import { benchOf, dayMat } from "#app/places/day/day-book.ts";
import type { EveningView } from "#app/places/pace/evening-view.ts";
import { many } from "#app/wording/count.ts";
import { FOUNDATION_NAME, STEP_TO_DO } from "#app/wording/day.ts";
import type { Leaf } from "#core/album/leaf.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { type Page, pagesOf, progressOf } from "#core/album/page.ts";
import { firstPage, insertsOf, pageSizeOf } from "#core/album/page-leaves.ts";
import type { Print } from "#core/album/print.ts";
import { RINGS, type Ring, type RingState } from "#core/album/steps.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { printSize } from "#core/measure/size.ts";
import { type CalendarDate, printDate, weekdayName } from "#core/month/dates.ts";
import { slotsSetAside } from "#core/month/slots.ts";
import { inSpan } from "#core/month/span.ts";
import { countWords } from "#core/words/count.ts";

export type RingLine = { readonly ring: Ring; readonly state: RingState; readonly said: string };
export type ChosenDay = {
  readonly date: CalendarDate;
  readonly label: string;
  readonly title: string;
  readonly when: string;
  readonly skipped: boolean;
  readonly mat: StillMat;
  readonly lines: readonly RingLine[];
  readonly size: string;
};
export type MonthView = {
  readonly albumId: string;
  readonly chosen: ChosenDay;
  /** Whether a day's number is something else than its date. */
  readonly dated: boolean;
  /** Turn of the dial at which today lies. */
  readonly today: number | null;
  readonly inBook: number;
  readonly wanted: number;
  readonly tonight: EveningView;
  readonly setAside: number;
};

const MOST_SAID = 60;
const short = (text: string) => (text.length > MOST_SAID ? `${text.slice(0, MOST_SAID - 1).trimEnd()}…` : text);

function ringSaid(page: Page, ring: Ring): string {
  const { content } = page;
  if (page.states[ring] === "not-needed") return page.skipped ? "Skipped" : "Done without";
  const next = page.steps.find((step) => step.ring === ring && !step.done);
  const left = next ? `; next: ${STEP_TO_DO[next.step].toLowerCase()}` : "";
  switch (ring) {
    case "prompt":
      return short(content.prompt.text) || "None yet";
    case "photos":
      return content.photos.length > 0 ? `${many(content.photos.length, "photo")}${left}` : "None yet";
    case "words": {
      const words = content.cards.reduce((sum, { text }) => sum + countWords(text), 0);
      return content.cards.length > 0
        ? `${many(content.cards.length, "card")}, ${many(words, "word")}${left}`
        : "No card yet";
    }
    case "paper": {
      const first = firstPage(page.leaves);
      return first
        ? `${FOUNDATION_NAME[first.make.kind]}${first.make.basePaper ? ` over ${first.make.basePaper}` : ""}`
        : "No page chosen yet";
    }
    case "book":
      return page.states.book === "done" ? "Yes" : next ? STEP_TO_DO[next.step] : "Not yet";
  }
}

type Source = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly prints: readonly Print[];
  readonly layouts: readonly PocketLayout[];
};

function chosenDay(page: Page, pages: readonly Page[], { album: plan, leaves, layouts }: Source): ChosenDay {
  const inserts = insertsOf(page.leaves).length;
  const bench = benchOf({ album: plan, leaves, layouts, tryOuts: [] }, page, pages);
  return {
    date: leadDate(page),
    label: page.label ?? "",
    title: page.days
      .map((day) => day.content.title)
      .filter(Boolean)
      .join(" / "),
    when: page.days.map(({ date }) => `${weekdayName(date)}, ${printDate(date)}`).join(" and "),
    skipped: page.skipped,
    mat: dayMat(page, bench, plan.unit, "chosen", true),
    lines: RINGS.map((ring) => ({ ring, state: page.states[ring], said: ringSaid(page, ring) })),
    size: `${printSize(pageSizeOf(page.leaves, plan.format), plan.unit)}${inserts > 0 ? `, ${many(inserts, "insert")}` : ""}`,
  };
}

/** Where in the turn a date lies: the middle of its own part of the circle. */
function turnOf(pages: readonly Page[], date: CalendarDate): number | null {
  const dates = pages.flatMap(({ days }) => days.map((day) => day.date));
  const at = dates.indexOf(date);
  return at < 0 ? null : (at + 0.5) / dates.length;
}

export function monthView(
  source: Source,
  today: CalendarDate,
  date: CalendarDate | null,
  tonight: EveningView,
): MonthView {
  const { album, days, leaves, prints } = source;
  const pages = pagesOf({ album, days, leaves, prints });
  const page = pageOf(pages, date) ?? (inSpan(album.span, today) ? pageOf(pages, today) : undefined) ?? pages[0];
  if (!page) throw new Error("an album has at least one day");
  return {
    albumId: album.id,
    chosen: chosenDay(page, pages, source),
    dated: album.numbering !== "date",
    today: turnOf(pages, today),
    ...progressOf(pages),
    tonight,
    setAside: slotsSetAside(days, album.span).length,
  };
}
