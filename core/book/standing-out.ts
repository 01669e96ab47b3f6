import type { Face, Piece } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { type Length, ticks } from "../measure/length.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";
import type { Arrangement } from "./edit.ts";
import type { LeafRead, PlacedPiece } from "./read.ts";
import { asFront, placeInBook } from "./spread.ts";

/** A free edge of the closed book, seen from the front. */
export const EDGES = ["top", "right", "bottom", "left"] as const;
export type Edge = (typeof EDGES)[number];

/** A piece that stands out of its leaf. Places are ticks of the closed book, seen from the front. */
export type StandsOut = {
  readonly leaf: LeafRead;
  readonly face: Face;
  readonly placed: PlacedPiece;
  readonly edge: Edge;
  /** Where it lies, whole. */
  readonly lies: Rect;
  /** What of it is past its own leaf. */
  readonly out: Rect;
  /** How far it stands past the closed cover there; zero where the cover hides it. */
  readonly beyond: Length;
};

/** How far a rectangle is past another at each of its edges; negative where it is within. */
const past = (lies: Rect, of: Rect): Record<Edge, number> => ({
  top: of.y - lies.y,
  right: lies.x + lies.w - (of.x + of.w),
  bottom: lies.y + lies.h - (of.y + of.h),
  left: of.x - lies.x,
});

/** The front board as it lies over the leaves. */
const coverOver = ({ cover, outer, bindingEdge }: AlbumFormat): Rect =>
  bindingEdge === "left"
    ? rect(0, -Math.round((cover.h - outer.h) / 2), cover.w, cover.h)
    : rect(-Math.round((cover.w - outer.w) / 2), 0, cover.w, cover.h);

/** The strip of a rectangle that is past one edge of another. */
function strip(lies: Rect, edge: Edge, by: number): Rect {
  switch (edge) {
    case "top":
      return rect(lies.x, lies.y, lies.w, by);
    case "bottom":
      return rect(lies.x, lies.y + lies.h - by, lies.w, by);
    case "left":
      return rect(lies.x, lies.y, by, lies.h);
    case "right":
      return rect(lies.x + lies.w - by, lies.y, by, lies.h);
  }
}

/** The pieces of one leaf that stand out of it at a free edge, of both its faces: where they stand out most. */
export function standingOutOf(leaf: LeafRead, format: AlbumFormat): StandsOut[] {
  const { whole, page } = placeInBook(leaf, "front", format);
  const cover = coverOver(format);
  return (["front", "back"] as const).flatMap((face) =>
    leaf[face].pieces.flatMap((placed): StandsOut[] => {
      // What is inside a closed protector cannot hang out of it; only what is made to stand out is told the weld in its way.
      const closedIn = leaf.build.inProtector && !placed.piece.outside && !isMadeToStand(placed);
      if (placed.fit.kind === "beside" || closedIn) return [];
      const lies = asFront(placed.rect, face, leaf, page);
      const out = past(lies, whole);
      const edge = EDGES.filter((each) => each !== format.bindingEdge).reduce((a, b) => (out[b] > out[a] ? b : a));
      if (out[edge] <= 0) return [];
      const beyond = ticks(Math.max(0, past(lies, cover)[edge]));
      return [
        { leaf, face, placed, edge, lies, out: strip(lies, edge, Math.min(out[edge], acrossOf(lies, edge))), beyond },
      ];
    }),
  );
}

const isAlongSide = (edge: Edge) => edge === "left" || edge === "right";
const acrossOf = (lies: Rect, edge: Edge): number => (isAlongSide(edge) ? lies.w : lies.h);

/** Everything that stands out of any leaf of the book, in its order. */
export const standingOut = (leaves: readonly LeafRead[], format: AlbumFormat): StandsOut[] =>
  leaves.flatMap((leaf) => standingOutOf(leaf, format));

/** What stands out where something of a leaf before it stands out already, so that it cannot be seen or taken hold of. */
export function hiddenBehind(all: readonly StandsOut[]): { readonly one: StandsOut; readonly behind: StandsOut }[] {
  return all.flatMap((one, at) => {
    const behind = all
      .slice(0, at)
      .find((other) => other.leaf !== one.leaf && other.edge === one.edge && overlap(other.out, one.out));
    return behind ? [{ one, behind }] : [];
  });
}

/** Tabs and tags are moved along their edge; what else stands out stays where it was put. */
export const isMovable = ({ placed }: StandsOut): boolean => isMadeToStand(placed);

const isMadeToStand = ({ piece: { what } }: PlacedPiece): boolean => what.kind === "tab" || what.kind === "tag";

export type Stagger =
  | { readonly ok: true; readonly changes: readonly Arrangement[] }
  /** They cannot all show along this edge, which is so long, unless each is at most `each` long. */
  | { readonly ok: false; readonly along: Length; readonly each: Length };

type Window = { readonly from: number; readonly to: number; readonly long: number };

/**
 * Where things of a length go along a line: each within its own window, in the order given, none over another, and as evenly
 * spread as that allows. Returns where each begins, in ticks; null where there is no room for them all.
 */
