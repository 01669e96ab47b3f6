import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  inches,
  LONGEST,
  millimetres,
  parseLength,
  plainFractions,
  printLength,
  printNumber,
  sayLength,
  ticks,
} from "./length.ts";

const read = (text: string, unit: "inch" | "cm" = "inch") => {
  const parsed = parseLength(text, unit);
  return parsed.ok ? parsed.length : parsed.reason;
};

describe("a length", () => {
  it("prints and reads back as itself, in both units", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: LONGEST }), fc.constantFrom("inch" as const, "cm" as const), (n, unit) => {
        expect(read(printNumber(ticks(n), unit), unit)).toBe(n);
        expect(read(printLength(ticks(n), unit), unit === "inch" ? "cm" : "inch")).toBe(n);
      }),
    );
  });

  it("prints every 64th of an inch as a fraction and every tenth of a millimetre as a short decimal", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 64 * 24 }), (n) => {
        expect(printNumber(inches(n / 64), "inch")).not.toContain(".");
      }),
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), (n) => {
        expect(printNumber(millimetres(n / 10), "cm")).toBe(String(n / 100));
      }),
    );
  });

  it.each([
    ["4 1/2", inches(4.5)],
    ["4½", inches(4.5)],
    ["4 ½", inches(4.5)],
    ["4-1/2", inches(4.5)],
    ["2⅙", ticks(Math.round(inches(1) * (2 + 1 / 6)))],
    ["⅚", ticks(Math.round((inches(1) * 5) / 6))],
    ["1⅕", ticks(Math.round(inches(1) * 1.2))],
    ["4.5", inches(4.5)],
    ['4.5"', inches(4.5)],
    ["4.5 in", inches(4.5)],
    ["4½ inches", inches(4.5)],
    ["11,4 cm", millimetres(114)],
    ["114mm", millimetres(114)],
    ["114 mm", millimetres(114)],
    ["3/8", inches(0.375)],
    ["³⁄₁₆″", inches(3 / 16)],
    [".25", inches(0.25)],
    ["1 m", millimetres(1000)],
  ])("reads %s as people mean it", (text, expected) => {
    expect(read(text)).toBe(expected);
  });

  it.each([
    ["", "empty"],
    ["   ", "empty"],
    ["wide", "not-a-length"],
    ["4 5", "not-a-length"],
    ["4.5 1/2", "not-a-length"],
    ["1/0", "not-a-length"],
    ["in", "not-a-length"],
    ["4 ft", "not-a-length"],
    ["0", "not-positive"],
    ["-3", "not-positive"],
    ["-1/2", "not-positive"],
    ["−3", "not-positive"],
    ["− 4½", "not-positive"],
    ["4--1/2", "not-a-length"],
    ["4 - - 1/2", "not-a-length"],
    ["4−1/2", "not-a-length"],
    ["201 cm", "too-long"],
    ["80", "too-long"],
  ])("refuses %j and says why", (text, reason) => {
    expect(read(text)).toBe(reason);
  });

  it("takes a bare number in the album's unit", () => {
    expect(read("4.5", "cm")).toBe(millimetres(45));
    expect(read("4.5 in", "cm")).toBe(inches(4.5));
  });
});

describe("a length as a ruler says it", () => {
  it("is the nearest 64th or tenth of a millimetre, never nothing for something, and reads back as that", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: LONGEST }),
        fc.constantFrom("inch" as const, "cm" as const),
        (count, unit) => {
          const step = unit === "inch" ? 127 : 32;
          const read = parseLength(sayLength(ticks(count), unit), unit);
          expect(read.ok && read.length % step).toBe(0);
          expect(read.ok && Math.abs(read.length - count)).toBeLessThanOrEqual(Math.max(step / 2, step - count));
        },
      ),
    );
    expect(sayLength(ticks(-1), "inch")).toBe("−¹⁄₆₄″");
    expect(sayLength(ticks(0), "cm")).toBe("0 cm");
  });

  it("in plain digits reads back as the same length", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (sixtyFourths) => {
        const length = ticks(sixtyFourths * 127);
        const plain = plainFractions(printLength(length, "inch"));
        expect(plain).not.toMatch(/[⁰¹²³⁴-⁹₀-₉]/);
        expect(parseLength(plain, "inch")).toEqual({ ok: true, length });
      }),
    );
    expect(plainFractions("3⁷⁄₃₂″ × ¹⁵⁄₁₆″")).toBe("3 7/32″ × 15/16″");
  });
});

describe("a text that is no length", () => {
  it("is refused as fast when it is long: the box takes so many letters, and reads none of the rest", () => {
    for (const text of [`1${" ".repeat(20_000)}x`, "1/".repeat(20_000), "9".repeat(100_000), "½".repeat(30_000)])
      expect(parseLength(text, "inch")).toEqual({ ok: false, reason: "not-a-length" });
    const longest = `1${" ".repeat(30)}1/2${" ".repeat(20)}inches`;
    expect(parseLength(longest, "inch")).toMatchObject({ ok: true, length: inches(1.5) });
  });
});
