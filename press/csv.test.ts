import { parse } from "csv-parse/sync";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readCsv, writeCsv } from "./csv.ts";

const anyCell = fc.oneof(
  fc.string({ unit: fc.constantFrom(..."=+-@'\t\r\n,;\"aé "), maxLength: 8 }),
  fc.constantFrom("=1+1", "'=1+1", "''@now", "-", "'", "+44 1632"),
);
// Papa takes an empty last line for no row: a row of one empty cell cannot be told from it.
const anyRows = fc.array(fc.array(anyCell, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 6 });

describe("a table of ours", () => {
  it("holds no cell that a spreadsheet would run, as a reader from outside takes it apart (RFC 4180: csv-parse)", () => {
    fc.assert(
      fc.property(anyRows, (rows) => {
        const read: string[][] = parse(writeCsv(rows), { bom: true, record_delimiter: "\r\n" });
        expect(read.length).toBe(rows.length);
        for (const cell of read.flat()) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
      }),
    );
  });

  it("is read back as it was written, whatever its cells begin with", () => {
    fc.assert(
      fc.property(anyRows, (rows) => {
        const table = [["text", "kind"], ...rows];
        const read = readCsv(writeCsv(table).replace(/^\uFEFF/, ""), ([first]) => first === "text");
        expect(read.slice(0, table.length)).toEqual(table);
      }),
    );
  });
});
