import type { Leaf } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { type AlbumRead, type Page, pagesOf } from "../album/page.ts";
import { TONE_OF } from "../fit/tone.ts";
import type { PocketLayout } from "./layout.ts";
import { type PlacedPiece, readBook, type SideRead } from "./read.ts";

type Source = Omit<AlbumRead, "leaves"> & {
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
};

/** A piece that lies well now and would not with another format; `is` is null where it would find no place at all. */
export type Stop = { readonly page: Page | null; readonly was: PlacedPiece; readonly is: PlacedPiece | null };

const liesWell = ({ fit }: PlacedPiece) =>
  TONE_OF[fit.kind] !== "act" && fit.kind !== "overhangs" && fit.kind !== "beside";

function stopsOnSide(was: SideRead<Page>, is: SideRead<Page>): Stop[] {
  const then = new Map(is.pieces.map((placed) => [placed.piece.id, placed]));
  return was.pieces.filter(liesWell).flatMap((placed) => {
    const after = then.get(placed.piece.id) ?? null;
    return after && liesWell(after) ? [] : [{ page: was.page, was: placed, is: after }];
  });
}

/** The pieces of a book that would stop fitting with another format, leaf by leaf. */
export function stopsFitting(source: Source, format: AlbumFormat): Stop[] {
  const { album, leaves, layouts } = source;
  const pages = pagesOf(source);
  const now = readBook(album, pages, leaves, layouts);
  const then = readBook({ format, unit: album.unit }, pages, leaves, layouts);
  return now.leaves.flatMap((leaf, at) => {
    const after = then.leaves[at];
    return after ? [...stopsOnSide(leaf.front, after.front), ...stopsOnSide(leaf.back, after.back)] : [];
  });
}
