import { to } from "#app/addresses.ts";
import { drawingOf, type MatBox, mm } from "#app/drawing/mat-text.ts";
import { pageName } from "#app/places/album/view.ts";
import type { Leaf } from "#core/album/leaf.ts";
import { type AnyPage, allPagesOf, type WholeRead } from "#core/album/matter.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { readBook } from "#core/book/read.ts";
import { drawnIn, openerMarks } from "#core/finish/opener-drawing.ts";
import { openerSaid, placeSaid } from "#core/finish/opener-said.ts";
import { type Opener, openersIn } from "#core/finish/openers.ts";
import { inches } from "#core/measure/length.ts";
import { size } from "#core/measure/size.ts";

/** Something that opens, as it is listed: a small drawing, and in words where it is, what to do, and what is inside. */
export type OpenerLine = {
  readonly key: string;
  readonly name: string;
  readonly where: string;
  readonly does: readonly string[];
  readonly inside: string | null;
  readonly box: MatBox;
  readonly drawing: string;
  /** Nothing on it says that it opens. */
  readonly noHint: boolean;
  readonly intoRings: boolean;
  /** Where it is worked on: at the bench, or in the book. */
  readonly href: string;
  /** Where the book is leafed through at its opening. */
  readonly leafed: string;
};

type Source = WholeRead & {
  readonly album: AlbumPlan & { readonly id: string };
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
};

const MINI = size(inches(3), inches(3));

function lineOf(albumId: string, opener: Opener, { format }: AlbumPlan): OpenerLine {
  const { read, face, page, what, isHinted, intoRings } = opener;
  const { w, h } = drawnIn(read.build.page, MINI);
  const at = { leaf: read.leaf.id, face, piece: opener.id };
  return {
    key: `${opener.id} ${what.kind}`,
    name: opener.name,
    where: `${page ? `${pageName(page)}, ` : ""}${placeSaid(opener, format)}`,
    ...openerSaid(opener),
    box: { x: -1, y: -1, w: mm(w) + 2, h: mm(h) + 2 },
    drawing: drawingOf(openerMarks(opener, MINI)),
    noHint: !isHinted && (what.kind === "construction" || what.kind === "flip") && opener.moves.length > 0,
    intoRings,
    href: what.kind === "construction" ? to.making(albumId, what.of, at) : to.book(albumId, { at: at.leaf, face }),
    leafed: to.leafThrough(albumId, { at: at.leaf, face }),
  };
}

/** Everything in the book that opens, in its order. */
export function openerLines(source: Source): OpenerLine[] {
  const { album, leaves, layouts } = source;
  const book = readBook<AnyPage>(album, allPagesOf(source), leaves, layouts);
  return openersIn(book, album.format).map((opener) => lineOf(album.id, opener, album));
}
