import type { Size } from "../measure/size.ts";
import { type Spot, WHOLE } from "./crop.ts";

/** Where the corners of a card lie in a picture of it: left upper, right upper, right lower, left lower. */
export type Corners = readonly [Spot, Spot, Spot, Spot];

/** A picture of what is printed on a card already, photographed or scanned, and where the card lies in it. */
export type Preprint = { readonly photoId: string; readonly corners: Corners };

/** The card is all of the picture, as it is of a scan that was cut to it. */
export const ALL_OF_IT: Corners = [
  { x: 0, y: 0 },
  { x: WHOLE, y: 0 },
  { x: WHOLE, y: WHOLE },
  { x: 0, y: WHOLE },
];

/** Which way three points turn: above zero to the right, as seen with y downward. */
const turnOf = (a: Spot, b: Spot, c: Spot): number => (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);

/** Corners of a card as it may lie in a picture: going round to the right, none of them pushed in, and not a mere line. */
export function areCorners([a, b, c, d]: Corners): boolean {
  const least = (WHOLE / 50) ** 2;
  return [turnOf(a, b, c), turnOf(b, c, d), turnOf(c, d, a), turnOf(d, a, b)].every((turn) => turn > least);
}

/**
 * Leads from a place on the card, in shares of its width and height, to where it is in the picture, in shares of the
 * picture's: the one projective map that takes the card's corners to these (Heckbert 1989, in closed form). Straight edges
 * stay straight, whichever way the camera was held.
 */
export function intoPicture(corners: Corners): (u: number, v: number) => { x: number; y: number } {
  const [p0, p1, p2, p3] = corners.map(({ x, y }) => ({ x: x / WHOLE, y: y / WHOLE })) as [Spot, Spot, Spot, Spot];
  const [dx1, dx2, sx] = [p1.x - p2.x, p3.x - p2.x, p0.x - p1.x + p2.x - p3.x];
  const [dy1, dy2, sy] = [p1.y - p2.y, p3.y - p2.y, p0.y - p1.y + p2.y - p3.y];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  const [a, b] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x];
  const [d, e] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y];
  return (u, v) => {
    const by = g * u + h * v + 1;
    return { x: (a * u + b * v + p0.x) / by, y: (d * u + e * v + p0.y) / by };
  };
}

const WORD = /^(\d{1,5})-(\d{1,5})_(\d{1,5})-(\d{1,5})_(\d{1,5})-(\d{1,5})_(\d{1,5})-(\d{1,5})_(\d{1,3})$/;

/** Corners and the card's shape as one word of an address; the shape as its height in hundredths of its width. */
export const straightKey = (corners: Corners, { w, h }: Size): string =>
  `${corners.map(({ x, y }) => `${x}-${y}`).join("_")}_${Math.min(999, Math.max(1, Math.round((h / w) * 100)))}`;

/** The word read: corners, and height over width. Null when it is none, or the corners are no card's. */
export function readStraightKey(word: string): { corners: Corners; shape: number } | null {
  const numbers = WORD.exec(word)?.slice(1).map(Number);
  if (!numbers || numbers.some((each, at) => at < 8 && each > WHOLE)) return null;
  const spot = (at: number): Spot => ({ x: numbers[2 * at] ?? 0, y: numbers[2 * at + 1] ?? 0 });
  const corners: Corners = [spot(0), spot(1), spot(2), spot(3)];
  const shape = (numbers[8] ?? 0) / 100;
  return areCorners(corners) && shape > 0 ? { corners, shape } : null;
}
