import { type Length, ticks } from "../measure/length.ts";
import { firstFit, linesOf } from "./breaking.ts";
import { itemsOf } from "./items.ts";
import type { Hand } from "./lettering.ts";
import { measureOf } from "./measure.ts";
import { widthOf } from "./typefaces.ts";

/** The text to copy: every usual letter, in words of usual length. */
export const SAMPLE =
  "The lamp was lit before the fog came in, and by the time the boat had rounded the quay we could hear nothing but the bell and somebody laughing. Five boxes, a jar of quinces, one wet dog.";

/** What somebody measured of a copy: how wide the lines were, how many, how far the last one reaches, how far apart they are. */
export type Copied = {
  readonly wide: Length;
  readonly lines: number;
  /** How far the last line reaches, from the left edge. */
  readonly last: Length;
  readonly line: Length;
};

export type HandProblem = "no-width" | "one-line" | "last-beyond" | "does-not-add-up";

/** How many lines the sample takes at a size of the hand typeface, and how far the last one reaches, in ticks. */
function written(em: number, wide: Length): { lines: number; last: number } {
  const measure = measureOf({ kind: "handwriting", hand: { name: "", em: ticks(1), line: ticks(1) } });
  const items = itemsOf(SAMPLE, measure, { justified: false, tearOver: null });
  const width = () => wide / em;
  const { at } = firstFit(items, width);
  const last = linesOf(items, width, at).at(-1);
  const words = items
    .slice(last?.from, last?.to)
    .flatMap((item) => (item.kind === "box" ? [SAMPLE.slice(item.from, item.to)] : []));
  return { lines: at.length, last: widthOf("hand", words.join(" ")) * em };
}

/**
 * Reads a hand off a copy of the sample: the size at which the hand typeface, written line by line as a hand does, takes as
 * many lines and reaches as far on the last. Growing letters never take fewer lines, so it is found by halving.
 */
export function readHand(
  name: string,
  { wide, lines, last, line }: Copied,
): { ok: true; hand: Hand } | { ok: false; reason: HandProblem } {
  if (wide <= 0 || line <= 0) return { ok: false, reason: "no-width" };
  if (lines < 2) return { ok: false, reason: "one-line" };
  if (last <= 0 || last > wide) return { ok: false, reason: "last-beyond" };
  const runs = (em: number) => {
    const found = written(em, wide);
    return found.lines - 1 + found.last / wide;
  };
  const wanted = lines - 1 + last / wide;
  let [small, large] = [wide / 200, wide / 3];
  for (let step = 0; step < 40; step++) {
    const middle = (small + large) / 2;
    if (runs(middle) < wanted) small = middle;
    else large = middle;
  }
  const em = ticks(Math.round((small + large) / 2));
  if (Math.abs(written(em, wide).lines - lines) > 1) return { ok: false, reason: "does-not-add-up" };
  return { ok: true, hand: { name, em, line } };
}
