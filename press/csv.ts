import Papa from "papaparse";

/**
 * A spreadsheet runs a cell that begins like a formula; an apostrophe before it keeps it text. One that begins with
 * apostrophes and then like a formula gets one more, so that reading takes away just what writing put there. Common practice.
 */
const FORMULA = /^'*[=+\-@\t\r]/;
const GUARDED = /^'('*[=+\-@\t\r])/;

/** RFC 4180: commas, CRLF, quotes where needed. A byte-order mark lets spreadsheets read the accents. */
export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  `\uFEFF${Papa.unparse(rows as string[][], { newline: "\r\n", escapeFormulae: FORMULA })}\r\n`;

const DIVIDERS = [",", ";", "\t"];

/**
 * Reads what `writeCsv` writes, and tables of other programs. Columns are divided by what divides the head, as `isHead`
 * knows it; where there is none, the library guesses.
 */
export function readCsv(text: string, isHead: (row: readonly string[]) => boolean = () => false): string[][] {
  const firstOf = (delimiter: string) => Papa.parse<string[]>(text, { delimiter, preview: 1 }).data[0] ?? [];
  const delimiter = DIVIDERS.find((each) => isHead(firstOf(each)));
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, ...(delimiter ? { delimiter } : {}) });
  return data.map((row) => row.map((cell) => cell.replace(GUARDED, "$1")));
}
