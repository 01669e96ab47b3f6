import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { escaped } from "../draw/svg.ts";
import { clean } from "./clean.ts";

/** What XML 1.0 takes as a character, whole texts of it. Source: W3C XML 1.0, 2.2, production 2. */
const XML_TEXT = /^[\t\n\r\u{20}-\u{D7FF}\u{E000}-\u{FFFD}\u{10000}-\u{10FFFF}]*$/u;
const anyText = fc.string({ unit: fc.integer({ min: 0, max: 0xffff }).map((code) => String.fromCharCode(code)) });

describe("a text made clean", () => {
  it("holds nothing that XML does not take, whatever it was, and neither does what is drawn of it", () => {
    fc.assert(
      fc.property(anyText, (text) => {
        expect(clean(text)).toMatch(XML_TEXT);
        expect(escaped(text)).toMatch(XML_TEXT);
        expect(clean(clean(text))).toBe(clean(text));
      }),
      { numRuns: 2000 },
    );
    expect(clean("A\u0000 bell\u0008 rings\u001b[2J\u007f")).toBe("A bell rings[2J");
  });

  it("keeps every letter, break and tab of a text that was clean before", () => {
    expect(clean("Fog bell,\tnoon.\r\nÅ 𝄞 ½″")).toBe("Fog bell,\tnoon.\r\nÅ 𝄞 ½″");
  });
});
