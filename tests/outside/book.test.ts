import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp, { type Sharp } from "sharp";
import { describe, expect, it } from "vitest";
import { presetById } from "../../core/album/formats.ts";
import { holePreset } from "../../core/album/holes.ts";
import { NOBODY, newLeaf } from "../../core/album/leaf.ts";
import type { AlbumFormat } from "../../core/album/model.ts";
import { CLEAR_STRIP } from "../../core/book/holes.ts";
import { readBook } from "../../core/book/read.ts";
import { fitOnPage, PLAY, splitOver } from "../../core/fit/fit.ts";
import { inches, millimetres, TICKS_PER_INCH, ticks, toMillimetres } from "../../core/measure/length.ts";
import { rect } from "../../core/measure/rect.ts";
import { aSeries, LETTER } from "../../core/measure/sheets.ts";
import { leafSheet, punchGuide, type TrueSheet } from "../../core/sheet/true-size.ts";
import { documentPdf, pageSvg } from "../../press/document.ts";
import { makeOf } from "../samples.ts";

const area = (x: number, y: number, w: number, h: number) => rect(inches(x), inches(y), inches(w), inches(h));
const preset = (id: string): AlbumFormat => {
  const found = presetById(id);
  if (!found) throw new Error("shipped");
  return found;
};

describe("fit against facts of the trade", () => {
  it("an 8½ piece on an 8¼ protector hangs over ⅛ at each end (common practice)", () => {
    const fit = fitOnPage(area(0, -0.125, 6, 8.5), { w: inches(6), h: inches(8.25) });
    expect(fit).toMatchObject({
      kind: "overhangs",
      over: { top: inches(1 / 8), bottom: inches(1 / 8), left: 0, right: 0 },
    });
  });

  it("a 4 × 6 over two 3 × 4 pockets is two parts 3 × 4, nothing lost but the seam (common practice)", () => {
    const pockets = [area(0, 0, 3, 4), area(3, 0, 3, 4)] as const;
    const split = splitOver({ w: inches(6), h: inches(4) }, ...pockets, "kept");
    if (!split.ok) throw new Error(split.reason);
    expect(split.parts.map(({ w, h }) => [w, h])).toEqual([
      [inches(3), inches(4)],
      [inches(3), inches(4)],
    ]);
    expect(split.cuts).toEqual([inches(3)]);
    const seamed = [area(0, 0, 3, 4), area(3.125, 0, 3, 4)] as const;
    const dropped = splitOver({ w: inches(6.125), h: inches(4) }, ...seamed, "dropped");
    if (!dropped.ok) throw new Error(dropped.reason);
    expect(dropped.cuts).toEqual([inches(3), inches(3.125)]);
    expect(dropped.parts[0].w + dropped.parts[1].w).toBe(inches(6));
  });

  it("a piece wants ¹⁄₁₆ of play in its pocket, and a clear punch strip stands ½ outside the edge (common practice)", () => {
    expect([PLAY, CLEAR_STRIP]).toEqual([inches(1 / 16), inches(1 / 2)]);
  });
});

describe("holes against ISO 838", () => {
  it("two holes 80 ± 0.5 mm apart, 6 ± 0.5 mm across, their centres 12 ± 1 mm from the edge, the pair centred", () => {
    for (const along of [aSeries(5).h, aSeries(4).h]) {
      const { positions, inset, diameter } = holePreset("iso-838", along);
      const [upper = 0, lower = 0] = positions.map(toMillimetres);
      expect(Math.abs(lower - upper - 80)).toBeLessThanOrEqual(0.5);
      expect(Math.abs(toMillimetres(diameter) - 6)).toBeLessThanOrEqual(0.5);
      expect(Math.abs(toMillimetres(inset) - 12)).toBeLessThanOrEqual(1);
      expect(Math.abs(upper + lower - toMillimetres(along))).toBeLessThanOrEqual(0.01);
    }
  });

  it("the A5 two-hole book has them", () => {
    const { holes } = preset("a5-two-hole");
    expect(holes.positions.length).toBe(2);
    expect(ticks((holes.positions[1] ?? 0) - (holes.positions[0] ?? 0))).toBe(millimetres(80));
  });
});

const DPI = 450;
type Grey = { data: Buffer; width: number; height: number };
const inMm = (pixels: number) => (pixels / DPI) * 25.4;
const toPixel = (length: number) => Math.round((length / TICKS_PER_INCH) * DPI);

