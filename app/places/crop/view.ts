import { pageName } from "#app/places/album/view.ts";
import type { EntryAt } from "#app/places/arrange/boards.ts";
import type { Leaf } from "#core/album/leaf.ts";
import { allPagesOf } from "#core/album/matter.ts";
import type { AlbumPlan, Day, MatterEntry, PhotoUse } from "#core/album/model.ts";
import { type Print, standingOf } from "#core/album/print.ts";
import { toInBook } from "#core/book/dated-page.ts";
import { type Over, overPrint } from "#core/book/keep-clear.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { readBook } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Traits } from "#core/photo/traits.ts";

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly prints: readonly Print[];
};

export type CropView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly use: PhotoUse;
  readonly dayId: string;
  readonly at: EntryAt;
  readonly day: string;
  /** The day's other prints of one picture, which may come into this one. */
  readonly alone: readonly PhotoUse[];
  /** What will lie over the print or go through it, wherever it is laid. */
  readonly over: readonly Over[];
  readonly traits:
    | (Pick<Traits, "tone" | "busy"> & {
        readonly colours: readonly { readonly colour: string; readonly name: string }[];
      })
    | null;
  /** The album's prints before and after this one, in the order of the days. */
  readonly before: string | null;
  readonly after: string | null;
  readonly place: { readonly at: number; readonly of: number };
  /** It is printed as it is now; another crop wants another print. */
  readonly printed: boolean;
};

/** One print's crop with what it must keep clear of; null when no day has this use. */
export function cropView(aggregate: Aggregate, useId: string): Omit<CropView, "traits"> | null {
  const { album, leaves, layouts, prints } = aggregate;
  const pages = allPagesOf(aggregate);
  const all = pages
    .filter(({ skipped }) => !skipped)
    .flatMap((page) =>
      (page.days as readonly (Day | MatterEntry)[]).flatMap((day) =>
        day.content.photos.map((use) => ({ page, day, use })),
      ),
    );
  const at = all.findIndex(({ use }) => use.id === useId);
  const found = all[at];
  if (!found) return null;
  const { use, page, day } = found;
  const book = readBook(album, pages.map(toInBook), leaves, layouts);
  const over = book.leaves.flatMap((read) =>
    (["front", "back"] as const).flatMap((face) => overPrint(read, face, use.id, use.print, album.format)),
  );
  const { kind } = standingOf(use, prints, page.content.done);
  return {
    albumId: album.id,
    unit: album.unit,
    use,
    dayId: day.id,
    at: "matter" in page ? { entry: page.entry.id } : { date: page.group.lead.date },
    day: pageName(page),
    alone: day.content.photos.filter((each) => each !== use && !each.together),
    over,
    before: all[at - 1]?.use.id ?? null,
    after: all[at + 1]?.use.id ?? null,
    place: { at: at + 1, of: all.length },
    printed: kind === "printed" || kind === "trimmed",
  };
}
