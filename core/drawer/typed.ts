import { parseLength, type Unit } from "../measure/length.ts";
import { type Size, size } from "../measure/size.ts";
import { MOST_OF_A_THING, newThing, type Thing, type ThingKind } from "./thing.ts";

/** Words by which a kind is known in what was typed. */
const KNOWN_BY: readonly (readonly [ThingKind, RegExp])[] = [
  ["numbers", /\b(numbers?|numerals?)\b/i],
  ["letters", /\b(letters?|alphabets?)\b/i],
  ["protector", /\b(protectors?|pockets?)\b/i],
  ["film", /\b(film|transparenc(y|ies)|acetate|vellum)\b/i],
  ["tape", /\b(tapes?|washi|twine|ribbon)\b/i],
  ["sticker", /\b(stickers?|labels?)\b/i],
  ["card", /\b(cards?|tags?)\b/i],
  ["paper", /\b(papers?|cardstock|pads?|scraps?|sheets?)\b/i],
];

const COUNT = /^\s*(\d{1,6})\s*(?:[x×]\s+|\s)(?=\D)|[,;]\s*(\d{1,6})\s*$|\s[x×]\s?(\d{1,6})\s*$/;
/** `12 × 12`, `3 1/2 x 4 in`, `9 × 13 cm`: two lengths. */
const SIZE = /(?<![\w/])(\d[\d\s./⅛¼⅜½⅝¾⅞]*(?:in|cm|mm|″|")?)\s*[x×]\s*(\d[\d\s./⅛¼⅜½⅝¾⅞]*(?:in|cm|mm|″|")?)/i;

/**
 * One thing as somebody types it: `Linen Stars 12 × 12, 6` or `6 brass numerals`. How many, its size and its kind are read
 * off it, and the rest is its name; null where nothing is left to call it by. Lengths without a unit are in `unit`.
 */
export function readTyped(line: string, unit: Unit, usual: ThingKind = "other"): Thing | null {
  let rest = ` ${line.trim()} `;
  const found = SIZE.exec(rest);
  const sized = found && sizeOf(found[1] ?? "", found[2] ?? "", unit);
  if (found && sized) rest = rest.replace(found[0], " , ");
  const [whole, ...counts] = COUNT.exec(rest) ?? [];
  const counted = counts.find((each) => each !== undefined);
  if (whole !== undefined) rest = rest.replace(whole, " ");
  const name = rest.replace(/\s+/g, " ").replace(/^[\s,;·-]+|[\s,;·-]+$/g, "");
  if (name === "") return null;
  const kind = KNOWN_BY.find(([, words]) => words.test(name))?.[0] ?? (sized && usual === "other" ? "paper" : usual);
  const count = counted === undefined ? 1 : Math.min(MOST_OF_A_THING, Number(counted));
  return { ...newThing(name, kind, count), size: sized ?? null };
}

function sizeOf(w: string, h: string, unit: Unit): Size | null {
  const [wide, high] = [parseLength(w, unit), parseLength(h, unit)];
  return wide.ok && high.ok ? size(wide.length, high.length) : null;
}
