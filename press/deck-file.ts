import iconv from "iconv-lite";
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

/** How the letters of a file were written; `guessed` where nothing in it says so. */
export type Encoding = "utf-8" | "utf-16" | "guessed";
export type DeckFile = ReadDeck & { readonly encoding: Encoding };

/** Reads letters by the mark at the file's head, as UTF-8 where they are that, and else as Windows-1252. */
function decode(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "utf-16" };
  if (first === 0xfe && second === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "utf-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "utf-8" };
  } catch {
    // Not the decoder of Node.js, which in some versions takes this for ISO 8859-1.
    return { text: iconv.decode(Buffer.from(bytes), "windows-1252"), encoding: "guessed" };
  }
}

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
