import heicDecode from "heic-decode";
import sharp, { type Metadata, type Sharp } from "sharp";
import type { PictureMime } from "../store/photo.ts";

/** A picture over this limit is refused from its header, before anything is decoded. */
export const MOST_PIXELS = 120_000_000;
/** Seconds that the decoding of one picture may take. */
const LONGEST = 60;

/** The kind of a picture by its content, its name counting for nothing; null when it is none that is taken in. */
export function kindOf({ format, compression }: Pick<Metadata, "format" | "compression">): PictureMime | null {
  switch (format) {
    case "jpeg":
      return "image/jpeg";
    case "png":
      return "image/png";
    case "webp":
      return "image/webp";
    case "tiff":
      return "image/tiff";
    case "heif":
      return compression === "av1" ? "image/avif" : "image/heic";
    default:
      return null;
  }
}

/**
 * A picture opened for work: upright, its first frame where it moves. Phones' HEIC is decoded by libheif itself, which
 * the image library has no decoder for; it comes upright, as the file's own turn says.
 */
export async function openPicture(bytes: Buffer, mime: PictureMime): Promise<Sharp> {
  if (mime !== "image/heic") {
    return sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error", pages: 1 })
      .timeout({ seconds: LONGEST })
      .autoOrient();
  }
  const { width, height, data } = await heicDecode({ buffer: bytes });
  if (width * height > MOST_PIXELS) throw new RangeError("more pixels than its header said");
  return sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), { raw: { width, height, channels: 4 } });
}
