import type { Size } from "../measure/size.ts";
import { largestSize } from "../words/fit.ts";
import { type CardSetting, SMALL_SIZE, usualSetting } from "../words/lettering.ts";
import { CARD_SIZES } from "./formats.ts";

/** A card of a list: how large, its words, and its lettering; null: as usual for its size. */
export type ListCard = { readonly size: Size; readonly text: string; readonly setting: CardSetting | null };

/** Nine points: letters are made no smaller than this before a list is given a larger card. From memory. */
const READABLE = 9 * 4;

const area = ({ w, h }: Size): number => w * h;

/** The usual cards that stand upright and are longer than wide, the smallest first: a list is read downwards. */
export const LIST_CARDS: readonly Size[] = CARD_SIZES.filter(({ w, h }) => h > w).sort((a, b) => area(a) - area(b));

const settingAt = (card: Size, size: number): CardSetting => {
  const usual = usualSetting(card);
  return usual.lettering.kind === "typed" ? { ...usual, lettering: { ...usual.lettering, size } } : usual;
};

/** The card with these words, where they fit it in letters of at least `least` quarters of a point and at most the usual. */
function cardOf(lines: readonly string[], size: Size, least: number): ListCard | null {
  const usual = usualSetting(size);
  const text = lines.join("\n");
  const largest = largestSize(text, size, usual, "front");
  if (largest === null || largest < least || usual.lettering.kind !== "typed") return null;
  return { size, text, setting: largest >= usual.lettering.size ? null : settingAt(size, largest) };
}

/**
 * The cards for a list: one, of the smallest size on which its lines can be read; else as many of the largest as they need,
 * broken between lines, each headed as the first. `sizes` has at least one. A line that fits no card by itself is put on one
 * all the same, where its own place tells how much is too much.
 */
export function listCards(lines: readonly string[], sizes: readonly Size[] = LIST_CARDS): ListCard[] {
  for (const least of [READABLE, SMALL_SIZE])
    for (const size of sizes) {
      const card = cardOf(lines, size, least);
      if (card) return [card];
    }
  const size = sizes.at(-1);
  const [heading = "", ...things] = lines;
  if (!size) return [];
  const cards: ListCard[] = [];
  for (let from = 0; from < things.length; ) {
    let [fits, over] = [1, things.length - from + 1];
    while (over - fits > 1) {
      const half = Math.floor((fits + over) / 2);
      if (cardOf([heading, ...things.slice(from, from + half)], size, READABLE)) fits = half;
      else over = half;
    }
    const own = [heading, ...things.slice(from, from + fits)];
    cards.push(cardOf(own, size, SMALL_SIZE) ?? { size, text: own.join("\n"), setting: null });
    from += fits;
  }
  return cards.length > 0 ? cards : [{ size, text: heading, setting: null }];
}
