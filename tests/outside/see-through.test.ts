import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp, { type Sharp } from "sharp";
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
import { openingSheet } from "../../core/sheet/true-size.ts";
import { documentPdf } from "../../press/document.ts";
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

/** How many pixels across an opening is drawn. */
const WIDE = 1800;

/** The opening before the first of some leaves, and the lowest page on its right. */
function opening(leaves: readonly Leaf[]) {
  const spread = spreadAt(readBook({ format: preset, unit: "inch" }, [], leaves).leaves, 0, preset);
  return { spread, frame: spread.frame, page: spread.right.at(-1)?.page ?? spread.frame };
}

/** Pixels of a picture of an opening whose frame begins at `left`, `top`; `at` finds a place in inches on its lowest page. */
async function read(picture: Sharp, { frame, page }: ReturnType<typeof opening>, left = 0, top = 0) {
  const { data, info } = await picture.removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const scale = WIDE / frame.w;
  const at = (x: number, y: number) => {
    const across = Math.round((left + page.x + inches(x) - frame.x) * scale);
    const down = Math.round((top + page.y + inches(y) - frame.y) * scale);
    return (down * info.width + across) * info.channels;
  };
  return { data, at, channels: info.channels };
}
type Pixels = Awaited<ReturnType<typeof read>>;

/** An opening's SVG as librsvg draws it. */
function drawnPage(leaves: readonly Leaf[]): Promise<Pixels> {
  const open = opening(leaves);
  const svg = svgFile(spreadMarks(open.spread, preset), open.frame, "An opening", () => "");
  return read(sharp(Buffer.from(svg)).resize({ width: WIDE }), open);
}

/** An opening's PDF as poppler draws it. */
async function printedPage(leaves: readonly Leaf[]): Promise<Pixels> {
  const open = opening(leaves);
  const sheet = openingSheet(open.spread, preset, "inch", "An opening");
  const file = path.join(mkdtempSync(path.join(tmpdir(), "hearth-opening-")), "opening");
  writeFileSync(`${file}.pdf`, await documentPdf({ title: "", pages: [sheet] }, async () => null, new Date(0)));
  const dots = String((WIDE / open.frame.w) * inches(1));
  execFileSync("pdftoppm", ["-r", dots, "-png", "-singlefile", `${file}.pdf`, file]);
  // Where the frame begins on the paper.
  const [group] = sheet.marks;
  if (group?.kind !== "group") throw new Error("the opening is drawn first");
  return read(sharp(`${file}.png`), open, group.x + open.frame.x, group.y + open.frame.y);
}

/** The colour two inches into the lowest page. */
async function drawn(leaves: readonly Leaf[]): Promise<[number, number, number]> {
  const { data, at } = await drawnPage(leaves);
  return [...data.subarray(at(2, 2), at(2, 2) + 3)] as [number, number, number];
}

/** The blue of every pixel from three quarters of an inch to one and a quarter across the lowest page, two inches down. */
function rowAcross({ data, at, channels: each }: Pixels): number[] {
  const [from, to] = [at(0.75, 2), at(1.25, 2)];
  return Array.from({ length: (to - from) / each }, (_, nth) => data[from + nth * each + 2] ?? 0);
}

/** How many pixels of a row are on the way from its darkest to its lightest. */
function between(row: readonly number[]): number {
  const [low, high] = [Math.min(...row), Math.max(...row)];
  return row.filter((value) => value > low + (high - low) / 10 && value < high - (high - low) / 10).length;
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
    const edge = async (top: Leaf) => rowAcross(await drawnPage([top, leaf("dark", "full", true, 1)]));
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

  it("is in a PDF what it is in an SVG, as a third program (poppler) draws it: the colours, and vellum's softer edges", async () => {
    const edges = async (kind: LeafKind) => {
      const leaves = [leaf("top", kind), leaf("dark", "full", true, 1)];
      return { svg: rowAcross(await drawnPage(leaves)), pdf: rowAcross(await printedPage(leaves)) };
    };
    const [film, vellum] = [await edges("clear"), await edges("vellum")];
    for (const { svg, pdf } of [film, vellum]) {
      expect(Math.abs(Math.min(...svg) - Math.min(...pdf))).toBeLessThanOrEqual(3);
      expect(Math.abs(Math.max(...svg) - Math.max(...pdf))).toBeLessThanOrEqual(3);
      expect(Math.abs(between(svg) - between(pdf)), `${svg}\n${pdf}`).toBeLessThanOrEqual(4);
    }
    expect(between(vellum.pdf)).toBeGreaterThan(between(film.pdf) + 8);
  });
});
