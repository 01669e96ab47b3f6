import type { AlbumPlan, Day } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import { type DatedPage, toDatedPage } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import type { Face, Leaf, Piece } from "#core/book/leaf.ts";

export type TryOutView = {
  readonly id: string;
  readonly leafId: string;
  readonly face: Face;
  readonly name: string;
  readonly version: number;
  readonly pieces: readonly Piece[];
};

/** The whole book as its places get it: they read, fit and measure it themselves, so that a change shows at once. */
export type BookData = Pick<AlbumPlan, "format" | "unit"> & {
  readonly albumId: string;
  readonly pages: readonly DatedPage[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly tryOuts: readonly TryOutView[];
};

type Source = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly tryOuts: readonly TryOutView[];
};

export const bookData = ({ album, days, leaves, layouts, tryOuts }: Source): BookData => ({
  albumId: album.id,
  format: album.format,
  unit: album.unit,
  pages: pagesOf(album, days).map(toDatedPage),
  leaves,
  layouts,
  tryOuts,
});
