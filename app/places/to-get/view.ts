import type { EntryAt } from "#app/places/arrange/boards.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import { toGetName, usedLine } from "#app/wording/to-get.ts";
import type { AnyPage } from "#core/album/matter.ts";
import { toInBook } from "#core/book/dated-page.ts";
import type { DrawerThing } from "#core/drawer/thing.ts";
import { type Gathered, gather, type Instead, usedOnPages } from "#core/drawer/to-get.ts";
import type { AlbumUses } from "#core/drawer/uses.ts";
import type { MaterialId } from "#core/material/material.ts";
import type { Unit } from "#core/measure/length.ts";
import { CUT_STEPS } from "#core/sheet/gang.ts";

/** A page by its name, and where it is worked on. */
export type PageLink = { readonly name: string; readonly at: EntryAt | null };
const linkTo = (page: AnyPage): PageLink => {
  const inBook = toInBook(page);
  return { name: inBookName(inBook), at: inBookAt(inBook) };
};

type Album = { readonly id: string; readonly title: string; readonly unit: Unit };

export type ToGetRow = {
  readonly name: string;
  readonly count: number;
  readonly needed: number;
  readonly there: number;
  readonly pages: readonly PageLink[];
  readonly instead: readonly Instead[];
};
export type ToGetView = {
  readonly albumId: string;
  readonly title: string;
  readonly rows: readonly ToGetRow[];
  readonly useUp: readonly {
    readonly id: string;
    readonly name: string;
    readonly free: number;
    readonly lies: string;
  }[];
  readonly noSet: readonly { readonly material: MaterialId | null; readonly pages: readonly PageLink[] }[];
};

type Asked = Omit<Parameters<typeof gather>[0], "step" | "albumId">;

const gathered = ({ id, unit }: Album, asked: Asked): Gathered =>
  gather({ ...asked, albumId: id, step: CUT_STEPS[unit === "inch" ? "sixteenth" : "half-millimetre"] });

export function toGetView(album: Album, asked: Asked): ToGetView {
  const { toGet, useUp, noSet } = gathered(album, asked);
  return {
    ...{ albumId: album.id, title: album.title },
    rows: toGet.map(({ what, pages, ...rest }) => ({
      ...rest,
      name: toGetName(what, album.unit),
      pages: pages.map(linkTo),
    })),
    useUp: useUp.map(({ id, name, free, lies }) => ({ id, name, free, lies })),
    noSet: noSet.map(({ material, pages }) => ({ material, pages: pages.map(linkTo) })),
  };
}

/** Column heads of the list as a file, and its rows. */
export const toGetRows = (album: Album, asked: Asked): string[][] => [
  ["what", "how many", "needed", "there", "for", "instead"],
  ...toGetView(album, asked).rows.map(({ name, count, needed, there, pages, instead }) => [
    ...[name, String(count), String(needed), String(there), pages.map((page) => page.name).join(", ")],
    instead.map((each) => each.name).join(", "),
  ]),
];

export type UsedView = {
  readonly albumId: string;
  readonly title: string;
  readonly pages: readonly (PageLink & {
    readonly lines: readonly { readonly said: string; readonly used: boolean }[];
  })[];
  /** Each thing of the album once. */
  readonly all: readonly string[];
};

export function usedView(
  album: Album,
  pages: readonly AnyPage[],
  { uses }: Pick<AlbumUses, "uses">,
  things: readonly Pick<DrawerThing, "id" | "name">[],
): UsedView {
  const found = usedOnPages(pages, uses, things);
  const whole = new Map<string, number>();
  for (const { things: some } of found)
    for (const { name, times } of some) whole.set(name, (whole.get(name) ?? 0) + times);
  return {
    ...{ albumId: album.id, title: album.title },
    pages: found.map(({ page, things: some }) => ({
      ...(page ? linkTo(page) : { name: "pages that are nobody’s yet", at: null }),
      lines: some.map((each) => ({ said: usedLine(each), used: each.used })),
    })),
    all: [...whole].sort(([a], [b]) => a.localeCompare(b, "en")).map(([name, times]) => usedLine({ name, times })),
  };
}
