import type { AlbumPlan } from "#core/album/model.ts";
import { type AlbumRead, closedThickness, pagesOf, progressOf } from "#core/album/page.ts";
import { toMillimetres } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { printDate } from "#core/month/dates.ts";

/** One album on the shelf: its cover picture, its proportions closed, how far it is. */
export type ShelfAlbum = {
  readonly id: string;
  readonly title: string;
  readonly dates: string;
  readonly book: string;
  readonly inBook: number;
  readonly wanted: number;
  /** Millimetres. */
  readonly cover: { readonly w: number; readonly h: number; readonly thick: number; readonly spine: number };
  readonly thickSaid: string;
  readonly photoId: string | null;
};

/** A bound album is never thinner than its covers: two boards of 2 mm. From memory. */
const BOARDS = 4;

export function shelfView({
  album,
  days,
  leaves,
  prints,
}: AlbumRead & { album: AlbumPlan & { id: string } }): ShelfAlbum {
  const pages = pagesOf({ album, days, leaves, prints });
  const inside = closedThickness(pages, leaves, album.format) / 1000;
  const { inBook, wanted } = progressOf(pages);
  const best =
    pages.find((page) => page.states.book === "done" && page.content.photos.length > 0) ??
    pages.find((page) => page.content.photos.length > 0);
  return {
    id: album.id,
    title: album.title,
    dates: `${printDate(album.span.start)} to ${printDate(album.span.end)}`,
    book: `${album.format.name}, ${printSize(album.format.nominal, album.unit)}`,
    inBook,
    wanted,
    cover: {
      w: toMillimetres(album.format.outer.w),
      h: toMillimetres(album.format.outer.h),
      thick: inside + BOARDS,
      spine: album.format.capacity / 1000,
    },
    thickSaid: `about ${Math.round(inside + BOARDS)} mm closed; holds ${Math.round(album.format.capacity / 1000)}`,
    photoId: best?.content.photos[0]?.photoId ?? null,
  };
}
