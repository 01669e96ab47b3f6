import { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import { parse } from "csv-parse/sync";
import { unzipSync } from "fflate";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import type { ShownUse } from "../../core/draw/print.ts";
import { inches } from "../../core/measure/length.ts";
import { rect } from "../../core/measure/rect.ts";
import { type Size, size } from "../../core/measure/size.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { AS_IT_COMES, type PictureFacts } from "../../core/photo/crop.ts";
import { NO_LOOK } from "../../core/photo/look.ts";
import { onLabPaper } from "../../core/sheet/lab.ts";
import { emOf } from "../../core/words/lettering.ts";
import { widthOf } from "../../core/words/typefaces.ts";
import { takeOrder } from "../../demo/lab.ts";
import { packOrder } from "../../press/lab-order.ts";
import { labPrint, labTest } from "../../press/lab-print.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const FACTS: PictureFacts = { width: 1200, height: 800, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] };
const plain = (background: string) =>
  sharp({ create: { width: 1200, height: 800, channels: 3, background } })
    .withExif({ IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1" } })
    .jpeg({ quality: 95 })
    .toBuffer();
/** Rings about the middle and stripes at the edges: whatever is moved or stretched shows. */
const RINGS = await sharp({ create: { width: 1200, height: 800, channels: 3, background: "#e8e2d0" } })
  .composite([
    {
      input: Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800">${[80, 180, 280, 380].map((r) => `<circle cx="600" cy="400" r="${r}" fill="none" stroke="#1c2023" stroke-width="24"/>`).join("")}<path d="M60 0v800M1140 0v800M0 60h1200M0 740h1200" stroke="#b8451b" stroke-width="24"/></svg>`,
      ),
    },
  ])
  .jpeg({ quality: 95 })
  .toBuffer();
const PICTURES: Record<string, Buffer> = { red: await plain("#c02020"), green: await plain("#20a040"), rings: RINGS };
const bytesOf = async (id: string) => ({ bytes: PICTURES[id] ?? RINGS, mime: "image/jpeg" as const });

const TRUE = { x: 1, y: 1 };
const use = (print: Size, change: Partial<ShownUse> = {}): ShownUse => ({
  ...{ photoId: "red", alt: "", print, crop: AS_IT_COMES, picture: FACTS, onIt: [], repeat: null, together: null },
  ...change,
});
const alone = (print: Size) => ({ paper: print, at: rect(0, 0, print.w, print.h) });

type Seen = { readonly data: Buffer; readonly width: number; readonly height: number };
const seenIn = async (file: Buffer): Promise<Seen> => {
  const { data, info } = await sharp(file).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};
/** The colour at a place in inches, at the 300 pixels an inch that labs ask for (common practice). */
const at = ({ data, width }: Seen, x: number, y: number): "red" | "green" | "white" | "other" => {
  const from = (Math.floor(y * 300) * width + Math.floor(x * 300)) * 3;
  const [r = 0, g = 0, b = 0] = [data[from], data[from + 1], data[from + 2]];
  if (Math.min(r, g, b) > 240) return "white";
  return r > 150 && g < 90 ? "red" : g > 120 && r < 90 ? "green" : "other";
};

describe("a lab order", () => {
  const prints = [by(6, 4), by(3, 4)].map((print, nth) => ({
    ...{ use: use(print), on: alone(print), stretch: TRUE },
    day: nth === 0 ? '9, "lit" windows' : "=cmd",
  }));
  const order = () => packOrder(prints, bytesOf, new Date("2026-12-09T18:40:00Z"));

  it("is a ZIP of files of each print's size at 300 pixels an inch, with a list other programs read (fflate, csv-parse; RFC 4180)", async () => {
    const files = unzipSync(await buffer(order()));
    const rows: Record<string, string>[] = parse(Buffer.from(files["order.csv"] ?? []), { columns: true });
    expect(rows.map(({ width_mm, height_mm, day }) => [width_mm, height_mm, day])).toEqual([
      ["152.4", "101.6", '9, "lit" windows'],
      ["76.2", "101.6", "'=cmd"],
    ]);
    const sizes = await Promise.all(rows.map(({ file }) => sharp(files[file ?? ""]).metadata()));
    expect(
      sizes.map(({ width, height, density, exif }) => [width, height, density, exif?.includes("GPS") ?? false]),
    ).toEqual([
      [1800, 1200, 300, false],
      [900, 1200, 300, false],
    ]);
  });

  it("is taken by the simulated lab, which looks at every file and delivers after its days", async () => {
    const on = "2026-12-09" as CalendarDate;
    expect(await takeOrder(order(), on, 3)).toEqual({ ok: true, prints: 2, due: "2026-12-12" });
    expect(await takeOrder(order(), on, 7)).toMatchObject({ due: "2026-12-16" });
    expect(await takeOrder(Readable.from([Buffer.from("no zip")]), on, 3)).toEqual({
      ...{ ok: false, reason: "not-an-order" },
    });
  });
});

describe("a file for a lab", () => {
  it("has the white border of its print, and on larger paper lies in the middle with white and a line round it", async () => {
    const bordered = use(by(6, 4), { crop: { ...AS_IT_COMES, border: inches(1 / 4) } });
    const whole = await seenIn(await labPrint(bordered, alone(by(6, 4)), TRUE, bytesOf));
    expect([at(whole, 0.1, 2), at(whole, 0.4, 0.4), at(whole, 5.9, 2)]).toEqual(["white", "red", "white"]);
    const on = onLabPaper(by(3, 4), { papers: [by(8, 10), by(4, 6)] });
    expect(on).toEqual({ paper: by(4, 6), at: { x: inches(0.5), y: inches(1), ...by(3, 4) } });
    if (!on) throw new Error("a 3 × 4 goes on a 4 × 6");
    const small = await seenIn(await labPrint(use(by(3, 4)), on, TRUE, bytesOf));
    expect([small.width, small.height]).toEqual([1200, 1800]);
    expect([at(small, 0.3, 3), at(small, 0.52, 1.02), at(small, 3.48, 4.98), at(small, 3.7, 3)]).toEqual([
      ...["white", "red", "red", "white"],
    ]);
    // The line to cut along is just outside of the print.
    expect([at(small, 0.5 - 1 / 300, 3), at(small, 3.5, 3)].every((seen) => seen !== "white")).toBe(true);
  });

  it("has every picture of a shared print in its place, with the gap white, and a pattern over all of it", async () => {
    const together = {
      ...{ along: "rows" as const, counts: [2], gap: inches(1 / 8) },
      others: [{ photoId: "green", crop: AS_IT_COMES, picture: FACTS }],
    };
    const two = await seenIn(await labPrint(use(by(6, 4), { together }), alone(by(6, 4)), TRUE, bytesOf));
    expect([at(two, 0.02, 2), at(two, 2.92, 2), at(two, 3, 2), at(two, 3.08, 2), at(two, 5.98, 2)]).toEqual([
      ...["red", "red", "white", "green", "green"],
    ]);
    const pattern = use(by(5, 2.5), { repeat: by(3, 2) });
    const all = await seenIn(await labPrint(pattern, alone(by(5, 2.5)), TRUE, bytesOf));
    expect([at(all, 0.1, 0.1), at(all, 4.95, 0.1), at(all, 0.1, 2.45), at(all, 4.95, 2.45)]).toEqual([
      ...["red", "red", "red", "red"],
    ]);
  });

  it("has what is printed on the picture, in letters as wide as core measures them, and nowhere else", async () => {
    const where = rect(inches(1), inches(1), inches(4), inches(2));
    const words = { id: "w", kind: "words", text: "Lanternlight", typeface: "book", size: 120, tone: "light" } as const;
    const seen = await seenIn(
      await labPrint(use(by(6, 4), { onIt: [{ ...words, at: where }] }), alone(by(6, 4)), TRUE, bytesOf),
    );
    const white: number[] = [];
    for (let y = 0; y < 1200; y++)
      for (let x = 0; x < 1800; x++) if (at(seen, x / 300 + 0.001, y / 300 + 0.001) === "white") white.push(x);
    expect(white.length).toBeGreaterThan(2000);
    const [left, right] = [Math.min(...white), Math.max(...white)];
    const wide = (widthOf("book", "Lanternlight") * emOf(120) * 300) / 8128;
    // Their middle stands where the box's does, and they are as wide as measured, but for the room beside a letter.
    expect(Math.abs((left + right) / 2 - 900)).toBeLessThan(6);
    expect(Math.abs(right - left - wide)).toBeLessThan(16);
  });

  it("comes out true of a lab that makes it 3 % larger and lets the rest fall off, and of one that makes it smaller", async () => {
    const rings = use(by(6, 4), { photoId: "rings" });
    const meant = await seenIn(await labPrint(rings, alone(by(6, 4)), TRUE, bytesOf));
    const difference = ({ data }: Seen) =>
      meant.data.reduce((sum, value, nth) => sum + Math.abs(value - (data[nth] ?? 0)), 0) / meant.data.length;
    for (const [x, y] of [
      [1.03, 1.03],
      [1.02, 1.01],
    ] as const) {
      const file = await labPrint(rings, alone(by(6, 4)), { x, y }, bytesOf);
      // What such a lab does, with another program's resizing: larger from the middle, cut to the paper.
      const [w, h] = [Math.round(1800 * x), Math.round(1200 * y)];
      const large = await sharp(file).resize({ width: w, height: h, fit: "fill" }).png().toBuffer();
      const left = Math.round((w - 1800) / 2);
      const top = Math.round((h - 1200) / 2);
      const came = await seenIn(await sharp(large).extract({ left, top, width: 1800, height: 1200 }).png().toBuffer());
      const untouched = await sharp(await labPrint(rings, alone(by(6, 4)), TRUE, bytesOf))
        .resize({ width: w, height: h, fit: "fill" })
        .png()
        .toBuffer();
      const off = await seenIn(
        await sharp(untouched).extract({ left, top, width: 1800, height: 1200 }).png().toBuffer(),
      );
      expect(difference(came)).toBeLessThan(2);
      expect(difference(off)).toBeGreaterThan(4 * difference(came));
    }
    const small = await labPrint(rings, alone(by(6, 4)), { x: 0.98, y: 0.98 }, bytesOf);
    const [w, h] = [Math.round(1800 * 0.98), Math.round(1200 * 0.98)];
    const came = await seenIn(await sharp(small).resize({ width: w, height: h, fit: "fill" }).png().toBuffer());
    const middle = await seenIn(
      await sharp(await labPrint(rings, alone(by(6, 4)), TRUE, bytesOf))
        .extract({ left: (1800 - w) / 2, top: (1200 - h) / 2, width: w, height: h })
        .png()
        .toBuffer(),
    );
    const apart = came.data.reduce((sum, value, nth) => sum + Math.abs(value - (middle.data[nth] ?? 0)), 0);
    expect(apart / came.data.length).toBeLessThan(2);
  });

  it("to test it with has bars as long as they are said to be, across and along, crossing in the middle", async () => {
    const file = await labTest(by(4, 6), inches(3));
    const { width, height, density } = await sharp(file).metadata();
    expect([width, height, density]).toEqual([1200, 1800, 300]);
    const grey = await sharp(file).greyscale().raw().toBuffer();
    const dark = (x: number, y: number) => (grey[y * 1200 + x] ?? 255) < 120;
    const across = Array.from({ length: 1200 }, (_, x) => x).filter((x) => dark(x, 900));
    const along = Array.from({ length: 1800 }, (_, y) => y).filter((y) => dark(600, y));
    // From the middle of one end's stroke to the middle of the other's: 900 pixels are three inches.
    expect(Math.abs((across.at(-1) ?? 0) - (across[0] ?? 0) - 900)).toBeLessThanOrEqual(4);
    expect(Math.abs((along.at(-1) ?? 0) - (along[0] ?? 0) - 900)).toBeLessThanOrEqual(4);
  });
});
