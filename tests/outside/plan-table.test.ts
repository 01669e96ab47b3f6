import { stringify } from "csv-stringify/sync";
import iconv from "iconv-lite";
import { describe, expect, it } from "vitest";
import { isPlanHead, readPlanTable } from "../../core/format/plan-table.ts";
import { readCsv } from "../../press/csv.ts";
import { decode } from "../../press/decode-text.ts";
import { decemberDays } from "../samples.ts";

const { plan, days } = decemberDays({});
const album = { album: plan, days, leaves: [], prints: [] };
const TITLE = 'Gran’s "first", and last; 4½″ × é';
const ROWS = [
  ["date", "title", "prompt", "note"],
  ["2026-12-05", TITLE, "Who was there?\nAnd who was not", "Ölzeug, naïve"],
];

/** What the bytes of a file say, by the way that the page takes. */
function readBytes(bytes: Uint8Array) {
  const read = readPlanTable(readCsv(decode(bytes).text, isPlanHead), album);
  if (!read.ok) throw new Error(read.reason);
  return Object.fromEntries(read.changes.map(({ field, becomes }) => [field, becomes]));
}
const WANTED = { title: TITLE, prompt: "Who was there?\nAnd who was not", note: "Ölzeug, naïve" };

describe("a plan in a table that another program wrote (csv-stringify; letters by iconv-lite)", () => {
  it("is read whichever of the usual dividers and line ends it has (RFC 4180, and common practice)", () => {
    for (const delimiter of [",", ";", "\t"])
      for (const record_delimiter of ["\r\n", "\n"])
        for (const quoted of [false, true])
          for (const bom of [false, true]) {
            const text = stringify(ROWS, { delimiter, record_delimiter, quoted, bom });
            expect(readBytes(Buffer.from(text, "utf8")), JSON.stringify({ delimiter, record_delimiter })).toEqual(
              WANTED,
            );
          }
  });

  it("is read in the encodings that spreadsheets save tables in (common practice)", () => {
    const text = stringify(ROWS, { delimiter: "\t" });
    for (const encoding of ["utf8", "utf-16le", "utf-16be"])
      expect(readBytes(iconv.encode(text, encoding, { addBOM: true })), encoding).toEqual(WANTED);
    // Windows-1252 has no ″, which a program that saves in it puts otherwise.
    const plain = text.replaceAll("″", "in");
    expect(readBytes(iconv.encode(plain, "windows-1252"))).toEqual({ ...WANTED, title: TITLE.replace("″", "in") });
  });
});
