import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { stockOf } from "../../core/craft/built.ts";
import { craftOf } from "../../core/craft/catalog.ts";
import { type Made, made, NOWHERE, usualSizes } from "../../core/craft/craft.ts";
import { cutFile } from "../../core/format/cut-file.ts";
import { inches } from "../../core/measure/length.ts";
import { templatePages } from "../../core/sheet/template.ts";
import { documentPdf } from "../../press/document.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-template-"));

function making(kind: string, settings: Readonly<Record<string, number>> = {}): Made {
  const of = craftOf(kind);
  const done = of && made(of, { ...usualSizes(of, NOWHERE), ...settings }, stockOf(of.paper));
  if (!done?.ok) throw new Error(kind);
  return done;
}

/** Dots to the inch at which a dot is a twentieth of a millimetre. */
const DOTS = 508;
const mmOf = (dots: number) => (dots / DOTS) * 25.4;

/** A page of a PDF in grey, as poppler draws it. */
async function page(pages: ReturnType<typeof templatePages>, nth = 1) {
  const file = path.join(folder, `page-${nth}`);
  writeFileSync(`${file}.pdf`, await documentPdf({ title: "", pages }, async () => null, new Date(0)));
  const only = ["-r", String(DOTS), "-f", String(nth), "-l", String(nth), "-gray", "-png", "-singlefile"];
  execFileSync("pdftoppm", [...only, `${file}.pdf`, file]);
  const { data, info } = await sharp(`${file}.png`).greyscale().raw().toBuffer({ resolveWithObject: true });
  return { data, wide: info.width, high: info.height };
}

/** The middles of the dark lines that a row of dots, or a column, crosses. */
function linesAcross(dots: readonly number[]): number[] {
  const lines: number[] = [];
  let from = -1;
  for (const [at, grey] of [...dots, 255].entries()) {
    const isDark = grey < 90;
    if (isDark && from < 0) from = at;
    if (!isDark && from >= 0) {
      lines.push((from + at - 1) / 2);
      from = -1;
    }
  }
  return lines;
}

describe("templates on paper, measured by another program (poppler)", () => {
  it("have their cut lines as far apart as the blueprint says, within a tenth of a millimetre", async () => {
    const word = making("stacked-word", { width: inches(4), height: inches(2) });
    const { data, wide } = await page(templatePages(word, "Word", "inch", false));
    // Halfway down the part, which begins a quarter inch and 18 mm from the paper's upper edge.
    const row = Math.round(((0.25 * 25.4 + 18 + 25.4) / 25.4) * DOTS);
    const [left = 0, right = 0] = linesAcross([...data.subarray(row * wide, (row + 1) * wide)]);
    expect(Math.abs(mmOf(right - left) - 4 * 25.4)).toBeLessThan(0.1);
    const column = Math.round((left + right) / 2) + 40;
    const down = linesAcross(Array.from({ length: data.length / wide }, (_, at) => data[at * wide + column] ?? 255));
    expect(Math.abs(mmOf((down[1] ?? 0) - (down[0] ?? 0)) - 2 * 25.4)).toBeLessThan(0.1);
  });

  it("are tiled where no usual paper takes them, and the tiles show all of it, each point as far from its crosses as it is", async () => {
    const large = making("stacked-word", { width: inches(20), height: inches(3) });
    const pages = templatePages(large, "Word", "inch", false);
    expect(pages.length).toBeGreaterThan(1);
    expect(new Set(pages.map(({ paper }) => `${paper.w} ${paper.h}`)).size).toBe(1);
    // The left edge on the first tile and the right one on the last: with the steps between, 20 inches.
    const row = Math.round(((0.25 * 25.4 + 18 + 38) / 25.4) * DOTS);
    const cuts = async (nth: number) => {
      const { data, wide } = await page(pages, nth);
      return linesAcross([...data.subarray(row * wide, (row + 1) * wide)]).map(mmOf);
    };
    const [first, last] = [await cuts(1), await cuts(pages.length)];
    const step = (8.5 - 0.5) * 25.4 - 10;
    const long = (last.at(-1) ?? 0) + (pages.length - 1) * step - (first[0] ?? 0);
    expect(Math.abs(long - 20 * 25.4)).toBeLessThan(0.1);
  });

  it("are mirrored for the back of a paper, their words left off", async () => {
    const tag = making("tabbed-pocket");
    const texts = (isMirrored: boolean) =>
      templatePages(tag, "Pocket", "inch", isMirrored)
        .flatMap(({ marks }) => marks)
        .flatMap((mark) => (mark.kind === "group" ? mark.marks : []))
        .filter((mark) => mark.kind === "group" && mark.marks.some(({ kind }) => kind === "text"));
    expect([texts(false).length, texts(true).length]).toEqual([1, 0]);
  });
});

