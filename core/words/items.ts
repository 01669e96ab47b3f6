import LineBreaker from "linebreak";
import { hyphensIn } from "./hyphens.ts";
import type { Measure } from "./measure.ts";
import { lettersIn } from "./typefaces.ts";

/**
 * A paragraph as Knuth & Plass 1981 see it: boxes that are printed, glue that stretches and shrinks, penalties where a line
 * may break. Widths are in the measure's units. `from` and `to` say which letters of the paragraph a box is.
 */
export type Item =
  | { readonly kind: "box"; readonly width: number; readonly from: number; readonly to: number }
  | { readonly kind: "glue"; readonly width: number; readonly stretch: number; readonly shrink: number }
  | { readonly kind: "penalty"; readonly width: number; readonly cost: number; readonly hyphen: boolean };

/** A break that must be made, and one that must not. */
export const FORCED = Number.NEGATIVE_INFINITY;
const HYPHEN_COST = 50;
/** Between two letters of a word that fits no line: only where nothing else will do. */
const TORN_COST = 1000;
/** At the end of a ragged line there is room for three spaces to stretch, as Knuth & Plass 1981 propose. */
const RAGGED = 3;

/** What is longer than this is no word of a language and has no hyphens: an address, a row of signs. */
const LONGEST_WORD = 100;

export type ItemChoice = {
  readonly justified: boolean;
  /** A word wider than this, in units, may be broken between any two of its letters; null: never. */
  readonly tearOver: number | null;
};

/** Where a line may break by the Unicode line break algorithm (UAX #14), and the text between. */
function segmentsOf(text: string): { from: number; to: number; next: number }[] {
  const breaker = new LineBreaker(text);
  const segments: { from: number; to: number; next: number }[] = [];
  let from = 0;
  for (let stop = breaker.nextBreak(); stop; stop = breaker.nextBreak()) {
    const words = text.slice(from, stop.position).trimEnd();
    segments.push({ from, to: from + words.length, next: stop.position });
    from = stop.position;
  }
  return segments;
}

/** Where a word may be parted within itself: at its own soft hyphens, at those of its language, or anywhere. */
function partings(
  word: string,
  measure: Measure,
  { justified, tearOver }: ItemChoice,
): { at: number; torn: boolean }[] {
  if (tearOver !== null && measure.width(word) > tearOver) {
    let at = 0;
    return lettersIn(word)
      .slice(0, -1)
      .map((letter) => {
        at += letter.length;
        return { at, torn: true };
      });
  }
  return justified && word.length <= LONGEST_WORD ? hyphensIn(word).map((at) => ({ at, torn: false })) : [];
}

/** A paragraph's items, with the break that ends it. */
export function itemsOf(text: string, measure: Measure, choice: ItemChoice): Item[] {
  const items: Item[] = [];
  const space = measure.width(" ");
  const hyphen = measure.width("-");
  // The part before, where no space stands between: letters are as far apart as two and two of them want it.
  let before = "";
  for (const { from, to, next } of segmentsOf(text)) {
    const word = text.slice(from, to);
    const soft = word.endsWith("\u00ad");
    let start = 0;
    for (const { at, torn } of [...partings(word, measure, choice), { at: word.length, torn: false }]) {
      // A part is as wide as it makes what stands before it wider, and never narrower than it is alone, at the head of a line.
      const part = word.slice(start, at).replaceAll("\u00ad", "");
      const alone = measure.width(part);
      const width = Math.max(before === "" ? 0 : measure.width(before + part) - measure.width(before), alone);
      items.push({ kind: "box", width, from: from + start, to: from + at });
      if (at < word.length)
        items.push({ kind: "penalty", width: torn ? 0 : hyphen, cost: torn ? TORN_COST : HYPHEN_COST, hyphen: !torn });
      before = part || before;
      start = at;
    }
    if (next !== to) before = "";
    if (next >= text.length) continue;
    if (next === to) {
      items.push({ kind: "penalty", width: soft ? hyphen : 0, cost: soft ? HYPHEN_COST : 0, hyphen: soft });
      continue;
    }
    const wide = space * (next - to);
    // A third to stretch and a third to shrink: near enough to the half and the third of Knuth & Plass 1981.
    if (choice.justified) items.push({ kind: "glue", width: wide, stretch: wide / 2, shrink: wide / 3 });
    else
      items.push(
        { kind: "glue", width: 0, stretch: RAGGED * space, shrink: 0 },
        { kind: "penalty", width: 0, cost: 0, hyphen: false },
        { kind: "glue", width: wide, stretch: -RAGGED * space, shrink: 0 },
      );
  }
  items.push(
    { kind: "glue", width: 0, stretch: Number.MAX_SAFE_INTEGER, shrink: 0 },
    { kind: "penalty", width: 0, cost: FORCED, hyphen: false },
  );
  return items;
}
