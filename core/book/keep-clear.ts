import type { Face, Turn } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import { overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import {
  type Frame,
  frameFor,
  insideBorder,
  keptPoint,
  onPicture,
  type PictureFacts,
  type PrintCrop,
  type Spot,
  slideTo,
  WHOLE,
} from "../photo/crop.ts";
import { holesOf } from "./holes.ts";
import type { LeafRead, PlacedPiece } from "./read.ts";

/** What will lie over a print or go through it, on the print itself: its own left upper corner, unturned. */
export type Over = {
  readonly kind: "hole" | "numeral" | "overlay" | "piece" | "seam";
  readonly name: string;
  readonly at: Rect;
};

/** A rectangle of the page as it lies on a piece that is turned by quarter turns; `made` is the piece's unturned size. */
export function intoPiece(on: Rect, placed: Rect, made: Size, turn: Turn): Rect {
  const [u, v] = [on.x - placed.x, on.y - placed.y];
  switch (turn) {
    case 0:
      return rect(u, v, on.w, on.h);
    case 1:
      return rect(v, made.h - u - on.w, on.h, on.w);
    case 2:
      return rect(made.w - u - on.w, made.h - v - on.h, on.w, on.h);
    case 3:
      return rect(made.w - v - on.h, u, on.h, on.w);
  }
}

const OVER_KIND: Partial<Record<PlacedPiece["piece"]["what"]["kind"], Over["kind"]>> = {
  numeral: "numeral",
  overlay: "overlay",
};

/**
 * Everything that will lie over a print of this use on one side of a leaf: what is stacked above it, the holes through
 * it, and the seam where it is cut to go into two pockets. The print may lie there in several parts.
 */
export function overPrint(read: LeafRead, face: Face, use: string, print: Size, format: AlbumFormat): Over[] {
  const { pieces } = read[face];
  const holes =
    read.build.inProtector || format.binding === "sewn" ? [] : holesOf(read.build, read.leaf.drop, format, face);
  const found: Over[] = [];
  for (const [index, placed] of pieces.entries()) {
    const { what, turn } = placed.piece;
    if (what.kind !== "photo" || what.use !== use) continue;
    const part = what.cut ?? rect(0, 0, print.w, print.h);
    const onPrint = (on: Rect): Rect => {
      const local = intoPiece(on, placed.rect, part, turn);
      return rect(local.x + part.x, local.y + part.y, local.w, local.h);
    };
    for (const { piece, rect: lies } of pieces.slice(index + 1)) {
      const shared = overlap(lies, placed.rect);
      if (!shared || (piece.what.kind === "photo" && piece.what.use === use)) continue;
      const name = "name" in piece.what && piece.what.name ? piece.what.name : piece.what.kind;
      found.push({ kind: OVER_KIND[piece.what.kind] ?? "piece", name, at: onPrint(shared) });
    }
    for (const { x, y, diameter } of holes) {
      const r = Math.ceil(diameter / 2);
      const shared = overlap(rect(x - r, y - r, 2 * r, 2 * r), placed.rect);
      if (shared) found.push({ kind: "hole", name: "hole", at: onPrint(shared) });
    }
    if (what.cut) found.push(...seams(what.cut, print));
  }
  return found;
}

/** The cut edges of a part of a print: lines as thin as they come, along which something may be lost. */
function seams(part: Rect, { w, h }: Size): Over[] {
  const lines: Rect[] = [];
  if (part.x > 0) lines.push(rect(part.x, 0, 1, h));
  if (part.y > 0) lines.push(rect(0, part.y, w, 1));
  return lines.map((at) => ({ kind: "seam", name: "cut", at }));
}

const inside = (spot: Spot, { x, y, w, h }: Frame): boolean => {
  const [sx, sy] = [spot.x / WHOLE, spot.y / WHOLE];
  return sx >= x && sx <= x + w && sy >= y && sy <= y + h;
};

/**
 * Where on its side the point lies that a print must keep, as it is cut and turned; null for what is no print, or is of
 * another day by now, or does not show the point.
 */
export function keptPlace(
  { piece: { what, turn }, rect: lies }: Pick<PlacedPiece, "piece" | "rect">,
  content: PageContent | null,
): Spot | null {
  const use = what.kind === "photo" ? content?.photos.find(({ id }) => id === what.use) : undefined;
  if (what.kind !== "photo" || !use) return null;
  const frame = frameFor(use.picture, use.print, use.crop);
  const kept = keptPoint(use.picture, use.crop);
  const inner = insideBorder(use.print, use.crop);
  const part = what.cut ?? rectOf(use.print);
  const u = inner.x + ((kept.x / WHOLE - frame.x) / frame.w) * inner.w - part.x;
  const v = inner.y + ((kept.y / WHOLE - frame.y) / frame.h) * inner.h - part.y;
  if (u < 0 || v < 0 || u > part.w || v > part.h) return null;
  const [x, y] = (
    [
      [u, v],
      [part.h - v, u],
      [part.w - u, part.h - v],
      [v, part.w - u],
    ] as const
  )[turn];
  return { x: lies.x + x, y: lies.y + y };
}

/** What of a list covers the point to keep, as the print is cropped now. */
export function coveringPoint(picture: PictureFacts, print: Size, crop: PrintCrop, over: readonly Over[]): Over[] {
  const frame = frameFor(picture, print, crop);
  const kept = keptPoint(picture, crop);
  return over.filter(({ kind, at }) => {
    if (kind === "seam") return false;
    const pad = Math.round(Math.min(print.w, print.h) / 40);
    const wide = rect(at.x - pad, at.y - pad, at.w + 2 * pad, at.h + 2 * pad);
    return inside(kept, onPicture(wide, print, crop, frame));
  });
}

/**
 * The crop nearest to this one in which nothing lies over the point worth keeping; null when sliding the picture in its
 * slot, or coming closer by half, does not get it clear.
 */
export function clearCrop(
  picture: PictureFacts,
  print: Size,
  crop: PrintCrop,
  over: readonly Over[],
): PrintCrop | null {
  const now = frameFor(picture, print, crop);
  const steps = 12;
  const kept = keptPoint(picture, crop);
  for (const closer of [crop.closer, ...[115, 130, 150].filter((each) => each > crop.closer)]) {
    const { w, h } = frameFor(picture, print, { ...crop, closer });
    const clear: { crop: PrintCrop; off: number }[] = [];
    for (let row = 0; row <= steps; row++) {
      for (let column = 0; column <= steps; column++) {
        const [x, y] = [((1 - w) * column) / steps, ((1 - h) * row) / steps];
        const tried: PrintCrop = { ...crop, closer, slide: slideTo(picture, crop, { x, y, w, h }) };
        const frame = frameFor(picture, print, tried);
        if (!inside(kept, frame) || coveringPoint(picture, print, tried, over).length > 0) continue;
        clear.push({ crop: tried, off: Math.hypot(x + w / 2 - now.x - now.w / 2, y + h / 2 - now.y - now.h / 2) });
      }
    }
    const [first, ...others] = clear;
    if (first) return others.reduce((a, b) => (b.off < a.off ? b : a), first).crop;
  }
  return null;
}
