import { FACES, type Face, type Leaf, type Piece, type PieceWhat, type Side } from "../album/leaf.ts";
import { type MadeOf, thicknessOf } from "../album/made-of.ts";
import type { AlbumFormat, NumeralStyle } from "../album/model.ts";
import { PROTECTOR } from "../album/thickness.ts";
import { usualOfLeaf, usualOfPiece } from "../album/usual-material.ts";
import { type BookPage, type LeafRead, pageOfPiece, type SideRead } from "../book/read.ts";
import { asFront, placeInBook } from "../book/spread.ts";
import { cutsThrough } from "../book/windows.ts";
import { type MaterialId, type Micrometres, micrometres } from "../material/material.ts";
import { type Rect, rect, subtract } from "../measure/rect.ts";
import type { Patch } from "./heights.ts";

/** What the things of the drawer are that pages are made of, by their ids: how thick one is, and of what. */
export type Things = ReadonlyMap<string, { readonly caliper: Micrometres; readonly material: MaterialId }>;

/** Something of the book that has a thickness: a leaf's base, or a piece on it. */
export type Layer<P extends BookPage = BookPage> = Patch & {
  readonly leaf: LeafRead<P>;
  readonly face: Face;
  /** Null: the base of its leaf, with the film round it. */
  readonly piece: Piece | null;
  /** Whose it is; null: nobody's. */
  readonly page: P | null;
  /** It is in the book today, and not only planned. */
  readonly isThere: boolean;
};

/** How thick something lies, by what was measured of its thing where it is of that and of no other material. */
export function thickAs(usual: MaterialId | null, of: MadeOf | null | undefined, things: Things): Micrometres {
  const own = of?.thing && of.material === null ? things.get(of.thing) : undefined;
  return thicknessOf(usual, of, own?.caliper ?? null);
}

/** How thick a piece is: a construction as it was reckoned when it was made, anything else by what it is of. */
export function thickOfPiece({ what, of }: Piece, style: NumeralStyle, things: Things): Micrometres {
  const built = "name" in what ? what.built : undefined;
  return built ? thicknessOf(null, of, micrometres(built.micrometres)) : thickAs(usualOf(what, style), of, things);
}

/** What something is of: what was said, else what its thing is of, else what its kind usually is. */
export const madeOf = (usual: MaterialId | null, of: MadeOf | null | undefined, things: Things): MaterialId | null =>
  of?.material ?? (of?.thing ? things.get(of.thing)?.material : undefined) ?? usual;

/** What a room will hold when its day has come. */
const ROOM = { photo: "photo-paper", card: "cardstock-80" } as const satisfies Record<"photo" | "card", MaterialId>;

/** What a piece is of as a rule, a room as what it is kept for. */
export const usualOf = (what: PieceWhat, style: NumeralStyle): MaterialId | null =>
  what.kind === "room" ? ROOM[what.keeps] : usualOfPiece(what, style);

/** Round as it is drawn: a charm, a dot, a badge. */
const isRound = ({ kind }: PieceWhat): boolean => kind === "embellishment";

/** A rectangle of one side's page where it lies in the closed book, x from the hinge; `page`: where its leaf's page lies there. */
export function inClosedBook(
  lies: Rect,
  face: Face,
  leaf: LeafRead,
  format: AlbumFormat,
  page: Rect = placeInBook(leaf, "front", format).page,
): Rect {
  const { x, y, w, h } = asFront(lies, face, leaf, page);
  return format.bindingEdge === "top" ? rect(y, x, h, w) : rect(x, y, w, h);
}

const isDone = (side: Side, of: BookPage | null, step: "number" | "assemble"): boolean => {
  const guest = side.guests.find(({ dayId }) => of?.days.some(({ id }) => id === dayId));
  const isOwner =
    side.owner.kind === "day" && of?.days.some(({ id }) => id === (side.owner as { dayId: string }).dayId);
  return (guest && !isOwner ? guest.done : side.done).includes(step);
};

function pieceLayers<P extends BookPage>(
  leaf: LeafRead<P>,
  side: SideRead<P>,
  format: AlbumFormat,
  things: Things,
  at: Rect,
): Layer<P>[] {
  const inBook = leaf.leaf.done.includes("file");
  return side.pieces.flatMap((placed): Layer<P>[] => {
    const { piece, fit } = placed;
    if (fit.kind === "beside") return [];
    const page = pageOfPiece(side, piece);
    const style = page?.content.numeral.style ?? "none";
    const thick = thickOfPiece(piece, style, things);
    if (thick <= 0) return [];
    const step = piece.what.kind === "numeral" ? "number" : "assemble";
    // One literal: an object put together from others is read many times slower.
    return [
      {
        at: inClosedBook(placed.rect, side.face, leaf, format, at),
        round: isRound(piece.what),
        thick,
        leaf,
        face: side.face,
        piece,
        page,
        isThere: inBook && piece.what.kind !== "room" && isDone(leaf.leaf[side.face] as Leaf["front"], page, step),
      },
    ];
  });
}

/** Everything of a leaf that has a thickness, its base first. */
export function layersOfLeaf<P extends BookPage>(leaf: LeafRead<P>, format: AlbumFormat, things: Things): Layer<P>[] {
  const { make, done } = leaf.leaf;
  const { whole, page } = placeInBook(leaf, "front", format);
  const own = thickAs(usualOfLeaf(make), make.of, things);
  const film = leaf.build.inProtector ? PROTECTOR : 0;
  const baseAt = (at: Rect, thick: Micrometres): Layer<P> => ({
    at,
    round: false,
    thick,
    leaf,
    face: "front",
    piece: null,
    page: leaf.front.page,
    isThere: done.includes("file"),
  });
  const lies = ({ x, y, w, h }: Rect) => (format.bindingEdge === "top" ? rect(y, x, h, w) : rect(x, y, w, h));
  const cut = cutsThrough(leaf, "front").map(({ x, y, w, h }) => rect(page.x + x, page.y + y, w, h));
  // Of a base with windows cut through it there is what is left; the film round it is whole.
  const base: Layer<P>[] =
    cut.length === 0
      ? [baseAt(lies(whole), micrometres(own + film))]
      : [
          ...cut
            .reduce<Rect[]>((parts, each) => parts.flatMap((part) => subtract(part, each)), [whole])
            .map((part) => baseAt(lies(part), micrometres(own))),
          baseAt(lies(whole), micrometres(film)),
        ].filter(({ thick }) => thick > 0);
  return [...base, ...FACES.flatMap((face) => pieceLayers(leaf, leaf[face], format, things, page))];
}

/** The whole closed book, leaf by leaf. */
export const layersOf = <P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  format: AlbumFormat,
  things: Things,
): Layer<P>[] => leaves.flatMap((leaf) => layersOfLeaf(leaf, format, things));
