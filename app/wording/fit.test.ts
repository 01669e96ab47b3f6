import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Piece } from "#core/album/leaf.ts";
import type { PlacedPiece } from "#core/book/read.ts";
import { unfit } from "#core/book/troubles.ts";
import { type Fit, fitInPocket, fitOnPage } from "#core/fit/fit.ts";
import { TONE_OF } from "#core/fit/tone.ts";
import { inches, millimetres, ticks } from "#core/measure/length.ts";
import { rect } from "#core/measure/rect.ts";
import { anyPageSize, anyPiece } from "#tests/samples.ts";
import { fitWords, holeWords, pieceName, stopWords } from "./fit.ts";

const by = (w: number, h: number) => ({ w: inches(w), h: inches(h) });
const edges = (left: number, top: number, right: number, bottom: number) => ({
  left: inches(left),
  top: inches(top),
  right: inches(right),
  bottom: inches(bottom),
});

describe("a fit in words", () => {
  it.each<[string, Fit]>([
    ["Fits, with ¹⁄₁₆″ play.", { kind: "fits", play: by(1 / 16, 1 / 8) }],
    ["Fits exactly, with no play.", { kind: "snug", play: by(0, 1 / 8) }],
    ["Goes in snug: only ¹⁄₃₂″ play.", { kind: "snug", play: by(1 / 32, 1 / 8) }],
    ["Goes in only when turned by a quarter.", { kind: "turn", play: by(1 / 16, 1 / 16) }],
    ["Goes in only when turned by a quarter, and is snug then.", { kind: "turn", play: by(1 / 32, 1) }],
    [
      "The pocket takes 4 × 3. Turn it, then trim ½″ off the width.",
      { kind: "trim", turned: true, off: by(0.5, 0), takes: by(4, 3), largest: null },
    ],
    [
      "The pocket takes 4 × 3. Trim ½″ off the width, or print at 3¾ × 3.",
      { kind: "trim", turned: false, off: by(0.5, 0), takes: by(4, 3), largest: by(3.75, 3) },
    ],
    [
      "The pocket takes 2 × 2. Trim ½″ off the width and ¼″ off the height.",
      { kind: "trim", turned: false, off: by(0.5, 0.25), takes: by(2, 2), largest: null },
    ],
    [
      "Small for its pocket and will wander. Mount it on a backing of 3 × 4.",
      { kind: "wanders", play: by(1, 0), backing: by(3, 4) },
    ],
    ["Lies across two pockets. Cut it in two, or move it into one.", { kind: "split", pockets: [0, 1] }],
    ["On the page: ½″ from the left, 1″ from the foot.", { kind: "lies", room: edges(0.5, 2, 3, 1) }],
    ["Hangs over: ⅛″ at the top, ⅛″ at the foot.", { kind: "overhangs", over: edges(0, 1 / 8, 0, 1 / 8) }],
    ["Stands out ½″ on the right.", { kind: "stands", out: edges(0, 0, 0.5, 0) }],
    ["Wholly on the page: nothing to take hold of.", { kind: "stands", out: edges(0, 0, 0, 0) }],
    ["Lies beside the page.", { kind: "beside" }],
  ])("%s", (words, fit) => {
    expect(fitWords(fit, "inch")).toBe(words);
  });

  it("is said in centimetres where the album is measured in them", () => {
    const fit = fitInPocket(
      { w: millimetres(105), h: millimetres(70) },
      { w: millimetres(100), h: millimetres(80) },
      "cm",
    );
    expect(fitWords(fit, "cm")).toMatch(
      /^The pocket takes 9\.84 × 7\.84 cm\. Trim 0\.6[0-9]* cm off the width, or print at/,
    );
  });

  it("is one or two short sentences for any piece in any pocket or on any page", () => {
    fc.assert(
      fc.property(anyPageSize, anyPageSize, fc.constantFrom("inch" as const, "cm" as const), (piece, pocket, unit) => {
        for (const fit of [fitInPocket(piece, pocket, unit), fitOnPage(rect(100, 100, piece.w, piece.h), pocket)]) {
          const words = fitWords(fit, unit);
          expect(words).toMatch(/^[A-Z].*\.$/);
          expect(words.length).toBeLessThan(140);
          expect(words).not.toMatch(/NaN|undefined|null/);
        }
      }),
    );
  });
});

