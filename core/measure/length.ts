import { LIMITS } from "../limits.ts";

/**
 * A length is an integer count of ticks, 1 tick = 1/320 mm.
 * 1 inch = 8128 ticks and 1/64 inch = 127 ticks, so fractions of an inch and tenths of a millimetre are both exact
 * and sums never drift. Source of 1 inch = 25.4 mm: international inch (1959), NIST SP 811.
 */
export type Length = number & { readonly __unit: "tick" };

/** What an album measures in, and so what a bare number means and how lengths are said. */
export type Unit = "inch" | "cm";

export const TICKS_PER_MM = 320;
export const TICKS_PER_CM = 3200;
export const TICKS_PER_INCH = 8128;
const TICKS_PER_64TH = 127;

/** The largest length any album needs: 2 m. Anything longer is a slip of the key. */
export const LONGEST = (2000 * TICKS_PER_MM) as Length;

/** Ticks as given; throws on a fraction of a tick, which is always a bug. */
export function ticks(count: number): Length {
  if (!Number.isSafeInteger(count)) throw new RangeError("a length is a whole number of ticks");
  return count as Length;
}

/** `n` inches, to the nearest tick; exact for every 64th. */
export const inches = (n: number): Length => ticks(Math.round(n * TICKS_PER_INCH));

/** `n` millimetres, to the nearest tick; exact for every tenth. */
export const millimetres = (n: number): Length => ticks(Math.round(n * TICKS_PER_MM));

/** Millimetres as a plain number, for drawing. */
export const toMillimetres = (length: Length): number => length / TICKS_PER_MM;

export const plus = (a: Length, b: Length): Length => (a + b) as Length;
export const minus = (a: Length, b: Length): Length => (a - b) as Length;

export type LengthProblem = "empty" | "not-a-length" | "not-positive" | "too-long";
export type ParsedLength = { ok: true; length: Length } | { ok: false; reason: LengthProblem };

/** Fractions written as one sign, and as they are written without it. */
export const FRACTION_SIGNS: Readonly<Record<string, string>> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
  "⅓": "1/3",
  "⅔": "2/3",
  "⅙": "1/6",
  "⅚": "5/6",
  "⅕": "1/5",
  "⅖": "2/5",
  "⅗": "3/5",
  "⅘": "4/5",
};
const SUPERSCRIPT = "⁰¹²³⁴⁵⁶⁷⁸⁹";
const SUBSCRIPT = "₀₁₂₃₄₅₆₇₈₉";
const TICKS_IN: Record<string, number> = {
  in: TICKS_PER_INCH,
  cm: TICKS_PER_CM,
  mm: TICKS_PER_MM,
  m: TICKS_PER_MM * 1000,
};
const SHAPE =
  /^(-?)(?:(\d{1,6})(?:[.,](\d{0,9}))?|[.,](\d{1,9}))?(?:(?:^| ?-(?! )| |(?<=^-))(\d{1,4})\/(\d{1,4}))?(in|cm|mm|m)?$/;

