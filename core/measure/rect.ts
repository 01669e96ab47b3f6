import { type Length, ticks } from "./length.ts";
import { type Size, size } from "./size.ts";

/** A place and a size, in ticks from the left upper corner of whatever it lies on. */
export type Rect = { readonly x: Length; readonly y: Length; readonly w: Length; readonly h: Length };
export type Point = { readonly x: Length; readonly y: Length };
/** What lies beyond or is left at each edge. */
export type Edges = { readonly top: Length; readonly right: Length; readonly bottom: Length; readonly left: Length };

export const rect = (x: number, y: number, w: number, h: number): Rect => ({
  x: ticks(x),
  y: ticks(y),
  w: ticks(w),
  h: ticks(h),
});
export const rectOf = ({ w, h }: Size): Rect => rect(0, 0, w, h);
export const sizeOf = ({ w, h }: Rect): Size => size(w, h);
export const at = ({ x, y }: Point, { w, h }: Size): Rect => ({ x, y, w, h });

export const contains = (outer: Rect, inner: Rect): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.w <= outer.x + outer.w &&
  inner.y + inner.h <= outer.y + outer.h;

/** What two rectangles share, or null when they do not overlap. */
export function overlap(a: Rect, b: Rect): Rect | null {
  const [left, top] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const [right, bottom] = [Math.min(a.x + a.w, b.x + b.w), Math.min(a.y + a.h, b.y + b.h)];
  return right > left && bottom > top ? rect(left, top, right - left, bottom - top) : null;
}

/** What is left of `from` without `cover`: at most four rectangles that do not overlap. */
export function subtract(from: Rect, cover: Rect): Rect[] {
  const shared = overlap(from, cover);
  if (!shared) return [from];
  const [right, bottom] = [shared.x + shared.w, shared.y + shared.h];
  return [
    rect(from.x, from.y, from.w, shared.y - from.y),
    rect(from.x, bottom, from.w, from.y + from.h - bottom),
    rect(from.x, shared.y, shared.x - from.x, shared.h),
    rect(right, shared.y, from.x + from.w - right, shared.h),
  ].filter(({ w, h }) => w > 0 && h > 0);
}

export const areaOf = ({ w, h }: Size): number => w * h;

/** Centred on `outer`, to the nearest tick. */
export const centredIn = (outer: Rect, { w, h }: Size): Rect =>
  rect(outer.x + Math.round((outer.w - w) / 2), outer.y + Math.round((outer.h - h) / 2), w, h);

/** As seen from the other side of a leaf `width` wide. */
export const mirrored = (r: Rect, width: Length): Rect => ({ ...r, x: ticks(width - r.x - r.w) });

/** How far `inner` stands inside each edge of `outer`; negative where it stands beyond. */
export const roomIn = (outer: Rect, inner: Rect): Edges => ({
  top: ticks(inner.y - outer.y),
  left: ticks(inner.x - outer.x),
  right: ticks(outer.x + outer.w - inner.x - inner.w),
  bottom: ticks(outer.y + outer.h - inner.y - inner.h),
});

/** The smallest rectangle that holds both. */
export function around(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return rect(x, y, Math.max(a.x + a.w, b.x + b.w) - x, Math.max(a.y + a.h, b.y + b.h) - y);
}

/** A rectangle with so much more at each of its edges. */
export const grown = ({ x, y, w, h }: Rect, by: number): Rect => rect(x - by, y - by, w + 2 * by, h + 2 * by);
