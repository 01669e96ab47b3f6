import { clean } from "../core/words/clean.ts";
import {
  deckRows,
  isHead,
  type ReadDeck,
  readLines,
  readRows,
  type WrittenSlip,
  writeLines,
} from "../core/words/deck-text.ts";
import { readCsv, writeCsv } from "./csv.ts";
import { decode, type Encoding } from "./decode-text.ts";

export type DeckFile = ReadDeck & { readonly encoding: Encoding };

const LONGEST_HEAD = 200;
const isWideHead = (row: readonly string[]) => isHead(row, 2);

/** A table by its file's name, or because its first line is a table's head of two columns or more. */
function isTable(name: string, text: string): boolean {
  const [firstLine = ""] = text.slice(0, LONGEST_HEAD).split(/\r\n?|\n/, 1);
  return /\.csv$/i.test(name) || isWideHead(readCsv(firstLine, isWideHead)[0] ?? []);
}

/** Reads a deck from a file: a table (CSV) or plain text, whatever its letters are written in. */
export function readDeckFile(name: string, bytes: Uint8Array): DeckFile {
  const { text, encoding } = decode(bytes);
  return { ...readDeckText(name, text), encoding };
}

export function readDeckText(name: string, given: string): ReadDeck {
  const text = clean(given.replace(/^\uFEFF/, ""));
  if (!isTable(name, text)) return readLines(text);
  return readRows(readCsv(text, isWideHead), true);
}

/** A deck written out as it is read. */
export const writeDeckFile = (ending: "csv" | "txt", slips: readonly WrittenSlip[]): string =>
  ending === "csv" ? writeCsv(deckRows(slips)) : writeLines(slips);
