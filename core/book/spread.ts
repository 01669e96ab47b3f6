import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { around, overlap, type Rect, rect, subtract } from "../measure/rect.ts";
import { topOf } from "./holes.ts";
import { type BookPage, type LeafRead, wholeLeaf } from "./read.ts";
import { volumeStarts } from "./volumes.ts";
import { windowsOf } from "./windows.ts";

/**
 * A leaf as it lies in a spread. Places are ticks from where the upper end of the spine would be: leaves on the right
 * lie at positive x, those turned over to the left at negative x.
 */
export type Lying<P extends BookPage = BookPage> = {
  readonly read: LeafRead<P>;
  readonly face: Face;
  /** The whole leaf, binding margin included, and its page. */
  readonly whole: Rect;
  readonly page: Rect;
  /** What is seen of the whole leaf past those above it and through them; the uppermost is seen whole. */
  readonly visible: readonly Rect[];
  /** What of that stops the eye: nothing behind it is seen. With what the others stop, no part of a side twice. */
  readonly stops: readonly Rect[];
};

/** What is seen where the book lies open after its first `at` leaves: each stack from the uppermost down. */
export type Spread<P extends BookPage = BookPage> = {
  readonly at: number;
  readonly left: readonly Lying<P>[];
  readonly right: readonly Lying<P>[];
  /** The area that any spread of the book can take, so that all are drawn at one scale. */
  readonly frame: Rect;
};

/** Where a leaf lies in the book when its `face` is up. A book bound at the top turns upward: backs lie above the spine. */
export function placeInBook(read: LeafRead, face: Face, format: AlbumFormat): { whole: Rect; page: Rect } {
  const whole = wholeLeaf(read.build, format, face);
  const moved = (x: number, y: number) => ({
    whole: rect(x, y, whole.w, whole.h),
    page: rect(x - whole.x, y - whole.y, read.build.page.w, read.build.page.h),
  });
  if (format.bindingEdge === "top") {
    const x = Math.round((format.outer.w - whole.w) / 2);
    return moved(x, face === "front" ? 0 : -whole.h);
  }
  return moved(face === "front" ? 0 : -whole.w, topOf(read.build, read.leaf.drop, format));
}

/** A rectangle of one face's page, as the closed book has it from the front; `page`: where its leaf's page lies there. */
export function asFront(lies: Rect, face: Face, { build }: LeafRead, page: Rect): Rect {
  const x = face === "front" ? lies.x : build.page.w - lies.x - lies.w;
  return rect(page.x + x, page.y + lies.y, lies.w, lies.h);
}

/**
 * How many leaves are looked through at the most, and how many of them are seen: through so many clear or short ones
 * nothing is made out any more. Without an end to it, a book of small leaves would cost the square of their number.
 */
const MOST_LOOKED_THROUGH = 60;
const MOST_SEEN = 16;
/** In so many pieces what is still uncovered is crumbs. */
const MOST_PARTS = 240;

/** The area of a whole leaf of the format on either side of the spine. */
function fullArea(face: Face, { outer: { w, h }, bindingEdge }: AlbumFormat): Rect {
  return bindingEdge === "top" ? rect(0, face === "front" ? 0 : -h, w, h) : rect(face === "front" ? 0 : -w, 0, w, h);
}

const reaches = new WeakMap<readonly LeafRead[], { format: AlbumFormat; front: Rect; back: Rect }>();

/** How far the leaves of a book reach on either side, those that stand out beyond a whole leaf of its format among them. */
function reachOf(leaves: readonly LeafRead[], format: AlbumFormat): { front: Rect; back: Rect } {
  const known = reaches.get(leaves);
  if (known?.format === format) return known;
  const reach = (face: Face) =>
    leaves.reduce((area, read) => around(area, placeInBook(read, face, format).whole), fullArea(face, format));
  const found = { format, front: reach("front"), back: reach("back") };
  reaches.set(leaves, found);
  return found;
}

const shared = (parts: readonly Rect[], area: Rect): Rect[] => parts.flatMap((part) => overlap(part, area) ?? []);
const without = (parts: readonly Rect[], area: Rect): Rect[] => parts.flatMap((part) => subtract(part, area));

/**
 * The leaves of a stack that are seen, `next` giving them from the uppermost down, within the area they can reach: each
 * past those above it, through their film, vellum and empty pockets, down to what stops the eye.
 */
function stack<P extends BookPage>(
  next: (depth: number) => LeafRead<P> | undefined,
  face: Face,
  format: AlbumFormat,
  reach: Rect,
): Lying<P>[] {
  let uncovered: Rect[] = [reach];
  const lying: Lying<P>[] = [];
  for (let depth = 0; depth < MOST_LOOKED_THROUGH && lying.length < MOST_SEEN; depth++) {
    const read = next(depth);
    if (!read) break;
    const places = placeInBook(read, face, format);
    const visible = shared(uncovered, places.whole);
    // One that lies wholly under others hides nothing that they do not.
    if (visible.length === 0) continue;
    const windows = windowsOf(read, face).map(({ x, y, w, h }) => rect(places.page.x + x, places.page.y + y, w, h));
    const stops = windows.reduce<Rect[]>(without, visible);
    lying.push({ read, face, ...places, visible, stops });
    uncovered = [...without(uncovered, places.whole), ...windows.flatMap((window) => shared(visible, window))];
    if (uncovered.length === 0 || uncovered.length > MOST_PARTS) break;
  }
  return lying;
}

/** Whether the book opens after its first `at` leaves: not between two that are glued together. */
const opensAt = (leaves: readonly LeafRead[], at: number): boolean => !leaves[at - 1]?.back.gluedOver;

/** Where the book opens, each by how many leaves are turned before. */
export const placesOfSpreads = (leaves: readonly LeafRead[]): number[] =>
  Array.from({ length: leaves.length + 1 }, (_, at) => at).filter((at) => opensAt(leaves, at));

/** Where the book opens next from `at` on, turning by one leaf, or by several that are glued together; `at` itself with 0. */
export function turnedBy(leaves: readonly LeafRead[], at: number, by: 1 | -1 | 0): number {
  let place = Math.max(0, Math.min(at + by, leaves.length));
  while (!opensAt(leaves, place)) place += by < 0 ? -1 : 1;
  return place;
}

/** The spread after the first `at` leaves, 0 to the number of leaves: on the left what was turned, on the right what comes. */
export function spreadAt<P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  at: number,
  format: AlbumFormat,
): Spread<P> {
  const turned = Math.max(0, Math.min(at, leaves.length));
  const reach = reachOf(leaves, format);
  const starts = volumeStarts(leaves.map(({ leaf }) => leaf));
  // Nothing is seen through into another volume.
  const ofVolume = (of: number) => (place: number) => (starts[place] === starts[of] ? leaves[place] : undefined);
  const [onLeft, onRight] = [ofVolume(turned - 1), ofVolume(turned)];
  return {
    at: turned,
    frame: around(reach.front, reach.back),
    left: stack((depth) => onLeft(turned - 1 - depth), "back", format, reach.back),
    right: stack((depth) => onRight(turned + depth), "front", format, reach.front),
  };
}
