import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { presetById } from "../../core/album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafKind, NOBODY, newLeaf } from "../../core/album/leaf.ts";
import { VELLUM_HIDES } from "../../core/book/leaf-ink.ts";
import { readBook } from "../../core/book/read.ts";
import { spreadAt } from "../../core/book/spread.ts";
import { spreadMarks } from "../../core/draw/spread.ts";
import { svgFile } from "../../core/draw/svg.ts";
import { INKS } from "../../core/material/ink.ts";
import { inches, ticks } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import { luminance } from "../../core/photo/quiet.ts";
import { throughVellum } from "../../core/see-through/ground.ts";
import { makeOf } from "../samples.ts";

const found = presetById("ring-6x8");
if (!found) throw new Error("shipped");
const preset = found;

/** A leaf of a kind, of no holes at the place that is looked at, with a dark mat all over it or nothing. */
const leaf = (id: string, kind: LeafKind, isDark = false, from = 0): Leaf => ({
  ...newLeaf(id, makeOf({ kind }), NOBODY, NOBODY),
  front: {
    ...EMPTY_SIDE,
    pieces: isDark
      ? [
          {
            ...{ id: "m", turn: 0, outside: false, dayId: null, at: { x: inches(from), y: ticks(0) } },
            what: { kind: "photo-mat", size: size(inches(6), inches(8)), name: "" },
          },
        ]
      : [],
  },
});

/** The right page of an opening as another program (librsvg) draws it, and where a place of it, in inches, is. */
async function drawnPage(leaves: readonly Leaf[]) {
  const spread = spreadAt(readBook({ format: preset, unit: "inch" }, [], leaves).leaves, 0, preset);
  const { right, frame } = spread;
  const dark = right.at(-1)?.page ?? frame;
  const svg = svgFile(spreadMarks(spread, preset), frame, "An opening", () => "");
  const wide = 2400;
  const { data, info } = await sharp(Buffer.from(svg))
    .resize({ width: wide })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const pixel = (x: number, y: number) => {
    const across = Math.round(((dark.x + inches(x) - frame.x) / frame.w) * wide);
    const down = Math.round(((dark.y + inches(y) - frame.y) / frame.h) * info.height);
    return (down * info.width + across) * info.channels;
  };
  return { data, pixel, channels: info.channels };
}

/** The colour two inches into the lowest page. */
async function drawn(leaves: readonly Leaf[]): Promise<[number, number, number]> {
  const { data, pixel } = await drawnPage(leaves);
  const at = pixel(2, 2);
  return [...data.subarray(at, at + 3)] as [number, number, number];
}

/** The blue of every pixel from three quarters of an inch to one and a quarter across the lowest page, two inches down. */
async function rowAcross(leaves: readonly Leaf[]): Promise<number[]> {
  const { data, pixel, channels: each } = await drawnPage(leaves);
  const [from, to] = [pixel(0.75, 2), pixel(1.25, 2)];
  return Array.from({ length: (to - from) / each }, (_, nth) => data[from + nth * each + 2] ?? 0);
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

  it("is softer behind vellum: an edge that is sharp through film is spread over some of it", async () => {
    // Across the left edge of a dark mat an inch from the page's edge, a row of pixels.
    const edge = (top: Leaf) => rowAcross([top, leaf("dark", "full", true, 1)]);
    const steps = (row: readonly number[]) =>
      Math.max(...row.slice(1).map((value, at) => Math.abs(value - (row[at] ?? 0))));
    const [film, vellum] = [await edge(leaf("f", "clear")), await edge(leaf("v", "vellum"))];
    const range = (row: readonly number[]) => Math.max(...row) - Math.min(...row);
    // The steepest step, as a share of all of the change.
    expect(steps(film) / range(film)).toBeGreaterThan(0.5);
    expect(steps(vellum) / range(vellum)).toBeLessThan(0.3);
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
