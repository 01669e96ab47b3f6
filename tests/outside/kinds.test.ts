import { readFileSync } from "node:fs";
import path from "node:path";
import exifr from "exifr";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { kindOf } from "../../press/decode.ts";
import { readPicture, traitsOfVersion } from "../../press/picture.ts";
import { withoutPlace } from "../../press/place.ts";

const heic = readFileSync(path.resolve(import.meta.dirname, "../../demo/phone/loaves.heic"));
const NOTES = {
  IFD2: { DateTimeOriginal: "2026:12:05 17:20:00", OffsetTimeOriginal: "+01:00" },
  IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1", GPSLongitudeRef: "W", GPSLongitude: "3/1 12/1 0/1" },
};
const flat = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#b8451b" } });
const read = async (bytes: Buffer, name = "picture") => {
  const picture = await readPicture(bytes, name);
  if (!picture.ok) throw new Error(picture.reason);
  return picture.photo;
};
const colourOf = async (webp: Buffer | undefined) => {
  const { dominant } = await sharp(webp).stats();
  return [dominant.r, dominant.g, dominant.b];
};

describe("kinds of picture", () => {
  it("HEIC of phones is read: upright, dated, and its place known to be there (encoded by libheif 1.15)", async () => {
    const photo = await read(heic, "IMG_0901.HEIC");
    expect([photo.mime, photo.width, photo.height]).toEqual(["image/heic", 900, 675]);
    expect([photo.capturedAt, photo.offset, photo.hasPlace]).toEqual(["2026-12-09T08:12:30", "+00:00", true]);
    const { width, height } = await sharp(photo.versions[0]?.bytes).metadata();
    expect([width, height]).toEqual([900, 675]);
  });

  it("HEIC that breaks off is damaged, and says so", async () => {
    const cut = await readPicture(heic.subarray(0, 4000), "cut.heic");
    expect(cut).toEqual({ ok: false, reason: "damaged" });
  });

  it("AVIF and TIFF are read with their date", async () => {
    for (const [mime, bytes] of [
      ["image/avif", await flat(320, 200).withExif(NOTES).avif({ quality: 60, effort: 0 }).toBuffer()],
      ["image/tiff", await flat(320, 200).withExif(NOTES).tiff().toBuffer()],
    ] as const) {
      const photo = await read(bytes);
      expect([photo.mime, photo.width, photo.height]).toEqual([mime, 320, 200]);
      if (mime === "image/avif") expect([photo.capturedAt, photo.hasPlace]).toEqual(["2026-12-05T17:20:00", true]);
      const [r = 0, g = 0] = await colourOf(photo.versions[0]?.bytes);
      expect(Math.abs(r - 184) < 20 && Math.abs(g - 69) < 20).toBe(true);
    }
  });

  it("no place is left in what is handed on of HEIC, AVIF or TIFF, and the picture and its date are", async () => {
    const avif = await flat(320, 200).withExif(NOTES).avif({ quality: 60, effort: 0 }).toBuffer();
    for (const [mime, bytes] of [
      ["image/heic", heic],
      ["image/avif", avif],
    ] as const) {
      const clean = withoutPlace(bytes, mime);
      expect(clean.length).toBe(bytes.length);
      const photo = await read(clean);
      expect(photo.hasPlace).toBe(false);
      expect(photo.capturedAt).not.toBeNull();
    }
    const tiff = await flat(64, 40).tiff().toBuffer();
    expect((await read(withoutPlace(tiff, "image/tiff"))).width).toBe(64);
    expect(await exifr.gps(withoutPlace(tiff, "image/tiff")).catch(() => undefined)).toBeUndefined();
  });

  it("pictures of 16 bits, of four inks, that move, with no colour, and seen through are all read", async () => {
    const deep = await sharp(Buffer.from(new Uint16Array(60 * 40 * 3).fill(40_000).buffer), {
      raw: { width: 60, height: 40, channels: 3 },
    })
      .toColourspace("rgb16")
      .png()
      .toBuffer();
    const inks = await flat(60, 40).toColourspace("cmyk").jpeg().toBuffer();
    const frames = await Promise.all(
      ["#b8451b", "#274048"].map((background) =>
        sharp({ create: { width: 60, height: 40, channels: 3, background } })
          .png()
          .toBuffer(),
      ),
    );
    const moving = await sharp(frames, { join: { animated: true } })
      .webp()
      .toBuffer();
    const grey = await flat(60, 40).grayscale().toColourspace("b-w").png().toBuffer();
    const clear = await sharp({
      create: { width: 60, height: 40, channels: 4, background: { r: 184, g: 69, b: 27, alpha: 0.4 } },
    })
      .png()
      .toBuffer();
    for (const bytes of [deep, inks, moving, grey, clear]) {
      const photo = await read(bytes);
      expect([photo.width, photo.height]).toEqual([60, 40]);
      for (const { bytes: version } of photo.versions) expect((await sharp(version).metadata()).format).toBe("webp");
    }
    expect((await colourOf((await read(moving)).versions[0]?.bytes))[0]).toBeGreaterThan(150);
  });

  it("pictures of one pixel and 30,000 wide are read, and what is computed of them is there", async () => {
    const one = await read(await flat(1, 1).png().toBuffer());
    expect([one.width, one.height, one.traits.light.length]).toEqual([1, 1, 576]);
    const wide = await read(await flat(30_000, 40).jpeg().toBuffer());
    expect([wide.width, wide.height]).toEqual([30_000, 40]);
    expect((await sharp(wide.versions[0]?.bytes).metadata()).width).toBe(1600);
  });

  it("a file that lies about its kind is taken for what it is, or refused", async () => {
    const photo = await read(await flat(60, 40).png().toBuffer(), "really.jpg");
    expect(photo.mime).toBe("image/png");
    expect(await readPicture(Buffer.from("%PDF-1.7 not a picture"), "really.jpg")).toEqual({
      ok: false,
      reason: "not-a-picture",
    });
    expect(kindOf({ format: "svg" })).toBeNull();
  });

  it("what is computed from a kept version is nearly what was computed when it came in", async () => {
    const photo = await read(heic);
    const again = await traitsOfVersion(photo.versions[1]?.bytes ?? Buffer.alloc(0));
    expect(Math.abs(again.focus.x - photo.traits.focus.x)).toBeLessThan(400);
    expect(again.light).toHaveLength(576);
  });
});
