import PDFDocument from "pdfkit";
import { INKS, type Mark, type PictureMark, picturesOf } from "../core/draw/marks.ts";
import { svgFile } from "../core/draw/svg.ts";
import { plainFractions } from "../core/measure/length.ts";
import { rectOf, sizeOf } from "../core/measure/rect.ts";
import { insideBorder } from "../core/photo/crop.ts";
import type { TrueSheet } from "../core/sheet/true-size.ts";
import type { Typeface } from "../core/words/typeface.ts";
import type { PictureMime } from "../store/photo.ts";
import { developed } from "./develop.ts";
import { fontsOf, LETTERS_ALONE } from "./typefaces.ts";

/** Gives a photo's bytes as they were added, or null when there are none. */
export type PhotoBytes = (photoId: string) => Promise<{ bytes: Buffer; mime: PictureMime } | null>;

/** 72 points to the inch (ISO 32000-1), 8128 ticks to the inch. */
const POINTS_PER_TICK = 72 / 8128;
const pt = (length: number): number => length * POINTS_PER_TICK;
const HAIR = 80;

type Prints = ReadonlyMap<string, Buffer>;
const printKey = ({ photoId, at, crop, picture }: PictureMark) =>
  `${photoId} ${at.w} ${at.h} ${JSON.stringify(crop)} ${JSON.stringify(picture)}`;

/** Every print on a sheet at its own size, one after the other so that memory stays small. */
async function printsOf(marks: readonly Mark[], bytesOf: PhotoBytes): Promise<Prints> {
  const prints = new Map<string, Buffer>();
  for (const mark of picturesOf(marks)) {
    if (prints.has(printKey(mark))) continue;
    const found = await bytesOf(mark.photoId);
    const given = { print: sizeOf(mark.at), crop: mark.crop, facts: mark.picture };
    if (found) prints.set(printKey(mark), await developed(found.bytes, found.mime, given));
  }
  return prints;
}

/** The text in runs of one font file each; a letter no file has becomes a question mark, never an empty box. */
function runsOf(text: string, typeface: Typeface): { file: string; text: string }[] {
  const fonts = fontsOf(typeface);
  const runs: { file: string; text: string }[] = [];
  for (const letter of plainFractions(text).replaceAll("″", '"')) {
    const has = fonts.find(({ font }) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0));
    const [file, said] = has ? [has.file, letter] : [fonts[0]?.file ?? "", "?"];
    const last = runs.at(-1);
    if (last?.file === file) last.text += said;
    else runs.push({ file, text: said });
  }
  return runs;
}

type Doc = InstanceType<typeof PDFDocument>;

/** Letters as core measures them. The types know the features as a list only; pdfkit hands them to fontkit as they are. */
const AS_MEASURED = { features: LETTERS_ALONE as never };

function drawText(doc: Doc, mark: Extract<Mark, { kind: "text" }>): void {
  const runs = runsOf(mark.text, mark.typeface);
  const widths = runs.map(({ file, text }) => doc.font(file).fontSize(pt(mark.size)).widthOfString(text, AS_MEASURED));
  const whole = widths.reduce((sum, width) => sum + width, 0);
  let x = pt(mark.x) - (mark.anchor === "middle" ? whole / 2 : mark.anchor === "end" ? whole : 0);
  for (const [at, { file, text }] of runs.entries()) {
    doc
      .font(file)
      .fontSize(pt(mark.size))
      .fillColor(INKS[mark.fill ?? "ink"])
      .fillOpacity(1);
    doc.text(text, x, pt(mark.y), { lineBreak: false, baseline: "alphabetic", ...AS_MEASURED });
    x += widths[at] ?? 0;
  }
}

type Shape = Exclude<Mark, { kind: "text" | "picture" | "group" }>;

