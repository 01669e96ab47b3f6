import { type Length, TICKS_PER_INCH, ticks } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { type Look, NO_LOOK, type Pixels, straightened } from "./look.ts";

/** A point of a picture in ten-thousandths of its width and height. */
export type Spot = { readonly x: number; readonly y: number };
export const WHOLE = 10_000;
export const MIDDLE: Spot = { x: WHOLE / 2, y: WHOLE / 2 };

/** Somebody's face on a picture, as a keeper marked it: a box in ten-thousandths of the picture's width and height. */
export type PictureFace = { readonly x: number; readonly y: number; readonly w: number; readonly h: number };

/** What a print needs to know of its picture: its size, the point the machine would keep, its faces, how it is to look. */
export type PictureFacts = Pixels & {
  readonly focus: Spot;
  readonly look: Look;
  readonly faces: readonly PictureFace[];
};
/** A picture of which nothing is known: square, plain. */
export const UNKNOWN_PICTURE: PictureFacts = { width: 1, height: 1, focus: MIDDLE, look: NO_LOOK, faces: [] };

/**
 * How a print is cut out of its picture: the point worth keeping (null: the machine's guess), how far the middle of the
 * crop is slid from it, how much closer than need be (100: as much of the picture as goes on), and a white border inside
 * the print.
 */
export type PrintCrop = {
  readonly keep: Spot | null;
  readonly slide: Spot;
  readonly closer: number;
  readonly border: Length;
};
export const AS_IT_COMES: PrintCrop = { keep: null, slide: { x: 0, y: 0 }, closer: 100, border: ticks(0) };
export const MOST_CLOSER = 400;

/** A part of a picture in shares of its width and height, 0 to 1. */
export type Frame = { readonly x: number; readonly y: number; readonly w: number; readonly h: number };

/** The picture's part of a print: the print without its white border. A border leaves a third of the shorter side at least. */
export function insideBorder({ w, h }: Size, { border }: Pick<PrintCrop, "border">): Rect {
  const most = Math.floor(Math.min(w, h) / 3);
  const kept = Math.min(border, most);
  return rect(kept, kept, w - 2 * kept, h - 2 * kept);
}

const between = (low: number, value: number, high: number) => Math.min(high, Math.max(low, value));

/** Pictures whose proportions differ by less than this are of one shape. */
const ONE_SHAPE = 0.01;

/**
 * The crop for another picture in the place of one. Where both are of one shape, as several of one moment are, it stays as
 * it is; else what was said of the old picture goes, and only the white border stays.
 */
export function cropOfAnother({ picture, crop }: { picture: PictureFacts; crop: PrintCrop }, other: PictureFacts) {
  const [was, is] = [usablePixels(picture), usablePixels(other)];
  const differ = Math.abs((was.width / was.height) * (is.height / is.width) - 1);
  return differ < ONE_SHAPE ? crop : { ...AS_IT_COMES, border: crop.border };
}

/** What is left of a picture to print from, once straightened. */
export const usablePixels = (picture: PictureFacts): Pixels => straightened(picture, picture.look.straighten);

/**
 * The part of the picture that a print shows: of the print's exact proportion, as large as the picture allows (and then
 * closer, if asked), its middle as near the kept point as it goes.
 */
export function frameFor(picture: PictureFacts, print: Size, crop: PrintCrop): Frame {
  const { width, height } = usablePixels(picture);
  const inner = insideBorder(print, crop);
  const proportion = inner.w / inner.h;
  const nearer = 100 / between(100, crop.closer, MOST_CLOSER);
  const [w, h] = width / height > proportion ? [(height * proportion) / width, 1] : [1, width / proportion / height];
  const [fw, fh] = [w * nearer, h * nearer];
  const { x, y } = keptPoint(picture, crop);
  return {
    x: between(0, (x + crop.slide.x) / WHOLE - fw / 2, 1 - fw),
    y: between(0, (y + crop.slide.y) / WHOLE - fh / 2, 1 - fh),
    w: fw,
    h: fh,
  };
}

/** The point worth keeping: the keeper's, or the machine's first guess. */
export const keptPoint = (picture: PictureFacts, crop: PrintCrop): Spot => crop.keep ?? picture.focus;

/** How far to slide so that the crop lies here; the way back from `frameFor`. */
export function slideTo(picture: PictureFacts, crop: PrintCrop, { x, y, w, h }: Frame): Spot {
  const kept = keptPoint(picture, crop);
  const middle = (at: number, long: number) => Math.round(between(long / 2, at + long / 2, 1 - long / 2) * WHOLE);
  return { x: middle(x, w) - kept.x, y: middle(y, h) - kept.y };
}

/** What a print loses of its picture, as shares of the picture's area and at each edge of its width or height. */
export type Lost = {
  readonly area: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
};
export const lostOf = ({ x, y, w, h }: Frame): Lost => ({
  area: 1 - w * h,
  left: x,
  right: Math.max(0, 1 - x - w),
  top: y,
  bottom: Math.max(0, 1 - y - h),
});

/** How many pixels of a picture its print shows, across and down. */
export function pixelsShown(picture: PictureFacts, print: Size, crop: PrintCrop): { across: number; down: number } {
  const { width, height } = usablePixels(picture);
  const frame = frameFor(picture, print, crop);
  return { across: frame.w * width, down: frame.h * height };
}

/** Pixels of the picture to each inch of paper, the lesser of both ways. */
export function pixelsPerInch(picture: PictureFacts, print: Size, crop: PrintCrop): number {
  const { across, down } = pixelsShown(picture, print, crop);
  const inner = insideBorder(print, crop);
  return Math.min(across / (inner.w / TICKS_PER_INCH), down / (inner.h / TICKS_PER_INCH));
}

/** 300 pixels per inch is the usual aim, 200 is acceptable, below 150 looks soft. Common practice. */
export type Sharpness = "ample" | "good" | "just" | "soft";
export function verdictOn(ppi: number): Sharpness {
  // Half a pixel either way is nobody's loss: 299.7 is 300.
  const rounded = Math.round(ppi);
  if (rounded >= 300) return "ample";
  if (rounded >= 200) return "good";
  return rounded >= 150 ? "just" : "soft";
}

/** The largest print of this proportion that still has `ppi` pixels to the inch. */
export function largestAt(picture: PictureFacts, print: Size, crop: PrintCrop, ppi: number): Size {
  const now = pixelsPerInch(picture, print, crop);
  const by = now / ppi;
  return size(ticks(Math.floor(print.w * by)), ticks(Math.floor(print.h * by)));
}

/** Where a rectangle of the print (border included) lies on the picture, in its shares; may reach beyond the frame. */
export function onPicture(at: Rect, print: Size, crop: PrintCrop, frame: Frame): Frame {
  const inner = insideBorder(print, crop);
  return {
    x: frame.x + ((at.x - inner.x) / inner.w) * frame.w,
    y: frame.y + ((at.y - inner.y) / inner.h) * frame.h,
    w: (at.w / inner.w) * frame.w,
    h: (at.h / inner.h) * frame.h,
  };
}

/** The way back from `onPicture`: where a part of the picture, in its shares, lies on the print, in ticks, not rounded. */
export function onPrint(part: Frame, print: Size, crop: PrintCrop, frame: Frame): Frame {
  const inner = insideBorder(print, crop);
  return {
    x: inner.x + ((part.x - frame.x) / frame.w) * inner.w,
    y: inner.y + ((part.y - frame.y) / frame.h) * inner.h,
    w: (part.w / frame.w) * inner.w,
    h: (part.h / frame.h) * inner.h,
  };
}
