import { type Print, printedSize } from "../album/print.ts";
import { areaOf, type Rect, rect } from "../measure/rect.ts";
import { type Size, sameSize, turned } from "../measure/size.ts";
import type { PrintCrop } from "../photo/crop.ts";
import { type Stretch, stretchOf } from "./paper.ts";
import { type Lab, type LabRecord, measuredOf } from "./printer.ts";

/** On which of a lab's papers a print comes and where it lies there; what is round it is cut off here. */
export type OnLabPaper = { readonly paper: Size; readonly at: Rect };

/**
 * The paper of a lab's that a print comes on: the one of its own size, either way up; else the smallest that takes it, the
 * print in its middle. A lab of which no papers are said prints any size. Null where none of its papers is large enough.
 */
export function onLabPaper(print: Size, { papers }: Pick<Lab, "papers">): OnLabPaper | null {
  const bothWays = papers.length === 0 ? [print] : papers.flatMap((paper) => [paper, turned(paper)]);
  const [paper] = bothWays.filter(({ w, h }) => w >= print.w && h >= print.h).sort((a, b) => areaOf(a) - areaOf(b));
  return paper ? onMiddleOf(paper, print) : null;
}

function onMiddleOf(paper: Size, { w, h }: Size): OnLabPaper {
  return { paper, at: rect(Math.floor((paper.w - w) / 2), Math.floor((paper.h - h) / 2), w, h) };
}

/** The paper that a print was ordered on, and where it lies there. */
export const onPaperOf = (print: Pick<Print, "at" | "turned" | "paper">): OnLabPaper => {
  const made = printedSize(print);
  return onMiddleOf(print.paper ?? made, made);
};

/** Whether a print has to be cut out of its paper. */
export const isToCut = ({ paper, at }: OnLabPaper): boolean => !sameSize(paper, at);

/**
 * Where a file has to have a print so that it comes out where it should and as large as it should: what the lab makes larger
 * from the middle is made as much smaller round it. Fractions of a tick.
 */
export function madeUpFor({ paper, at }: OnLabPaper, stretch: Stretch): { x: number; y: number; w: number; h: number } {
  const from = (place: number, whole: number, by: number) => whole / 2 + (place - whole / 2) / by;
  return {
    x: from(at.x, paper.w, stretch.x),
    y: from(at.y, paper.h, stretch.y),
    w: at.w / stretch.x,
    h: at.h / stretch.y,
  };
}

/** What a lab makes of a file: prints that fill their paper and have no white border are printed to its edge. */
export const stretchAtLab = (lab: LabRecord, on: OnLabPaper, { border }: Pick<PrintCrop, "border">): Stretch => {
  const measured = measuredOf(lab, border === 0 && !isToCut(on));
  return stretchOf(measured, measured.bar);
};
