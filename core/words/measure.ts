import { inches } from "../measure/length.ts";
import { emOf, type Lettering, type StampSet } from "./lettering.ts";
import type { Typeface } from "./typeface.ts";
import { lackedBy, lettersOf, reachOf, widthOf } from "./typefaces.ts";

/**
 * How wide words run in a lettering and how far apart its lines are. Widths are in units of `unit` ticks, so that typed
 * words, whose widths grow with their size, need not be measured again for another.
 */
export type Measure = {
  /** The typeface it is drawn in. */
  readonly typeface: Typeface;
  readonly unit: number;
  readonly line: number;
  /** How far letters reach above and below the base line, in ticks. */
  readonly tall: number;
  readonly deep: number;
  readonly width: (word: string) => number;
  /** The letters it does not have. */
  readonly lacks: (text: string) => string[];
  /** All letters are set as capitals. */
  readonly capitals: boolean;
  /** What tells two measures of widths apart. */
  readonly key: string;
};

const NARROW = /^[IJ1!.,:;'’|-]$/;
const BROAD = /^[MW&@%—]$/;
/** The letters a stamp set has: capitals, figures and the usual signs. */
const STAMPED = /^[A-Z0-9!?&.,:;'’"“”\-–—+=()/@#%]$/u;

/** How wide one stamped letter is. */
export const stampWidth = (set: StampSet, letter: string): number =>
  NARROW.test(letter) ? set.narrow : BROAD.test(letter) ? set.broad : set.usual;

const inTypeface = (typeface: Typeface, unit: number, line: number): Measure => {
  const { tall, deep } = reachOf(typeface);
  return {
    typeface,
    unit,
    line,
    tall: tall * unit,
    deep: deep * unit,
    key: typeface,
    capitals: false,
    width: (word) => widthOf(typeface, word),
    lacks: (text) => lackedBy(typeface, text),
  };
};

/** The measure of a lettering. */
export function measureOf(lettering: Lettering): Measure {
  switch (lettering.kind) {
    case "typed": {
      const em = emOf(lettering.size);
      return inTypeface(lettering.typeface, em, (em * lettering.leading) / 100);
    }
    case "typewriter": {
      // A character of the typewriter typeface is so wide, in ems, as any other of its letters.
      const pitch = inches(1) / lettering.pitch;
      return inTypeface("typed", pitch / widthOf("typed", "n"), (inches(1) / 6) * lettering.spacing);
    }
    case "handwriting":
      return inTypeface("hand", lettering.hand.em, lettering.hand.line);
    case "stamped": {
      const { set } = lettering;
      const upper = (text: string) => lettersOf(text.toUpperCase());
      return {
        typeface: "plain",
        unit: 1,
        line: set.high + 2 * set.between,
        tall: set.high,
        deep: 0,
        width: (word) => {
          if (word === " ") return set.space;
          const letters = upper(word);
          return (
            letters.reduce((sum, letter) => sum + stampWidth(set, letter), 0) +
            set.between * Math.max(0, letters.length - 1)
          );
        },
        lacks: (text) => {
          const words = new Set(text.split(/\s+/));
          return [...new Set([...words].flatMap(upper))].filter(
            (letter) => !/^\s*$/.test(letter) && !STAMPED.test(letter),
          );
        },
        capitals: true,
        key: `${set.high} ${set.usual} ${set.narrow} ${set.broad} ${set.between} ${set.space}`,
      };
    }
  }
}

/** Words are broken into lines for the whole paragraph at once where a machine sets them; a hand goes line by line. */
export const goesLineByLine = ({ kind }: Lettering): boolean => kind === "handwriting" || kind === "stamped";

/** Small capitals are drawn as capitals of this share of the size. From memory: between the height of an x and of a capital. */
const SMALL = 0.75;

/** The measure of a lettering's headings; that of the rest where nothing is said of them. */
export function measureOfHeadings(lettering: Lettering): Measure {
  if (lettering.kind !== "typed" || !lettering.headings) return measureOf(lettering);
  const em = emOf(lettering.size);
  const line = (em * lettering.leading) / 100;
  const { typeface } = lettering;
  if (lettering.headings === "bold") return inTypeface(`${typeface}-bold`, em, line);
  const small = inTypeface(typeface, em * SMALL, line);
  return {
    ...small,
    capitals: true,
    key: `${typeface} capitals`,
    width: (word) => small.width(word.toUpperCase()),
    lacks: (text) => small.lacks(text.toUpperCase()),
  };
}