describe("what a piece is called", () => {
  const print: Piece = {
    id: "a",
    what: { kind: "photo", use: "a", cut: null },
    at: { x: ticks(0), y: ticks(0) },
    turn: 0,
    outside: false,
    dayId: null,
  };

  it("follows how it lies, what it keeps room for, and its own name", () => {
    expect(pieceName(print, by(4, 6), "inch")).toBe("Print 4 × 6");
    expect(pieceName({ ...print, turn: 1 }, by(4, 6), "inch")).toBe("Print 6 × 4");
    const cut = { ...print, what: { kind: "photo" as const, use: "a", cut: rect(0, 0, 8128, 8128) } };
    expect(pieceName(cut, by(1, 1), "inch")).toBe("Part of a print 1 × 1");
    const room = { ...print, what: { kind: "room" as const, keeps: "card" as const, size: by(3, 4) } };
    expect(pieceName(room, by(3, 4), "inch")).toBe("Room for words, 3 × 4");
    const tab = { ...print, what: { kind: "tab" as const, name: "lift", size: by(0.5, 1) } };
    expect(pieceName(tab, by(0.5, 1), "inch")).toBe("Tab “lift” ½ × 1");
  });

  it("is never empty", () => {
    fc.assert(
      fc.property(anyPiece, anyPageSize, (piece, size) => {
        expect(pieceName(piece, size, "cm")).toMatch(/\S/);
      }),
    );
  });
});

describe("what wants doing", () => {
  const placed = (id: string, fit: Fit): PlacedPiece => ({
    piece: {
      id,
      what: { kind: "photo-mat", size: by(1, 1), name: "" },
      at: { x: ticks(0), y: ticks(0) },
      turn: 0,
      outside: false,
      dayId: null,
    },
    rect: rect(0, 0, 1, 1),
    fit,
    pocket: null,
  });

  it("leaves out what lies well, and has what must be acted on before what may be looked at", () => {
    const pieces = [
      placed("well", { kind: "fits", play: by(1 / 16, 1 / 16) }),
      placed("look", { kind: "overhangs", over: edges(1, 0, 0, 0) }),
      placed("act", { kind: "turn", play: by(0, 0) }),
      placed("tab", { kind: "stands", out: edges(0, 0, 1, 0) }),
    ];
    expect(unfit(pieces).map(({ piece }) => piece.id)).toEqual(["act", "look"]);
    expect(TONE_OF.split).toBe("act");
  });

  it("says of a hole how far to move the piece, or what to tape on and punch instead", () => {
    const hole = { x: ticks(0), y: ticks(0), diameter: inches(1 / 4) };
    const piece = placed("a", { kind: "beside" });
    const strip = { w: inches(1 / 2), h: inches(4) };
    expect(holeWords({ piece, holes: [hole], move: inches(3 / 8), strip }, "inch")).toBe(
      "A hole goes through it. Move it ⅜″ from the binding edge, or tape a clear strip ½ × 4 to its edge and punch that.",
    );
    expect(holeWords({ piece, holes: [hole, hole], move: null, strip }, "inch")).toBe(
      "2 holes go through it: tape a clear strip ½ × 4 to its edge and punch that.",
    );
  });

  it("says of a piece that other measures would stop from fitting what it would want, or that it finds no place", () => {
    const was = placed("a", { kind: "fits", play: by(1, 1) });
    expect(stopWords({ page: null, was, is: null }, "inch")).toBe(
      "A leaf: Photo mat 1 × 1. It finds no place any more.",
    );
    const is = placed("a", { kind: "turn", play: by(1, 1) });
    expect(stopWords({ page: null, was, is }, "inch")).toBe(
      "A leaf: Photo mat 1 × 1. Goes in only when turned by a quarter.",
    );
  });
});
