import type { EntryAt } from "#app/places/arrange/boards.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import type { AlbumRead, Page } from "#core/album/page.ts";
import { toInBook } from "#core/book/dated-page.ts";
import { type Coverage, cover, several } from "#core/drawer/numerals.ts";
import { isForgotten, type Stock, stockOf } from "#core/drawer/stock.ts";
import { type DrawerThing, type KeptThing, THING_KINDS, type ThingKind } from "#core/drawer/thing.ts";
import type { AlbumUses } from "#core/drawer/uses.ts";
import type { Unit } from "#core/measure/length.ts";
import { numberDays } from "#core/month/numbering.ts";

/** A page that is made of a thing, and how often it takes it. */
export type UsePlace = {
  /** `Day 5`, `the title page`; null: a leaf that is nobody's yet. */
  readonly name: string | null;
  /** Where it is in this album; null in another, or where nothing is to be found. */
  readonly at: EntryAt | null;
  /** The other album it is in; null: this one. */
  readonly album: string | null;
  readonly used: boolean;
  readonly times: number;
};

export type DrawerRow = KeptThing & {
  readonly stock: Stock;
  readonly places: readonly UsePlace[];
  /** The picture of the roll that shows it. */
  readonly photoId: string | null;
  /** Nobody has used it for a year. */
  readonly forgotten: boolean;
};

export type DrawerView = {
  readonly albumId: string;
  readonly unit: Unit;
  /** Kind by kind in the order of the drawer, those of which there is something. */
  readonly kinds: readonly { readonly kind: ThingKind; readonly things: readonly DrawerRow[] }[];
  readonly count: number;
  /** The days that something may be put on. */
  readonly days: readonly { readonly id: string; readonly name: string }[];
};

/** The pages that are made of something, each once for what is planned and once for what is used. */
function placesOf(thing: string, albums: readonly AlbumUses[], here: string): UsePlace[] {
  const places = new Map<string, UsePlace>();
  for (const { albumId, title, uses } of albums)
    for (const { thing: of, page, used } of uses) {
      if (of !== thing) continue;
      const inBook = page && toInBook(page);
      const name = inBook && inBookName(inBook);
      const key = JSON.stringify([albumId, page?.days[0]?.id, used]);
      const isHere = albumId === here;
      places.set(key, {
        ...{ name, used, album: isHere ? null : title },
        at: isHere && inBook ? inBookAt(inBook) : null,
        times: (places.get(key)?.times ?? 0) + 1,
      });
    }
  return [...places.values()];
}

export function drawerView(
  album: { readonly id: string; readonly unit: Unit },
  things: readonly DrawerThing[],
  albums: readonly AlbumUses[],
  pages: readonly Page[],
  now: Date,
): DrawerView {
  const rows = things.map(({ addedAt, ...thing }): DrawerRow => {
    const mine = albums.flatMap(({ uses, endsOn }) =>
      uses.filter((each) => each.thing === thing.id).map((each) => ({ ...each, endsOn })),
    );
    const last = mine
      .map(({ endsOn }) => endsOn)
      .sort()
      .at(-1);
    return {
      ...thing,
      stock: stockOf(thing, mine),
      places: placesOf(thing.id, albums, album.id),
      forgotten: isForgotten(addedAt, last ? new Date(`${last}T00:00:00Z`) : null, now),
    };
  });
  return {
    ...{ albumId: album.id, unit: album.unit, count: things.length },
    days: pages.flatMap((page) => {
      const [first] = page.days;
      return first ? [{ id: first.id, name: inBookName(toInBook(page)) }] : [];
    }),
    kinds: THING_KINDS.flatMap((kind) => {
      const some = rows.filter((each) => each.kind === kind);
      return some.length > 0 ? [{ kind, things: some }] : [];
    }),
  };
}

/** A set of numbers against an album's. */
export type NumberRow = Coverage & {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** What of it pages took, of all albums. */
  readonly stock: Stock;
  readonly places: readonly UsePlace[];
};
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
  albums: readonly AlbumUses[],
  zero: boolean,
): NumbersView {
  const told = numberDays(days, album.span, album.numbering).filter(({ group }) => !group.lead.skipped);
  const numbers = told.flatMap(({ numerals }) => numerals);
  return {
    ...{ albumId: album.id, title: album.title, numbers, zero },
    sets: things.flatMap((thing) => {
      const { id, name, count, numbers: set } = thing;
      const uses = albums.flatMap((each) => each.uses.filter((use) => use.thing === id));
      const taken = { stock: stockOf(thing, uses), places: placesOf(id, albums, album.id) };
      // Several of one set are laid together.
      return set ? [{ ...cover(several(set, count), numbers, zero), ...taken, id, name, count }] : [];
    }),
    alphabets: things.filter(({ letters }) => letters !== null),
    titles: [album.title, ...days.map(({ content }) => content.title)].filter((title) => title.trim() !== ""),
  };
}