type Element = {
  readonly "@_id"?: string;
  readonly path?: readonly { readonly "@_d": string }[];
  readonly g?: readonly Element[];
};
const READER = new XMLParser({ ignoreAttributes: false, isArray: (name) => name === "g" || name === "path" });
const pathsOf = ({ path: own = [], g = [] }: Element): string[] => [
  ...own.map((each) => each["@_d"]),
  ...g.flatMap(pathsOf),
];

describe("the file for a cutting machine, read by another library (fast-xml-parser, librsvg)", () => {
  it("is well formed, has three layers named cut, score and draw and nothing else, and every cut in it is closed", () => {
    for (const kind of ["tabbed-pocket", "grid-booklet", "ring", "dangling-tags", "shaker"]) {
      const done = making(kind);
      const svg = cutFile(done, `Tobiah & "${kind}"`);
      expect(XMLValidator.validate(svg)).toBe(true);
      const { svg: root } = READER.parse(svg) as { svg: Element & { title: string } };
      expect(root.title).toBe(`Tobiah & "${kind}"`);
      const layers = new Map((root.g ?? []).map((each) => [each["@_id"], pathsOf(each)]));
      expect([...layers.keys()].sort()).toEqual(["cut", "draw", "score"]);
      const cut = layers.get("cut") ?? [];
      const times = (of: (part: Made["parts"][number]) => number) =>
        done.parts.reduce((sum, part) => sum + part.count * of(part), 0);
      expect(cut).toHaveLength(times(({ windows, holes, slits }) => 1 + windows.length + holes.length + slits.length));
      for (const each of cut) expect(each.endsWith("Z")).toBe(true);
      expect(layers.get("score")).toHaveLength(times(({ hinges }) => hinges.length));
    }
  });

  it("is as large as its parts side by side, and its lines lie where the blueprint has them", async () => {
    const word = making("stacked-word", { width: inches(4), height: inches(2), layers: 2 });
    const svg = cutFile(word, "Word");
    const { svg: root } = READER.parse(svg) as { svg: Readonly<Record<string, string>> };
    // Two of it beside each other, ten millimetres between and round them; a user unit is a millimetre.
    const [wide, high] = [2 * 4 * 25.4 + 30, 2 * 25.4 + 20];
    expect([root["@_width"], root["@_height"]]).toEqual([`${wide}mm`, `${high}mm`]);
    expect(root["@_viewBox"]).toBe(`0 0 ${wide} ${high}`);
    // A dot is a twentieth of a millimetre.
    const size = { width: Math.round((wide / 25.4) * DOTS), height: Math.round((high / 25.4) * DOTS) };
    const picture = sharp(Buffer.from(svg), { density: 300 })
      .resize({ ...size, fit: "fill" })
      .flatten({ background: "#fff" });
    const { data, info } = await picture.greyscale().raw().toBuffer({ resolveWithObject: true });
    const row = Math.round(info.height / 2);
    const dots = [...data.subarray(row * info.width, (row + 1) * info.width)].map((grey) => (grey < 230 ? 0 : 255));
    const lines = linesAcross(dots).map(mmOf);
    const wanted = [10, 10 + 101.6, 20 + 101.6, 20 + 203.2];
    expect(lines).toHaveLength(4);
    for (const [at, line] of lines.entries()) expect(Math.abs(line - (wanted[at] ?? 0))).toBeLessThan(0.1);
  });
});
