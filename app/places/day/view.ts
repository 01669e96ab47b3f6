import type { LeafView } from "#app/drawing/leaf-view.ts";
import { leadDate, pageOf } from "#app/places/album/view.ts";
import type { AlbumPlan, Day, DayContent } from "#core/album/model.ts";
import { type Page, pageSize, pagesOf } from "#core/album/page.ts";
import type { PlannedStep, RingStates } from "#core/album/steps.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import { type CalendarDate, dayOfMonth, printDate, printShort, weekdayName } from "#core/month/dates.ts";
import { deckOfSlip } from "#core/words/decks.ts";
import { fitWords, leafOf } from "./leaf-of.ts";

export type PhotoInfo = { readonly name: string; readonly taken: string | null; readonly pixels: string };

/** One date's own material on the page; a shared page has several. */
export type DayPart = {
  readonly id: string;
  readonly dateSaid: string;
  readonly version: number;
  readonly content: DayContent;
};

export type DayView = {
  readonly albumId: string;
  readonly date: CalendarDate;
  readonly label: string;
  readonly when: string;
  readonly skipped: boolean;
  readonly parts: readonly DayPart[];
  readonly states: RingStates;
  readonly steps: readonly PlannedStep[];
  readonly leaf: LeafView;
  readonly fit: readonly string[];
  readonly unit: Unit;
  readonly pageSize: Size;
  readonly albumSize: Size;
  readonly photoInfo: Readonly<Record<string, PhotoInfo>>;
  /** Slips that days of this album have taken, and the number of each day. */
  readonly slipsUsed: Readonly<Record<string, string>>;
  readonly promptFrom: string | null;
  readonly lastWrite: string | null;
};

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly photos: ReadonlyMap<string, { name: string; width: number; height: number; capturedAt: string | null }>;
  readonly lastWrites: ReadonlyMap<string, { by: string; at: string }>;
};

function resolution(pixels: { width: number; height: number }, print: Size): number {
  const [long, short] = [Math.max(pixels.width, pixels.height), Math.min(pixels.width, pixels.height)];
  const [longSide, shortSide] = [Math.max(print.w, print.h), Math.min(print.w, print.h)];
  // The picture fills the print: the side that is short of pixels decides. 8128 ticks are an inch.
  return Math.floor(Math.min(long / longSide, short / shortSide) * 8128);
}

/** Usual aims, common practice: 300 pixels per inch, 200 acceptable, below 150 soft. */
const verdict = (ppi: number) =>
  ppi >= 300 ? "sharp" : ppi >= 200 ? "good" : ppi >= 150 ? "just acceptable" : "will look soft";

function photoInfo({ photos }: Aggregate, page: Page): Record<string, PhotoInfo> {
  return Object.fromEntries(
    page.content.photos.flatMap((use) => {
      const photo = photos.get(use.photoId);
      if (!photo) return [];
      const ppi = resolution(photo, use.print);
      const date = photo.capturedAt?.slice(0, 10) as CalendarDate | undefined;
      return [
        [
          use.id,
          {
            name: photo.name,
            taken: date ? `${printShort(date)}, ${photo.capturedAt?.slice(11, 16)}` : null,
            pixels: `${ppi} ppi, ${verdict(ppi)}`,
          },
        ],
      ];
    }),
  );
}

/** Everything the Day place shows; null when the date is not in the album. */
export function dayView(aggregate: Aggregate, date: CalendarDate, saidAt: (iso: string) => string): DayView | null {
  const { album, days, lastWrites } = aggregate;
  const pages = pagesOf(album, days);
  const page = pageOf(pages, date);
  if (!page) return null;
  const { unit } = album;
  const writes = page.days.flatMap(({ id }) => lastWrites.get(id) ?? []).sort((a, b) => (a.at < b.at ? 1 : -1));
  return {
    albumId: album.id,
    date: leadDate(page),
    label: page.label ?? `${dayOfMonth(leadDate(page))}`,
    when: page.days.map((day) => `${weekdayName(day.date)}, ${printDate(day.date)}`).join(" and "),
    skipped: page.skipped,
    parts: page.days.map((day) => ({
      id: day.id,
      dateSaid: printShort(day.date),
      version: day.version,
      content: day.content,
    })),
    states: page.states,
    steps: page.steps,
    leaf: leafOf(page, album),
    fit: fitWords(page, album),
    unit,
    pageSize: pageSize(page.content, album.format),
    albumSize: album.format.nominal,
    photoInfo: photoInfo(aggregate, page),
    slipsUsed: Object.fromEntries(
      pages.flatMap((each) =>
        each.days.flatMap((day) => (day.content.prompt.slip ? [[day.content.prompt.slip, each.label ?? ""]] : [])),
      ),
    ),
    promptFrom: deckOfSlip(page.content.prompt.slip)?.name ?? null,
    lastWrite: writes[0] ? `${writes[0].by}, ${saidAt(writes[0].at)}` : null,
  };
}
