import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { readPicture } from "../../press/picture.ts";

/** An Exif block written by hand from the standard, not by the library that reads it. Exif 2.32 (CIPA DC-008), TIFF 6.0. */
function exifBlock(orientation: number, date: string, offset: string): Buffer {
  const entry = (tag: number, type: number, count: number, value: Buffer) => {
    const bytes = Buffer.alloc(12);
    bytes.writeUInt16BE(tag, 0);
    bytes.writeUInt16BE(type, 2);
    bytes.writeUInt32BE(count, 4);
    value.copy(bytes, 8);
    return bytes;
  };
  const u16 = (n: number) => Buffer.from([n >> 8, n & 255, 0, 0]);
  const u32 = (n: number) => Buffer.from([n >> 24, n >> 16, n >> 8, n].map((byte) => byte & 255));
  const SHORT = 3;
  const LONG = 4;
  const ASCII = 2;
  // Header 8, first directory 2 + 2 × 12 + 4 = 30, so the Exif directory begins at 38: 2 + 2 × 12 + 4 = 30, then values.
  const [exifAt, dateAt] = [38, 68];
  const [dateText, offsetText] = [Buffer.from(`${date}\0`, "latin1"), Buffer.from(`${offset}\0`, "latin1")];
  return Buffer.concat([
    Buffer.from("MM\0*", "latin1"),
    u32(8),
    Buffer.from([0, 2]),
    entry(0x0112, SHORT, 1, u16(orientation)),
    entry(0x8769, LONG, 1, u32(exifAt)),
    u32(0),
    Buffer.from([0, 2]),
    entry(0x9003, ASCII, dateText.length, u32(dateAt)),
    entry(0x9011, ASCII, offsetText.length, u32(dateAt + dateText.length)),
    u32(0),
    dateText,
    offsetText,
  ]);
}

function withExif(jpeg: Buffer, tiff: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from("Exif\0\0", "latin1"), tiff]);
  const head = Buffer.from([0xff, 0xe1, (body.length + 2) >> 8, (body.length + 2) & 255]);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}

const [W, H] = [64, 32];
const RED = [200, 30, 30];
const GREEN = [30, 160, 60];

/** A plain picture with a red quarter in its upper left corner and a green one in its upper right, as it should be seen. */
const scene = Array.from({ length: W * H }, (_, at) => {
  const [x, y] = [at % W, Math.floor(at / W)];
  return y < H / 2 && x < W / 4 ? RED : y < H / 2 && x >= (W * 3) / 4 ? GREEN : [240, 240, 240];
});

/** Where the pixel seen at (x, y) is stored, for each orientation: Exif 2.32, table of the Orientation tag. */
const STORED: Record<number, (x: number, y: number) => [number, number]> = {
  1: (x, y) => [x, y],
  2: (x, y) => [W - 1 - x, y],
  3: (x, y) => [W - 1 - x, H - 1 - y],
  4: (x, y) => [x, H - 1 - y],
  5: (x, y) => [y, x],
  6: (x, y) => [y, W - 1 - x],
  7: (x, y) => [H - 1 - y, W - 1 - x],
  8: (x, y) => [H - 1 - y, x],
};

async function stored(orientation: number): Promise<Buffer> {
  const turned = orientation > 4;
  const [w, h] = turned ? [H, W] : [W, H];
  const raw = Buffer.alloc(w * h * 3);
  for (const [at, colour] of scene.entries()) {
    const place = STORED[orientation]?.(at % W, Math.floor(at / W)) ?? [0, 0];
    raw.set(colour, (place[1] * w + place[0]) * 3);
  }
  const jpeg = await sharp(raw, { raw: { width: w, height: h, channels: 3 } })
    .jpeg({ quality: 95, chromaSubsampling: "4:4:4" })
    .toBuffer();
  return withExif(jpeg, exifBlock(orientation, "2026:12:09 17:48:12", "+01:00"));
}

describe("camera files", () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "orientation %i is shown the right way up (Exif 2.32, CIPA DC-008)",
    async (orientation) => {
      const read = await readPicture(await stored(orientation), "a.jpg");
      if (!read.ok) throw new Error(read.reason);
      expect([read.photo.width, read.photo.height]).toEqual([W, H]);
      const { data, info } = await sharp(read.photo.versions[0]?.bytes)
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      expect([info.width, info.height]).toEqual([W, H]);
      const seen = (x: number, y: number) => [...data.subarray((y * W + x) * 3, (y * W + x) * 3 + 3)];
      const near = (a: number[], b: number[]) => a.every((value, at) => Math.abs(value - (b[at] ?? 0)) < 40);
      expect(near(seen(5, 5), RED)).toBe(true);
      expect(near(seen(W - 6, 5), GREEN)).toBe(true);
      expect(near(seen(5, H - 6), [240, 240, 240])).toBe(true);
      expect(near(seen(W - 6, H - 6), [240, 240, 240])).toBe(true);
    },
  );

  it("carry their date as YYYY:MM:DD HH:MM:SS and its offset in a tag of its own (Exif 2.32, CIPA DC-008)", async () => {
    const read = await readPicture(await stored(6), "a.jpg");
    expect(read.ok && [read.photo.capturedAt, read.photo.offset]).toEqual(["2026-12-09T17:48:12", "+01:00"]);
  });
});
