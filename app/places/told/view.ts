import { heldSaid, RING_NAME } from "#app/wording/day.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { isBegun, pagesOf } from "#core/album/page.ts";
import type { LeafOutline } from "#core/album/page-leaves.ts";
import type { Print } from "#core/album/print.ts";
import type { Numbering } from "#core/month/numbering.ts";

/** One page's worth of days, told or skipped. */
export type ToldDay = {
  readonly id: string;
  readonly dates: readonly string[];
  readonly title: string;
  /** What of it is there, in words; empty where nothing is. */
  readonly holds: string;
  readonly begun: boolean;
  readonly told: boolean;
};
export type ToldView = {
  readonly albumId: string;
  readonly numbering: Numbering;
  readonly days: readonly ToldDay[];
};

type Source = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly leaves: readonly LeafOutline[];
  readonly prints: readonly Print[];
};

/** The days of the album as they are told now. */
export const toldView = ({ album, days, leaves, prints }: Source): ToldView => ({
  albumId: album.id,
  numbering: album.numbering,
  days: pagesOf({ album, days, leaves, prints }).map((page) => ({
    id: page.group.lead.id,
    dates: page.days.map(({ date }) => date),
    title: page.days.flatMap(({ content: { title } }) => title || []).join(" / "),
    holds:
      page.states.book === "done" ? RING_NAME.book.toLowerCase() : heldSaid(page.days.map(({ content }) => content)),
    begun: isBegun(page),
    told: !page.skipped,
  })),
});
