import Papa from "papaparse";

/** RFC 4180: commas, CRLF, quotes where needed. A byte-order mark lets spreadsheets read the accents. */
export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  `\uFEFF${Papa.unparse(rows as string[][], { newline: "\r\n" })}\r\n`;
