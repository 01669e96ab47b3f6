import sharp, { type Sharp } from "sharp";
import { TICKS_PER_INCH } from "../core/measure/length.ts";
import type { Size } from "../core/measure/size.ts";
import { frameFor, insideBorder, type PictureFacts, type PrintCrop } from "../core/photo/crop.ts";
import { isPlain, type Look, straightened, toneOf } from "../core/photo/look.ts";
import type { PictureMime } from "../store/photo.ts";
import { openPicture } from "./decode.ts";

/** How fine a print is made: pixels per inch at most, and the JPEG's quality; colour in full where it is printed. */
export type Fineness = { readonly perInch: number; readonly quality: number; readonly fullColour: boolean };

/** The usual aim, common practice. */
export const PIXELS_PER_INCH = 300;
export const TO_PRINT: Fineness = { perInch: PIXELS_PER_INCH, quality: 92, fullColour: true };
/** Of a whole opening on a screen, which seldom has as many: common practice. */
export const TO_LOOK_AT: Fineness = { perInch: 150, quality: 82, fullColour: false };
const WHITE = "#ffffff";

/** Light, contrast and black and white; the order of the image library's own steps does not matter to them. */
function toned(picture: Sharp, look: Look): Sharp {
  const { scale, shift } = toneOf(look);
  const lit = scale === 1 && shift === 0 ? picture : picture.linear(scale, shift);
  return look.blackAndWhite ? lit.grayscale() : lit;
}

/** Turns a picture by its look and cuts off the corners; a raw step, because turning comes last in the library's order. */
async function turned(picture: Sharp, tenths: number): Promise<Sharp> {
  if (tenths === 0) return picture;
  const flat = await picture
    .flatten({ background: WHITE })
    .toColourspace("srgb")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = flat.info;
  const left = straightened({ width, height }, tenths);
  const whole = await sharp(flat.data, { raw: { width, height, channels } })
    .rotate(tenths / 10, { background: WHITE })
    .raw()
    .toBuffer({ resolveWithObject: true });
  return sharp(whole.data, {
    raw: { width: whole.info.width, height: whole.info.height, channels: whole.info.channels },
  }).extract({
    left: Math.floor((whole.info.width - left.width) / 2),
    top: Math.floor((whole.info.height - left.height) / 2),
    ...left,
  });
}

/** A screen version as its picture is to look. Plain ones are handed on as they are. */
export async function lookedVersion(webp: Buffer, look: Look): Promise<Buffer> {
  if (isPlain(look)) return webp;
  return toned(await turned(sharp(webp), look.straighten), look)
    .toColourspace("srgb")
    .webp({ quality: 80, effort: 1 })
    .toBuffer();
}

/** What a print is made from and how. */
export type ToDevelop = { readonly print: Size; readonly crop: PrintCrop; readonly facts: PictureFacts };

/** Whole pixels of a length, at the usual aim where no other is said. */
export const pixelsOf = (length: number, perInch = PIXELS_PER_INCH): number =>
  Math.max(1, Math.round((length / TICKS_PER_INCH) * perInch));

/**
 * The picture's part of a print, as fine as it is asked for and never enlarged: straightened, cropped, as it is to look,
 * without the camera's notes. The white border is not in it: that is where it lies on the paper.
 */
async function cropped(
  bytes: Buffer,
  mime: PictureMime,
  { print, crop, facts }: ToDevelop,
  perInch: number,
): Promise<Sharp> {
  const picture = await turned(await openPicture(bytes, mime), facts.look.straighten);
  const upright = await picture
    .flatten({ background: WHITE })
    .toColourspace("srgb")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = upright.info;
  const frame = frameFor(facts, print, crop);
  const part = {
    left: Math.min(width - 1, Math.round(frame.x * width)),
    top: Math.min(height - 1, Math.round(frame.y * height)),
    width: Math.max(1, Math.round(frame.w * width)),
    height: Math.max(1, Math.round(frame.h * height)),
  };
  part.width = Math.min(part.width, width - part.left);
  part.height = Math.min(part.height, height - part.top);
  const inner = insideBorder(print, crop);
  const wanted = { width: pixelsOf(inner.w, perInch), height: pixelsOf(inner.h, perInch) };
  const shrinks = wanted.width <= part.width && wanted.height <= part.height;
  const out = sharp(upright.data, { raw: { width, height, channels } }).extract(part);
  return toned(shrinks ? out.resize({ ...wanted, fit: "fill" }) : out, facts.look);
}

/** The picture of a print as JPEG, to be laid inside its white border. */
export async function developed(
  bytes: Buffer,
  mime: PictureMime,
  given: ToDevelop,
  { perInch, quality, fullColour }: Fineness = TO_PRINT,
): Promise<Buffer> {
  const picture = await cropped(bytes, mime, given, perInch);
  return picture.jpeg({ quality, chromaSubsampling: fullColour ? "4:4:4" : "4:2:0" }).toBuffer();
}
