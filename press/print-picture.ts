import sharp from "sharp";
import { type Length, TICKS_PER_INCH } from "../core/measure/length.ts";
import { MOST_PIXELS } from "./picture.ts";

/** The usual aim, common practice. */
const PIXELS_PER_INCH = 300;

/** A picture for a print of this size: upright, filled, at most 300 pixels per inch, without the camera's notes. JPEG. */
export function printPicture(bytes: Buffer, w: Length, h: Length): Promise<Buffer> {
  const pixels = (length: Length) => Math.max(1, Math.round((length / TICKS_PER_INCH) * PIXELS_PER_INCH));
  return sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" })
    .autoOrient()
    .resize({ width: pixels(w), height: pixels(h), fit: "cover", withoutEnlargement: true })
    .toColourspace("srgb")
    .flatten({ background: "#ffffff" })
    .jpeg({ quality: 90 })
    .toBuffer();
}
