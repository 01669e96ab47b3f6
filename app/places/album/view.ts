import type { PageRow } from "#app/drawing/page-row.ts";
import { codeOf } from "#app/drawing/states.ts";
import type { AnyPage } from "#core/album/matter.ts";
import { matterName } from "#core/album/matter-name.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import { type AlbumRead, type Page, pagesOf } from "#core/album/page.ts";
import { type CalendarDate, printShort, weekdayName } from "#core/month/dates.ts";
import { inSpan } from "#core/month/span.ts";
import type { FirstEvening } from "#core/pace/first-evening.ts";
import type { Role } from "#core/share/role.ts";

export type FrameView = {
  readonly albumId: string;
  readonly memberId: string;
  readonly role: Role;
  /** When the household goes; null: it stays. */
  readonly goes: string | null;
  readonly title: string;
  readonly rows: readonly PageRow[];
  /** The date that today's page goes by, when today is in the album. */
  readonly today: CalendarDate | null;
  /** Where "Day" leads when no day is chosen. */
  readonly dayDate: CalendarDate;
  /** The household's date. */
  readonly wallDate: CalendarDate;
  readonly clock: string;
  /** The first evening as far as it got; null once it is over. */
  readonly first: FirstEvening | null;
};

/** How a page is called in one line. */
export function pageName(page: AnyPage): string {
  if ("matter" in page) return matterName(page.matter);
  const dates = page.days.map(({ date }) => printShort(date)).join(" and ");
  const title = page.days.map((day) => day.content.title).find(Boolean);
  return `${page.label ?? dates}${title ? `, ${title}` : ""}`;
}

export const leadDate = (page: Page): CalendarDate => page.group.lead.date;

export function pageOf(pages: readonly Page[], date: CalendarDate | null): Page | undefined {
  return pages.find(({ days }) => days.some((day) => day.date === date));
}

const known = new WeakMap<readonly Page[], readonly PageRow[]>();

/** The album's pages as rows; the same pages always give the same rows, so that what is drawn of them can be kept. */
export function rowsOf(pages: readonly Page[]): readonly PageRow[] {
  const rows =
    known.get(pages) ??
    pages.map((page) => ({
      dayId: page.group.lead.id,
      date: leadDate(page),
      also: page.days.slice(1).map(({ date }) => date),
      label: page.label ?? "",
      title: page.days
        .map((day) => day.content.title)
        .filter(Boolean)
        .join(" / "),
      states: codeOf(page.states),
      skipped: page.skipped,
    }));
  known.set(pages, rows);
  return rows;
}

export function frameView(
  { album, days, leaves, prints }: AlbumRead & { album: AlbumPlan & { id: string } },
  wall: { date: CalendarDate; time: string },
  member: { readonly id: string; readonly role: Role; readonly goes: string | null },
  first: FirstEvening | null,
): FrameView {
  const pages = pagesOf({ album, days, leaves, prints });
  const todays = inSpan(album.span, wall.date) ? pageOf(pages, wall.date) : undefined;
  return {
    albumId: album.id,
    ...{ memberId: member.id, role: member.role, goes: member.goes },
    title: album.title,
    rows: rowsOf(pages),
    today: todays ? leadDate(todays) : null,
    dayDate: todays ? leadDate(todays) : album.span.start,
    first,
    wallDate: wall.date,
    clock: `${weekdayName(wall.date).slice(0, 3)} ${printShort(wall.date)}, ${wall.time}`,
  };
}
