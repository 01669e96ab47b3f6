import { INKS, type Ink } from "../material/ink.ts";
import { type Length, toMillimetres } from "../measure/length.ts";
import { overlap, type Rect, rect, sizeOf } from "../measure/rect.ts";
import { frameFor, insideBorder } from "../photo/crop.ts";
import { clean } from "../words/clean.ts";
import type { Typeface } from "../words/typeface.ts";
import type { Mark, PictureMark, PreprintMark } from "./marks.ts";

/** Text as it stands in SVG; what no text has, and may lie in the database from before, is left out. */
export const escaped = (text: string): string => clean(text).replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** Millimetres to four decimals, finer than a tick. */
const mm = (length: number): string => String(Math.round(toMillimetres(length as Length) * 1e4) / 1e4);

const NUMERAL = "Besley Variable, Besley, Georgia, serif";
const TYPED = "Courier Prime, Courier New, monospace";
const PLAIN = "Hanken Grotesk Variable, Hanken Grotesk, sans-serif";
const BOOK = "Alegreya, Georgia, serif";
const FAMILY: Record<Typeface, string> = {
  ...{ numeral: NUMERAL, typed: TYPED, plain: PLAIN, book: BOOK, hand: "Caveat, cursive" },
  ...{ "numeral-bold": NUMERAL, "typed-bold": TYPED, "plain-bold": PLAIN, "book-bold": BOOK },
};
/** Weights other than the usual one, as the font files of each typeface have them. */
const WEIGHT: Partial<Record<Typeface, number>> = {
  numeral: 600,
  ...{ "numeral-bold": 800, "typed-bold": 700, "plain-bold": 700, "book-bold": 700 },
};
const HAIR = 80;

type Styled = { fill?: Ink; stroke?: Ink; line?: number; dashed?: boolean; solid?: number };
function style({ fill = "none", stroke, line = HAIR, dashed, solid }: Styled): string {
  const parts = [` fill="${INKS[fill]}"`];
  if (stroke) parts.push(` stroke="${INKS[stroke]}" stroke-width="${mm(line)}"`);
  if (dashed) parts.push(` stroke-dasharray="2 1.4"`);
  if (solid !== undefined) parts.push(` fill-opacity="${solid}"`);
  return parts.join("");
}

/** Where the left upper corner of a turned group goes, so that its turned box begins at its x and y. */
function turned(group: Extract<Mark, { kind: "group" }>): string {
  const { x, y, w, h, turn } = group;
  const [dx, dy] = [
    [0, 0],
    [h, 0],
    [w, h],
    [0, w],
  ][turn] as [number, number];
  const move = `translate(${mm(x + dx)} ${mm(y + dy)})`;
  const turning = turn === 0 ? move : `${move} rotate(${turn * 90})`;
  return group.mirrored ? `${turning} translate(${mm(w)} 0) scale(-1 1)` : turning;
}

/** Gives the address a picture is fetched from, or its bytes as a data address; an empty one where it is not to be shown. */
export type PictureHref = (mark: PictureMark | PreprintMark) => string;

/** What an address gives: the whole picture, of which a print shows its part; or that part alone, cropped before. */
export type Given = "whole" | "cropped";

type TextMark = Extract<Mark, { kind: "text" }>;

/** Letters as text, for whatever has the typeface or one like it. */
function lettered({ x, y, text, typeface, size, anchor, fill }: TextMark): string {
  const anchored = anchor && anchor !== "start" ? ` text-anchor="${anchor}"` : "";
  const heavy = WEIGHT[typeface];
  const weight = heavy ? ` font-weight="${heavy}"` : "";
  return `<text x="${mm(x)}" y="${mm(y)}" font-family="${FAMILY[typeface]}" font-size="${mm(size)}"${weight}${anchored} fill="${INKS[fill ?? "ink"]}">${escaped(text)}</text>`;
}

type Letters = (mark: TextMark) => string;

function svgMark(mark: Mark, href: PictureHref, given: Given, letters: Letters): string {
  switch (mark.kind) {
    case "rect": {
      const { at } = mark;
      const round = mark.round ? ` rx="${mm(mark.round)}"` : "";
      return `<rect x="${mm(at.x)}" y="${mm(at.y)}" width="${mm(at.w)}" height="${mm(at.h)}"${round}${style(mark)}/>`;
    }
    case "circle":
      return `<circle cx="${mm(mark.x)}" cy="${mm(mark.y)}" r="${mm(mark.r)}"${style(mark)}/>`;
    case "line":
      return `<path d="${linePath(mark)}"${style(mark)}/>`;
    case "polygon":
      return `<path d="M${mark.points.map(([x, y]) => `${mm(x)} ${mm(y)}`).join("L")}Z"${style(mark)}/>`;
    case "text":
      return letters(mark);
    case "picture":
      return picture(mark, href, given);
    case "preprint": {
      const { at } = mark;
      const address = href(mark);
      return address === ""
        ? ""
        : `<image href="${escaped(address)}" x="${mm(at.x)}" y="${mm(at.y)}" width="${mm(at.w)}" height="${mm(at.h)}" preserveAspectRatio="none"/>`;
    }
    case "group": {
      return groupOf(mark, svgMarks(mark.marks, href, given, letters));
    }
  }
}