function outline(doc: Doc, mark: Shape): void {
  switch (mark.kind) {
    case "rect": {
      const { x, y, w, h } = mark.at;
      if (mark.round) doc.roundedRect(pt(x), pt(y), pt(w), pt(h), pt(mark.round));
      else doc.rect(pt(x), pt(y), pt(w), pt(h));
      return;
    }
    case "circle":
      doc.circle(pt(mark.x), pt(mark.y), pt(mark.r));
      return;
    case "line":
      doc.moveTo(pt(mark.x1), pt(mark.y1)).lineTo(pt(mark.x2), pt(mark.y2));
      return;
    case "polygon":
      doc.polygon(...mark.points.map(([x, y]) => [pt(x), pt(y)]));
      return;
  }
}

function drawShape(doc: Doc, mark: Shape): void {
  const filled = mark.fill !== undefined && mark.fill !== "none";
  if (!filled && !mark.stroke) return;
  outline(doc, mark);
  doc.lineWidth(pt(mark.line ?? HAIR));
  if (mark.dashed) doc.dash(pt(640), { space: pt(450) });
  else doc.undash();
  if (filled) doc.fillColor(INKS[mark.fill ?? "none"]).fillOpacity(mark.solid ?? 1);
  if (mark.stroke) doc.strokeColor(INKS[mark.stroke]).strokeOpacity(1);
  if (filled && mark.stroke) doc.fillAndStroke();
  else if (filled) doc.fill();
  else doc.stroke();
}

function draw(doc: Doc, marks: readonly Mark[], prints: Prints): void {
  for (const mark of marks) {
    switch (mark.kind) {
      case "text":
        drawText(doc, mark);
        break;
      case "picture": {
        const print = prints.get(printKey(mark));
        if (!print) break;
        const border = insideBorder(sizeOf(mark.at), mark.crop);
        doc.save();
        doc.rect(pt(mark.shown.x), pt(mark.shown.y), pt(mark.shown.w), pt(mark.shown.h)).clip();
        doc.fillOpacity(1).image(print, pt(mark.at.x + border.x), pt(mark.at.y + border.y), {
          width: pt(border.w),
          height: pt(border.h),
        });
        doc.restore();
        break;
      }
      case "group": {
        const [dx, dy] = [
          [0, 0],
          [mark.h, 0],
          [mark.w, mark.h],
          [0, mark.w],
        ][mark.turn] as [number, number];
        doc.save();
        doc.translate(pt(mark.x + dx), pt(mark.y + dy));
        if (mark.turn !== 0) doc.rotate(mark.turn * 90);
        if (mark.mirrored) doc.translate(pt(mark.w), 0).scale(-1, 1);
        draw(doc, mark.marks, prints);
        doc.restore();
        break;
      }
      default:
        drawShape(doc, mark);
    }
  }
}

/** Sheets as one PDF at true size: each on a page of its paper's size, everything on it to the tick. */
export async function sheetsPdf(
  title: string,
  sheets: readonly TrueSheet[],
  bytesOf: PhotoBytes,
  writtenAt: Date,
): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: title, CreationDate: writtenAt } });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (chunk: Buffer) => chunks.push(chunk));
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  for (const sheet of sheets) {
    // A sheet's prints are made when its page is drawn, and let go after it.
    const prints = await printsOf(sheet.marks, bytesOf);
    doc.addPage({ size: [pt(sheet.paper.w), pt(sheet.paper.h)], margin: 0 });
    draw(doc, sheet.marks, prints);
  }
  doc.end();
  return done;
}

/** One sheet as PDF at true size. */
export const sheetPdf = (sheet: TrueSheet, bytesOf: PhotoBytes, writtenAt: Date): Promise<Buffer> =>
  sheetsPdf(sheet.title, [sheet], bytesOf, writtenAt);

/** A sheet as one SVG file at true size, its pictures inside it. */
export async function sheetSvg(sheet: TrueSheet, bytesOf: PhotoBytes): Promise<string> {
  const prints = await printsOf(sheet.marks, bytesOf);
  // What is developed is the cropped part alone, so that the file holds no more of a picture than its print shows.
  const href = (mark: PictureMark) => {
    const print = prints.get(printKey(mark));
    return print ? `data:image/jpeg;base64,${print.toString("base64")}` : "";
  };
  return svgFile(sheet.marks, rectOf(sheet.paper), sheet.title, href, "cropped");
}