export function spreadAlong(windows: readonly Window[]): number[] | null {
  const from = Math.min(...windows.map((each) => each.from));
  const to = Math.max(...windows.map((each) => each.to));
  const free = to - from - windows.reduce((sum, { long }) => sum + long, 0);
  const step = windows.length > 1 ? Math.max(0, free) / (windows.length - 1) : 0;
  const at: number[] = [];
  let before = from;
  let wish = from;
  for (const { from: first, long } of windows) {
    const next = Math.max(Math.round(wish), first, before);
    at.push(next);
    before = next + long;
    wish += long + step;
  }
  // What came to stand too far on is pushed back, and what stands before it with it.
  for (let nth = windows.length - 1; nth >= 0; nth -= 1) {
    const { from: first = 0, to: last = 0, long = 0 } = windows[nth] ?? {};
    const next = Math.min(at[nth] ?? 0, last - long, (at[nth + 1] ?? Number.POSITIVE_INFINITY) - long);
    if (next < first) return null;
    at[nth] = next;
  }
  return at;
}

/**
 * Moves the tabs and tags of one edge along it so that each is seen: in the order of the leaves where that goes, as evenly
 * as it goes, none past the end of its own page. How far each stands out stays.
 */
export function stagger(all: readonly StandsOut[], edge: Edge, format: AlbumFormat): Stagger {
  const those = all.filter((one) => one.edge === edge && isMovable(one));
  const side = isAlongSide(edge);
  const windowOf = ({ leaf, lies }: StandsOut): Window => {
    const { page } = placeInBook(leaf, "front", format);
    const [from, long, own] = side ? [page.y, page.h, lies.h] : [page.x, page.w, lies.w];
    // One longer than its page has the one place.
    return { from, to: from + Math.max(long, own), long: own };
  };
  const inOrder = those.map((one) => ({ one, reach: windowOf(one) }));
  // Small leaves among large ones may not go in the leaves' order: then by where their leaves end.
  const byEnd = [...inOrder].sort((a, b) => a.reach.to - b.reach.to || a.reach.from - b.reach.from);
  for (const order of [inOrder, byEnd]) {
    const at = spreadAlong(order.map(({ reach }) => reach));
    if (at)
      return {
        ok: true,
        changes: movedTo(
          order.map(({ one }, nth) => ({ one, to: at[nth] ?? 0 })),
          side,
          format,
        ),
      };
  }
  const along = side ? format.nominal.h : format.nominal.w;
  return { ok: false, along, each: ticks(Math.floor(along / Math.max(1, those.length))) };
}

type Moved = { readonly one: StandsOut; readonly to: number };

/** The sides of those that moved, with each at its new place along the edge. */
function movedTo(moved: readonly Moved[], side: boolean, format: AlbumFormat): Arrangement[] {
  const sides = new Map<string, { leaf: LeafRead; face: Face; at: Map<string, Piece["at"]> }>();
  for (const { one, to } of moved) {
    const { leaf, face, placed } = one;
    const { page } = placeInBook(leaf, "front", format);
    const { at } = placed.piece;
    const across = to - page.x;
    const next = side
      ? { x: at.x, y: ticks(to - page.y) }
      : { x: ticks(face === "front" ? across : leaf.build.page.w - across - placed.rect.w), y: at.y };
    const key = `${leaf.leaf.id} ${face}`;
    const there = sides.get(key) ?? { leaf, face, at: new Map() };
    there.at.set(placed.piece.id, next);
    sides.set(key, there);
  }
  return [...sides.values()].map(({ leaf, face, at }) => ({
    leaf: leaf.leaf.id,
    face,
    pieces: leaf[face].pieces.map(({ piece }) => ({ ...piece, at: at.get(piece.id) ?? piece.at })),
  }));
}

/** A leaf that is itself larger than the closed cover, and where. */
export function leavesPastCover(
  leaves: readonly LeafRead[],
  format: AlbumFormat,
): { leaf: LeafRead; edge: Edge; beyond: Length }[] {
  const cover = coverOver(format);
  return leaves.flatMap((leaf) => {
    const out = past(placeInBook(leaf, "front", format).whole, cover);
    const edge = EDGES.filter((each) => each !== format.bindingEdge).reduce((a, b) => (out[b] > out[a] ? b : a));
    return out[edge] > 0 ? [{ leaf, edge, beyond: ticks(out[edge]) }] : [];
  });
}

/**
 * The welded edge that a tab or tag put into a closed protector would have to go through; null where it comes out at the
 * mouth, or is stuck on the outside. Common practice: a protector is open at its head; one bound at the top has its mouth
 * at a side, which is not known here, and only head and foot are said.
 */
export function weldInWay(one: StandsOut, format: AlbumFormat): Edge | null {
  if (!one.leaf.build.inProtector || one.placed.piece.outside) return null;
  const welded: readonly Edge[] = format.bindingEdge === "left" ? ["right", "bottom"] : ["bottom"];
  return welded.includes(one.edge) ? one.edge : null;
}
