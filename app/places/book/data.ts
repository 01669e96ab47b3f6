import type { Leaf, TryOut } from "#core/album/leaf.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import { type DatedPage, toDatedPage } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";

/** The whole book as its places get it: they read, fit and measure it themselves, so that a change shows at once. */
export type BookData = Pick<AlbumPlan, "format" | "unit"> & {
  readonly albumId: string;
  readonly pages: readonly DatedPage[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly tryOuts: readonly TryOut[];
};

type Source = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly tryOuts: readonly TryOut[];
};

export const bookData = ({ album, days, leaves, layouts, tryOuts }: Source): BookData => ({
  albumId: album.id,
  format: album.format,
  unit: album.unit,
  pages: pagesOf({ album, days, leaves }).map(toDatedPage),
  leaves,
  layouts,
  tryOuts,
});
