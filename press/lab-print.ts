import sharp, { type Sharp } from "sharp";
import type { PictureMark } from "../core/draw/marks.ts";
import { printMarks, type ShownUse } from "../core/draw/print.ts";
import { printedOnMarks } from "../core/draw/printed-on.ts";
import { type Length, TICKS_PER_INCH, toMillimetres } from "../core/measure/length.ts";
import { rect, sizeOf } from "../core/measure/rect.ts";
import type { Size } from "../core/measure/size.ts";
import { insideBorder } from "../core/photo/crop.ts";
import { isToCut, madeUpFor, type OnLabPaper } from "../core/sheet/lab.ts";
import type { Stretch } from "../core/sheet/paper.ts";
import { developed, PIXELS_PER_INCH, pixelsOf } from "./develop.ts";
import { outlined } from "./outlines.ts";
import type { PhotoBytes } from "./prints.ts";

const WHITE = "#ffffff";
/** The line that a print is cut out along. */
const LINE = "#8a8f93";

const written = (picture: Sharp): Promise<Buffer> =>
  picture.withMetadata({ density: PIXELS_PER_INCH }).jpeg({ quality: 92, chromaSubsampling: "4:4:4" }).toBuffer();

const place = (length: number): number => Math.round((length / TICKS_PER_INCH) * PIXELS_PER_INCH);

/** One picture of a print, so many pixels wide and high. PNG. */
async function pictureOf(
  { photoId, at, crop, picture }: PictureMark,
  size: { readonly width: number; readonly height: number },
  bytesOf: PhotoBytes,
): Promise<Buffer> {
  const found = await bytesOf(photoId);
  if (!found) throw new Error("a photo in use has no bytes");
  const made = await developed(found.bytes, found.mime, { print: sizeOf(at), crop, facts: picture });
  return sharp(made)
    .resize({ ...size, fit: "fill" })
    .png()
    .toBuffer();
}

/** What is printed on a print's pictures, as a drawing of the print's size. */
const printedOnIt = ({ print, onIt }: ShownUse, width: number, height: number): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${toMillimetres(print.w)} ${toMillimetres(print.h)}" preserveAspectRatio="none">${outlined(printedOnMarks(onIt))}</svg>`,
  );

/**
 * A print by itself: each of its pictures where it lies, once or as often as a pattern is repeated, and what is printed on
 * them, on white. PNG.
 */
async function printAlone(use: ShownUse, bytesOf: PhotoBytes): Promise<Buffer> {
  const whole = rect(0, 0, use.print.w, use.print.h);
  const [width, height] = [pixelsOf(use.print.w), pixelsOf(use.print.h)];
  const parts: { input: Buffer; left: number; top: number }[] = [];
  // A pattern's picture is made once, however often it is repeated.
  const made = new Map<string, Buffer>();
  for (const mark of printMarks({ ...use, onIt: [] }, whole, whole)) {
    if (mark.kind !== "picture") continue;
    const { photoId, crop, at, shown } = mark;
    const inner = insideBorder(sizeOf(at), crop);
    const [left, top] = [place(at.x + inner.x), place(at.y + inner.y)];
    const [w, h] = [place(at.x + inner.x + inner.w) - left, place(at.y + inner.y + inner.h) - top];
    const key = `${photoId} ${w} ${h} ${JSON.stringify(crop)}`;
    const alike = made.get(key) ?? (await pictureOf(mark, { width: w, height: h }, bytesOf));
    made.set(key, alike);
    // What of a pattern reaches over the print's edge is left off.
    const [right, below] = [Math.min(place(shown.x + shown.w), width), Math.min(place(shown.y + shown.h), height)];
    const fits = left + w <= right && top + h <= below;
    const input = fits
      ? alike
      : await sharp(alike)
          .extract({ left: 0, top: 0, width: Math.min(w, right - left), height: Math.min(h, below - top) })
          .png()
          .toBuffer();
    parts.push({ input, left, top });
  }
  if (use.onIt.length > 0) parts.push({ input: printedOnIt(use, width, height), left: 0, top: 0 });
  return sharp({ create: { width, height, channels: 3, background: WHITE } })
    .composite(parts)
    .png()
    .toBuffer();
}

/**
 * A print as a file for a lab: of the size of the paper it comes on, at 300 pixels an inch and with that written in it, made
 * up for what the lab makes larger or smaller. One that fills its paper is drawn out at its edges where the lab makes it
 * larger: what falls off there is nothing of the print. One on larger paper has a fine line round it to cut along. JPEG.
 */
export async function labPrint(use: ShownUse, on: OnLabPaper, stretch: Stretch, bytesOf: PhotoBytes): Promise<Buffer> {
  const [width, height] = [pixelsOf(on.paper.w), pixelsOf(on.paper.h)];
  const made = madeUpFor(on, stretch);
  const [left, top] = [place(made.x), place(made.y)];
  const [w, h] = [place(made.x + made.w) - left, place(made.y + made.h) - top];
  const alone = sharp(await printAlone(use, bytesOf));
  const print = w === width && h === height ? alone : alone.resize({ width: w, height: h, fit: "fill" });
  const cut = { left: Math.max(0, -left), top: Math.max(0, -top) };
  const [inW, inH] = [
    Math.min(w - cut.left, width - Math.max(0, left)),
    Math.min(h - cut.top, height - Math.max(0, top)),
  ];
  const inside = await sharp(await print.png().toBuffer())
    .extract({ ...cut, width: inW, height: inH })
    .png()
    .toBuffer();
  const at = { left: Math.max(0, left), top: Math.max(0, top) };
  if (!isToCut(on)) {
    const round = { ...at, right: width - at.left - inW, bottom: height - at.top - inH };
    return written(sharp(inside).extend({ ...round, extendWith: "copy" }));
  }
  const line = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect x="${left - 0.5}" y="${top - 0.5}" width="${w + 1}" height="${h + 1}" fill="none" stroke="${LINE}"/></svg>`;
  return written(
    sharp({ create: { width, height, channels: 3, background: WHITE } }).composite([
      { input: Buffer.from(line), left: 0, top: 0 },
      { input: inside, ...at },
    ]),
  );
}

/** Half of how long the strokes at a bar's ends are, in ticks. */
const END = TICKS_PER_INCH / 8;

/**
 * A lab's test file: on white paper a bar across and one along, each of a length that is known, with a stroke at both ends.
 * Measured on the print that comes back, they say what the lab makes of a file. JPEG, as orders are.
 */
export function labTest(paper: Size, bar: Length): Promise<Buffer> {
  const [width, height] = [pixelsOf(paper.w), pixelsOf(paper.h)];
  const px = (length: number) => (length / TICKS_PER_INCH) * PIXELS_PER_INCH;
  const [middleX, middleY] = [width / 2, height / 2];
  const [half, end] = [px(bar) / 2, px(END)];
  // They cross in the middle: what a lab makes larger grows from there to both sides alike.
  const across = `M${middleX - half} ${middleY}h${2 * half}M${middleX - half} ${middleY - end}v${2 * end}M${middleX + half} ${middleY - end}v${2 * end}`;
  const along = `M${middleX} ${middleY - half}v${2 * half}M${middleX - end} ${middleY - half}h${2 * end}M${middleX - end} ${middleY + half}h${2 * end}`;
  const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><path d="${across}${along}" fill="none" stroke="#14181a" stroke-width="3"/></svg>`;
  return written(
    sharp({ create: { width, height, channels: 3, background: WHITE } }).composite([{ input: Buffer.from(drawn) }]),
  );
}
