import { fromFar } from "#core/draw/from-far.ts";
import type { Mark } from "#core/draw/marks.ts";
import { escaped, type PictureHref, svgFewer, svgMarks } from "#core/draw/svg.ts";
import { type Length, toMillimetres, type Unit } from "#core/measure/length.ts";
import { captionFeet } from "./captions.ts";
import { pictureAddress, straightAddress } from "./picture-address.ts";

/** Something that lies on the mat, in millimetres from the mat's zero; its drawing has its own zero at `x`, `y`. */
export type MatThing = {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly caption: string;
  /** SVG elements. */
  readonly drawing: string;
};
export type MatBox = { readonly x: number; readonly y: number; readonly w: number; readonly h: number };

export const mm = (length: Length): number => Math.round(toMillimetres(length) * 100) / 100;

/** Of a picture seen from near: its large version where it is wider than two inches. */
export const nearPicture: PictureHref = (mark) =>
  mark.kind === "preprint"
    ? straightAddress(mark.preprint, mark.at)
    : pictureAddress(mark.photoId, mm(mark.at.w) > 60 ? 1600 : 480, mark.picture.look);
/** Of a picture seen from far, which is there soonest. */
export const farPicture: PictureHref = (mark) =>
  mark.kind === "preprint" ? nearPicture(mark) : pictureAddress(mark.photoId, 480, mark.picture.look);

/** Of a picture in a leaf that is not much larger than a thumb. */
export const tinyPicture: PictureHref = (mark) =>
  mark.kind === "preprint" ? nearPicture(mark) : pictureAddress(mark.photoId, 96, mark.picture.look);

/** A drawing the size of a thumb: as from far, in few elements. */
export const thumbOf = (marks: readonly Mark[]): string => svgFewer(fromFar(marks), tinyPicture);

export const drawingOf = (marks: readonly Mark[], href: PictureHref = farPicture): string => svgMarks(marks, href);

const STEP = { inch: 25.4, cm: 10 } as const;
const BEYOND = 600;
/** Room round all that lies on a mat, in millimetres. */
export const MARGIN = 15;

/** The part of the mat that shows everything on it, with room for the ruler and the captions. */
export function matBox(things: readonly Pick<MatThing, "x" | "y" | "w" | "h">[]): MatBox {
  const left = Math.min(0, ...things.map(({ x }) => x));
  const top = Math.min(0, ...things.map(({ y }) => y));
  const right = Math.max(60, ...things.map(({ x, w }) => x + w));
  const foot = Math.max(60, ...things.map(({ y, h }) => y + h));
  return { x: left - MARGIN, y: top - MARGIN, w: right - left + MARGIN * 1.7, h: foot - top + MARGIN * 2 };
}

export const letterOn = (box: MatBox): number => Math.max(3.2, box.h * 0.018, box.w * 0.0125);

/** The cutting mat itself: one grid, one ruler. `name` tells two mats of one page apart. */
export function matGround(box: MatBox, unit: Unit, small: boolean, name: string): string {
  const step = STEP[unit];
  const half = unit === "inch" ? `M${step / 2} 0V${step}M0 ${step / 2}H${step}` : "";
  const grid = `<defs><pattern id="grid-${name}" width="${step}" height="${step}" patternUnits="userSpaceOnUse"><path d="M${step} 0H0V${step}" fill="none" class="stroke-mat-line" stroke-width="0.5"/><path d="${half}" fill="none" class="stroke-mat-line" stroke-width="0.18"/></pattern></defs><rect x="${box.x - BEYOND}" y="${box.y - BEYOND}" width="${box.w + 2 * BEYOND}" height="${box.h + 2 * BEYOND}" fill="url(#grid-${name})"/>`;
  if (small) return grid;
  const marks = (from: number, long: number) => {
    const first = Math.ceil(from / step);
    return Array.from({ length: Math.floor((from + long) / step) - first + 1 }, (_, at) => first + at).filter(
      (at) => unit === "inch" || at % 2 === 0,
    );
  };
  const letter = letterOn(box) * 0.85;
  const number = (x: number, y: number, text: number) => `<text x="${x}" y="${y}">${text}</text>`;
  const across = marks(box.x + 9, box.w - 15).map((at) => number(at * step + 0.8, box.y + 4.5, at));
  const down = marks(box.y + 9, box.h - 15).map((at) => number(box.x + 1, at * step + 4, at));
  return `${grid}<g class="fill-on-mat" font-size="${letter}" aria-hidden="true">${across.join("")}${down.join("")}</g>`;
}

/** A mat as one piece of data: what to look at and what is drawn there. */
export type StillMat = { readonly box: MatBox; readonly drawing: string };

/** A whole mat that holds still, its ruler at the edge of the part that is shown: all of it, unless another is said. */
export function stillMat(
  things: readonly MatThing[],
  unit: Unit,
  small: boolean,
  name: string,
  box: MatBox = matBox(things),
): StillMat {
  const letter = letterOn(box);
  const feet = captionFeet(things, letter);
  const drawn = things.map(({ x, y, h, caption, drawing }, at) => {
    const words =
      small || !caption
        ? ""
        : `<text y="${h + (feet[at] ?? 0)}" class="fill-on-mat" font-size="${letter}">${escaped(caption)}</text>`;
    return `<g transform="translate(${x} ${y})">${drawing}${words}</g>`;
  });
  return { box, drawing: matGround(box, unit, small, name) + drawn.join("") };
}
