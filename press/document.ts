import { once } from "node:events";
import { setImmediate as turnOfEvents } from "node:timers/promises";
import PDFDocument from "pdfkit";
import type { Document } from "../core/document/document.ts";
import type { Mark } from "../core/draw/marks.ts";
import { svgFile } from "../core/draw/svg.ts";
import { INKS } from "../core/material/ink.ts";
import { rect, rectOf, sizeOf } from "../core/measure/rect.ts";
import { insideBorder } from "../core/photo/crop.ts";
import type { TrueSheet } from "../core/sheet/true-size.ts";
import { type PhotoBytes, type Prints, printKey, printsOf, straightOf } from "./prints.ts";
import { inside, softened } from "./softened.ts";
import { LETTERS_ALONE, runsOf } from "./typefaces.ts";

/** 72 points to the inch (ISO 32000-1), 8128 ticks to the inch. */
const POINTS_PER_TICK = 72 / 8128;
const pt = (length: number): number => length * POINTS_PER_TICK;
const HAIR = 80;

/** Pictures of the groups that a PDF cannot draw, for their edges are spread: no such thing is in its imaging model. */
async function softOf(marks: readonly Mark[], prints: Prints): Promise<ReadonlyMap<Mark, Buffer>> {
  const found = new Map<Mark, Buffer>();
  for (const mark of marks) {
    if (mark.kind !== "group") continue;
    if (mark.soft) found.set(mark, await softened(mark, (picture) => prints.get(printKey(picture))));
    else for (const [inner, picture] of await softOf(mark.marks, prints)) found.set(inner, picture);
  }
  return found;
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

type Shape = Exclude<Mark, { kind: "text" | "picture" | "preprint" | "group" }>;

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

/** `own`: the pictures that belong to single marks: groups that are spread, and what is on cards already. */
function draw(doc: Doc, marks: readonly Mark[], prints: Prints, own: ReadonlyMap<Mark, Buffer>): void {
  for (const mark of marks) {
    switch (mark.kind) {
      case "text":
        drawText(doc, mark);
        break;
      case "picture": {
        const print = prints.get(printKey(mark));
        if (!print) break;
        const border = insideBorder(sizeOf(mark.at), mark.crop);
        const inner = mark.drawn?.inner ?? rect(mark.at.x + border.x, mark.at.y + border.y, border.w, border.h);
        const shown = mark.drawn?.shown ?? mark.shown;
        doc.save();
        doc.rect(pt(shown.x), pt(shown.y), pt(shown.w), pt(shown.h)).clip();
        doc.fillOpacity(1).image(print, pt(inner.x), pt(inner.y), { width: pt(inner.w), height: pt(inner.h) });
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
        if (mark.clip) doc.rect(pt(mark.clip.x), pt(mark.clip.y), pt(mark.clip.w), pt(mark.clip.h)).clip();
        const spread = own.get(mark);
        if (spread) doc.fillOpacity(1).image(spread, 0, 0, { width: pt(mark.w), height: pt(mark.h) });
        else draw(doc, mark.marks, prints, own);
        doc.restore();
        break;
      }
      case "preprint": {
        // Where it is made from, it is on the card already.
        const straight = own.get(mark);
        const { x, y, w, h } = mark.at;
        if (straight) doc.fillOpacity(1).image(straight, pt(x), pt(y), { width: pt(w), height: pt(h) });
        break;
      }
      default:
        drawShape(doc, mark);
    }
  }
}

/** How writing is told how far it is, in pages, and when to stop. */
export type Writing = {
  readonly progress?: (done: number, whole: number) => void;
  readonly signal?: AbortSignal;
};

/**
 * A document as PDF at true size, in pieces as they come: each page is made when the pieces of those before it are taken,
 * so that a long one needs no more memory than a short one, and ends where nobody takes any more.
 */
export async function* pdfPieces(
  { title, pages, isToLookAt }: Document,
  bytesOf: PhotoBytes,
  writtenAt: Date,
  { progress, signal }: Writing = {},
): AsyncGenerator<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: title, CreationDate: writtenAt } });
  let written: Buffer[] = [];
  doc.on("data", (piece: Buffer) => written.push(piece));
  const ended = once(doc, "end");
  for (const [at, { marks, paper, drawn }] of pages.entries()) {
    signal?.throwIfAborted();
    // A page's prints are made when it is drawn, and let go after it.
    const prints = await printsOf(marks, bytesOf);
    doc.addPage({ size: [pt(paper.w), pt(paper.h)], margin: 0 });
    if (drawn) doc.translate(pt(drawn.x), pt(drawn.y)).scale(drawn.by);
    const soft = await softOf(marks, prints);
    const straight = isToLookAt ? await straightOf(marks, bytesOf) : [];
    draw(doc, marks, prints, new Map([...soft, ...straight]));
    progress?.(at + 1, pages.length);
    await turnOfEvents();
    const pieces = written;
    written = [];
    yield* pieces;
  }
  doc.end();
  await ended;
  yield* written;
}

/** A document as PDF, all of it at once. */
export async function documentPdf(document: Document, bytesOf: PhotoBytes, writtenAt: Date): Promise<Buffer> {
  const pieces: Buffer[] = [];
  for await (const piece of pdfPieces(document, bytesOf, writtenAt)) pieces.push(piece);
  return Buffer.concat(pieces);
}

/** A page as one SVG file at true size, its pictures inside it. */
export async function pageSvg({ marks, paper, title }: TrueSheet, bytesOf: PhotoBytes): Promise<string> {
  const prints = await printsOf(marks, bytesOf);
  // What is developed is the cropped part alone, so that the file holds no more of a picture than its print shows.
  const href = inside((mark) => prints.get(printKey(mark)));
  return svgFile(marks, rectOf(paper), title, href, "cropped");
}
