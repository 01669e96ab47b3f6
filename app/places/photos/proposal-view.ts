import { pageName } from "#app/places/album/view.ts";
import type { Leaf } from "#core/album/leaf.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { readBook } from "#core/book/read.ts";
import { type WaitingPrint, waitingPrints } from "#core/book/waiting.ts";
import type { Unit } from "#core/measure/length.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import type { PictureFacts } from "#core/photo/crop.ts";
import { type PhotoRule, type Proposal, propose } from "#core/photo/propose.ts";
import type { RollPhoto } from "#core/photo/roll.ts";
import type { Print } from "#core/sheet/printing.ts";
import { alikeOf, takenOn } from "./view.ts";

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string; readonly photoRule: PhotoRule };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly prints: readonly Print[];
  readonly layouts: readonly PocketLayout[];
};

/** A print that waits, with the picture proposed for it, if there is one. */
export type ProposalRow = {
  readonly wanted: WaitingPrint;
  readonly day: string;
  readonly date: CalendarDate;
  readonly proposal:
    | (Proposal & { readonly name: string; readonly facts: PictureFacts; readonly taken: string | null })
    | null;
};
export type ProposalView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly rule: PhotoRule;
  readonly twice: boolean;
  readonly rows: readonly ProposalRow[];
  /** Pictures that could have been chosen from. */
  readonly from: number;
};

/** Every print the album waits for. */
export function waitingIn({ album, days, leaves, prints, layouts }: Aggregate): WaitingPrint[] {
  const pages = pagesOf({ album, days, leaves, prints });
  return waitingPrints(readBook(album, pages, leaves, layouts), pages, album.format);
}

/** Who goes where: the cheapest way to give every waiting print a picture. */
export function proposalView(aggregate: Aggregate, roll: readonly RollPhoto[], twice: boolean): ProposalView {
  const { album, days, leaves, prints } = aggregate;
  const waiting = waitingIn(aggregate);
  const pages = pagesOf({ album, days, leaves, prints });
  const placed = new Set(days.flatMap(({ content }) => content.photos.map(({ photoId }) => photoId)));
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
  const { proposals } = propose(waiting, candidates, { rule: album.photoRule, twice });
  const byWanted = new Map(proposals.map((each) => [each.want, each]));
  const byId = new Map(roll.map((each) => [each.id, each]));
  return {
    albumId: album.id,
    unit: album.unit,
    rule: album.photoRule,
    twice,
    from: candidates.filter(({ placed: isPlaced }) => twice || !isPlaced).length,
    rows: waiting.flatMap((wanted): ProposalRow[] => {
      const page = pages[wanted.page];
      const [date] = wanted.dates;
      if (!page || !date) return [];
      const found = byWanted.get(wanted.id);
      const photo = found && byId.get(found.photo);
      const taken = photo ? takenOn(photo) : null;
      return [
        {
          wanted,
          date,
          day: pageName(page),
          proposal:
            found && photo
              ? { ...found, name: photo.name, facts: photo.facts, taken: taken && printShort(taken) }
              : null,
        },
      ];
    }),
  };
}
