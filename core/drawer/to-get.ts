import type { AnyPage } from "../album/matter.ts";
import type { BookRead } from "../book/read.ts";
import type { MaterialId } from "../material/material.ts";
import { inches, type Length } from "../measure/length.ts";
import { areaOf } from "../measure/rect.ts";
import { type Size, sameSize, size } from "../measure/size.ts";
import { isSheet, type Stock, stockOf } from "./stock.ts";
import { type DrawerThing, type KeptThing, materialOf, type ThingKind } from "./thing.ts";
import { papersToCut } from "./to-cut.ts";
import type { AlbumUses, Use } from "./uses.ts";

/** Something of the drawer that would do instead, and how much of it is free. */
export type Instead = { readonly name: string; readonly left: number; readonly lies: string };

/** Something the rest of the plan needs and that there is not enough of. */
export type ToGet = {
  readonly what:
    | { readonly kind: "thing"; readonly name: string; readonly thing: ThingKind; readonly without: readonly string[] }
    | { readonly kind: "protectors"; readonly size: Size }
    | { readonly kind: "photo-paper"; readonly prints: number };
  readonly count: number;
  readonly needed: number;
  readonly there: number;
  /** The pages it is for, in their order. */
  readonly pages: readonly AnyPage[];
  readonly instead: readonly Instead[];
};

export type Gathered = {
  readonly toGet: readonly ToGet[];
  /** Wanted to be used up, and not planned for anything yet. */
  readonly useUp: readonly (KeptThing & { readonly free: number })[];
  /** Numbers that are glued on and taken from no set yet, by what they are of. */
  readonly noSet: readonly { readonly material: MaterialId | null; readonly pages: readonly AnyPage[] }[];
};

/** Things that would do instead are told no further than this. */
const MOST_INSTEAD = 3;
/** A Letter sheet takes about this much of prints: its own size without ¼″ all round. Common practice. */
const LETTER = size(inches(8), inches(10.5));

type Asked = {
  readonly things: readonly DrawerThing[];
  /** What all albums of the household are made of, and which of them the list is for. */
  readonly albums: readonly AlbumUses[];
  readonly albumId: string;
  readonly pages: readonly AnyPage[];
  readonly book: BookRead<AnyPage>;
  readonly step: Length;
};

const inOrder = (pages: readonly AnyPage[], some: ReadonlySet<AnyPage>): AnyPage[] =>
  pages.filter((page) => some.has(page));

/** What the rest of the plan needs against what there is: what is short, what would do instead of it, what is to be used up. */
export function gather({ things, albums, albumId, pages, book, step }: Asked): Gathered {
  const uses = albums.flatMap((album) => album.uses);
  const own = albums.find((album) => album.albumId === albumId)?.uses ?? [];
  const stocks = new Map(
    things.map((thing) => [
      thing.id,
      stockOf(
        thing,
        uses.filter((use) => use.thing === thing.id),
      ),
    ]),
  );
  const plans = papersToCut(things, uses, step);
  // A remainder that the cutting plan begins is planned for, though nobody named it.
  const begun = new Set(plans.flatMap(({ sheets }) => sheets.map((sheet) => sheet.thing)));
  const free = ({ id }: KeptThing): number => stocks.get(id)?.left ?? 0;
  const insteadOf = (thing: KeptThing): Instead[] =>
    things
      .filter((each) => each.id !== thing.id && each.kind === thing.kind && materialOf(each) === materialOf(thing))
      .filter((each) => free(each) > 0 && each.name.toLowerCase() !== thing.name.toLowerCase())
      .sort((a, b) => Number(b.useUp) - Number(a.useUp) || Number(b.lot === "stash") - Number(a.lot === "stash"))
      .slice(0, MOST_INSTEAD)
      .map((each) => ({ name: each.name, left: free(each), lies: each.lies }));
  const short = things.flatMap((thing): ToGet[] => {
    const stock = stocks.get(thing.id);
    const plan = isSheet(thing) ? plans.find(({ name }) => name.toLowerCase() === thing.name.toLowerCase()) : undefined;
    // Remainders of a paper may do where its whole sheets do not.
    if (!stock || stock.short === 0 || (plan && plan.short.length === 0)) return [];
    const mine = own.filter((use) => use.thing === thing.id && !use.used);
    return [
      {
        what: { kind: "thing", name: thing.name, thing: thing.kind, without: stock.without },
        count: stock.short,
        needed: stock.used + stock.reserved,
        there: stock.had ?? 0,
        pages: inOrder(pages, new Set(mine.flatMap(({ page }) => page ?? []))),
        instead: insteadOf(thing),
      },
    ];
  });
  return {
    toGet: [...short, ...protectorsShort(things, stocks, pages, book), ...photoPaperShort(things, stocks, pages)],
    useUp: things
      .filter((thing) => thing.useUp && free(thing) > 0 && !begun.has(thing.id))
      .map((thing) => ({ ...thing, free: free(thing) })),
    noSet: numbersOfNoSet(pages, own),
  };
}

