import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { presetById } from "../../core/album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafKind, NOBODY, newLeaf } from "../../core/album/leaf.ts";
import { VELLUM_HIDES } from "../../core/book/leaf-ink.ts";
import { readBook } from "../../core/book/read.ts";
import { spreadAt } from "../../core/book/spread.ts";
import { sideMarks } from "../../core/draw/side.ts";
import { svgFile } from "../../core/draw/svg.ts";
import { INKS } from "../../core/material/ink.ts";
import { inches, type Length, ticks } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import { luminance } from "../../core/photo/quiet.ts";
import { throughVellum } from "../../core/see-through/ground.ts";
import { makeOf } from "../samples.ts";

const found = presetById("ring-6x8");
if (!found) throw new Error("shipped");
const preset = found;

/** A leaf of a kind, of no holes at the place that is looked at, with a dark mat all over it or nothing. */
const leaf = (id: string, kind: LeafKind, isDark = false): Leaf => ({
  ...newLeaf(id, makeOf({ kind }), NOBODY, NOBODY),
  front: {
    ...EMPTY_SIDE,
    pieces: isDark
      ? [
          {
            ...{ id: "m", turn: 0, outside: false, dayId: null, at: { x: ticks(0), y: ticks(0) } },
            what: { kind: "photo-mat", size: size(inches(6), inches(8)), name: "" },
          },
        ]
      : [],
  },
});

/** The colour in the upper left of the right page, as another program (librsvg) draws the opening from the lowest leaf up. */
async function drawn(leaves: readonly Leaf[]): Promise<[number, number, number]> {
  const { right, frame } = spreadAt(readBook({ format: preset, unit: "inch" }, [], leaves).leaves, 0, preset);
  const marks = [...right].reverse().map(({ read, face, page }) => ({
    ...({ kind: "group", x: page.x as Length, y: page.y as Length, turn: 0 } as const),
    ...{ w: page.w as Length, h: page.h as Length, marks: sideMarks(read, face, preset) },
  }));
  const svg = svgFile(marks, frame, "An opening", () => "");
  const at = (right[0]?.page.x ?? 0) + inches(2) - frame.x;
  const wide = 1200;
  const image = await sharp(Buffer.from(svg))
    .resize({ width: wide })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [x, y] = [Math.round((at / frame.w) * wide), Math.round((inches(2) / frame.h) * image.info.height)];
  const pixel = (y * image.info.width + x) * image.info.channels;
  return [...image.data.subarray(pixel, pixel + 3)] as [number, number, number];
}

const channels = (colour: string) => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

/**
 * Source over, without a group and on an opaque backdrop: co = cs·αs + cb·(1 − αs) (W3C Compositing and Blending Level 1,
 * "Simple alpha compositing").
 */
const over = (source: readonly number[], alpha: number, backdrop: readonly number[]): number[] =>
  source.map((value, at) => value * alpha + (backdrop[at] ?? 0) * (1 - alpha));

describe("an opening that is looked through, as another program draws it", () => {
  it("has vellum laid over what is behind it by the W3C's source-over, once and twice, and film all but clear", async () => {
    const mat = channels(INKS.mat);
    const paper = channels(INKS.paper);
    const near = (got: readonly number[], wanted: readonly number[], by: number) =>
      got.forEach((value, at) => {
        expect(Math.abs(value - (wanted[at] ?? 0)), `${got} is ${wanted}`).toBeLessThanOrEqual(by);
      });
    const dark = leaf("dark", "full", true);
    near(await drawn([dark]), mat, 1);
    const once = over(paper, VELLUM_HIDES, mat);
    near(await drawn([leaf("v", "vellum"), dark]), once, 2);
    near(await drawn([leaf("v", "vellum"), leaf("u", "vellum"), dark]), over(paper, VELLUM_HIDES, once), 2);
    near(await drawn([leaf("f", "clear"), dark]), mat, 8);
    // What the reckoning takes for a grey is what is drawn: the same formula on one channel.
    const grey = throughVellum(mat[0] ?? 0, 1);
    expect(Math.abs(luminance(grey) - luminance(once[0] ?? 0))).toBeLessThan(0.01);
  });

  it("lets never more light through for another clear leaf", async () => {
    const dark = leaf("dark", "full", true);
    const film = (nth: number) => leaf(`f${nth}`, "clear");
    const many = await Promise.all(
      [0, 1, 3, 8, 14].map((count) => drawn([...Array.from({ length: count }, (_, nth) => film(nth)), dark])),
    );
    const own = channels(INKS.film);
    const off = many.map((colour) => colour.reduce((sum, value, at) => sum + Math.abs(value - (own[at] ?? 0)), 0));
    for (const [nth, each] of off.entries()) expect(each).toBeLessThanOrEqual((off[nth - 1] ?? each) + 2);
  });
});
