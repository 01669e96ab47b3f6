import type { NumeralColour, Piece } from "../album/leaf.ts";
import type { AlbumFormat, AlbumPlan } from "../album/model.ts";
import { applyBookEdit, type BookEdit } from "../book/edit.ts";
import { keptOf } from "../book/keep-clear.ts";
import type { PocketLayout } from "../book/layout.ts";
import { type BookPage, type LeafRead, type PlacedPiece, readBook } from "../book/read.ts";
import { type Lying, type Spread, spreadAt } from "../book/spread.ts";
import { keptFree } from "../bulk/remedies.ts";
import { type Micrometres, micrometres } from "../material/material.ts";
import { inches, ticks } from "../measure/length.ts";
import { contains, grown, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import { cropOfAnother, type PictureFacts } from "../photo/crop.ts";
import { BETWEEN, type Between, putBetween, thicknessOfBetween } from "./between.ts";
import { letteringOf, POINT } from "./lettering.ts";
import { onSpread, type SeenSlip } from "./slip.ts";

/** What may be tried about something that is seen through a leaf, and by how much the book is thicker for it. */
export type Candidate = { readonly thicker: Micrometres; readonly edit: BookEdit } & (
  | { readonly kind: Between }
  | { readonly kind: "moved"; readonly by: { readonly x: number; readonly y: number } }
  | { readonly kind: "smaller"; readonly to: Rect }
  | { readonly kind: "ink"; readonly ink: NumeralColour }
);

/** How far from each other places are that something may be moved to. */
const STEP = inches(1 / 4);
/** The nearest place that is free is taken; farther than this nobody calls it moved. */
const MOST_STEPS = 32;
/** How much smaller it may become. */
const SMALLER = [0.8, 0.65, 0.5];

/** What the prints of a side's stack must keep, in the spread, those of `on` and of the leaves below it. */
const keptBelow = (stack: readonly Lying[], on: Lying): Rect[] =>
  stack
    .slice(stack.indexOf(on))
    .flatMap((lying) =>
      lying.read[lying.face].pieces
        .flatMap((placed) => keptOf(placed, lying.read[lying.face].content))
        .map(({ kind, at }) => onSpread(lying, kind === "face" ? at : grown(at, POINT))),
    );

/** Whether lettering lies clear where its piece would lie. */
function isClear(placed: PlacedPiece, on: Lying, kept: readonly Rect[], free: readonly Rect[], area: Rect): boolean {
  const lettering = letteringOf(placed);
  if (!lettering || !contains(area, placed.rect)) return false;
  const there = onSpread(on, lettering);
  return !kept.some((each) => overlap(there, each)) && !free.some((each) => overlap(lettering, each));
}

const withPiece = ({ read, face }: Lying, was: Piece, piece: Piece): BookEdit => ({
  kind: "arrange-many",
  sides: [
    { leaf: read.leaf.id, face, pieces: read[face].pieces.map((each) => (each.piece === was ? piece : each.piece)) },
  ],
});

/** The nearest place at which the lettering lies over nothing that must be seen; null where there is none. */
function moved(over: PlacedPiece, on: Lying, kept: readonly Rect[], free: readonly Rect[], area: Rect) {
  const places: { x: number; y: number }[] = [];
  for (let row = -MOST_STEPS; row <= MOST_STEPS; row++)
    for (let column = -MOST_STEPS; column <= MOST_STEPS; column++) places.push({ x: column * STEP, y: row * STEP });
  const by = places
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))
    .find(({ x, y }) => {
      const lies = rect(over.rect.x + x, over.rect.y + y, over.rect.w, over.rect.h);
      return isClear({ ...over, rect: lies }, on, kept, free, area);
    });
  if (!by) return null;
  const { piece } = over;
  return { by, piece: { ...piece, at: { x: ticks(piece.at.x + by.x), y: ticks(piece.at.y + by.y) } } };
}

/** The same smaller, about its middle or towards one of its corners, where that gets it clear; null where it does not. */
function smaller(over: PlacedPiece, on: Lying, kept: readonly Rect[], free: readonly Rect[], area: Rect) {
  const { piece, rect: lies } = over;
  const { what } = piece;
  if (!("size" in what) || what.kind === "room") return null;
  for (const by of SMALLER) {
    const [w, h] = [Math.round(lies.w * by), Math.round(lies.h * by)];
    for (const [u, v] of [
      [0.5, 0.5],
      ...[0, 1].flatMap((across) => [0, 1].map((down) => [across, down] as const)),
    ] as const) {
      const to = rect(lies.x + Math.round((lies.w - w) * u), lies.y + Math.round((lies.h - h) * v), w, h);
      const size = piece.turn % 2 === 1 ? { w: to.h, h: to.w } : { w: to.w, h: to.h };
      const next: Piece = { ...piece, at: { x: to.x, y: to.y }, what: { ...what, size } };
      if (isClear({ ...over, piece: next, rect: to }, on, kept, free, area)) return { to, piece: next };
    }
  }
  return null;
}

