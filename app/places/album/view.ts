import type { AlbumPlan, Day } from "#core/album/model.ts";
import { type Page, pagesOf } from "#core/album/page.ts";
import { RINGS } from "#core/album/steps.ts";
import { type CalendarDate, printShort, weekdayName } from "#core/month/dates.ts";
import { inSpan } from "#core/month/span.ts";
import type { Notch } from "#app/drawing/strip.tsx";
import { RING_NAME, RING_STATE } from "#app/ui/wording.ts";

export type FrameView = {
  readonly albumId: string;
  readonly memberId: string;
  readonly title: string;
  readonly notches: readonly Notch[];
  /** The date that today's page goes by, when today is in the album. */
  readonly today: CalendarDate | null;
  /** Where "Day" leads when no day is chosen. */
  readonly dayDate: CalendarDate;
  readonly clock: string;
};

/** How a page is called in one line. */
export function pageName(page: Page): string {
  const dates = page.days.map(({ date }) => printShort(date)).join(" and ");
  const title = page.days.map((day) => day.content.title).find(Boolean);
  return `${page.label ?? dates}${title ? `, ${title}` : ""}`;
}

/** A page and its rings, spoken. */
export const spokenPage = (page: Page): string =>
  page.skipped ? `${pageName(page)}: skipped` : `${pageName(page)}: ${RINGS.map((ring) => `${RING_NAME[ring].toLowerCase()} ${RING_STATE[page.states[ring]]}`).join(", ")}`;

export const leadDate = (page: Page): CalendarDate => page.group.lead.date;

export function pageOf(pages: readonly Page[], date: CalendarDate | null): Page | undefined {
  return pages.find(({ days }) => days.some((day) => day.date === date));
}

export function frameView({ album, days }: { album: AlbumPlan & { id: string }; days: readonly Day[] }, wall: { date: CalendarDate; time: string }, memberId: string): FrameView {
  const pages = pagesOf(album, days);
  const todays = inSpan(album.span, wall.date) ? pageOf(pages, wall.date) : undefined;
  return {
    albumId: album.id,
    memberId,
    title: album.title,
    notches: pages.map((page) => ({
      date: leadDate(page),
      label: page.label ?? "",
      dates: page.days.length,
      full: Math.round(page.fullness * 100) / 100,
      inBook: page.states.book === "done",
      skipped: page.skipped,
      spoken: pageName(page) + (page.skipped ? ", skipped" : page.states.book === "done" ? ", in the book" : `, ${Math.round(page.fullness * 100)} per cent`),
    })),
    today: todays ? leadDate(todays) : null,
    dayDate: todays ? leadDate(todays) : album.span.start,
    clock: `${weekdayName(wall.date).slice(0, 3)} ${printShort(wall.date)}, ${wall.time}`,
  };
}
