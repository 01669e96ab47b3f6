import { type StillMat, stillMat } from "#app/drawing/mat-text.ts";
import { type BesideItem, type Board, type Faces, ghostLeaf, layOut, stillThings } from "#app/places/arrange/boards.ts";
import type { AlbumFormat, AlbumPlan } from "#core/album/model.ts";
import type { Page } from "#core/album/page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { type Face, type Leaf, sidesOf } from "#core/book/leaf.ts";
import { type BookPage, readBook, readGhost } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";

/** What of the album one day's bench works on: the leaves it has a side of, and the layouts they use. */
export type DayBenchData = {
  readonly format: AlbumFormat;
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

export function benchOf(
  { album, leaves, layouts, tryOuts }: Source,
  page: Pick<Page, "days" | "content">,
): DayBenchData {
  const ids = new Set(page.days.map(({ id }) => id));
  const mine = leaves.filter(
    (leaf) =>
      (leaf.of.kind !== "own" && ids.has(leaf.of.dayId)) ||
      sidesOf(leaf).some(({ owner }) => owner.kind === "day" && ids.has(owner.dayId)),
  );
  const used = new Set([
    page.content.foundation?.layout,
    ...mine.map(({ of }) => (of.kind === "own" ? of.stock.layout : null)),
  ]);
  const own = new Set(mine.map(({ id }) => id));
  return {
    format: album.format,
    leaves: mine,
    layouts: layouts.filter(({ id }) => used.has(id)),
    tryOuts: tryOuts.filter(({ leafId }) => own.has(leafId)).map(({ leafId, face }) => ({ leafId, face })),
  };
}

/** A day's leaves laid out on the mat, its loose things beside; its page's outline while no leaf is chosen. */
export function dayBoards(
  page: BookPage,
  { format, leaves, layouts }: Omit<DayBenchData, "tryOuts">,
  unit: Unit,
  faces: Faces = {},
): { boards: Board[]; beside: BesideItem[] } {
  const label = page.label ?? "";
  const book = readBook({ format, unit }, [page], leaves, layouts);
  const beside = book.beside.get(page) ?? [];
  if (book.leaves.some(({ sheet }) => sheet.insert === null))
    return layOut(book.leaves, beside, label, { format, unit }, faces);
  const ghost = readGhost(page, { format, unit });
  const side = {
    face: "front" as const,
    owner: { kind: "nobody" as const },
    page,
    auto: true,
    pockets: [],
    pieces: ghost.pieces,
  };
  return layOut([...book.leaves, ghostLeaf(ghost.sheet, side)], ghost.beside, label, { format, unit }, faces);
}

export function dayMat(page: BookPage, bench: DayBenchData, unit: Unit, name: string, small = false): StillMat {
  const laid = dayBoards(page, bench, unit);
  const drawn = { content: page.content, label: page.label ?? "" };
  return stillMat(stillThings(laid, bench.format, drawn), unit, small, name);
}
