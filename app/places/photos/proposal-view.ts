import { pageName } from "#app/places/album/view.ts";
import type { Leaf } from "#core/album/leaf.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import type { Print } from "#core/album/print.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { readBook } from "#core/book/read.ts";
import { type WaitingPrint, waitingPrints } from "#core/book/waiting.ts";
import type { Unit } from "#core/measure/length.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import type { PictureFacts } from "#core/photo/crop.ts";
import { takenOn } from "#core/photo/on-it.ts";
import { type PhotoRule, type Proposal, propose } from "#core/photo/propose.ts";
import type { RollPhoto } from "#core/photo/roll.ts";
import { photoIdsOf } from "#core/photo/together.ts";
import { alikeOf } from "./view.ts";

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string; readonly photoRule: PhotoRule };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly prints: readonly Print[];
  readonly layouts: readonly PocketLayout[];
};

/** A print that waits, with the picture proposed for it, if there is one. */
export type Pick = Proposal & { readonly name: string; readonly facts: PictureFacts; readonly taken: string | null };
export type ProposalRow = {
  readonly wanted: WaitingPrint;
  readonly day: string;
  readonly date: CalendarDate;
  /** The one that is proposed; null where none is. */
  readonly proposal: Pick | null;
  /** The next best. */
  readonly others: readonly Pick[];
};
export type ProposalView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly rule: PhotoRule;
  readonly twice: boolean;
  readonly rows: readonly ProposalRow[];
  /** Days without a page are given pictures too; and how many of them there are. */
  readonly bare: boolean;
  readonly bareDays: number;
  /** Pictures that could have been chosen from. */
  readonly from: number;
};

/** Every print the album waits for. */
export function waitingIn({ album, days, leaves, prints, layouts }: Aggregate): WaitingPrint[] {
  const pages = pagesOf({ album, days, leaves, prints });
  return waitingPrints(readBook(album, pages, leaves, layouts), pages, album.format);
}

/** Who goes where: the cheapest way to give every waiting print a picture. */
export function proposalView(
  aggregate: Aggregate,
  roll: readonly RollPhoto[],
  { twice, bare }: { readonly twice: boolean; readonly bare: boolean },
): ProposalView {
  const { album, days, leaves, prints } = aggregate;
  const all = waitingIn(aggregate);
  const waiting = all.filter(({ hasPage }) => bare || hasPage);
  const pages = pagesOf({ album, days, leaves, prints });
  const placed = new Set(days.flatMap(({ content }) => content.photos.flatMap(photoIdsOf)));
  const alike = alikeOf(roll);
  const candidates = roll
    .filter(({ setAside }) => !setAside)
    .map((each) => {
      const place = alike.get(each.id);
      return {
        id: each.id,
        facts: each.facts,
        taken: takenOn(each),
        banked: each.banked,
        star: each.star,
        group: place ? String(place.group) : null,
        rank: place?.rank ?? 0,
        placed: placed.has(each.id),
      };
    });
  const { proposals, others } = propose(waiting, candidates, { rule: album.photoRule, twice });
  const byWanted = new Map(proposals.map((each) => [each.want, each]));
  const byId = new Map(roll.map((each) => [each.id, each]));
  const picked = (found: Proposal | undefined): Pick | null => {
    const photo = found && byId.get(found.photo);
    if (!found || !photo) return null;
    const taken = takenOn(photo);
    return { ...found, name: photo.name, facts: photo.facts, taken: taken && printShort(taken) };
  };
  return {
    albumId: album.id,
    unit: album.unit,
    rule: album.photoRule,
    twice,
    bare,
    bareDays: all.filter(({ hasPage }) => !hasPage).length,
    from: candidates.filter(({ placed: isPlaced }) => twice || !isPlaced).length,
    rows: waiting.flatMap((wanted): ProposalRow[] => {
      const page = pages[wanted.page];
      const [date] = wanted.dates;
      if (!page || !date) return [];
      return [
        {
          wanted,
          date,
          day: pageName(page),
          proposal: picked(byWanted.get(wanted.id)),
          others: (others.get(wanted.id) ?? []).flatMap((each) => picked(each) ?? []),
        },
      ];
    }),
  };
}
