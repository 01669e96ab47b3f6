/** What lies on the mat with words under it, in millimetres. */
export type Captioned = {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly caption: string;
};

/** Roughly how wide a letter is for its height. */
const LETTER_WIDE = 0.52;
const LINE = 1.2;
const MOST_LINES = 4;

const meet = (a: number, b: number, c: number, d: number) => a < d && c < b;

/**
 * How far below each thing the foot of its caption's line stands, for letters this high: under the thing, or a line lower
 * where it would run into the caption of another.
 */
export function captionFeet(things: readonly Captioned[], letter: number): number[] {
  const written: { left: number; right: number; top: number; foot: number }[] = [];
  return things.map(({ x, y, h, caption }) => {
    const right = x + caption.length * letter * LETTER_WIDE;
    let foot = 3 + letter;
    for (let line = 1; line < MOST_LINES; line++) {
      const at = y + h + foot;
      const runsInto = written.some(
        (other) => meet(x, right, other.left, other.right) && meet(at - letter, at, other.top, other.foot),
      );
      if (!runsInto) break;
      foot += letter * LINE;
    }
    const at = y + h + foot;
    if (caption) written.push({ left: x, right, top: at - letter, foot: at });
    return foot;
  });
}