function inInk(piece: Piece, ink: NumeralColour): Piece {
  const { what } = piece;
  if (what.kind === "numeral")
    return what.look ? { ...piece, what: { ...what, look: { ...what.look, colour: ink } } } : piece;
  return "name" in what ? { ...piece, what: { ...what, ink } } : piece;
}

/** What can be tried about a slip: something between, its lettering moved, smaller or of another colour. `id` names a new leaf. */
export function candidatesFor<P extends BookPage>(
  slip: SeenSlip<P>,
  { left, right }: Spread<P>,
  leaves: readonly LeafRead<P>[],
  format: AlbumFormat,
  id: string,
): Candidate[] {
  const stack = slip.face === "front" ? right : left;
  const [top] = stack;
  if (!top) return [];
  const none = micrometres(0);
  const own = leaves.map(({ leaf }) => leaf);
  const between = BETWEEN.map((kind): Candidate => {
    return { kind, thicker: thicknessOfBetween(kind), edit: putBetween(own, slip, kind, id) };
  });
  switch (slip.kind) {
    case "private":
    case "glimpse":
      return between;
    case "alike":
    case "busy": {
      const [placed] = slip.pieces;
      const inks = placed
        ? slip.inks.slice(0, 2).map((ink): Candidate => {
            return { kind: "ink", ink, thicker: none, edit: withPiece(top, placed.piece, inInk(placed.piece, ink)) };
          })
        : [];
      return [...inks, ...(slip.isBehind ? between : [])];
    }
    case "over-face":
    case "over-point": {
      const { over } = slip;
      const on = stack.find(({ read }) => read.leaf.id === slip.on.read.leaf.id);
      const placed = on?.read[on.face].pieces.find(({ piece }) => piece.id === over.piece.id);
      if (!on || !placed) return [];
      const kept = keptBelow(stack, on);
      const side = on.read[on.face];
      const area = placed.pocket === null ? rectOf(on.read.build.page) : side.pockets[placed.pocket];
      // What it lies on itself is no obstacle, nor what it lies over already but for what must be seen.
      const free = keptFree(on.read, on.face, format).filter((each) => !overlap(each, placed.rect));
      if (!area) return [];
      const away = moved(placed, on, kept, free, area);
      const less = smaller(placed, on, kept, free, area);
      return [
        ...(away
          ? [
              {
                ...({ kind: "moved", by: away.by, thicker: none } as const),
                edit: withPiece(on, placed.piece, away.piece),
              },
            ]
          : []),
        ...(less
          ? [
              {
                ...({ kind: "smaller", to: less.to, thicker: none } as const),
                edit: withPiece(on, placed.piece, less.piece),
              },
            ]
          : []),
        // Behind lettering over a picture of the same page nothing can be put.
        ...(slip.pieces.some(({ piece }) => top.read[top.face].pieces.some((each) => each.piece === piece))
          ? []
          : between),
      ];
    }
    case "pierced":
    case "back":
    case "glue":
      return [];
  }
}

/** A book to be read: its pages, leaves and own layouts. */
type Book<P> = Pick<AlbumPlan, "format" | "unit"> & {
  readonly pages: readonly P[];
  readonly layouts: readonly PocketLayout[];
};

/** An opening as it would be with something tried; null where that cannot be done. */
export function spreadWith<P extends BookPage>(
  book: Book<P>,
  leaves: readonly LeafRead<P>[],
  spread: Spread<P>,
  { face }: Pick<SeenSlip<P>, "face">,
  edit: BookEdit,
): Spread<P> | null {
  const done = applyBookEdit(
    leaves.map(({ leaf }) => leaf),
    edit,
  );
  if (!done.ok) return null;
  const { leaves: read } = readBook<P>(book, book.pages, done.leaves, book.layouts);
  // The same leaf lies uppermost: what comes behind one that was turned comes before it in the book.
  const at = spread.at + (face === "back" ? read.length - leaves.length : 0);
  return spreadAt(read, at, book.format);
}

/** An opening as it would be with another picture in the place of one. */
export function spreadWithPicture<P extends BookPage>(
  book: Book<P>,
  leaves: readonly LeafRead<P>[],
  spread: Spread<P>,
  useId: string,
  picture: { readonly id: string; readonly facts: PictureFacts },
): Spread<P> {
  const pages = book.pages.map((page): P => {
    if (!page.content.photos.some(({ id }) => id === useId)) return page;
    const photos = page.content.photos.map((use) =>
      use.id === useId
        ? { ...use, photoId: picture.id, picture: picture.facts, crop: cropOfAnother(use, picture.facts) }
        : use,
    );
    return { ...page, content: { ...page.content, photos } };
  });
  const own = leaves.map(({ leaf }) => leaf);
  return spreadAt(readBook<P>(book, pages, own, book.layouts).leaves, spread.at, book.format);
}
