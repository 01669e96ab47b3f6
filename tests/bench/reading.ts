import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp from "sharp";
import { VERSION_SIDES } from "../../press/picture.ts";
import { openReadingPool } from "../../press/reading-pool.ts";

const PICTURES = 200;
/** So many different ones, read again and again. */
const DIFFERENT = 8;
const AT_ONCE = 3;

/** A twelve-megapixel JPEG as a phone takes it: smooth parts, edges and noise. */
async function twelveMegapixels(seed: number): Promise<Buffer> {
  const shapes = Array.from({ length: 60 }, (_, at) => {
    const [x, y] = [(at * 977 + seed * 131) % 4032, (at * 613 + seed * 257) % 3024];
    return `<circle cx="${x}" cy="${y}" r="${60 + ((at * 41) % 260)}" fill="hsl(${(at * 37 + seed * 50) % 360} 60% ${30 + (at % 5) * 10}%)"/>`;
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="4032" height="3024"><rect width="4032" height="3024" fill="#4b5a63"/>${shapes.join("")}</svg>`;
  const noise = await sharp({
    create: {
      width: 1008,
      height: 756,
      channels: 3,
      background: "#808080",
      noise: { type: "gaussian", mean: 128, sigma: 18 },
    },
  })
    .resize(4032, 3024)
    .png({ compressionLevel: 1 })
    .toBuffer();
  return sharp(Buffer.from(svg))
    .composite([{ input: noise, blend: "soft-light" }])
    .jpeg({ quality: 88 })
    .toBuffer();
}

/** The bare codec doing the same sizes: decoded once, shrunk, and written out three times. */
async function bare(bytes: Buffer): Promise<void> {
  const [largest, middle, least] = VERSION_SIDES;
  const within = (side: number) => ({ width: side, height: side, fit: "inside" as const, withoutEnlargement: true });
  const big = await sharp(bytes)
    .autoOrient()
    .resize(within(largest))
    .toColourspace("srgb")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const raw = { raw: { width: big.info.width, height: big.info.height, channels: big.info.channels } };
  const webp = (side: number, quality: number) =>
    sharp(big.data, raw).resize(within(side)).webp({ quality, effort: 2 }).toBuffer();
  await Promise.all([webp(largest, 82), webp(middle, 76), webp(least, 76)]);
}

async function inLanes(
  pictures: readonly Buffer[],
  from: number,
  to: number,
  work: (bytes: Buffer) => Promise<unknown>,
): Promise<number> {
  let next = from;
  const began = performance.now();
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (next < to) {
        const bytes = pictures[next++ % pictures.length];
        if (bytes) await work(bytes);
      }
    }),
  );
  return performance.now() - began;
}

/** How fast pictures are read, set against the bare codec doing the same sizes, both a few at a time and taken in turn. */
export async function measureReading(projectRoot: string): Promise<{ ratio: number; megabytes: number }> {
  const pictures: Buffer[] = [];
  for (let seed = 0; seed < DIFFERENT; seed++) pictures.push(await twelveMegapixels(seed));
  const pool = openReadingPool(projectRoot);
  try {
    const ours = async (bytes: Buffer) => {
      const read = await pool.read(bytes, "a.jpg");
      if (!read.ok) throw new Error(read.reason);
    };
    await inLanes(pictures, 0, 9, ours);
    await inLanes(pictures, 0, 9, bare);
    let [mine, codec] = [0, 0];
    for (let at = 0; at < PICTURES; at += 40) {
      codec += await inLanes(pictures, at, at + 40, bare);
      mine += await inLanes(pictures, at, at + 40, ours);
    }
    return { ratio: codec / mine, megabytes: memoryOfReading(pictures) };
  } finally {
    await pool.close();
  }
}

/** The most memory, in megabytes, of a process that does nothing but read all the pictures. */
function memoryOfReading(pictures: readonly Buffer[]): number {
  const folder = mkdtempSync(path.join(tmpdir(), "hearth-reading-"));
  for (const [at, bytes] of pictures.entries()) writeFileSync(path.join(folder, `${at}.jpg`), bytes);
  const script = path.join(import.meta.dirname, "reading-memory.ts");
  const said = execFileSync(process.execPath, ["--import", "tsx", script, folder, String(PICTURES), String(AT_ONCE)], {
    encoding: "utf8",
  });
  rmSync(folder, { recursive: true });
  return Number(said);
}
