import type { Leaf } from "../album/leaf.ts";
import { type AnyPage, allPagesOf, type WholeRead } from "../album/matter.ts";
import type { AlbumPlan } from "../album/model.ts";
import type { Print } from "../album/print.ts";
import type { PocketLayout } from "../book/layout.ts";
import { readBook } from "../book/read.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type Shareable, shareable } from "../share/share.ts";
import type { ForWhom } from "./asked.ts";

/** What of an album a whole book is read from. */
export type BookSource = WholeRead &
  Shareable & {
    readonly album: AlbumPlan;
    readonly leaves: readonly Leaf[];
    readonly layouts: readonly PocketLayout[];
    readonly prints: readonly Print[];
    readonly today: CalendarDate;
  };

/** The book as it is for oneself, or as it may leave the household: its pages, and its leaves in order. */
export function bookFor(source: BookSource, forWhom: ForWhom) {
  const { album, leaves, layouts, ...rest } = forWhom === "self" ? source : shareable(source, source.today);
  const pages = allPagesOf({ album, leaves, ...rest });
  return { album, pages, leaves: readBook<AnyPage>(album, pages, leaves, layouts).leaves };
}
