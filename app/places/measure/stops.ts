import { fitWords, pieceName, TONE_OF } from "#app/wording/fit.ts";
import type { AlbumFormat, AlbumPlan, Day } from "#core/album/model.ts";
import type { Page } from "#core/album/page.ts";
import { pagesOf } from "#core/album/page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { type Leaf, pieceSize } from "#core/book/leaf.ts";
import { type PlacedPiece, readBook, type SideRead } from "#core/book/read.ts";

type Source = {
  readonly album: AlbumPlan;
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
};

const bad = ({ fit }: PlacedPiece) => TONE_OF[fit.kind] === "act" || fit.kind === "overhangs" || fit.kind === "beside";

/** Pieces that lie well now and would not with another format, each said with its page. */
export function stopsFitting({ album, days, leaves, layouts }: Source, format: AlbumFormat): string[] {
  const pages = pagesOf(album, days);
  const now = readBook(album, pages, leaves, layouts);
  const then = readBook({ format, unit: album.unit }, pages, leaves, layouts);
  const lines: string[] = [];
  const compare = (was: SideRead<Page>, is: SideRead<Page>) => {
    const fine = new Set(was.pieces.filter((each) => !bad(each)).map(({ piece }) => piece.id));
    const still = new Map(is.pieces.map((each) => [each.piece.id, each]));
    for (const id of fine) {
      const placed = still.get(id);
      const before = was.pieces.find(({ piece }) => piece.id === id);
      if (!before || (placed && !bad(placed))) continue;
      const made = pieceSize(before.piece.what, was.page?.content ?? null);
      const name = made ? pieceName(before.piece, made, album.unit) : "";
      lines.push(
        `${was.page?.label ?? "A leaf"}: ${name}. ${placed ? fitWords(placed.fit, album.unit) : "It finds no place any more."}`,
      );
    }
  };
  for (const [at, leaf] of now.leaves.entries()) {
    const after = then.leaves[at];
    if (!after) continue;
    compare(leaf.front, after.front);
    compare(leaf.back, after.back);
  }
  return lines;
}
