import type { Mark } from "../core/draw/marks.ts";
import { type PictureHref, svgMarks } from "../core/draw/svg.ts";
import { INKS } from "../core/material/ink.ts";
import { type Length, toMillimetres } from "../core/measure/length.ts";
import { LETTERS_ALONE, runsOf } from "./typefaces.ts";

type TextMark = Extract<Mark, { kind: "text" }>;
const mm = (length: number): number => toMillimetres(length as Length);

/** Letters as outlines of the very files that core measures, so that no program that draws them needs the typeface. */
function lettersOutlined({ text, typeface, size, x, y, anchor, fill }: TextMark): string {
  const runs = runsOf(text, typeface).map(({ font, text: part }) => ({ font, run: font.layout(part, LETTERS_ALONE) }));
  const em = mm(size);
  const wide = runs.reduce((sum, { font, run }) => sum + (run.advanceWidth / font.unitsPerEm) * em, 0);
  let left = mm(x) - (anchor === "middle" ? wide / 2 : anchor === "end" ? wide : 0);
  const paths: string[] = [];
  for (const { font, run } of runs) {
    const scale = em / font.unitsPerEm;
    for (const [at, glyph] of run.glyphs.entries()) {
      paths.push(`<path transform="translate(${left} ${mm(y)}) scale(${scale} ${-scale})" d="${glyph.path.toSVG()}"/>`);
      left += (run.positions[at]?.xAdvance ?? glyph.advanceWidth) * scale;
    }
  }
  return `<g fill="${INKS[fill ?? "ink"]}">${paths.join("")}</g>`;
}

/** Marks as SVG elements, one unit a millimetre, their letters as outlines and their pictures cropped already. */
export const outlined = (marks: readonly Mark[], href: PictureHref = () => ""): string =>
  svgMarks(marks, href, "cropped", lettersOutlined);
