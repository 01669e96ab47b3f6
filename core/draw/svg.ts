import { type Length, toMillimetres } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { type Face, INKS, type Ink, type Mark } from "./marks.ts";

export const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** Millimetres to four decimals, finer than a tick. */
const mm = (length: number): string => String(Math.round(toMillimetres(length as Length) * 1e4) / 1e4);

const FAMILY: Record<Face, string> = {
  numeral: "Besley Variable, Besley, Georgia, serif",
  typed: "Courier Prime, Courier New, monospace",
  plain: "Hanken Grotesk Variable, Hanken Grotesk, sans-serif",
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
  return turn === 0 ? move : `${move} rotate(${turn * 90})`;
}

/** Gives the address a picture is fetched from, or its bytes as a data address. */
export type PictureHref = (photoId: string, at: Rect) => string;

function svgMark(mark: Mark, href: PictureHref): string {
  switch (mark.kind) {
    case "rect": {
      const { at } = mark;
      const round = mark.round ? ` rx="${mm(mark.round)}"` : "";
      return `<rect x="${mm(at.x)}" y="${mm(at.y)}" width="${mm(at.w)}" height="${mm(at.h)}"${round}${style(mark)}/>`;
    }
    case "circle":
      return `<circle cx="${mm(mark.x)}" cy="${mm(mark.y)}" r="${mm(mark.r)}"${style(mark)}/>`;
    case "line":
      return `<path d="M${mm(mark.x1)} ${mm(mark.y1)}L${mm(mark.x2)} ${mm(mark.y2)}"${style(mark)}/>`;
    case "polygon":
      return `<path d="M${mark.points.map(([x, y]) => `${mm(x)} ${mm(y)}`).join("L")}Z"${style(mark)}/>`;
    case "text": {
      const anchor = mark.anchor && mark.anchor !== "start" ? ` text-anchor="${mark.anchor}"` : "";
      const weight = mark.face === "numeral" ? ` font-weight="600"` : "";
      return `<text x="${mm(mark.x)}" y="${mm(mark.y)}" font-family="${FAMILY[mark.face]}" font-size="${mm(mark.size)}"${weight}${anchor} fill="${INKS[mark.fill ?? "ink"]}">${escaped(mark.text)}</text>`;
    }
    case "picture":
      return picture(mark, href);
    case "group":
      return `<g transform="${turned(mark)}">${svgMarks(mark.marks, href)}</g>`;
  }
}

/** Marks as SVG elements, one unit a millimetre. Attributes only, so that a strict content policy lets it be shown. */
export function svgMarks(marks: readonly Mark[], href: PictureHref): string {
  return marks.map((mark) => svgMark(mark, href)).join("");
}

/** The seen part of a print through a frame of its own: an inner svg cuts off the rest. */
function picture({ photoId, alt, at, shown }: Extract<Mark, { kind: "picture" }>, href: PictureHref): string {
  const image = `<image href="${escaped(href(photoId, at))}" x="${mm(at.x)}" y="${mm(at.y)}" width="${mm(at.w)}" height="${mm(at.h)}" preserveAspectRatio="xMidYMid slice"><title>${escaped(alt)}</title></image>`;
  return `<svg x="${mm(shown.x)}" y="${mm(shown.y)}" width="${mm(shown.w)}" height="${mm(shown.h)}" viewBox="${mm(shown.x)} ${mm(shown.y)} ${mm(shown.w)} ${mm(shown.h)}">${image}</svg>`;
}

/** A whole SVG file at true size: its width and height in millimetres, one user unit a millimetre. */
export function svgFile(marks: readonly Mark[], area: Rect, title: string, href: PictureHref): string {
  const box = `${mm(area.x)} ${mm(area.y)} ${mm(area.w)} ${mm(area.h)}`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${mm(area.w)}mm" height="${mm(area.h)}mm" viewBox="${box}"><title>${escaped(title)}</title>${svgMarks(marks, href)}</svg>\n`;
}
