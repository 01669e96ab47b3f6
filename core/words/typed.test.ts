import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { typedLines } from "./typed.ts";

describe("typed lines", () => {
  it("are never longer than the columns, and hold every letter of the text in order", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 200 }), fc.integer({ min: 1, max: 40 }), (text, columns) => {
        const lines = typedLines(text, columns);
        for (const line of lines) expect([...line].length).toBeLessThanOrEqual(columns);
        expect(lines.join("").replace(/\s/g, "")).toBe(text.replace(/\s/g, ""));
      }),
    );
  });

  it("break at spaces, keep the text's own breaks, and cut a word only when a line cannot hold it", () => {
    expect(typedLines("one two three", 7)).toEqual(["one two", "three"]);
    expect(typedLines("one\n\ntwo", 7)).toEqual(["one", "", "two"]);
    expect(typedLines("a lighthouse", 5)).toEqual(["a", "light", "house"]);
    expect(typedLines("", 5)).toEqual([""]);
    expect(typedLines("anything", 0)).toEqual([..."anything"]);
  });
});
