import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { printLength, ticks } from "./length.ts";
import { spoken } from "./spoken.ts";

const UNDER: Record<string, number> = {
  ...{ half: 2, quarter: 4, eighth: 8, sixteenth: 16 },
  ...{ "thirty-second": 32, "sixty-fourth": 64 },
};

describe("a length read aloud", () => {
  it("has its fractions in words", () => {
    expect(spoken("6³⁄₁₆″")).toBe("6 and 3 sixteenths inches");
    expect(spoken("4½″")).toBe("4 and 1 half inches");
    expect(spoken("¾″")).toBe("3 quarters of an inch");
    expect(spoken("½″ × ¾")).toBe("half an inch × 3 quarters");
    expect(spoken("Print 4 × 6. ⅛″ too wide.")).toBe("Print 4 × 6. 1 eighth of an inch too wide.");
    expect(spoken("11.4 cm")).toBe("11.4 cm");
    expect(spoken("12/24 hours")).toBe("12/24 hours");
  });

  it("is the length that is printed, of every sixty-fourth", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 64 * 40 }), (at) => {
        const length = ticks(at * 127);
        const words = spoken(printLength(length, "inch"));
        expect(words).not.toMatch(/[⁰¹²³⁴-⁹₀-₉⁄½¼¾⅛⅜⅝⅞]/);
        const said = /^(?:(\d+)(?: and |(?= inches)))?(?:(\d+) ([a-z-]+?)s?)?(?: of an inch| inches)?$/.exec(
          words.replace("half an inch", "1 half of an inch"),
        );
        const [, whole = "0", over = "0", part = "half"] = said ?? [];
        expect(Number(whole) + Number(over) / (UNDER[part] ?? Number.NaN), words).toBe(at / 64);
      }),
    );
  });
});
