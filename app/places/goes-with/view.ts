import { inBookName } from "#app/places/arrange/in-book.ts";
import type { AnyPage } from "#core/album/matter.ts";
import { toInBook } from "#core/book/dated-page.ts";
import { facingPages } from "#core/book/facing.ts";
import type { BookRead } from "#core/book/read.ts";
import { type GoesWith, goesWith, READS_FROM, REPEATS_BELOW, type Swatch } from "#core/drawer/goes-with.ts";
import type { ThingKind } from "#core/drawer/thing.ts";
import { colourName } from "#core/photo/colours.ts";
import { photoIdsOf } from "#core/photo/together.ts";

/** Something of the drawer of which there is a picture. */
export type ColouredThing = {
  readonly id: string;
  readonly name: string;
  readonly kind: ThingKind;
  readonly photoId: string;
  readonly colours: readonly string[];
};
export type Choice = { readonly id: string; readonly name: string };
export type GoesWithView = {
  readonly albumId: string;
  /** The pages that have pictures. */
  readonly choices: readonly Choice[];
  readonly chosen: (Choice & { readonly colours: readonly Swatch[]; readonly photos: readonly string[] }) | null;
  readonly facing: { readonly name: string; readonly colours: readonly Swatch[] } | null;
  readonly rows: readonly GoesWith<ColouredThing>[];
  /** Below this difference a colour is repeated, and from this contrast on lettering reads. */
  readonly repeatsBelow: number;
  readonly readsFrom: number;
};

export const photosOf = (page: AnyPage): string[] => page.content.photos.flatMap(photoIdsOf);
const idOf = (page: AnyPage): string => page.days[0]?.id ?? "";
const nameOf = (page: AnyPage): string => inBookName(toInBook(page));

/** The page that is asked for, today's, or the first with pictures; and the one that lies open beside it. */
export function pagesFor(
  pages: readonly AnyPage[],
  { leaves }: BookRead<AnyPage>,
  asked: string | null,
  today: string,
) {
  const some = pages.filter((page) => !page.skipped && photosOf(page).length > 0);
  const isToday = (each: AnyPage) => !("matter" in each) && each.days.some(({ date }) => date === today);
  const page = some.find((each) => idOf(each) === asked) ?? some.find(isToday) ?? some[0] ?? null;
  const at = page ? pages.indexOf(page) : -1;
  const pair = facingPages(leaves, pages).find((each) => each.includes(at));
  const other = pair ? pages[pair[0] === at ? pair[1] : pair[0]] : undefined;
  return { some, page, facing: other ?? null };
}

export function goesWithView(
  albumId: string,
  { some, page, facing }: ReturnType<typeof pagesFor>,
  colours: ReadonlyMap<string, readonly string[]>,
  things: readonly ColouredThing[],
): GoesWithView {
  const of = (one: AnyPage | null) => [...new Set(one ? photosOf(one).flatMap((id) => colours.get(id) ?? []) : [])];
  const named = (all: readonly string[]): Swatch[] => all.map((colour) => ({ colour, name: colourName(colour) }));
  const [own, beside] = [of(page), of(facing)];
  return {
    albumId,
    choices: some.map((each) => ({ id: idOf(each), name: nameOf(each) })),
    chosen: page && { id: idOf(page), name: nameOf(page), colours: named(own), photos: photosOf(page) },
    facing: facing && { name: nameOf(facing), colours: named(beside) },
    rows: goesWith(own, beside, things),
    repeatsBelow: REPEATS_BELOW,
    readsFrom: READS_FROM,
  };
}
