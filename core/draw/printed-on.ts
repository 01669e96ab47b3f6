import type { Ink } from "../material/ink.ts";
import { type Length, millimetres, ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { emOf } from "../words/lettering.ts";
import type { PrintedOn, Tone } from "../words/printed-on.ts";
import { linesOn } from "../words/printed-on-lines.ts";
import type { Mark } from "./marks.ts";

const INK: Record<Tone, Ink> = { light: "paper", dark: "ink" };
const OTHER: Record<Tone, Tone> = { light: "dark", dark: "light" };
const ROUND: Length = millimetres(1.5);
const FRAME: Length = millimetres(0.6);

/** The shape that words stand on or in, if there is one. */
function shapeOf({ kind, tone, at }: PrintedOn): Mark[] {
  switch (kind) {
    case "words":
      return [];
    case "label":
      return [{ kind: "rect", at, round: ROUND, fill: INK[tone] }];
    case "disc":
      return [
        {
          kind: "circle",
          x: ticks(Math.round(at.x + at.w / 2)),
          y: ticks(Math.round(at.y + at.h / 2)),
          r: ticks(Math.floor(Math.min(at.w, at.h) / 2)),
          fill: INK[tone],
        },
      ];
    case "frame":
      return [{ kind: "rect", at, round: ROUND, fill: "none", stroke: INK[tone], line: FRAME }];
  }
}

/** What is printed on a picture, in the ticks of its print. */
export function printedOnMarks(items: readonly PrintedOn[]): Mark[] {
  return items.flatMap((item): Mark[] => {
    const isOnTone = item.kind === "label" || item.kind === "disc";
    const fill = INK[isOnTone ? OTHER[item.tone] : item.tone];
    const size = ticks(Math.round(emOf(item.size)));
    return [
      ...shapeOf(item),
      ...linesOn(item)
        .filter(({ text }) => text !== "")
        .map(
          ({ text, x, y }): Mark => ({
            ...({ kind: "text", text, x, y, typeface: item.typeface, size, anchor: "middle", fill } as const),
          }),
        ),
    ];
  });
}

/**
 * The same on a print that begins at `x`, `y`, or on the part of it that is seen, in the print's own ticks: of one that is
 * made in parts, or cut over two pockets, each part has its share, and joined they are whole.
 */
export const seenOnPrint = (items: readonly PrintedOn[], { x, y }: Pick<Rect, "x" | "y">, clip: Rect): Mark[] =>
  items.length === 0
    ? []
    : [{ kind: "group", x, y, turn: 0, w: ticks(0), h: ticks(0), clip, marks: printedOnMarks(items) }];
