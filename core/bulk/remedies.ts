import type { Piece } from "../album/leaf.ts";
import { AS_USUAL, type MadeOf } from "../album/made-of.ts";
import type { AlbumFormat } from "../album/model.ts";
import type { Arrangement } from "../book/edit.ts";
import { holesOf } from "../book/holes.ts";
import { keptOf } from "../book/keep-clear.ts";
import type { BookPage, LeafRead, PlacedPiece } from "../book/read.ts";
import { MATERIALS, type MaterialId, type Micrometres } from "../material/material.ts";
import { inches, millimetres } from "../measure/length.ts";
import { contains, grown, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import { type Binding, closingOf } from "./closing.ts";
import { liesAt } from "./heights.ts";
import { inClosedBook, type Layer, madeOf, type Things, thickOfPiece, usualOf } from "./layers.ts";

/** Where on its page something goes, as that side is looked at. */
export const CORNERS = [
  ...(["upper left", "upper right", "lower left", "lower right"] as const),
  ...(["upper middle", "lower middle", "left", "right"] as const),
];
export type Corner = (typeof CORNERS)[number];

/** What can be done about one piece. */
export type Cure =
  | { readonly kind: "move"; readonly to: Corner; readonly at: Rect }
  /** Of something thinner: its back peeled off, printer paper in place of cardstock. */
  | { readonly kind: "thinner"; readonly material: MaterialId }
  /** Glued flat, and no longer on foam. */
  | { readonly kind: "flat" }
  /** One layer in place of several. */
  | { readonly kind: "one-layer" }
  | { readonly kind: "leave-out" };

/** A cure with how the book closes after it, and what makes it so. */
export type Remedy<P extends BookPage = BookPage> = {
  readonly layer: Layer<P> & { readonly piece: Piece };
  readonly cure: Cure;
  readonly gape: Micrometres;
  readonly height: Micrometres;
  readonly change: Arrangement;
};

/** Pieces thinner than this are not worth a cure. */
const WORTH_CURING = 300;
/** Kept free round what must be seen, and to the edge of a page. */
const CLEAR = millimetres(3);
/** How far round the point that a print must keep nothing may lie. */
const KEPT = inches(1 / 2);

const isSeen = ({ piece: { what } }: PlacedPiece): boolean =>
  what.kind === "card" || what.kind === "numeral" || ("says" in what && Boolean(what.says));

/** What of one side nothing thick may lie on: words, numbers, the faces and points that prints must keep, and holes. */
export function keptFree<P extends BookPage>(leaf: LeafRead<P>, face: "front" | "back", format: AlbumFormat): Rect[] {
  const side = leaf[face];
  const words = side.pieces.filter(isSeen).map(({ rect: lies }) => lies);
  const kept = side.pieces.flatMap((placed) =>
    keptOf(placed, side.content).map(({ kind, at }) => (kind === "face" ? at : grown(at, KEPT))),
  );
  const holes =
    leaf.build.inProtector || format.binding === "sewn" ? [] : holesOf(leaf.build, leaf.leaf.drop, format, face);
  const punched = holes.map(({ x, y, diameter: d }) => rect(x - Math.ceil(d / 2), y - Math.ceil(d / 2), d, d));
  return [...words, ...kept, ...punched];
}

/** The places that a piece of this size may be moved to within an area, those where it lies over something kept free left out. */
export function freePlaces(
  lies: Rect,
  within: Rect,
  taken: readonly Rect[],
): { readonly to: Corner; readonly at: Rect }[] {
  const { w, h } = lies;
  const [left, top] = [within.x + CLEAR, within.y + CLEAR];
  const [right, bottom] = [within.x + within.w - w - CLEAR, within.y + within.h - h - CLEAR];
  const [middle, halfway] = [Math.round((left + right) / 2), Math.round((top + bottom) / 2)];
  const places: Record<Corner, readonly [number, number]> = {
    "upper left": [left, top],
    "upper right": [right, top],
    "lower left": [left, bottom],
    "lower right": [right, bottom],
    "upper middle": [middle, top],
    "lower middle": [middle, bottom],
    left: [left, halfway],
    right: [right, halfway],
  };
  return CORNERS.flatMap((to) => {
    const [x, y] = places[to];
    const at = rect(x, y, w, h);
    const wide = rect(x - CLEAR, y - CLEAR, w + 2 * CLEAR, h + 2 * CLEAR);
    const isFree = contains(within, at) && !taken.some((each) => overlap(wide, each));
    return isFree && !overlap(at, lies) ? [{ to, at }] : [];
  });
}

/** A thinner thing that the same is made of. Common practice. */
const THINNER: Partial<Record<MaterialId, MaterialId>> = { chipboard: "peeled-chipboard" };
const THINNER_HINGE: Partial<Record<MaterialId, MaterialId>> = {
  ...{ "cardstock-65": "printer-paper", "cardstock-80": "printer-paper", "cardstock-110": "printer-paper" },
};

/** A number of this is cut out by hand. */
const CUT_NUMBER: MaterialId = "cardstock-80";

/** What the same may be made of so that it lies flatter; null where there is nothing usual. */
function thinnerOf({ kind }: Piece["what"], material: MaterialId | null): MaterialId[] {
  if (!material) return [];
  const peeled = THINNER[material];
  const isThickNumber = kind === "numeral" && MATERIALS[material].caliper > MATERIALS[CUT_NUMBER].caliper;
  const hinge = kind === "flip" ? THINNER_HINGE[material] : undefined;
  return [...(peeled ? [peeled] : []), ...(hinge ? [hinge] : []), ...(isThickNumber ? [CUT_NUMBER] : [])];
}

const changed = (piece: Piece, of: Partial<MadeOf>): Piece => ({ ...piece, of: { ...(piece.of ?? AS_USUAL), ...of } });

function curesOf<P extends BookPage>(
  layer: Layer<P> & { readonly piece: Piece },
  placed: PlacedPiece,
  format: AlbumFormat,
  things: Things,
): { readonly cure: Cure; readonly piece: Piece | null }[] {
  const { piece, leaf, face } = layer;
  const { build } = leaf;
  const others = keptFree(leaf, face, format);
  const pocket = placed.pocket === null ? null : leaf[face].pockets[placed.pocket];
  const own = others.filter((each) => each !== placed.rect);
  const isMovable = piece.what.kind !== "photo" && piece.what.kind !== "tab";
  const moves = isMovable ? freePlaces(placed.rect, pocket ?? rectOf(build.page), own) : [];
  const usual = usualOf(piece.what, layer.page?.content.numeral.style ?? "none");
  const material = madeOf(usual, piece.of, things);
  return [
    ...moves.map(({ to, at }) => ({
      cure: { kind: "move" as const, to, at },
      piece: { ...piece, at: { x: at.x, y: at.y } },
    })),
    // What is made of something else is taken from no thing of the drawer any more, but for one whose back is peeled off.
    ...thinnerOf(piece.what, material).map((thinner) => ({
      cure: { kind: "thinner" as const, material: thinner },
      piece: changed(piece, {
        material: thinner,
        ...(thinner === THINNER[material ?? thinner] ? {} : { thing: null }),
      }),
    })),
    ...(piece.of?.sits && piece.of.sits !== "tape-runner" && piece.of.sits !== "slit"
      ? [{ cure: { kind: "flat" as const }, piece: changed(piece, { sits: null }) }]
      : []),
    ...((piece.of?.layers ?? 1) > 1
      ? [{ cure: { kind: "one-layer" as const }, piece: changed(piece, { layers: 1 }) }]
      : []),
    { cure: { kind: "leave-out" as const }, piece: null },
  ];
}

/** A layer as it is once its piece is changed; null where it is left out. */
function layerAs<P extends BookPage>(
  layer: Layer<P>,
  piece: Piece | null,
  at: Rect,
  format: AlbumFormat,
  things: Things,
): Layer<P> | null {
  if (!piece) return null;
  return {
    ...layer,
    piece,
    thick: thickOfPiece(piece, layer.page?.content.numeral.style ?? "none", things),
    at: inClosedBook(at, layer.face, layer.leaf, format),
  };
}

/**
 * What can be done so that the book gapes less, or is less thick where it closes: for each piece that lies where the board
 * rests its best move, and whatever else makes it thinner, what helps most first. What helps nothing is left out.
 */
export function remediesFor<P extends BookPage>(
  layers: readonly Layer<P>[],
  format: AlbumFormat,
  things: Things,
  binding: Binding,
): Remedy<P>[] {
  const now = closingOf(layers, binding);
  const spot = now.rests ?? now.thickest;
  if (!spot) return [];
  const found = layers.flatMap((layer): Remedy<P>[] => {
    const { piece, leaf, face } = layer;
    if (!piece || piece.what.kind === "room" || layer.thick < WORTH_CURING || !liesAt(layer, spot)) return [];
    const side = leaf[face];
    const placed = side.pieces.find((each) => each.piece === piece);
    if (!placed) return [];
    const pieceLayer = { ...layer, piece };
    const tried = curesOf(pieceLayer, placed, format, things).map(({ cure, piece: next }): Remedy<P> => {
      const as = layerAs(layer, next, cure.kind === "move" ? cure.at : placed.rect, format, things);
      const after = closingOf(
        layers.flatMap((each) => (each === layer ? (as ?? []) : each)),
        binding,
      );
      const pieces = side.pieces.flatMap((each) => (each === placed ? (next ?? []) : each.piece));
      const change = { leaf: leaf.leaf.id, face, pieces };
      return { layer: pieceLayer, cure, gape: after.gape, height: after.thickest?.height as Micrometres, change };
    });
    const better = tried.filter(({ gape, height }) => isLess({ gape, height }, now.gape, now.thickest?.height ?? 0));
    const moves = better.filter(({ cure }) => cure.kind === "move").sort(byEffect);
    return [...moves.slice(0, 1), ...better.filter(({ cure }) => cure.kind !== "move")];
  });
  return found.sort(byEffect);
}

type Effect = Pick<Remedy, "gape" | "height">;
/** What gains less than a sheet of cardstock is no remedy, unless the book closes then. */
const LEAST_GAIN = 250;
const isLess = (after: Effect, gape: number, height: number): boolean =>
  gape > 0 ? after.gape + LEAST_GAIN <= gape || (after.gape === 0 && gape > 0) : after.height + LEAST_GAIN <= height;
const byEffect = (a: Effect, b: Effect): number => a.gape - b.gape || a.height - b.height;
