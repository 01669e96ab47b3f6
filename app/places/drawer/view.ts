import type { AlbumPlan, Day } from "#core/album/model.ts";
import type { AlbumRead } from "#core/album/page.ts";
import { type Coverage, cover, several } from "#core/drawer/numerals.ts";
import { type KeptThing, THING_KINDS, type ThingKind } from "#core/drawer/thing.ts";
import type { Unit } from "#core/measure/length.ts";
import { numberDays } from "#core/month/numbering.ts";

export type DrawerView = {
  readonly albumId: string;
  readonly unit: Unit;
  /** Kind by kind in the order of the drawer, those of which there is something. */
  readonly kinds: readonly { readonly kind: ThingKind; readonly things: readonly KeptThing[] }[];
  readonly count: number;
};

export const drawerView = (
  album: { readonly id: string; readonly unit: Unit },
  things: readonly KeptThing[],
): DrawerView => ({
  ...{ albumId: album.id, unit: album.unit, count: things.length },
  kinds: THING_KINDS.flatMap((kind) => {
    const some = things.filter((each) => each.kind === kind);
    return some.length > 0 ? [{ kind, things: some }] : [];
  }),
});

/** A set of numbers against an album's. */
export type NumberRow = Coverage & { readonly id: string; readonly name: string; readonly count: number };
export type NumbersView = {
  readonly albumId: string;
  readonly title: string;
  /** The album's numbers, as its pages have them. */
  readonly numbers: readonly number[];
  readonly zero: boolean;
  readonly sets: readonly NumberRow[];
  readonly alphabets: readonly KeptThing[];
  /** What of the album is called somehow: its own title, and the days'. */
  readonly titles: readonly string[];
};

export function numbersView(
  { album, days }: AlbumRead & { readonly album: AlbumPlan & { readonly id: string }; readonly days: readonly Day[] },
  things: readonly KeptThing[],
  zero: boolean,
): NumbersView {
  const told = numberDays(days, album.span, album.numbering).filter(({ group }) => !group.lead.skipped);
  const numbers = told.flatMap(({ numerals }) => numerals);
  return {
    ...{ albumId: album.id, title: album.title, numbers, zero },
    sets: things.flatMap(({ id, name, count, numbers: set }) =>
      // Several of one set are laid together.
      set ? [{ ...cover(several(set, count), numbers, zero), id, name, count }] : [],
    ),
    alphabets: things.filter(({ letters }) => letters !== null),
    titles: [album.title, ...days.map(({ content }) => content.title)].filter((title) => title.trim() !== ""),
  };
}
