import { createRequire } from "node:module";
import { type Font, openSync } from "fontkit";
import { plainFractions } from "../core/measure/length.ts";
import type { Typeface } from "../core/words/typeface.ts";

const require = createRequire(import.meta.url);
const FILES: Record<Typeface, readonly string[]> = {
  numeral: ["besley/files/besley-latin-600-normal.woff", "besley/files/besley-latin-ext-600-normal.woff"],
  typed: [
    "courier-prime/files/courier-prime-latin-400-normal.woff",
    "courier-prime/files/courier-prime-latin-ext-400-normal.woff",
  ],
  plain: [
    "hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff",
    "hanken-grotesk/files/hanken-grotesk-latin-ext-400-normal.woff",
  ],
  book: ["alegreya/files/alegreya-latin-400-normal.woff", "alegreya/files/alegreya-latin-ext-400-normal.woff"],
  "book-bold": ["alegreya/files/alegreya-latin-700-normal.woff", "alegreya/files/alegreya-latin-ext-700-normal.woff"],
  "numeral-bold": ["besley/files/besley-latin-800-normal.woff", "besley/files/besley-latin-ext-800-normal.woff"],
  "plain-bold": [
    "hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff",
    "hanken-grotesk/files/hanken-grotesk-latin-ext-700-normal.woff",
  ],
  "typed-bold": [
    "courier-prime/files/courier-prime-latin-700-normal.woff",
    "courier-prime/files/courier-prime-latin-ext-700-normal.woff",
  ],
  hand: ["caveat/files/caveat-latin-400-normal.woff", "caveat/files/caveat-latin-ext-400-normal.woff"],
};

/** Kerning and nothing else: every letter keeps its own shape, so that widths add up the same wherever they are read. */
export const LETTERS_ALONE: Record<string, boolean> = {
  kern: true,
  liga: false,
  clig: false,
  rlig: false,
  calt: false,
  ccmp: false,
  locl: false,
  mark: false,
  mkmk: false,
  frac: false,
};

export type ShippedFont = { readonly file: string; readonly font: Font };
const opened = new Map<Typeface, ShippedFont[]>();

/** The files of a typeface, each opened once: those that are embedded in print, and whose widths core knows. */
export function fontsOf(typeface: Typeface): ShippedFont[] {
  const known =
    opened.get(typeface) ??
    FILES[typeface].map((name) => {
      const file = require.resolve(`@fontsource/${name}`);
      return { file, font: openSync(file) as Font };
    });
  opened.set(typeface, known);
  return known;
}

/** The font file that a page fetches by its name; null where there is none such. */
export function letterFile(name: string): string | null {
  const known = Object.values(FILES)
    .flat()
    .find((file) => file.replace(/woff$/, "woff2").endsWith(`/${name}`));
  return known ? require.resolve(`@fontsource/${known}`).replace(/woff$/, "woff2") : null;
}

/** The text in runs of one font file each; a letter no file has becomes a question mark, never an empty box. */
export function runsOf(text: string, typeface: Typeface): (ShippedFont & { text: string })[] {
  const fonts = fontsOf(typeface);
  const [first] = fonts;
  if (!first) throw new Error(`no file for ${typeface}`);
  const runs: (ShippedFont & { text: string })[] = [];
  for (const letter of plainFractions(text).replaceAll("″", '"')) {
    const has = fonts.find(({ font }) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0));
    const [from, said] = has ? [has, letter] : [first, "?"];
    const last = runs.at(-1);
    if (last?.file === from.file) last.text += said;
    else runs.push({ ...from, text: said });
  }
  return runs;
}

/** What a font file is of, by its name: `besley/files/besley-latin-600-normal.woff` is Besley at 600. */
export function faceOf(file: string): { readonly family: string; readonly weight: number } {
  const [, folder = "", weight = "400"] = /([a-z-]+)\/files\/.*-(\d{3})-normal\.woff2?$/.exec(file) ?? [];
  const family = folder.replace(
    /(^|-)([a-z])/g,
    (_, dash: string, letter: string) => `${dash ? " " : ""}${letter.toUpperCase()}`,
  );
  return { family, weight: Number(weight) };
}
