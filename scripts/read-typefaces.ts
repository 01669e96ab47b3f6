import { writeFileSync } from "node:fs";
import path from "node:path";
import { TYPEFACES } from "../core/words/typeface.ts";
import type { TypefaceTable } from "../core/words/typeface-data.ts";
import { fontsOf, LETTERS_ALONE } from "../press/typefaces.ts";

/**
 * Reads the widths of the shipped typefaces out of the font files that are embedded in print, and writes them down for core.
 * Run it when a font package changes; tests/outside/words.test.ts compares what is written here with the files.
 */
type Font = ReturnType<typeof fontsOf>[number]["font"];

const wide = (font: Font, text: string): number => font.layout(text, LETTERS_ALONE).advanceWidth;

/** Letters that stand by themselves: no control characters, and no marks that sit on another letter. */
const letters = (font: Font): string[] =>
  font.characterSet
    .map((code) => String.fromCodePoint(code))
    .filter((letter) => !/[\p{C}\p{M}\p{Zl}\p{Zp}]/u.test(letter));

/** Letters that are kerned alike share a class; the matrix says by how much, from class to class. Class 0 is not kerned. */
function kerning(font: Font, all: readonly string[]): Pick<TypefaceTable, "left" | "right" | "kern"> {
  const alone = new Map(all.map((letter) => [letter, wide(font, letter)]));
  const width = (letter: string) => alone.get(letter) ?? 0;
  const rows = all.map((a) => all.map((b) => Math.round(wide(font, a + b) - width(a) - width(b))));
  const group = (keys: readonly string[]): { names: string[]; sample: number[] } => {
    const found = new Map<string, { name: string; at: number }>();
    for (const [at, key] of keys.entries()) {
      const known = found.get(key);
      if (known) known.name += all[at];
      else found.set(key, { name: all[at] ?? "", at });
    }
    const kept = [...found].filter(([key]) => /[1-9]/.test(key)).map(([, each]) => each);
    return { names: kept.map(({ name }) => name), sample: kept.map(({ at }) => at) };
  };
  const left = group(rows.map((row) => row.join()));
  const right = group(all.map((_, at) => rows.map((row) => row[at]).join()));
  return {
    left: left.names,
    right: right.names,
    kern: left.sample.map((a) => right.sample.map((b) => rows[a]?.[b] ?? 0)),
  };
}

/** Widths run together where code points follow each other: `[first, w, w, w]`. */
function runs(font: Font, all: readonly string[]): number[][] {
  const found: number[][] = [];
  let next = -1;
  for (const letter of all) {
    const code = letter.codePointAt(0) ?? 0;
    if (code !== next) found.push([code]);
    found.at(-1)?.push(Math.round(wide(font, letter)));
    next = code + 1;
  }
  return found;
}

function tableOf(font: Font): TypefaceTable {
  const all = letters(font);
  return { unitsPerEm: font.unitsPerEm, runs: runs(font, all), ...kerning(font, all) };
}

/** How far letters reach above and below the base line, in ems: of those that reach furthest. */
function reach(font: Font): { tall: number; deep: number } {
  const boxes = [..."bdfhklÅÉÑßgjpqy(),;Q"].map((letter) => font.glyphForCodePoint(letter.codePointAt(0) ?? 0).bbox);
  return {
    tall: Math.max(...boxes.map(({ maxY }) => maxY)) / font.unitsPerEm,
    deep: -Math.min(...boxes.map(({ minY }) => minY)) / font.unitsPerEm,
  };
}

const round = (n: number) => Math.ceil(n * 1000) / 1000;
for (const typeface of TYPEFACES) {
  const fonts = fontsOf(typeface);
  const [first] = fonts;
  if (!first) throw new Error(`no file for ${typeface}`);
  const { tall, deep } = reach(first.font);
  const data = { tall: round(tall), deep: round(deep), tables: fonts.map(({ font }) => tableOf(font)) };
  const name = typeface.toUpperCase().replace("-", "_");
  // As text: a page reads the typefaces that it sets, and the others cost it nothing.
  const text = `// Written by scripts/read-typefaces.ts from the font files; not by hand.\nexport const ${name} = ${JSON.stringify(JSON.stringify(data))};\n`;
  writeFileSync(path.resolve(import.meta.dirname, `../core/words/typefaces/${typeface}.gen.ts`), text);
  process.stdout.write(`${typeface}: ${text.length} letters\n`);
}
