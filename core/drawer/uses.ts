import type { Face, Piece, PieceWhat, Side, Turn } from "../album/leaf.ts";
import type { MadeOf } from "../album/made-of.ts";
import type { AnyPage } from "../album/matter.ts";
import { numeralText } from "../book/numeral.ts";
import { pieceSize } from "../book/piece.ts";
import { type BookPage, type BookRead, type LeafRead, pageOfPiece, type SideRead } from "../book/read.ts";
import type { Size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";

/** Something of the drawer that a page is made of: planned for it, or on it already. */
export type Use<P = unknown> = {
  readonly thing: string;
  readonly leaf: string;
  /** The side it lies on; null: it is the leaf's own base. */
  readonly face: Face | null;
  /** Null: the leaf's base. */
  readonly piece: string | null;
  /** What it is; null: a base. */
  readonly kind: PieceWhat["kind"] | null;
  /** As it is made, before it is turned. */
  readonly size: Size;
  /** What is cut for it, where that is not one piece of its size: the blanks of a construction. */
  readonly blanks?: readonly Size[] | undefined;
  /** It lies turned by a quarter. */
  readonly across: boolean;
  readonly layers: number;
  /** The number it shows, or the words on it; null where it says nothing. */
  readonly says: string | null;
  /** It is cut out already, of a sheet that is counted no longer. */
  readonly cut: boolean;
  /** The step it is used in is ticked. */
  readonly used: boolean;
  /** Whose it is; null: nobody's yet. */
  readonly page: P | null;
};

/** What of the drawer the pages of one album are made of. */
export type AlbumUses = {
  readonly albumId: string;
  readonly title: string;
  readonly endsOn: CalendarDate;
  readonly uses: readonly Use<AnyPage>[];
};

const at = (of: MadeOf, size: Size, turn: Turn) => ({ layers: of.layers, cut: of.cut, size, across: turn % 2 === 1 });

/** What is done on a side for whose a piece is. */
function doneFor<P extends BookPage>(side: Side, page: P | null, own: P | null): Side["done"] {
  if (page === own || !page) return side.done;
  const ids = new Set(page.days.map(({ id }) => id));
  return side.guests.find(({ dayId }) => ids.has(dayId))?.done ?? side.done;
}

function ofPiece<P extends BookPage>(
  { leaf }: LeafRead<P>,
  side: SideRead<P>,
  piece: Piece & { readonly of: MadeOf & { readonly thing: string } },
): Use<P> | null {
  const { what, of, id } = piece;
  const size = pieceSize(what, side.content);
  if (!size) return null;
  const page = pageOfPiece(side, piece);
  const step = what.kind === "numeral" ? "number" : "assemble";
  const says =
    what.kind === "numeral" && page
      ? numeralText(what, piece.dayId, page)
      : "says" in what && what.says
        ? what.says
        : null;
  const used = doneFor(leaf[side.face], page, side.page).includes(step);
  return {
    thing: of.thing,
    leaf: leaf.id,
    face: side.face,
    piece: id,
    kind: what.kind,
    ...at(of, size, piece.turn),
    ...("name" in what && what.built ? { blanks: what.built.blanks } : {}),
    says,
    used,
    page,
  };
}

const isTaken = (piece: Piece): piece is Piece & { readonly of: MadeOf & { readonly thing: string } } =>
  typeof piece.of?.thing === "string";

/**
 * Everything of the drawer that an album's pages are made of, in the order of the book. What lies on a side is used when
 * that side is assembled, its number when it is numbered, the base of a leaf when that is made; until then it is planned.
 * A page that is skipped plans nothing; what is on it already is used all the same.
 */
export function usesIn<P extends BookPage>({ leaves }: Pick<BookRead<P>, "leaves">): Use<P>[] {
  const all = leaves.flatMap((read): Use<P>[] => {
    const { leaf, build, front, back } = read;
    const { of } = leaf.make;
    const page = front.page ?? back.page;
    const base: Use<P>[] =
      typeof of?.thing === "string"
        ? [
            {
              ...{ thing: of.thing, leaf: leaf.id, face: null, piece: null, kind: null, ...at(of, build.page, 0) },
              ...{ says: null, used: leaf.done.includes("base"), page },
            },
          ]
        : [];
    const laid = [front, back].flatMap((side) =>
      side.pieces.flatMap(({ piece }) => (isTaken(piece) ? (ofPiece(read, side, piece) ?? []) : [])),
    );
    return [...base, ...laid];
  });
  return all.filter(({ used, page }) => used || !page?.skipped);
}
