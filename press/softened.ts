import sharp from "sharp";
import type { Mark, PictureMark } from "../core/draw/marks.ts";
import type { PictureHref } from "../core/draw/svg.ts";
import { ticks, toMillimetres } from "../core/measure/length.ts";
import { pixelsOf } from "./develop.ts";
import { outlined } from "./outlines.ts";

/** Nothing spread over near a millimetre has more in it than this shows: pixels to the inch. */
const SOFT_PIXELS = 150;

/** A developed print, or nothing where its picture is gone. */
export type PrintOf = (mark: PictureMark) => Buffer | undefined;

/** Pictures as they are written into a file themselves; what is printed on cards already where `straight` has it. */
export const inside =
  (printOf: PrintOf, straight?: ReadonlyMap<Mark, Buffer>): PictureHref =>
  (mark) => {
    const print = mark.kind === "picture" ? printOf(mark) : straight?.get(mark);
    return print ? `data:image/jpeg;base64,${print.toString("base64")}` : "";
  };

/** A group whose edges are spread as a PNG of its own box, clear where nothing lies: drawn from the same SVG as on a screen. */
export async function softened(group: Extract<Mark, { kind: "group" }>, printOf: PrintOf): Promise<Buffer> {
  const { w, h } = group;
  const alone: Mark = { ...group, x: ticks(0), y: ticks(0), turn: 0, mirrored: false };
  const [wide, high] = [toMillimetres(w), toMillimetres(h)];
  // In pixels: a size in millimetres is drawn at another number of them to the inch.
  const [across, down] = [w, h].map((length) => pixelsOf(length, SOFT_PIXELS));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${across}" height="${down}" viewBox="0 0 ${wide} ${high}">${outlined([alone], inside(printOf))}</svg>`;
  return sharp(Buffer.from(svg), { unlimited: true }).png().toBuffer();
}
