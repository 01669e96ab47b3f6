import sharp from "sharp";
import { type Corners, intoPicture } from "../core/photo/preprint.ts";

/** The long side of a picture that is laid straight, in pixels: enough for a card on a screen. */
const LONG = 1000;

/**
 * The part of a picture between four corners as if it had been looked at from straight above; `shape` is its height over its
 * width. Each of its points is mixed of the four it falls between. WebP.
 */
export async function laidStraight(picture: Buffer, corners: Corners, shape: number): Promise<Buffer> {
  const { data, info } = await sharp(picture)
    .flatten({ background: "#ffffff" })
    .toColourspace("srgb")
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = info;
  const [outW, outH] = (shape > 1 ? [LONG / shape, LONG] : [LONG, LONG * shape]).map((n) =>
    Math.max(1, Math.round(n)),
  ) as [number, number];
  const into = intoPicture(corners);
  const out = Buffer.alloc(outW * outH * channels);
  const within = (n: number, most: number) => Math.min(most, Math.max(0, n));
  for (let row = 0; row < outH; row++)
    for (let column = 0; column < outW; column++) {
      const from = into((column + 0.5) / outW, (row + 0.5) / outH);
      const [x, y] = [within(from.x * width - 0.5, width - 1), within(from.y * height - 0.5, height - 1)];
      const [left, top] = [Math.floor(x), Math.floor(y)];
      const [right, below] = [Math.min(left + 1, width - 1), Math.min(top + 1, height - 1)];
      const [fx, fy] = [x - left, y - top];
      for (let channel = 0; channel < channels; channel++) {
        const at = (px: number, py: number) => data[(py * width + px) * channels + channel] ?? 0;
        const upper = at(left, top) * (1 - fx) + at(right, top) * fx;
        const lower = at(left, below) * (1 - fx) + at(right, below) * fx;
        out[(row * outW + column) * channels + channel] = Math.round(upper * (1 - fy) + lower * fy);
      }
    }
  return sharp(out, { raw: { width: outW, height: outH, channels } })
    .webp({ quality: 82, effort: 1 })
    .toBuffer();
}
