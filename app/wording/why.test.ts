import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fitInPocket, fitOnPage } from "#core/fit/fit.ts";
import { inches, parseLengthIn, ticks } from "#core/measure/length.ts";
import { rect } from "#core/measure/rect.ts";
import { size } from "#core/measure/size.ts";
import { CRAFT } from "./craft.ts";
import { whyFits, whyReads, whySharp, whySheets, whyWords } from "./why.ts";

const ids = CRAFT.flatMap(({ words }) => words.map(({ id }) => id));
const inch = (w: number, h: number) => size(inches(w), inches(h));

describe("the words of the craft", () => {
  it("are each said once, under one name", () => {
    const words = CRAFT.flatMap((group) => group.words.map(({ word }) => word.toLowerCase()));
    expect(new Set(words).size).toBe(words.length);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.every((id) => /^[a-z-]+$/.test(id))).toBe(true);
  });
});

describe("why", () => {
  it("gives the numbers that the fit was reckoned from, in a pocket", () => {
    const [piece, pocket] = [inch(3.5, 2.5), inch(3.625, 2.75)];
    const { numbers, word } = whyFits(fitInPocket(piece, pocket, "inch"), piece, pocket, true, "inch");
    expect(numbers).toEqual([
      ["The piece, as it lies", "3½ × 2½"],
      ["The pocket", "3⅝ × 2¾"],
      ["Left over", "⅛″ by ¼″"],
    ]);
    expect(word).toBe("play");
  });

  it("says of a piece that is too large what the pocket takes and what comes off", () => {
    const [piece, pocket] = [inch(4.5, 3), inch(4.0625, 3.0625)];
    const { numbers, rule } = whyFits(fitInPocket(piece, pocket, "inch"), piece, pocket, true, "inch");
    expect(numbers.slice(2)).toEqual([
      ["Taken, with play", "4 × 3"],
      ["To come off", "½″ by 0″"],
    ]);
    expect(rule).toContain("¹⁄₁₆″");
  });

  it("names only words that the page of words has, and always its source", () => {
    const length = fc.integer({ min: 1000, max: 200_000 });
    fc.assert(
      fc.property(length, length, length, length, fc.boolean(), (w, h, pw, ph, inPocket) => {
        const [piece, room] = [size(ticks(w), ticks(h)), size(ticks(pw), ticks(ph))];
        const at = rect(ticks(500), ticks(500), piece.w, piece.h);
        const fit = inPocket ? fitInPocket(piece, room, "inch") : fitOnPage(at, room);
        const why = whyFits(fit, piece, room, inPocket, "inch");
        expect(ids).toContain(why.word);
        expect(why.source).toMatch(/common practice/i);
        expect(why.rule).toMatch(/\.$/);
        if (fit.kind !== "fits") return;
        const [, left = ""] = why.numbers.find(([name]) => name === "Left over") ?? [];
        const said = left.split(" by ").map((each) => parseLengthIn(each, "inch", "signed"));
        for (const [at, each] of said.entries()) {
          const true_ = [pw - w, ph - h][at] ?? 0;
          // Said to the nearest part of an inch that a ruler has.
          expect(each.ok && Math.abs(each.length - true_)).toBeLessThanOrEqual(inches(1 / 32));
        }
      }),
    );
    for (const { word } of [
      whySharp({ across: 1200, down: 900 }, inch(4, 3), 300, "ample", "inch"),
      whyWords({ lines: 5, room: 9, size: 48, largest: 56 }, inch(3, 4), "inch"),
      whySheets(3, 3, true),
    ])
      expect(ids).toContain(word);
  });

  it("gives the figures of the standard for lettering, and of the plan for sheets", () => {
    // WCAG 2.2: 3 to 1 for large letters.
    expect(whyReads(4.2, "light").numbers).toContainEqual(["Needed", "3 to 1"]);
    expect(whySheets(4, 3, false).rule).not.toMatch(/No plan/);
    expect(whySheets(3, 3, true).rule).toMatch(/No plan has fewer/);
  });
});
