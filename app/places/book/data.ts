import type { Leaf, TryOut } from "#core/album/leaf.ts";
import { matterPages } from "#core/album/matter.ts";
import type { AlbumPlan, Day, MatterEntry } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import type { Print } from "#core/album/print.ts";
import { type DatedPage, type MatterInBook, toDatedPage, toMatterInBook } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import type { Size } from "#core/measure/size.ts";
import type { Known } from "#core/month/known.ts";

/** The whole book as its places get it: they read, fit and measure it themselves, so that a change shows at once. */
export type BookData = Pick<AlbumPlan, "format" | "unit"> & {
  readonly albumId: string;
  readonly pages: readonly DatedPage[];
  /** The front and back matter. */
  readonly matters: readonly MatterInBook[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly (PocketLayout & { readonly page: Size })[];
  readonly tryOuts: readonly TryOut[];
};

type Source = {
  readonly prints: readonly Print[];
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly known: readonly Known[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly (PocketLayout & { readonly page: Size })[];
  readonly tryOuts: readonly TryOut[];
};

export const bookData = ({ album, days, matters, known, leaves, prints, layouts, tryOuts }: Source): BookData => ({
  albumId: album.id,
  format: album.format,
  unit: album.unit,
  pages: pagesOf({ album, days, leaves, prints }).map(toDatedPage),
  matters: matterPages({ album, days, matters, known, leaves, prints }).map(toMatterInBook),
  leaves,
  layouts,
  tryOuts,
});