async function grey(image: Sharp): Promise<Grey> {
  const { data, info } = await image
    .flatten({ background: "#ffffff" })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/** Lines are a tenth of a millimetre thick; a place is the middle of one. */
const HALF_LINE = 0.05;

/** From the first to the last line across a row or column, in millimetres from the paper's edge. */
function darkSpan(
  image: Grey,
  along: "row" | "column",
  at: number,
  from = 0,
  to = Number.POSITIVE_INFINITY,
): [number, number] {
  const length = along === "row" ? image.width : image.height;
  const dark: number[] = [];
  for (let index = from; index < Math.min(length, to); index++) {
    const value = along === "row" ? image.data[at * image.width + index] : image.data[index * image.width + at];
    if ((value ?? 255) < 140) dark.push(index);
  }
  return [inMm(dark[0] ?? Number.NaN) + HALF_LINE, inMm((dark.at(-1) ?? Number.NaN) + 1) - HALF_LINE];
}

const near = (measured: number, length: number) =>
  expect(Math.abs(measured - toMillimetres(ticks(Math.round(length))))).toBeLessThanOrEqual(0.1);

const folder = mkdtempSync(path.join(tmpdir(), "hearth-sheets-"));
const NO_PHOTOS = async () => null;

/** The sheet as other programs see it: Poppler reads the PDF, librsvg the SVG; both drawn at 450 dots an inch. */
async function seenByOthers(sheet: TrueSheet): Promise<{ pdf: Grey; svg: Grey; page: [number, number] }> {
  const file = path.join(folder, `${sheet.title.replace(/\W+/g, "-").slice(0, 40)}.pdf`);
  writeFileSync(file, await documentPdf({ title: sheet.title, pages: [sheet] }, NO_PHOTOS, new Date(0)));
  const info = execFileSync("pdfinfo", [file], { encoding: "utf8" });
  const [, w, h] = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(info) ?? [];
  execFileSync("pdftoppm", ["-r", String(DPI), "-gray", "-png", "-singlefile", file, file.replace(".pdf", "")]);
  const svg = Buffer.from(await pageSvg(sheet, NO_PHOTOS));
  // What it says of its own size, before it is drawn at that size.
  const said = /<svg[^>]* width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg.toString());
  near(Number(said?.[1]), sheet.paper.w);
  near(Number(said?.[2]), sheet.paper.h);
  return {
    pdf: await grey(sharp(file.replace(".pdf", ".png"))),
    svg: await grey(sharp(svg).resize({ width: toPixel(sheet.paper.w), height: toPixel(sheet.paper.h), fit: "fill" })),
    page: [(Number(w) / 72) * 25.4, (Number(h) / 72) * 25.4],
  };
}

describe("sheets at true size, measured by other programs (Poppler, librsvg)", () => {
  it("a punch guide's strip, holes and scale bar are true within 0.1 mm, in PDF and SVG", async () => {
    const format = preset("ring-6x8");
    const sheet = punchGuide(format, "inch");
    expect(sheet.paper).toEqual(LETTER);
    const { pdf, svg, page } = await seenByOthers(sheet);
    near(page[0], LETTER.w);
    near(page[1], LETTER.h);
    const left = (LETTER.w - inches(2)) / 2;
    const top = inches(1 / 4);
    const { holes, outer } = format;
    for (const image of [pdf, svg]) {
      // Between two holes nothing but the strip's two edges crosses the row; near its free edge nothing crosses the column.
      const between = top + ((holes.positions[0] ?? 0) + (holes.positions[1] ?? 0)) / 2;
      const [from, to] = darkSpan(image, "row", toPixel(between));
      near(from, left);
      near(to - from, inches(2));
      const [high, low] = darkSpan(
        image,
        "column",
        toPixel(left + inches(1.9)),
        0,
        toPixel(top + outer.h + inches(0.1)),
      );
      near(high, top);
      near(low - high, outer.h);
      for (const position of holes.positions) {
        // A chord a sixteenth of an inch above the middle of the hole, clear of its cross hairs and its words.
        const above = inches(1 / 16);
        const radius = holes.diameter / 2;
        const chord = 2 * Math.sqrt(radius * radius - above * above);
        const centre = left + holes.inset;
        const [a, b] = darkSpan(
          image,
          "row",
          toPixel(top + position - above),
          toPixel(centre - radius * 1.3),
          toPixel(centre - 400),
        );
        const [c, d] = darkSpan(
          image,
          "row",
          toPixel(top + position - above),
          toPixel(centre + 400),
          toPixel(centre + radius * 1.3),
        );
        near(d - a, chord);
        near((a + b + c + d) / 4, centre);
      }
      const bar = LETTER.h - inches(1 / 4) - inches(0.7) + millimetres(6) + millimetres(1);
      const [start, end] = darkSpan(image, "row", toPixel(bar), 0, toPixel(inches(1 / 4) + inches(4) + millimetres(1)));
      near(start, inches(1 / 4));
      near(end - start, inches(4));
    }
  });

  it("a leaf is as large as its protector, on A4 for a metric album, its scale bar 10 cm", async () => {
    const format = preset("a5-two-hole");
    const leaf = newLeaf("a", makeOf({ kind: "full" }), NOBODY, NOBODY);
    const [read] = readBook({ format, unit: "cm" }, [], [leaf]).leaves;
    if (!read) throw new Error("one leaf");
    const sheet = leafSheet(read, "front", format, "cm", "A leaf");
    expect(sheet.paper).toEqual(aSeries(4));
    const { pdf, svg } = await seenByOthers(sheet);
    const left = (aSeries(4).w - format.outer.w) / 2;
    for (const image of [pdf, svg]) {
      const [from, to] = darkSpan(image, "row", toPixel(inches(1 / 4) + format.outer.h / 2));
      near(from, left);
      near(to - from, format.outer.w);
      const [high, low] = darkSpan(
        image,
        "column",
        toPixel(left + format.outer.w / 2),
        0,
        toPixel(inches(1 / 4) + format.outer.h + millimetres(1)),
      );
      near(high, inches(1 / 4));
      near(low - high, format.outer.h);
      const bar = aSeries(4).h - inches(1 / 4) - inches(0.7) + millimetres(6) + millimetres(1);
      const [start, end] = darkSpan(image, "row", toPixel(bar), 0, toPixel(inches(1 / 4) + millimetres(101)));
      near(end - start, millimetres(100));
    }
  });
});
