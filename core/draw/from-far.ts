import { inches, type Length, ticks } from "../measure/length.ts";
import type { Mark } from "./marks.ts";

/** Letters no taller than this are no letters any more in a drawing the size of a thumb. */
const READ_FROM = inches(0.5);
/** How wide a letter is in the mean, and how dark a word looks from far, in ems: common practice, greeked text. */
const WIDE = 0.5;
const DARK = 0.28;

/** A drawing as it is seen from far: where words stand, without their letters, which cost a browser most of its time. */
export const fromFar = (marks: readonly Mark[]): Mark[] =>
  marks.map((mark) => {
    if (mark.kind === "group") return { ...mark, marks: fromFar(mark.marks) };
    return mark.kind === "text" && mark.size < READ_FROM ? strokeFor(mark) : mark;
  });

function strokeFor({ x, y, text, size, anchor = "start", fill = "ink" }: Extract<Mark, { kind: "text" }>): Mark {
  const long = [...text].length * size * WIDE;
  const from = x - { start: 0, middle: long / 2, end: long }[anchor];
  const at = (length: number): Length => ticks(Math.round(length));
  const middle = at(y - size * WIDE * WIDE);
  return {
    ...{ kind: "line", x1: at(from), y1: middle, x2: at(from + long), y2: middle },
    ...{ stroke: fill, line: at(size * DARK) },
  };
}
