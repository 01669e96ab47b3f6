import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { around, type Rect, rect, subtract } from "../measure/rect.ts";
import { topOf } from "./holes.ts";
import { type LeafRead, wholeLeaf } from "./read.ts";
import { volumeStarts } from "./volumes.ts";

/**
 * A leaf as it lies in a spread. Places are ticks from where the upper end of the spine would be: leaves on the right
 * lie at positive x, those turned over to the left at negative x.
 */
export type Lying = {
  readonly read: LeafRead;
  readonly face: Face;
  /** The whole leaf, binding margin included, and its page. */
  readonly whole: Rect;
  readonly page: Rect;
  /** What is seen of the whole leaf past those above it; the uppermost is seen whole. */
  readonly visible: readonly Rect[];
};

/** What is seen where the book lies open after its first `at` leaves: each stack from the uppermost down. */
export type Spread = {
  readonly at: number;
  readonly left: readonly Lying[];
  readonly right: readonly Lying[];
  /** The area that any spread of the book can take, so that all are drawn at one scale. */
  readonly frame: Rect;
};

/** Clear leaves let the next be seen; so does whatever a smaller leaf leaves uncovered. */
const seesThrough = ({ build }: LeafRead): boolean => build.kind === "clear" || build.kind === "vellum";

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

/**
 * How many leaves are looked through at the most, and how many of them are seen: through so many clear or short ones
 * nothing is made out any more. Without an end to it, a book of small leaves would cost the square of their number.
 */
const MOST_LOOKED_THROUGH = 60;
const MOST_SEEN = 16;

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

/** The leaves of a stack that are seen, `next` giving them from the uppermost down, within the area they can reach. */
function stack(next: (depth: number) => LeafRead | undefined, face: Face, format: AlbumFormat, reach: Rect): Lying[] {
  let uncovered: Rect[] = [reach];
  const covers: Rect[] = [];
  const lying: Lying[] = [];
  for (let depth = 0; depth < MOST_LOOKED_THROUGH && lying.length < MOST_SEEN; depth++) {
    const read = next(depth);
    if (!read) break;
    const places = placeInBook(read, face, format);
    const visible = covers.reduce<Rect[]>(
      (parts, cover) => parts.flatMap((part) => subtract(part, cover)),
      [places.whole],
    );
    // One that lies wholly under others hides nothing that they do not.
    if (visible.length === 0) continue;
    lying.push({ read, face, ...places, visible });
    if (!seesThrough(read)) {
      covers.push(places.whole);
      uncovered = uncovered.flatMap((part) => subtract(part, places.whole));
      if (uncovered.length === 0) break;
    }
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
export function spreadAt(leaves: readonly LeafRead[], at: number, format: AlbumFormat): Spread {
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
