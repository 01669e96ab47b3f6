import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { WHOLE } from "../core/photo/crop.ts";
import type { Corners } from "../core/photo/preprint.ts";
import { laidStraight } from "./straight.ts";

/** A card of three by four with a mark in each quarter, drawn askew by an SVG renderer (librsvg) as a parallelogram. */
const [W, H] = [900, 1200];
const askew = (a: number, b: number, c: number, d: number, e: number, f: number) =>
  sharp({ create: { width: W, height: H, channels: 3, background: "#3a3f42" } })
    .composite([
      {
        input: Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}"><g transform="matrix(${a} ${b} ${c} ${d} ${e} ${f})"><rect width="300" height="400" fill="#fdfdfb"/><circle cx="75" cy="100" r="24" fill="#c02020"/><circle cx="225" cy="100" r="24" fill="#20a040"/><circle cx="225" cy="300" r="24" fill="#2040c0"/></g></svg>`,
        ),
      },
    ])
    .jpeg({ quality: 95 })
    .toBuffer();

const colourAt = async (picture: Buffer, u: number, v: number) => {
  const { data, info } = await sharp(picture).raw().toBuffer({ resolveWithObject: true });
  const from = (Math.floor(v * info.height) * info.width + Math.floor(u * info.width)) * info.channels;
  const [r = 0, g = 0, b = 0] = [data[from], data[from + 1], data[from + 2]];
  if (Math.min(r, g, b) > 225) return "white";
  return r > g && r > b ? "red" : g > b ? "green" : b > 120 ? "blue" : "dark";
};

describe("a picture of a card laid straight", () => {
  it("has everything where it is on the card, whichever way it lay before the camera", async () => {
    for (const [a, b, c, d, e, f] of [
      [2, 0, 0, 2, 120, 150],
      [1.8, 0.35, -0.3, 1.9, 220, 90],
      [1.9, -0.4, 0.25, 2.1, 60, 260],
    ] as const) {
      const corner = (x: number, y: number) => ({
        x: Math.round(((a * x + c * y + e) / W) * WHOLE),
        y: Math.round(((b * x + d * y + f) / H) * WHOLE),
      });
      const corners: Corners = [corner(0, 0), corner(300, 0), corner(300, 400), corner(0, 400)];
      const straight = await laidStraight(await askew(a, b, c, d, e, f), corners, 4 / 3);
      const { width, height } = await sharp(straight).metadata();
      expect([width, height]).toEqual([750, 1000]);
      const seen = await Promise.all(
        [
          [0.25, 0.25],
          [0.75, 0.25],
          [0.75, 0.75],
          [0.25, 0.75],
          [0.02, 0.02],
          [0.98, 0.98],
          [0.35, 0.25],
          [0.15, 0.25],
        ].map(([u = 0, v = 0]) => colourAt(straight, u, v)),
      );
      expect(seen).toEqual(["red", "green", "blue", ...Array.from({ length: 5 }, () => "white")]);
    }
  });
});
