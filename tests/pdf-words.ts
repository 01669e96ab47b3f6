import { execFileSync } from "node:child_process";

/** A word of a page as Poppler finds it: its left edge and its width in millimetres. */
export type PdfWord = { readonly text: string; readonly x: number; readonly w: number };

const WORD = /<word xMin="([\d.]+)" yMin="[\d.]+" xMax="([\d.]+)" yMax="[\d.]+">([^<]*)<\/word>/g;
/** A point is a seventy-second of an inch (ISO 32000-1). */
const mm = (points: number): number => (points * 25.4) / 72;

/** The words of one page of a PDF file, in the order they stand there. */
export function pdfWords(file: string, page = 1): PdfWord[] {
  const asked = ["-bbox", "-f", String(page), "-l", String(page), file, "-"];
  const html = execFileSync("pdftotext", asked, { encoding: "utf8" });
  return [...html.matchAll(WORD)].map(([, from, to, text]) => ({
    text: text ?? "",
    x: mm(Number(from)),
    w: mm(Number(to) - Number(from)),
  }));
}
