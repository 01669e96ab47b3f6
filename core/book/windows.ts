import type { Face, Piece } from "../album/leaf.ts";
import { usualOfLeaf, usualOfPiece } from "../album/usual-material.ts";
import { MATERIALS, type Seen } from "../material/material.ts";
import { inches } from "../measure/length.ts";
import { mirrored, overlap, type Rect, rectOf, subtract } from "../measure/rect.ts";
import type { LeafRead, PlacedPiece } from "./read.ts";

/** Through what is narrower than this nothing is made out. From memory. */
const LEAST_WINDOW = inches(1 / 4);

/** Whether what lies behind a leaf's base is seen through it: as it is, paler, or not at all. */
export function seenThroughBase({ leaf: { make } }: Pick<LeafRead, "leaf">): Seen {
  const material = make.of?.material ?? usualOfLeaf(make);
  // A page of pockets is nothing but film.
  return material === null ? "clear" : MATERIALS[material].seen;
}

/** Whether what lies behind a piece is seen through it. Ink alone hides nothing; a room kept counts as what will fill it. */
export function seenThroughPiece({ what, of }: Piece): Seen {
  if (what.kind === "room") return "opaque";
  if (what.kind === "window") return "clear";
  // Whatever a day says its number is of: one of ink is told by its own look.
  const usual = usualOfPiece(what, what.kind === "numeral" && what.look === null ? "sticker" : "none");
  const material = of?.material ?? usual;
  return material === null ? "clear" : MATERIALS[material].seen;
}

/** The pieces of the other face where they lie behind this one, seen from it. */
export const behind = (read: LeafRead, face: Face): { readonly placed: PlacedPiece; readonly at: Rect }[] =>
  read[face === "front" ? "back" : "front"].pieces.map((placed) => ({
    placed,
    at: mirrored(placed.rect, read.build.page.w),
  }));

const known = new WeakMap<LeafRead, Partial<Record<Face, readonly Rect[]>>>();

/**
 * Where one looks through a leaf, in its own page's ticks as that face is seen: through film and vellum, empty pockets and windows
 * cut through it, but for what lies there on either face. None of an opaque leaf. No two of them overlap.
 */
export function windowsOf(read: LeafRead, face: Face): readonly Rect[] {
  const before = known.get(read)?.[face];
  if (before) return before;
  const found = findWindows(read, face);
  known.set(read, { ...known.get(read), [face]: found });
  return found;
}

const isWindow = ({ piece }: PlacedPiece): boolean => piece.what.kind === "window";

/** More windows than these nobody cuts into one leaf. */
const MOST_CUTS = 24;

/** The windows that are cut through a leaf, whichever face they were marked on, as this one is seen; none reaches beyond its page. */
export function cutsThrough(read: LeafRead, face: Face): Rect[] {
  if (![read.front, read.back].some(({ pieces }) => pieces.some(isWindow))) return [];
  const page = rectOf(read.build.page);
  const own = read[face].pieces.map((placed) => ({ placed, at: placed.rect }));
  return [...own, ...behind(read, face)]
    .flatMap(({ placed, at }) => (isWindow(placed) ? (overlap(at, page) ?? []) : []))
    .slice(0, MOST_CUTS);
}

/** What some rectangles cover, each part once. */
const eachOnce = (all: readonly Rect[]): Rect[] =>
  all.reduce<Rect[]>(
    (parts, each) => [
      ...parts,
      ...parts.reduce<Rect[]>((left, part) => left.flatMap((one) => subtract(one, part)), [each]),
    ],
    [],
  );

/** What of a leaf's base is looked through, as long as nothing lies there. */
function openOf(read: LeafRead, face: Face): Rect[] {
  const { build } = read;
  const page = rectOf(build.page);
  if (seenThroughBase(read) === "opaque") return eachOnce(cutsThrough(read, face));
  return build.kind === "pocket" ? read[face].pockets.flatMap((pocket) => overlap(pocket, page) ?? []) : [page];
}

function findWindows(read: LeafRead, face: Face): Rect[] {
  const open = openOf(read, face);
  if (open.length === 0) return [];
  const own = read[face].pieces.map((placed) => ({ placed, at: placed.rect }));
  const stops = [...own, ...behind(read, face)].filter(
    ({ placed: { piece, fit } }) => fit.kind !== "beside" && seenThroughPiece(piece) === "opaque",
  );
  return stops
    .reduce<Rect[]>((parts, { at }) => parts.flatMap((part) => subtract(part, at)), open)
    .filter(({ w, h }) => Math.min(w, h) >= LEAST_WINDOW);
}