function groupOf(mark: Extract<Mark, { kind: "group" }>, inside: string): string {
  const shown = mark.clip ? clipped(mark.clip, inside) : inside;
  if (!mark.soft) return `<g transform="${turned(mark)}">${shown}</g>`;
  // Named by how soft it is: of several on one page each is the same.
  const id = `soft-${mark.soft}`;
  const filter = `<filter id="${id}" x="0" y="0" width="1" height="1"><feGaussianBlur stdDeviation="${mm(mark.soft)}"/></filter>`;
  return `${filter}<g transform="${turned(mark)}" filter="url(#${id})">${shown}</g>`;
}

/** What of it lies in a rectangle: an inner svg shows nothing beyond its edges. */
const clipped = ({ x, y, w, h }: Rect, inside: string): string =>
  `<svg x="${mm(x)}" y="${mm(y)}" width="${mm(w)}" height="${mm(h)}" viewBox="${mm(x)} ${mm(y)} ${mm(w)} ${mm(h)}">${inside}</svg>`;

/**
 * The same in as few elements as may be, for a drawing that is only seen: lines, or circles, that follow each other and are
 * drawn alike are one path. A browser takes as long for an element of a thumb as for one of a whole page.
 */
export function svgFewer(marks: readonly Mark[], href: PictureHref): string {
  let drawn = "";
  let [path, styled] = ["", ""];
  const end = () => {
    if (path !== "") drawn += `<path d="${path}"${styled}/>`;
    path = "";
  };
  for (const mark of marks) {
    if (mark.kind === "line" || mark.kind === "circle") {
      const now = style(mark);
      // A line is never filled, so that none joins a circle.
      if (now !== styled) end();
      path += mark.kind === "line" ? linePath(mark) : circlePath(mark);
      styled = now;
      continue;
    }
    end();
    if (mark.kind === "group") {
      drawn += groupOf(mark, svgFewer(mark.marks, href));
    } else drawn += svgMark(mark, href, "whole", lettered);
  }
  end();
  return drawn;
}

const linePath = ({ x1, y1, x2, y2 }: Extract<Mark, { kind: "line" }>): string =>
  `M${mm(x1)} ${mm(y1)}L${mm(x2)} ${mm(y2)}`;
const circlePath = ({ x, y, r }: Extract<Mark, { kind: "circle" }>): string =>
  `M${mm(x - r)} ${mm(y)}a${mm(r)} ${mm(r)} 0 1 0 ${mm(2 * r)} 0a${mm(r)} ${mm(r)} 0 1 0 ${mm(-2 * r)} 0`;

/**
 * Marks as SVG elements, one unit a millimetre. Attributes only, so that a strict content policy lets it be shown. Letters are
 * text, or whatever else `letters` makes of them.
 */
export function svgMarks(
  marks: readonly Mark[],
  href: PictureHref,
  given: Given = "whole",
  letters: Letters = lettered,
): string {
  return marks.map((mark) => svgMark(mark, href, given, letters)).join("");
}

/**
 * The seen part of a print through frames of its own: an inner svg cuts off what lies beyond the crop, and another what is
 * not shown of the print. The whole picture is laid so that its cropped part fills the print inside its border.
 */
function picture(mark: PictureMark, href: PictureHref, given: Given): string {
  const { alt, at, crop, picture: facts } = mark;
  const print = sizeOf(at);
  const border = insideBorder(print, crop);
  const inner = mark.drawn?.inner ?? rect(at.x + border.x, at.y + border.y, border.w, border.h);
  const shown = overlap(inner, mark.drawn?.shown ?? mark.shown);
  if (!shown) return "";
  const frame = given === "whole" ? frameFor(facts, print, crop) : { x: 0, y: 0, w: 1, h: 1 };
  const [w, h] = [inner.w / frame.w, inner.h / frame.h];
  const [x, y] = [inner.x - frame.x * w, inner.y - frame.y * h];
  const image = `<image href="${escaped(href(mark))}" x="${mm(x)}" y="${mm(y)}" width="${mm(w)}" height="${mm(h)}" preserveAspectRatio="none"><title>${escaped(alt)}</title></image>`;
  return `<svg x="${mm(shown.x)}" y="${mm(shown.y)}" width="${mm(shown.w)}" height="${mm(shown.h)}" viewBox="${mm(shown.x)} ${mm(shown.y)} ${mm(shown.w)} ${mm(shown.h)}">${image}</svg>`;
}

/** A whole SVG file at true size: its width and height in millimetres, one user unit a millimetre. */
export function svgFile(
  marks: readonly Mark[],
  area: Rect,
  title: string,
  href: PictureHref,
  given: Given = "whole",
): string {
  const box = `${mm(area.x)} ${mm(area.y)} ${mm(area.w)} ${mm(area.h)}`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${mm(area.w)}mm" height="${mm(area.h)}mm" viewBox="${box}"><style>text{font-kerning:normal;font-variant-ligatures:none}</style><title>${escaped(title)}</title>${svgMarks(marks, href, given)}</svg>\n`;
}
