import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { type Card, newCard } from "../../core/album/model.ts";
import { tileAt, tilesOf } from "../../core/album/tiles.ts";
import { inches, TICKS_PER_INCH, toMillimetres } from "../../core/measure/length.ts";
import { rect } from "../../core/measure/rect.ts";
import { LETTER } from "../../core/measure/sheets.ts";
import { size } from "../../core/measure/size.ts";
import { AS_IT_COMES, type PictureFacts } from "../../core/photo/crop.ts";
import { NO_LOOK } from "../../core/photo/look.ts";
import { cardSheetPages } from "../../core/sheet/card-sheet.ts";
import { CUT_STEPS, gangSheets, taskOf } from "../../core/sheet/gang.ts";
import { planAfter } from "../../core/sheet/pack/pack.ts";
import { barOf, printableOf, trueBars } from "../../core/sheet/paper.ts";
import { printSheetPage, scaleTestPage, TRUE_STRETCH } from "../../core/sheet/print-marks.ts";
import { usualSetting } from "../../core/words/lettering.ts";
import { documentPdf } from "../../press/document.ts";
import { pdfWords } from "../pdf-words.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-print-"));
const by = (w: number, h: number) => size(inches(w), inches(h));
const FACTS: PictureFacts = { width: 1200, height: 900, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] };
const picture = await sharp({ create: { width: 1200, height: 900, channels: 3, background: "#b8451b" } })
  .withExif({ IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1" } })
  .jpeg()
  .toBuffer();
const bytesOf = async () => ({ bytes: picture, mime: "image/jpeg" as const });

/** Resolution at which Poppler draws a page for measuring. */
const DPI = 300;
const PER_MM = DPI / 25.4;
type Drawn = { data: Buffer; width: number; height: number };

async function drawn(pdf: Buffer, page = 1): Promise<Drawn> {
  const file = path.join(folder, "page.pdf");
  writeFileSync(file, pdf);
  execFileSync("pdftoppm", [
    "-r",
    String(DPI),
    "-f",
    String(page),
    "-l",
    String(page),
    "-png",
    file,
    path.join(folder, "page"),
  ]);
  const [name = ""] = execFileSync("sh", ["-c", `ls ${folder}/page-*.png`], { encoding: "utf8" })
    .trim()
    .split("\n");
  const { data, info } = await sharp(readFileSync(name)).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  execFileSync("rm", [name]);
  return { data, width: info.width, height: info.height };
}
const isEmber = ({ data, width }: Drawn, x: number, y: number): boolean => {
  const at = (y * width + x) * 3;
  return Math.abs((data[at] ?? 0) - 184) < 40 && (data[at + 1] ?? 0) < 130 && (data[at + 2] ?? 255) < 90;
};

/** The prints of a page, as boxes of their colour with white between them, in millimetres. */
function boxes(page: Drawn): { x: number; y: number; w: number; h: number }[] {
  const seen = new Uint8Array(page.width * page.height);
  const found: { x: number; y: number; w: number; h: number }[] = [];
  for (let y = 0; y < page.height; y++) {
    for (let x = 0; x < page.width; x++) {
      if (seen[y * page.width + x] || !isEmber(page, x, y)) continue;
      let [right, foot] = [x, y];
      while (right < page.width && isEmber(page, right, y)) right++;
      while (foot < page.height && isEmber(page, x, foot)) foot++;
      for (let row = y; row < foot; row++) seen.fill(1, row * page.width + x, row * page.width + right);
      if (right - x > 40 && foot - y > 40)
        found.push({ x: x / PER_MM, y: y / PER_MM, w: (right - x) / PER_MM, h: (foot - y) / PER_MM });
    }
  }
  return found;
}

function sheets(gap: number) {
  const bar = barOf("inch");
  const printable = printableOf(LETTER, trueBars(inches(1 / 4), bar), bar);
  if (!printable) throw new Error("Letter takes prints");
  const settings = {
    papers: [{ size: LETTER, printable }],
    gap: inches(gap),
    canTurn: true,
    step: CUT_STEPS.sixteenth,
  };
  const wishes = [by(4, 6), by(3, 4), by(2, 2), by(3, 4)].map((each, at) => ({ id: `print-${at}`, size: each }));
  return gangSheets(planAfter(taskOf(wishes, settings), 40), wishes, settings, []);
}
const use = (print: ReturnType<typeof by>) => ({
  photoId: "p",
  alt: "",
  print,
  crop: AS_IT_COMES,
  picture: FACTS,
  onIt: [],
  repeat: null,
  together: null,
});

describe("a print sheet as PDF, measured by Poppler", () => {
  it("has as many prints as were ordered, each within 0.1 mm of its place and size, on a page of the paper's size", async () => {
    const [sheet, ...others] = sheets(1 / 8);
    expect(others).toEqual([]);
    if (!sheet) throw new Error("one sheet");
    const prints = sheet.prints.map(({ at, turned }) => ({
      at,
      turned,
      use: use(turned ? size(at.h, at.w) : size(at.w, at.h)),
      tile: null,
    }));
    const page = printSheetPage({ ...sheet, prints }, "A month, sheet 1", "inch", TRUE_STRETCH);
    const pdf = await documentPdf({ title: "sheets", pages: [page] }, bytesOf, new Date(0));
    const got = boxes(await drawn(pdf));
    expect(got).toHaveLength(4);
    for (const { at } of sheet.prints) {
      const [x, y, w, h] = [at.x, at.y, at.w, at.h].map((each) => toMillimetres(each)) as [
        number,
        number,
        number,
        number,
      ];
      const near = got.filter(
        (box) =>
          Math.abs(box.x - x) < 0.1 &&
          Math.abs(box.y - y) < 0.1 &&
          Math.abs(box.w - w) < 0.1 &&
          Math.abs(box.h - h) < 0.1,
      );
      expect(near).toHaveLength(1);
    }
    const file = path.join(folder, "info.pdf");
    writeFileSync(file, pdf);
    expect(execFileSync("pdfinfo", [file], { encoding: "utf8" })).toMatch(/Page size:\s+612 x 792 pts/);
    // Words and scale bar lie in the waste alone: no print has anything over it.
    expect(execFileSync("pdftotext", [file, "-"], { encoding: "utf8" })).toContain("This bar is");
    expect(pdf.includes(Buffer.from("GPS"))).toBe(false);
  });

  it("has the words that are printed on a picture where they were put, upright and turned, and the picture under them", async () => {
    const at = rect(inches(1), inches(0.5), inches(2), inches(1));
    const onIt = [
      { id: "a", kind: "words", text: "Lanternlight", typeface: "book", size: 64, tone: "light", at },
    ] as const;
    const print = by(4, 3);
    const whole = { ...use(print), onIt };
    const prints = [
      { at: rect(inches(1), inches(1), print.w, print.h), turned: false, use: whole, tile: null },
      { at: rect(inches(1), inches(5), print.h, print.w), turned: true, use: whole, tile: null },
    ];
    const page = printSheetPage({ paper: LETTER, prints, waste: [] }, "A month", "inch", TRUE_STRETCH);
    const pdf = await documentPdf({ title: "words", pages: [page] }, bytesOf, new Date(0));
    const file = path.join(folder, "on-it.pdf");
    writeFileSync(file, pdf);
    const found = pdfWords(file).filter(({ text }) => text === "Lanternlight");
    expect(found).toHaveLength(2);
    // The middle of the words stands two inches into the print, whose left edge is an inch from the paper's.
    const [upright] = found.sort((a, b) => b.w - a.w);
    expect(Math.abs((upright?.x ?? 0) + (upright?.w ?? 0) / 2 - 3 * 25.4)).toBeLessThan(0.3);
    expect(boxes(await drawn(pdf)).length).toBeGreaterThanOrEqual(2);
  });

  it("is made up for a printer that prints small: what comes out is the size that was asked for", async () => {
    const [sheet] = sheets(0);
    if (!sheet) throw new Error("one sheet");
    const stretch = { x: 0.985, y: 0.99 };
    const prints = sheet.prints
      .slice(0, 1)
      .map(({ at, turned }) => ({ at, turned, use: use(turned ? size(at.h, at.w) : size(at.w, at.h)), tile: null }));
    const page = printSheetPage({ ...sheet, prints, waste: [] }, "A month", "inch", stretch);
    const [box] = boxes(await drawn(await documentPdf({ title: "sheets", pages: [page] }, bytesOf, new Date(0))));
    const [first] = sheet.prints;
    if (!box || !first) throw new Error("one print");
    expect(box.w * stretch.x).toBeCloseTo(toMillimetres(first.at.w), 0);
    expect(Math.abs(box.w * stretch.x - toMillimetres(first.at.w))).toBeLessThan(0.1);
    expect(Math.abs(box.h * stretch.y - toMillimetres(first.at.h))).toBeLessThan(0.1);
    expect(Math.abs(box.x * stretch.x - toMillimetres(first.at.x))).toBeLessThan(0.1);
  });

  it("comes out with its border even and its crop as it was, of a printer that stretches more one way than the other", async () => {
    const art = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><rect width="1200" height="900" fill="#556"/><circle cx="600" cy="450" r="380" fill="#c74"/><circle cx="600" cy="450" r="200" fill="#386"/><path d="M0 0h1200v900h-1200z" fill="none" stroke="#249" stroke-width="60"/></svg>`;
    const bytes = await sharp(Buffer.from(art)).jpeg({ quality: 95 }).toBuffer();
    const given = async () => ({ bytes, mime: "image/jpeg" as const });
    const print = { ...use(by(6, 4)), crop: { ...AS_IT_COMES, border: inches(1 / 4) } };
    const at = rect(inches(1), inches(1), inches(6), inches(4));
    const came = async (stretch: { x: number; y: number }) => {
      const prints = [{ at, turned: false, use: print, tile: null }];
      const page = printSheetPage({ paper: LETTER, prints, waste: [] }, "A month", "inch", stretch);
      const { data, width, height } = await drawn(await documentPdf({ title: "s", pages: [page] }, given, new Date(0)));
      // What the printer makes of it, with another program's resizing.
      const [w, h] = [Math.round(width * stretch.x), Math.round(height * stretch.y)];
      return sharp(
        await sharp(data, { raw: { width, height, channels: 3 } })
          .resize({ width: w, height: h, fit: "fill" })
          .png()
          .toBuffer(),
      )
        .extract({ left: DPI, top: DPI, width: 6 * DPI, height: 4 * DPI })
        .removeAlpha()
        .raw()
        .toBuffer();
    };
    const meant = await came(TRUE_STRETCH);
    const stretched = await came({ x: 0.96, y: 1.03 });
    const apart = meant.reduce((sum, value, nth) => sum + Math.abs(value - (stretched[nth] ?? 0)), 0) / meant.length;
    expect(apart).toBeLessThan(0.8);
  });

  it("made in parts joins to the very picture that it is as a whole, also where a part lies turned", async () => {
    // No half of this picture is like another.
    const art = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><rect width="1200" height="900" fill="#556"/><circle cx="380" cy="260" r="330" fill="#c74"/><rect x="500" y="380" width="640" height="380" fill="#386"/><path d="M0 900L700 120L820 900Z" fill="#249"/></svg>`;
    const bytes = await sharp(Buffer.from(art)).jpeg({ quality: 95 }).toBuffer();
    const given = async () => ({ bytes, mime: "image/jpeg" as const });
    // A label lies over all four parts, and its words over two.
    const label = { id: "l", kind: "label", text: "Lantern light\non the slip", typeface: "book", size: 88 } as const;
    const onIt = [{ ...label, tone: "light", at: rect(inches(1.5), inches(1.25), inches(3), inches(1.5)) }] as const;
    const whole = { ...use(by(6, 4)), crop: { ...AS_IT_COMES, border: inches(1 / 8) }, onIt };
    const tiles = tilesOf({ across: 2, down: 2 });
    // Each part with half an inch to the next, the last of them on its side.
    const prints = tiles.map((tile) => {
      const { x, y, w, h } = tileAt(whole.print, tile);
      const turned = tile.column === 1 && tile.row === 1;
      const [left, top] = [inches(1 / 2) + x + tile.column * inches(1 / 2), inches(1) + y + tile.row * inches(1 / 2)];
      return { at: turned ? rect(left, top, h, w) : rect(left, top, w, h), turned, use: whole, tile };
    });
    const page = (on: Parameters<typeof printSheetPage>[0]["prints"]) =>
      printSheetPage({ paper: LETTER, prints: on, waste: [] }, "A month", "inch", TRUE_STRETCH);
    const one = page([
      { at: rect(inches(1 / 2), inches(1), inches(6), inches(4)), turned: false, use: whole, tile: null },
    ]);
    const pdf = await documentPdf({ title: "parts", pages: [page(prints), one] }, given, new Date(0));
    const [apart, joined] = [await drawn(pdf, 1), await drawn(pdf, 2)];
    const cut = async (from: Drawn, { x, y, w, h }: { x: number; y: number; w: number; h: number }, back: boolean) => {
      const dots = (length: number) => Math.round((length / TICKS_PER_INCH) * DPI);
      const piece = sharp(from.data, { raw: { width: from.width, height: from.height, channels: 3 } }).extract({
        left: dots(x) + 2,
        top: dots(y) + 2,
        width: dots(w) - 4,
        height: dots(h) - 4,
      });
      // A print that lies turned has its head at the right.
      const straight = back ? sharp(await piece.png().toBuffer()).rotate(270) : piece;
      return straight.removeAlpha().raw().toBuffer();
    };
    for (const [at, { at: lies, turned }] of prints.entries()) {
      const tile = tiles[at];
      if (!tile) throw new Error("as many parts as prints");
      const part = tileAt(whole.print, tile);
      const got = await cut(apart, lies, turned);
      const meant = await cut(joined, { ...part, x: part.x + inches(1 / 2), y: part.y + inches(1) }, false);
      expect(got.length).toBe(meant.length);
      const off = got.reduce((sum, each, byte) => sum + Math.abs(each - (meant[byte] ?? 0)), 0) / got.length;
      expect(off).toBeLessThan(2);
    }
  });

  it("has bars of 6 inches on the scale test page, across and along", async () => {
    const page = scaleTestPage(LETTER, barOf("inch"), "inch");
    const pixels = await drawn(await documentPdf({ title: "test", pages: [page] }, bytesOf, new Date(0)));
    const dark = (x: number, y: number) => (pixels.data[(y * pixels.width + x) * 3] ?? 255) < 140;
    const longest = (outer: number, inner: number, at: (o: number, i: number) => boolean) => {
      let best = 0;
      for (let o = 0; o < outer; o++) {
        let run = 0;
        for (let i = 0; i < inner; i++) {
          run = at(o, i) ? run + 1 : 0;
          best = Math.max(best, run);
        }
      }
      return best / PER_MM;
    };
    expect(Math.abs(longest(pixels.height, pixels.width, (y, x) => dark(x, y)) - 152.4)).toBeLessThan(0.2);
    expect(Math.abs(longest(pixels.width, pixels.height, (x, y) => dark(x, y)) - 152.4)).toBeLessThan(0.2);
  });
});

describe("a clear card as PDF, seen by Poppler", () => {
  it("has its words in its place as a mirror shows them, to be read through the card", async () => {
    const [w, h, left, top] = [3, 4, 1, 1.5];
    const seen = async (stock: "plain" | "clear") => {
      const card: Card = {
        ...newCard("card", by(w, h), "Lamp, fog and a bell"),
        setting: { ...usualSetting(by(w, h)), stock },
      };
      const lying = { card, at: rect(inches(left), inches(top), inches(w), inches(h)), turned: false };
      const pages = cardSheetPages({ paper: LETTER, cards: [lying], waste: [] }, "Cards", "inch", TRUE_STRETCH);
      const { data, width, height } = await drawn(
        await documentPdf({ title: "cards", pages: pages }, bytesOf, new Date(0)),
      );
      const raw = { width, height, channels: 3 as const };
      const part = { left: left * DPI, top: top * DPI, width: w * DPI, height: h * DPI };
      // Softened, for a letter's edge may fall between two points either way.
      const piece = sharp(await sharp(data, { raw }).extract(part).png().toBuffer());
      return piece.toColourspace("b-w").blur(4).negate().raw().toBuffer();
    };
    const [plain, clear] = [await seen("plain"), await seen("clear")];
    const row = w * DPI;
    const mirrored = (at: number) => at - (at % row) + row - 1 - (at % row);
    const apart = (other: (at: number) => number) =>
      plain.reduce((sum, value, at) => sum + Math.abs(value - other(at)), 0);
    expect(plain.length).toBe(row * h * DPI);
    const all = apart(() => 0);
    expect(all).toBeGreaterThan(0);
    expect(apart((at) => clear[mirrored(at)] ?? 0) / all).toBeLessThan(0.2);
    expect(apart((at) => clear[at] ?? 0) / all).toBeGreaterThan(0.8);
  });
});
