import { type StillMat, stillMat } from "#app/drawing/mat-text.ts";
import {
  type BesideItem,
  type Board,
  type Faces,
  ghostLeaf,
  layOut,
  stillThings,
  type Whose,
} from "#app/places/arrange/boards.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import { daysOfLeaf, type Face, type Leaf } from "#core/album/leaf.ts";
import type { MatterPage } from "#core/album/matter.ts";
import type { AlbumFormat, AlbumPlan } from "#core/album/model.ts";
import type { Page } from "#core/album/page.ts";
import { type InBook, toInBook } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { type BookPage, type LeafRead, type Loose, readBook, readGhost, type SideRead } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";

/** What of the album one day's bench works on: the leaves it has or shares a side of, and the layouts they use. */
export type DayBenchData = {
  readonly format: AlbumFormat;
  /** Other days that share a leaf with this one: what lies on its other side is theirs. */
  readonly neighbours: readonly InBook[];
  /** The day's leaves, and those of its neighbours. */
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  /** Sides that a candidate waits beside. */
  readonly tryOuts: readonly { readonly leafId: string; readonly face: Face }[];
};

type Source = Pick<DayBenchData, "tryOuts"> & {
  readonly album: Pick<AlbumPlan, "format">;
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
};

type DayIds = { readonly days: readonly { readonly id: string }[] };

/** The leaves that one of these days has or shares a side of. */
function leavesWith(leaves: readonly Leaf[], pages: readonly DayIds[]): Leaf[] {
  const ids = new Set(pages.flatMap(({ days }) => days.map(({ id }) => id)));
  return leaves.filter((leaf) => daysOfLeaf(leaf).some((id) => ids.has(id)));
}

/** What the bench of `page` works on. `pages` are all of the album's, the front and back matter among them. */
export function benchOf(
  { album, leaves, layouts, tryOuts }: Source,
  page: Page | MatterPage,
  pages: readonly (Page | MatterPage)[],
): DayBenchData {
  const mine = leavesWith(leaves, [page]);
  const named = new Set(mine.flatMap(daysOfLeaf));
  const neighbours = pages.filter((each) => each !== page && each.days.some(({ id }) => named.has(id)));
  const near = leavesWith(leaves, [page, ...neighbours]);
  const used = new Set(near.map(({ make }) => make.layout));
  const own = new Set(mine.map(({ id }) => id));
  return {
    format: album.format,
    neighbours: neighbours.map(toInBook),
    leaves: near,
    layouts: layouts.filter(({ id }) => used.has(id)),
    tryOuts: tryOuts.filter(({ leafId }) => own.has(leafId)).map(({ leafId, face }) => ({ leafId, face })),
  };
}

/**
 * A day's leaves laid out on the mat, loose things beside them; the outline of its page while no leaf is chosen. Of a
 * leaf that it shares, the face that is its own lies up. With `only` one leaf of several lies there alone, and large.
 */
export function dayBoards(
  page: BookPage,
  { format, neighbours, leaves, layouts }: Omit<DayBenchData, "tryOuts">,
  unit: Unit,
  faces: Faces = {},
  only: string | null = null,
): { boards: Board[]; beside: BesideItem[] } {
  const label = page.label ?? "";
  const book = readBook<BookPage>({ format, unit }, [page, ...neighbours], leaves, layouts);
  const beside = book.beside.get(page) ?? [];
  const mine = new Set(leavesWith(leaves, [page]));
  const all = book.leaves.filter(({ leaf }) => mine.has(leaf));
  const read = only === null ? all : all.filter(({ leaf }) => leaf.id === only);
  const whose = (side: SideRead): Whose => {
    if (side.page === page || side.guests.includes(page)) return { kind: "own" };
    if (side.owner.kind === "nobody") return { kind: "nobody" };
    const other = neighbours.find((each) => each === side.page);
    return { kind: "other", name: other ? inBookName(other) : null, at: other ? inBookAt(other) : null };
  };
  const laid = (shown: readonly LeafRead[], loose: readonly Loose[]) =>
    layOut(shown, loose, label, { format, unit }, whose, page, faces, all);
  if (only !== null || read.some(({ build }) => build.insert === null)) return laid(read, beside);
  const ghost = readGhost(page, { format, unit });
  const side = {
    face: "front" as const,
    owner: { kind: "nobody" as const },
    page,
    guests: [],
    content: page.content,
    gluedOver: false,
    auto: true,
    pockets: [],
    pieces: ghost.pieces,
  };
  return laid([...read, ghostLeaf(ghost.build, side)], ghost.beside);
}

export function dayMat(page: BookPage, bench: DayBenchData, unit: Unit, name: string, small = false): StillMat {
  const laid = dayBoards(page, bench, unit);
  const drawn = { content: page.content, label: page.label ?? "" };
  return stillMat(stillThings(laid, bench.format, drawn), unit, small, name);
}
