import { type Length, millimetres, ticks } from "../measure/length.ts";
import { contains, type Rect } from "../measure/rect.ts";
import { emOf } from "../words/lettering.ts";
import { linesOn, type PrintedOn, type Tone } from "../words/printed-on.ts";
import type { Ink, Mark } from "./marks.ts";

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

/**
 * What is printed on a picture, in the ticks of its print. With `part` only what lies wholly within that part of the print:
 * of one that is made in parts, or cut over two pockets, nothing is printed half.
 */
export function printedOnMarks(items: readonly PrintedOn[], part: Rect | null = null): Mark[] {
  return items
    .filter(({ at }) => part === null || contains(part, at))
    .flatMap((item): Mark[] => {
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

/** Marks moved by so much, as one group. */
export const movedMarks = (marks: readonly Mark[], x: Length, y: Length): Mark[] =>
  marks.length === 0 ? [] : [{ kind: "group", x, y, turn: 0, w: ticks(0), h: ticks(0), marks }];
