import type { Length } from "../measure/length.ts";
import { ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import { countLines, type Laid, layWords } from "./lay.ts";
import { type CardFace, type CardSetting, type Lettering, OFFERED_SIZES } from "./lettering.ts";
import { measureOf } from "./measure.ts";
import { wordsOfOn } from "./printed-on-lines.ts";
import { areaOf, heightOf } from "./stretches.ts";

/** What a card's face says to its words. Sizes are quarters of a point and said of typed words only. */
export type Verdict =
  /** The margins leave no room for one line. */
  | { readonly kind: "no-area" }
  | { readonly kind: "empty" }
  /** Nothing but words in boxes of their own, and each is in its box. */
  | { readonly kind: "in-boxes"; readonly boxes: number }
  /** These words are larger than the boxes they are for. */
  | { readonly kind: "over-boxes"; readonly words: readonly string[] }
  | {
      readonly kind: "fits";
      readonly lines: number;
      readonly room: number;
      /** The height left under the last line. */
      readonly free: Length;
      readonly largest: number | null;
    }
  /** There is room, but these words are wider than their line and would not be printed. */
  | { readonly kind: "too-wide"; readonly words: readonly string[]; readonly largest: number | null }
  | {
      readonly kind: "over";
      /** How many words to lose from the end for the rest to fit. */
      readonly words: number;
      /** Where in the text those begin. */
      readonly from: number;
      /** The largest of the offered sizes at which all of it fits; null when none does. */
      readonly largest: number | null;
    };

export type CardFit = {
  readonly laid: Laid;
  readonly verdict: Verdict;
  /** Letters that the lettering does not have: a gap is left for each, to draw it by hand. */
  readonly lacks: readonly string[];
};

const isIn = ({ cut, tooWide, noArea }: Omit<Laid, "words">): boolean =>
  cut === null && tooWide.length === 0 && !noArea;

/** What of a width rounding and kerning over breaks may take away, at most. */
const SLACK = 0.97;

/**
 * Tells at which sizes a text cannot go in, whatever its breaks: its words alone, without a space between them, are longer
 * than the lines there is height for. A hundredth of the time that laying it takes, and never true of what would go in.
 */
function hopeless(text: string, { w, h }: Size, lettering: Extract<Lettering, { kind: "typed" }>) {
  const plain = { ...lettering, headings: undefined };
  // In ems, which are the same at every size.
  const { width } = measureOf(plain);
  const long = (text.match(/\S+/g) ?? []).reduce((sum, word) => sum + width(word), 0);
  return (size: number): boolean => {
    const { unit, line } = measureOf({ ...plain, size });
    return long * unit * SLACK > w * Math.max(1, h / line + 1);
  };
}

/**
 * The largest of the sizes that are offered, in quarters of a point, at which a text fits with every word whole; null when it
 * does at none of them, or when the lettering has but one size. Each larger one was tried: breaks may fall so that a larger
 * size is the roomier one, and then it is named.
 */
export function largestSize(text: string, card: Size, setting: CardSetting, face: CardFace): number | null {
  const { lettering } = setting;
  if (lettering.kind !== "typed" || text.trim() === "") return null;
  const area = areaOf(card, setting, face);
  if (!area) return null;
  const isHopeless = hopeless(text, area, lettering);
  const fitsAt = (size: number) =>
    !isHopeless(size) &&
    isIn(countLines(text, card, { ...setting, longWords: "tell", lettering: { ...lettering, size } }, face));
  return OFFERED_SIZES.findLast(fitsAt) ?? null;
}

/** The fewest words to lose from the end of a text for the rest to fit, and where they begin. */
function wordsOver(
  text: string,
  card: Size,
  setting: CardSetting,
  face: CardFace,
  cut: number,
): { words: number; from: number } {
  const starts = [...text.matchAll(/\S+/g)].map(({ index }) => index);
  const fits = (kept: number) => countLines(text.slice(0, starts[kept]).trimEnd(), card, setting, face).cut === null;
  let kept = starts.filter((at) => at < cut).length;
  while (kept > 0 && !fits(kept)) kept -= 1;
  while (kept + 1 < starts.length && fits(kept + 1)) kept += 1;
  return { words: starts.length - kept, from: starts[kept] ?? text.length };
}

/** Whether the words fit a face of their card, with how much room, or how much too much there is of them. */
export function fitCard(text: string, card: Size, setting: CardSetting, face: CardFace): CardFit {
  const laid = layWords(text, card, setting, face);
  const measure = measureOf(setting.lettering);
  const lacks = measure.lacks(text);
  const boxes = face === "front" ? (setting.boxes ?? []).filter((box) => box.text.trim() !== "") : [];
  const over = boxes.filter((box) => !wordsOfOn({ ...box, kind: "words" }).fits).map((box) => box.text);
  const overBoxes: Verdict | null = over.length > 0 ? { kind: "over-boxes", words: over } : null;
  if (text.trim() === "" && boxes.length > 0)
    return { laid, lacks, verdict: overBoxes ?? { kind: "in-boxes", boxes: boxes.length } };
  if (laid.noArea) return { laid, lacks, verdict: { kind: "no-area" } };
  if (text.trim() === "") return { laid, lacks, verdict: { kind: "empty" } };
  const largest = largestSize(text, card, setting, face);
  if (laid.cut !== null)
    return { laid, lacks, verdict: { kind: "over", ...wordsOver(text, card, setting, face, laid.cut), largest } };
  if (laid.tooWide.length > 0) return { laid, lacks, verdict: { kind: "too-wide", words: laid.tooWide, largest } };
  if (overBoxes) return { laid, lacks, verdict: overBoxes };
  const area = areaOf(card, setting, face);
  const free = ticks(Math.max(0, (area?.h ?? 0) - heightOf(laid.lines, measure)));
  return { laid, lacks, verdict: { kind: "fits", lines: laid.lines, room: laid.room, free, largest } };
}

/** How one lettering of several would take the same words. */
export type Other<T> = { readonly other: T; readonly fits: boolean; readonly words: number; readonly over: Length };

/**
 * How each of several letterings takes a text: whether it fits, and if not how many words are too many and how far its
 * widest word stands over its line.
 */
export function compareLetterings<T>(
  text: string,
  card: Size,
  setting: CardSetting,
  face: CardFace,
  others: readonly { readonly other: T; readonly lettering: Lettering }[],
): Other<T>[] {
  const area = areaOf(card, setting, face);
  return others.map(({ other, lettering }) => {
    const laid = countLines(text, card, { ...setting, lettering }, face);
    const measure = measureOf(lettering);
    const widest = text.split(/\s+/).reduce((most, word) => Math.max(most, measure.width(word) * measure.unit), 0);
    const over = ticks(Math.max(0, Math.ceil(widest - (area?.w ?? 0))));
    const cut = laid.noArea ? 0 : laid.cut;
    const words = cut === null ? 0 : (text.slice(cut).match(/\S+/g)?.length ?? 0);
    return { other, fits: isIn(laid), words, over };
  });
}
