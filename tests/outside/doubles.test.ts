import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { nearDoubles } from "../../core/photo/doubles.ts";
import { traitsOf } from "../../core/photo/traits.ts";
import { chanceFrom } from "../../core/words/chance.ts";

/** Made pictures, drawn by an SVG renderer (librsvg) and changed by an image library (libvips): as many as a roll has of one kind. */
const [W, H] = [480, 360];
type Next = () => number;
const many = (count: number, draw: (at: number) => string) =>
  Array.from({ length: count }, (_, at) => draw(at)).join("");
const ground = (fill: string) => `<rect width="${W}" height="${H}" fill="${fill}"/>`;

/** Plain ones: most of each is even, and what differs is small. */
const PLAIN: Readonly<Record<string, (next: Next) => string>> = {
  "lights at night": (next) =>
    ground("#0a0d18") +
    many(
      4 + Math.floor(next() * 8),
      () => `<circle cx="${next() * W}" cy="${next() * H}" r="${3 + next() * 9}" fill="#ffd68a"/>`,
    ),
  "a figure on snow": (next) =>
    `${ground("#e9edf2")}<ellipse cx="${W * (0.1 + 0.8 * next())}" cy="${H * (0.2 + 0.6 * next())}" rx="${8 + 16 * next()}" ry="${24 + 32 * next()}" fill="#7a3a2a"/>`,
  "a written page": (next) =>
    ground("#f5f2e8") +
    many(20, (line) => {
      let [x, words] = [36, ""];
      while (x < 430 && next() > 0.03) {
        const wide = 5 + next() * 24;
        words += `<rect x="${x}" y="${24 + line * 16}" width="${wide}" height="5" fill="#333"/>`;
        x += wide + 4 + next() * 3;
      }
      return words;
    }),
  "the horizon of a sea": (next) => {
    const y = H * (0.35 + 0.3 * next());
    const clouds = many(
      5,
      () =>
        `<ellipse cx="${next() * W}" cy="${next() * y * 0.8}" rx="${16 + 48 * next()}" ry="${3 + 6 * next()}" fill="#dfe8ef"/>`,
    );
    return `${ground("#b9cfe0")}<rect y="${y}" width="${W}" height="${H - y}" fill="#3d6a80"/>${clouds}`;
  },
};
const textured = (next: Next) =>
  many(60, () => {
    const [r, g, b] = [next() * 255, next() * 255, next() * 255];
    return `<ellipse cx="${next() * W}" cy="${next() * H}" rx="${8 + 80 * next()}" ry="${8 + 64 * next()}" fill="rgb(${r},${g},${b})" fill-opacity="0.8"/>`;
  });

/** A picture with the grain that every camera has, another each time. */
function drawn(scene: (next: Next) => string, seed: number): Promise<Buffer> {
  const { next } = chanceFrom(seed);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}">${scene(next)}</svg>`;
  const grain = Buffer.from(Array.from({ length: 64 * 48 * 3 }, () => 120 + next() * 16));
  return sharp(Buffer.from(svg))
    .removeAlpha()
    .composite([{ input: grain, raw: { width: 64, height: 48, channels: 3 }, tile: true, blend: "soft-light" }])
    .jpeg({ quality: 90 })
    .toBuffer();
}

async function traits(bytes: Buffer) {
  const { data, info } = await sharp(bytes)
    .resize(480, 480, { fit: "inside" })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return traitsOf({ width: info.width, height: info.height, rgb: new Uint8Array(data) }, []);
}
const like = async (id: string, bytes: Buffer, capturedAt: string | null) => {
  const { fingerprint, sharpness } = await traits(bytes);
  return { id, fingerprint, sharpness, capturedAt };
};

const CHANGES: Readonly<Record<string, (picture: Buffer) => Promise<Buffer>>> = {
  "another size": (picture) => sharp(picture).resize(300).jpeg().toBuffer(),
  "less quality": (picture) => sharp(picture).jpeg({ quality: 30 }).toBuffer(),
  lighter: (picture) => sharp(picture).linear(1.1, 14).jpeg().toBuffer(),
  blurred: (picture) => sharp(picture).blur(2).jpeg().toBuffer(),
  "black and white": (picture) => sharp(picture).greyscale().jpeg().toBuffer(),
  "2 % cropped": (picture) =>
    sharp(picture)
      .extract({ left: 5, top: 4, width: W - 10, height: H - 8 })
      .jpeg()
      .toBuffer(),
  "5 % cropped": (picture) =>
    sharp(picture)
      .extract({ left: 12, top: 9, width: W - 24, height: H - 18 })
      .jpeg()
      .toBuffer(),
  "1° turned": (picture) =>
    sharp(picture)
      .rotate(1, { background: "#888" })
      .extract({ left: 8, top: 8, width: W - 16, height: H - 16 })
      .jpeg()
      .toBuffer(),
};

describe("near-doubles", () => {
  for (const [kind, scene] of Object.entries(PLAIN))
    it(`are not found among sixty different pictures of ${kind}, all of one minute`, async () => {
      const all = await Promise.all(
        Array.from({ length: 60 }, async (_, at) =>
          like(`${at}`, await drawn(scene, at * 17 + 3), "2026-12-09T17:50:00"),
        ),
      );
      const groups = nearDoubles(all);
      // Two figures of sixty may stand in one spot and be alike: a few pairs, and never a heap.
      const most = kind === "a figure on snow" ? 12 : 2;
      expect(Math.max(0, ...groups.map((group) => group.length))).toBeLessThanOrEqual(most);
      if (kind !== "a figure on snow") expect(groups.flat().length).toBeLessThanOrEqual(4);
    });

  it("are found of a picture whatever was done to it, dated or not: all of sixteen, each in eight ways", async () => {
    const missed: string[] = [];
    for (let at = 0; at < 16; at++) {
      const picture = await drawn(textured, at * 31 + 7);
      for (const capturedAt of ["2026-12-09T17:50:00", null]) {
        const first = await like("first", picture, capturedAt);
        for (const [change, make] of Object.entries(CHANGES)) {
          const other = await like("other", await make(picture), capturedAt);
          if (nearDoubles([first, other]).length === 0)
            missed.push(`${at} ${change} ${capturedAt ? "dated" : "undated"}`);
        }
      }
    }
    expect(missed).toEqual([]);
  });

  it("are found of plain pictures too, resized, recompressed, lighter, blurred or cropped by 2 %", async () => {
    const missed: string[] = [];
    for (const [kind, scene] of Object.entries(PLAIN))
      for (let at = 0; at < 8; at++) {
        const picture = await drawn(scene, at * 13 + 5);
        const first = await like("first", picture, "2026-12-09T17:50:00");
        for (const change of ["another size", "less quality", "lighter", "blurred", "2 % cropped"]) {
          const other = await like("other", (await CHANGES[change]?.(picture)) ?? picture, "2026-12-09T17:50:09");
          if (nearDoubles([first, other]).length === 0) missed.push(`${kind} ${at} ${change}`);
        }
      }
    expect(missed).toEqual([]);
  });
});
