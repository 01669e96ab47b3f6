import type { Face, Turn } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import { overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import {
  type Frame,
  frameFor,
  keptPoint,
  onPicture,
  onPrint,
  type PictureFacts,
  type PrintCrop,
  type Spot,
  slideTo,
  WHOLE,
} from "../photo/crop.ts";
import { faceShown, shareOf, showsAll } from "../photo/picture-face.ts";
import { picturesOf } from "../photo/together.ts";
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

/** A rectangle of a piece, unturned, as it lies on the page once the piece is turned; the way back from `intoPiece`. */
function outOfPiece({ x, y, w, h }: Frame, lies: Rect, made: Size, turn: Turn): Rect {
  const [left, top, wide, high] = (
    [
      [x, y, w, h],
      [made.h - y - h, x, h, w],
      [made.w - x - w, made.h - y - h, w, h],
      [y, made.w - x - w, h, w],
    ] as const
  )[turn];
  const [right, foot] = [Math.round(left + wide), Math.round(top + high)];
  return rect(lies.x + Math.round(left), lies.y + Math.round(top), right - Math.round(left), foot - Math.round(top));
}

/** What a print must keep in sight, where it lies on its side: a face, or the one point where none is marked. */
export type Kept = { readonly kind: "face" | "point"; readonly at: Rect };

/** Of a face less of which than this share is on a print, nothing is left to keep. */
const LEAST_OF_FACE = 1 / 2;

/**
 * What a print must keep, where it lies on its side, as the print is cropped, cut and turned: the faces of its pictures, or
 * of a picture without any the point to keep. Nothing of a pattern, of what is no print, or is of another day by now.
 */
export function keptOf(
  { piece: { what, turn }, rect: lies }: Pick<PlacedPiece, "piece" | "rect">,
  content: PageContent | null,
): Kept[] {
  const use = what.kind === "photo" ? content?.photos.find(({ id }) => id === what.use) : undefined;
  if (what.kind !== "photo" || !use || use.repeat) return [];
  const part = what.cut ?? rectOf(use.print);
  const edges: Frame = { x: part.x, y: part.y, w: part.w, h: part.h };
  return picturesOf(use).flatMap(({ picture, crop, at: room }) => {
    const frame = frameFor(picture, room, crop);
    const onSide = (shown: Frame): Rect | null => {
      const on = onPrint(shown, room, crop, frame);
      const inPart = shared({ ...on, x: on.x + room.x, y: on.y + room.y }, edges);
      return inPart && outOfPiece({ ...inPart, x: inPart.x - part.x, y: inPart.y - part.y }, lies, part, turn);
    };
    if (picture.faces.length === 0) {
      const { x, y } = keptPoint(picture, crop);
      const at = onSide({ x: x / WHOLE, y: y / WHOLE, w: 0, h: 0 });
      return at ? [{ kind: "point" as const, at }] : [];
    }
    return picture.faces.flatMap((face): Kept[] => {
      const shown = faceShown(face, frame);
      const whole = shareOf(face);
      if (!shown || shown.w * shown.h < whole.w * whole.h * LEAST_OF_FACE) return [];
      const at = onSide(shown);
      return at ? [{ kind: "face", at }] : [];
    });
  });
}

/** What two parts of a print share, a point counting as a part; null: nothing. */
function shared(a: Frame, b: Frame): Frame | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const [w, h] = [Math.min(a.x + a.w, b.x + b.w) - x, Math.min(a.y + a.h, b.y + b.h) - y];
  return w < 0 || h < 0 ? null : { x, y, w, h };
}

/** What of a list covers a face of the picture, or the point to keep where none is marked, as the print is cropped now. */
export function coveringKept(picture: PictureFacts, print: Size, crop: PrintCrop, over: readonly Over[]): Over[] {
  const frame = frameFor(picture, print, crop);
  const kept = keptPoint(picture, crop);
  const faces = picture.faces.flatMap((face) => faceShown(face, frame) ?? []);
  return over.filter(({ kind, at }) => {
    if (kind === "seam") return false;
    if (picture.faces.length > 0) {
      const on = onPicture(at, print, crop, frame);
      return faces.some((face) => isOver(face, on));
    }
    const pad = Math.round(Math.min(print.w, print.h) / 40);
    const wide = rect(at.x - pad, at.y - pad, at.w + 2 * pad, at.h + 2 * pad);
    return inside(kept, onPicture(wide, print, crop, frame));
  });
}

const isOver = (a: Frame, b: Frame): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/**
 * The crop nearest to this one in which nothing lies over what is worth keeping, and every face is whole; null when sliding
 * the picture in its slot, or coming closer by half, does not get it clear.
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
  const keeps = (frame: Frame) => (picture.faces.length > 0 ? showsAll(picture.faces, frame) : inside(kept, frame));
  for (const closer of [crop.closer, ...[115, 130, 150].filter((each) => each > crop.closer)]) {
    const { w, h } = frameFor(picture, print, { ...crop, closer });
    const clear: { crop: PrintCrop; off: number }[] = [];
    for (let row = 0; row <= steps; row++) {
      for (let column = 0; column <= steps; column++) {
        const [x, y] = [((1 - w) * column) / steps, ((1 - h) * row) / steps];
        const tried: PrintCrop = { ...crop, closer, slide: slideTo(picture, crop, { x, y, w, h }) };
        const frame = frameFor(picture, print, tried);
        if (!keeps(frame) || coveringKept(picture, print, tried, over).length > 0) continue;
        clear.push({ crop: tried, off: Math.hypot(x + w / 2 - now.x - now.w / 2, y + h / 2 - now.y - now.h / 2) });
      }
    }
    const [first, ...others] = clear;
    if (first) return others.reduce((a, b) => (b.off < a.off ? b : a), first).crop;
  }
  return null;
}