/** Brings typographic fractions, primes and unit words down to the few forms that SHAPE reads. */
function plain(text: string): string {
  // White space is brought to single spaces first: no pattern after this has a run of it to try and try again.
  let out = text
    .normalize("NFC")
    .replace(/\s+/g, " ")
    .trim()
    .replace(/^[−-] ?/, "-")
    .toLowerCase();
  for (const [glyph, fraction] of Object.entries(FRACTION_SIGNS)) out = out.replaceAll(glyph, ` ${fraction}`);
  out = out.replace(/([⁰¹²³⁴-⁹]+)[⁄/]([₀-₉]+)/g, (_, over: string, under: string) => {
    const digits = (glyphs: string, alphabet: string) => [...glyphs].map((g) => alphabet.indexOf(g)).join("");
    return ` ${digits(over, SUPERSCRIPT)}/${digits(under, SUBSCRIPT)}`;
  });
  return out
    .replaceAll("⁄", "/")
    .replace(/\s+/g, " ")
    .replace(/ ?(?:"|″|”|''|inches|inch|in\.?)$/, "in")
    .replace(/ ?(centimetres?|centimeters?)$/, "cm")
    .replace(/ ?(millimetres?|millimeters?)$/, "mm")
    .replace(/ ?(in|cm|mm|m)$/, "$1")
    .replace(/ ?\/ ?/g, "/")
    .trim();
}

/**
 * Reads a length as people write it: `4 1/2`, `4½`, `4.5`, `4.5"`, `11,4 cm`, `114mm`, `3/8`.
 * A number without a unit is in `unit`. The answer is the nearest tick, above zero and at most 2 m.
 */
export function parseLength(text: string, unit: Unit): ParsedLength {
  if (text.trim() === "") return { ok: false, reason: "empty" };
  if (text.length > LIMITS.lengthLetters.most) return { ok: false, reason: "not-a-length" };
  const match = SHAPE.exec(plain(text));
  if (!match) return { ok: false, reason: "not-a-length" };
  const [, sign, whole, decimals, bareDecimals, over, under, said] = match;
  if (whole === undefined && bareDecimals === undefined && over === undefined)
    return { ok: false, reason: "not-a-length" };
  if (over !== undefined && (Number(under) === 0 || decimals !== undefined || bareDecimals !== undefined)) {
    return { ok: false, reason: "not-a-length" };
  }
  const number = Number(`${whole ?? 0}.${decimals || bareDecimals || 0}`);
  const fraction = over === undefined ? 0 : Number(over) / Number(under);
  const count = Math.round((number + fraction) * (TICKS_IN[said ?? (unit === "inch" ? "in" : "cm")] ?? Number.NaN));
  if (sign === "-" || count <= 0) return { ok: false, reason: "not-positive" };
  if (count > LONGEST) return { ok: false, reason: "too-long" };
  return { ok: true, length: ticks(count) };
}

/** Which lengths a field may hold: more than nothing; nothing too; or also such that lead the other way. */
export type LengthRange = "positive" | "zero" | "signed";

/** Reads a length as `parseLength` does, where nothing, or one with a minus before it, may be meant too. */
export function parseLengthIn(text: string, unit: Unit, range: LengthRange): ParsedLength {
  if (range === "positive") return parseLength(text, unit);
  const [, minus = "", bare = ""] = /^\s*([-−]?)([\s\S]*)$/.exec(text) ?? [];
  const parsed: ParsedLength = /^\s*(0+([.,]0*)?|[.,]0+)\s*$/.test(bare)
    ? { ok: true, length: ticks(0) }
    : parseLength(bare, unit);
  if (!parsed.ok || minus === "" || parsed.length === 0) return parsed;
  return range === "signed" ? { ok: true, length: ticks(-parsed.length) } : { ok: false, reason: "not-positive" };
}

const GLYPH: Record<string, string> = Object.fromEntries(
  Object.entries(FRACTION_SIGNS)
    // What a ruler has; the others are read, and never said.
    .filter(([, fraction]) => /\/[248]$/.test(fraction))
    .map(([glyph, fraction]) => [fraction, glyph]),
);

function fractionGlyph(sixtyFourths: number): string {
  let over = sixtyFourths;
  let under = 64;
  while (over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  const written = `${over}/${under}`;
  const small = (n: number, alphabet: string) => [...String(n)].map((d) => alphabet[Number(d)]).join("");
  return GLYPH[written] ?? `${small(over, SUPERSCRIPT)}⁄${small(under, SUBSCRIPT)}`;
}

/** The fewest decimals that read back as the same tick. */
function shortestDecimal(length: Length, ticksPerUnit: number): string {
  for (let places = 0; places <= 6; places++) {
    const text = (length / ticksPerUnit).toFixed(places);
    if (Math.round(Number(text) * ticksPerUnit) === length) return text;
  }
  return (length / ticksPerUnit).toFixed(7);
}

/** The number alone, in `unit`: `4½`, `³⁄₁₆`, `11.4`. Reads back through `parseLength(…, unit)` as the same length. */
export function printNumber(length: Length, unit: Unit): string {
  if (length < 0) return `−${printNumber(-length as Length, unit)}`;
  if (unit === "cm") return shortestDecimal(length, TICKS_PER_CM);
  if (length % TICKS_PER_64TH !== 0) return shortestDecimal(length, TICKS_PER_INCH);
  const sixtyFourths = length / TICKS_PER_64TH;
  const whole = Math.floor(sixtyFourths / 64);
  const rest = sixtyFourths % 64;
  if (rest === 0) return String(whole);
  return whole === 0 ? fractionGlyph(rest) : `${whole}${fractionGlyph(rest)}`;
}

/** With its unit: `4½″`, `11.4 cm`. */
export function printLength(length: Length, unit: Unit): string {
  return unit === "inch" ? `${printNumber(length, unit)}″` : `${printNumber(length, unit)} cm`;
}

const SAID_TO: Record<Unit, number> = { inch: TICKS_PER_64TH, cm: TICKS_PER_MM / 10 };

/** To the nearest 64th of an inch or tenth of a millimetre, as a ruler says it; never nothing for something. */
export function sayLength(length: Length, unit: Unit): string {
  const step = SAID_TO[unit];
  const near = Math.round(length / step) * step;
  return printLength(ticks(near === 0 && length !== 0 ? Math.sign(length) * step : near), unit);
}

/** Fractions of small digits written with plain ones, `3⁷⁄₃₂` as `3 7/32`, for typefaces that have no others and where those would be too small. */
export const plainFractions = (text: string): string =>
  text.replace(/(\d?)([⁰¹²³⁴-⁹]+)⁄([₀-₉]+)/g, (_, whole: string, over: string, under: string) => {
    const digits = (glyphs: string, alphabet: string) => [...glyphs].map((glyph) => alphabet.indexOf(glyph)).join("");
    return `${whole}${whole ? " " : ""}${digits(over, SUPERSCRIPT)}/${digits(under, SUBSCRIPT)}`;
  });