/** Protectors for pages that are not made yet, by the size of their page, against those there are of that size or of none said. */
function protectorsShort(
  things: readonly DrawerThing[],
  stocks: ReadonlyMap<string, Stock>,
  pages: readonly AnyPage[],
  { leaves }: BookRead<AnyPage>,
): ToGet[] {
  const there = things.filter(({ kind }) => kind === "protector");
  // Whoever has none in the drawer does not count them.
  if (there.length === 0) return [];
  const groups: { size: Size; count: number; pages: Set<AnyPage> }[] = [];
  for (const { leaf, build, front, back } of leaves) {
    const page = front.page ?? back.page;
    if (!build.inProtector || leaf.done.includes("base") || page?.skipped) continue;
    const known = groups.find((each) => sameSize(each.size, build.page));
    const group = known ?? { size: build.page, count: 0, pages: new Set<AnyPage>() };
    if (!known) groups.push(group);
    group.count += 1;
    if (page) group.pages.add(page);
  }
  return groups.flatMap(({ size: made, count, pages: some }): ToGet[] => {
    const fitting = there.filter((each) => each.size === null || sameSize(each.size, made));
    const has = fitting.reduce((sum, { id }) => sum + (stocks.get(id)?.left ?? 0), 0);
    if (has >= count) return [];
    const what = { kind: "protectors", size: made } as const;
    return [{ what, count: count - has, needed: count, there: has, pages: inOrder(pages, some), instead: [] }];
  });
}

/** Sheets of photo paper that prints still to be made need at least, where there is some at home. */
function photoPaperShort(
  things: readonly DrawerThing[],
  stocks: ReadonlyMap<string, Stock>,
  pages: readonly AnyPage[],
): ToGet[] {
  const there = things.filter((each) => materialOf(each) === "photo-paper");
  if (there.length === 0) return [];
  const waiting = pages.filter(
    ({ skipped, steps }) => !skipped && steps.some(({ step, done }) => step === "print" && !done),
  );
  const prints = waiting.flatMap(({ content }) => content.photos);
  const needed = Math.ceil(prints.reduce((sum, { print }) => sum + areaOf(print), 0) / areaOf(LETTER));
  const has = there.reduce((sum, { id }) => sum + (stocks.get(id)?.left ?? 0), 0);
  if (needed <= has) return [];
  const what = { kind: "photo-paper", prints: prints.length } as const;
  return [{ what, count: needed - has, needed, there: has, pages: waiting, instead: [] }];
}

/** Of which sets numbers are made that nobody took from one: glued ones, of pages whose number is not on yet. */
const GLUED: Readonly<Record<string, MaterialId>> = {
  ...{ sticker: "flat-sticker", chipboard: "chipboard", wood: "wood-veneer", acrylic: "acrylic" },
};
function numbersOfNoSet(pages: readonly AnyPage[], own: readonly Use<AnyPage>[]): Gathered["noSet"] {
  const taken = new Set(own.filter(({ kind }) => kind === "numeral").map(({ page }) => page));
  const groups = new Map<MaterialId, AnyPage[]>();
  for (const page of pages) {
    const material = GLUED[page.content.numeral.style];
    const isOpen = page.steps.some(({ step, done }) => step === "number" && !done);
    if (!material || page.skipped || !isOpen || taken.has(page)) continue;
    groups.set(material, [...(groups.get(material) ?? []), page]);
  }
  return [...groups].map(([material, some]) => ({ material, pages: some }));
}

/** What was used on a page, each thing once with how often. */
export type UsedOn = {
  readonly page: AnyPage | null;
  readonly things: readonly { readonly name: string; readonly times: number; readonly used: boolean }[];
};

/** What each page is made of, in the order of the pages; what is nobody's comes last. */
export function usedOnPages(
  pages: readonly AnyPage[],
  uses: readonly Use<AnyPage>[],
  things: readonly Pick<KeptThing, "id" | "name">[],
): UsedOn[] {
  const names = new Map(things.map(({ id, name }) => [id, name]));
  return [...pages, null].flatMap((page): UsedOn[] => {
    const found = new Map<string, { name: string; times: number; used: boolean }>();
    for (const use of uses.filter((each) => each.page === page)) {
      const name = names.get(use.thing);
      if (name === undefined) continue;
      const before = found.get(name);
      found.set(name, {
        name,
        times: (before?.times ?? 0) + use.layers,
        used: use.used && (before?.used ?? true),
      });
    }
    return found.size > 0 ? [{ page, things: [...found.values()] }] : [];
  });
}
