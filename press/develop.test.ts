import exifr from "exifr";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import { coloursAsLooked } from "../core/photo/colours.ts";
import { AS_IT_COMES, type PictureFacts } from "../core/photo/crop.ts";
import { NO_LOOK } from "../core/photo/look.ts";
import { developed, lookedVersion } from "./develop.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
/** Four quarters of colour: red, green / blue, white. */
const quarters = (width: number, height: number) => {
  const part = (fill: string, x: number, y: number) =>
    `<rect x="${x}" y="${y}" width="${width / 2}" height="${height / 2}" fill="${fill}"/>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${part("#e00000", 0, 0)}${part("#00c000", width / 2, 0)}${part("#0000e0", 0, height / 2)}${part("#ffffff", width / 2, height / 2)}</svg>`;
  return sharp(Buffer.from(svg))
    .flatten({ background: "#fff" })
    .withExif({ IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1" } })
    .jpeg({ quality: 95 })
    .toBuffer();
};
const facts = (width: number, height: number, look = NO_LOOK): PictureFacts => ({
  width,
  height,
  focus: { x: 5000, y: 5000 },
  faces: [],
  look,
});
async function pixel(file: Buffer, x: number, y: number): Promise<number[]> {
  const { data, info } = await sharp(file).toColourspace("srgb").raw().toBuffer({ resolveWithObject: true });
  const at = (Math.floor(y * info.height) * info.width + Math.floor(x * info.width)) * info.channels;
  return [...data.subarray(at, at + 3)];
}
const near = (got: number[], wanted: number[]) => got.every((value, at) => Math.abs(value - (wanted[at] ?? 0)) < 16);

describe("a print's picture", () => {
  it("is 300 pixels an inch of its crop, upright, and carries no place", async () => {
    const file = await developed(await quarters(3000, 2000), "image/jpeg", {
      print: by(3, 4),
      crop: AS_IT_COMES,
      facts: facts(3000, 2000),
    });
    const { width, height, orientation } = await sharp(file).metadata();
    expect([width, height, orientation]).toEqual([900, 1200, undefined]);
    expect(await exifr.gps(file).catch(() => undefined)).toBeUndefined();
  });

  it("is never enlarged", async () => {
    const file = await developed(await quarters(300, 200), "image/jpeg", {
      print: by(6, 4),
      crop: AS_IT_COMES,
      facts: facts(300, 200),
    });
    expect((await sharp(file).metadata()).width).toBe(300);
  });

  it("shows the part that its crop says, and nothing else", async () => {
    const crop = { ...AS_IT_COMES, keep: { x: 1000, y: 9000 }, closer: 220 };
    const file = await developed(await quarters(2000, 2000), "image/jpeg", {
      print: by(2, 2),
      crop,
      facts: facts(2000, 2000),
    });
    for (const [x, y] of [
      [0.05, 0.05],
      [0.95, 0.95],
      [0.5, 0.5],
    ] as const)
      expect(near(await pixel(file, x, y), [0, 0, 224])).toBe(true);
  });

  it("is grey in black and white, lighter when lit, and has no white corners when straightened", async () => {
    const bytes = await quarters(1200, 900);
    const made = (look: typeof NO_LOOK) =>
      developed(bytes, "image/jpeg", { print: by(4, 3), crop: AS_IT_COMES, facts: facts(1200, 900, look) });
    const [r = 0, g = 0, b = 0] = await pixel(await made({ ...NO_LOOK, blackAndWhite: true }), 0.1, 0.1);
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThan(4);
    const lit = await pixel(await made({ ...NO_LOOK, light: 20 }), 0.1, 0.1);
    // What is said of its colours is what comes out.
    for (const look of [
      { ...NO_LOOK, blackAndWhite: true },
      { ...NO_LOOK, light: 20 },
      { ...NO_LOOK, contrast: 30, light: -10 },
      { ...NO_LOOK, blackAndWhite: true, light: 15 },
    ]) {
      const [said = "", ...others] = coloursAsLooked(["#e00000"], look);
      expect(others).toEqual([]);
      const [red = 0, green = 0, blue = 0] = await pixel(await made(look), 0.1, 0.1);
      const channels = [1, 3, 5].map((at) => Number.parseInt(said.slice(at, at + 2), 16));
      for (const [at, channel] of [red, green, blue].entries())
        expect(Math.abs(channel - (channels[at] ?? 0)), `${said} for ${JSON.stringify(look)}`).toBeLessThan(8);
    }
    expect(lit[1]).toBeGreaterThan(30);
    const straight = await made({ ...NO_LOOK, straighten: 50 });
    for (const [x, y, colour] of [
      [0.01, 0.01, [224, 0, 0]],
      [0.99, 0.01, [0, 192, 0]],
      [0.01, 0.99, [0, 0, 224]],
    ] as const)
      expect(near(await pixel(straight, x, y), [...colour])).toBe(true);
  });
});

describe("a screen version", () => {
  it("is handed on as it is when plain, and made anew when not", async () => {
    const webp = await sharp(await quarters(480, 360))
      .webp()
      .toBuffer();
    expect(await lookedVersion(webp, NO_LOOK)).toBe(webp);
    const grey = await lookedVersion(webp, { ...NO_LOOK, blackAndWhite: true, straighten: -30 });
    const [r = 0, g = 0, b = 0] = await pixel(grey, 0.1, 0.1);
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThan(4);
  });
});
