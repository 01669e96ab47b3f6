import { FRACTION_SIGNS } from "../measure/length.ts";
import type { Typeface } from "./typeface.ts";
import type { TypefaceData } from "./typeface-data.ts";
import { BOOK } from "./typefaces/book.gen.ts";
import { BOOK_BOLD } from "./typefaces/book-bold.gen.ts";
import { HAND } from "./typefaces/hand.gen.ts";
import { NUMERAL } from "./typefaces/numeral.gen.ts";
import { NUMERAL_BOLD } from "./typefaces/numeral-bold.gen.ts";
import { PLAIN } from "./typefaces/plain.gen.ts";
import { PLAIN_BOLD } from "./typefaces/plain-bold.gen.ts";
import { TYPED } from "./typefaces/typed.gen.ts";
import { TYPED_BOLD } from "./typefaces/typed-bold.gen.ts";

/** What is known of each, as text: see scripts/read-typefaces.ts. */
const DATA: Record<Typeface, string> = {
  ...{ book: BOOK, numeral: NUMERAL, plain: PLAIN, typed: TYPED, hand: HAND },
  ...{ "book-bold": BOOK_BOLD, "numeral-bold": NUMERAL_BOLD, "plain-bold": PLAIN_BOLD, "typed-bold": TYPED_BOLD },
};

type Letter = { readonly width: number; readonly table: number; readonly left: number; readonly right: number };
/** A typeface made ready for reading: its letters by code point, widths in ems. */
type Ready = TypefaceData & {
  readonly letters: ReadonlyMap<number, Letter>;
  readonly words: Map<string, { readonly parts: readonly WordPart[]; readonly width: number }>;
};

const ready = new Map<Typeface, Ready>();

const classes = (names: readonly string[]) =>
  new Map(names.flatMap((name, at) => [...name].map((letter) => [letter.codePointAt(0) ?? 0, at] as const)));

function read(data: TypefaceData): Ready {
  const letters = new Map<number, Letter>();
  for (const [table, { unitsPerEm, runs, left, right }] of data.tables.entries()) {
    const [before, after] = [classes(left), classes(right)];
    for (const [first = 0, ...widths] of runs) {
      for (const [at, width] of widths.entries()) {
        const code = first + at;
        if (letters.has(code)) continue;
        letters.set(code, {
          width: width / unitsPerEm,
          table,
          left: before.get(code) ?? -1,
          right: after.get(code) ?? -1,
        });
      }
    }
  }
  return { ...data, letters, words: new Map() };
}

function typefaceOf(typeface: Typeface): Ready {
  const known = ready.get(typeface) ?? read(JSON.parse(DATA[typeface]));
  ready.set(typeface, known);
  return known;
}

/** How far a typeface's letters reach above the base line and below it, in ems. */
export const reachOf = (typeface: Typeface): { readonly tall: number; readonly deep: number } => typefaceOf(typeface);

/** Made at first need: it takes a slow machine longer than a page's own work, and plain letters never need it. */
let people: Intl.Segmenter | null = null;
const PLAIN_LETTERS = /^[ -~\u00a0-\u024f\u2010-\u2026\u2032\u2033]*$/;

/** The letters of a text as a person counts them, each as it was typed: a letter with its marks is one, and so is a joined emoji. */
export function lettersIn(text: string): string[] {
  if (PLAIN_LETTERS.test(text)) return [...text];
  people ??= new Intl.Segmenter("en", { granularity: "grapheme" });
  const letters: string[] = [];
  for (const { segment } of people.segment(text)) letters.push(segment);
  return letters;
}

/** The same with every letter as typefaces have it: with its marks as one sign, where there is one. */
export const lettersOf = (text: string): string[] => lettersIn(text.normalize("NFC"));

/** Signs that many typefaces lack, and what says the same in signs they have. */
const SAME: Readonly<Record<string, string>> = {
  "″": '"',
  "′": "'",
  "‐": "-",
  "‑": "-",
  "‒": "–",
  "−": "–",
  "⁄": "/",
  "•": "·",
  "…": "...",
  "\u202f": "\u00a0",
  ...FRACTION_SIGNS,
};

function isKnown({ letters }: Ready, letter: string): boolean {
  for (const sign of letter) if (!letters.has(sign.codePointAt(0) ?? 0)) return false;
  return true;
}

/** A letter, as people count them, as a typeface prints it: with everything it is made of, or in other signs; null when it cannot. */
function printable(of: Ready, letter: string): string | null {
  if (isKnown(of, letter)) return letter;
  const same = SAME[letter];
  return same !== undefined && isKnown(of, same) ? same : null;
}

/** The letters of a text that a typeface does not have, each once, in the order they come. Spaces are never missing. */
export function lackedBy(typeface: Typeface, text: string): string[] {
  const of = typefaceOf(typeface);
  // Word by word, each once: the same words come again, and a text may be long.
  const words = new Set(text.split(/\s+/));
  return [...new Set([...words].flatMap(lettersOf))].filter(
    (letter) => !/^[\s\p{Cf}]*$/u.test(letter) && printable(of, letter) === null,
  );
}

/** Part of a word: letters printed in one go, or the gap left for a letter that the typeface does not have. */
export type WordPart = { readonly text: string; readonly from: number; readonly width: number; readonly gap: boolean };

/** How wide the gap for a missing letter is, in ems: room to draw it by hand. */
const GAP = 1;

/** The width of letters that a typeface has, in ems. Letters of another file of the typeface are not kerned with their neighbours. */
function widthOfKnown({ letters, tables }: Ready, text: string): number {
  let width = 0;
  let before: Letter | undefined;
  for (const sign of text) {
    const letter = letters.get(sign.codePointAt(0) ?? 0);
    if (!letter) continue;
    width += letter.width;
    if (before && before.table === letter.table && before.left >= 0 && letter.right >= 0) {
      const table = tables[letter.table];
      width += (table?.kern[before.left]?.[letter.right] ?? 0) / (table?.unitsPerEm ?? 1);
    }
    before = letter;
  }
  return width;
}

const MOST_REMEMBERED = 20_000;

/** A word measured: its parts and its width in ems. Remembered, because the same words come again with every letter typed. */
function measured(typeface: Typeface, word: string): { readonly parts: readonly WordPart[]; readonly width: number } {
  const of = typefaceOf(typeface);
  const known = of.words.get(word);
  if (known) return known;
  const cut: { text: string; gap: boolean }[] = [];
  for (const letter of lettersOf(word)) {
    if (/^\p{Cf}+$/u.test(letter)) continue;
    const said = printable(of, letter);
    const last = cut.at(-1);
    if (last && said !== null && !last.gap) last.text += said;
    else cut.push({ text: said ?? letter, gap: said === null });
  }
  let from = 0;
  const parts = cut.map(({ text, gap }) => {
    const width = gap ? GAP : widthOfKnown(of, text);
    const part = { text, gap, from, width };
    from += width;
    return part;
  });
  if (of.words.size > MOST_REMEMBERED) of.words.clear();
  const found = { parts, width: from };
  of.words.set(word, found);
  return found;
}

/** A word cut into what a typeface prints in one go and the gaps between; offsets and widths in ems. */
export const partsOf = (typeface: Typeface, word: string): readonly WordPart[] => measured(typeface, word).parts;

/** The width of a word in ems, as it is printed: kerned, and with a gap for every letter that the typeface does not have. */
export const widthOf = (typeface: Typeface, word: string): number => measured(typeface, word).width;
