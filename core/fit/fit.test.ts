import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyPageSize } from "../../tests/samples.ts";
import { inches, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size, turned } from "../measure/size.ts";
import { fitInPocket, fitOnPage, fitOnPockets, fitTab, largestPrint, PLAY, splitOver } from "./fit.ts";

const by = (w: number, h: number) => ({ w: inches(w), h: inches(h) });
const area = (x: number, y: number, w: number, h: number) => rect(inches(x), inches(y), inches(w), inches(h));

describe("a piece in a pocket", () => {
  it("fits as its turned self fits the turned pocket", () => {
    const swap = { w: "h", h: "w" } as const;
    fc.assert(
      fc.property(anyPageSize, anyPageSize, (piece, pocket) => {
        const fit = fitInPocket(piece, pocket, "inch");
        const mirrored = fitInPocket(turned(piece), turned(pocket), "inch");
        expect(mirrored.kind).toBe(fit.kind);
        for (const side of ["w", "h"] as const) {
          if ("play" in fit && "play" in mirrored) expect(mirrored.play[swap[side]]).toBe(fit.play[side]);
          if (fit.kind === "trim" && mirrored.kind === "trim") expect(mirrored.off[swap[side]]).toBe(fit.off[side]);
        }
      }),
    );
  });

  it("goes in after what it is told to trim is trimmed, with the play it wants, and no more than need be is lost", () => {
    fc.assert(
      fc.property(anyPageSize, anyPageSize, (piece, pocket) => {
        const fit = fitInPocket(piece, pocket, "cm");
        if (fit.kind !== "trim") return;
        const lying = fit.turned ? turned(piece) : piece;
        const rest = { w: ticks(lying.w - fit.off.w), h: ticks(lying.h - fit.off.h) };
        expect(rest.w + PLAY <= pocket.w && rest.h + PLAY <= pocket.h).toBe(true);
        // What it says to print instead goes in with its play, one way up at least.
        if (fit.largest) {
          const kinds = [fit.largest, turned(fit.largest)].map((print) => fitInPocket(print, pocket, "cm").kind);
          expect(kinds.some((kind) => kind === "fits" || kind === "wanders")).toBe(true);
        }
        // Tried out: what is left of it either way up, cut along the pocket's own edges.
        const left = [piece, turned(piece)].map(
          ({ w, h }) => Math.min(w, pocket.w - PLAY) * Math.min(h, pocket.h - PLAY),
        );
        expect(rest.w * rest.h).toBe(Math.max(...left));
      }),
    );
  });

  it("is told that it goes in turned, also where it is snug then, and which way up less is cut off", () => {
    // A 4 × 6 print in a pocket of exactly 6 × 4 (plain arithmetic).
    expect(fitInPocket(by(4, 6), by(6, 4), "inch")).toEqual({ kind: "turn", play: by(0, 0) });
    // An upright 4 × 6 in a pocket 5 × 3½: turned, 1¹⁄₁₆ of its length and ⁹⁄₁₆ of its width go; as it lies, 2⁹⁄₁₆ of its length.
    expect(fitInPocket(by(4, 6), by(5, 3.5), "inch")).toMatchObject({
      turned: true,
      off: by(1 + 1 / 16, 9 / 16),
      // Of its shape 3¼ × 4⅞ goes in lying on its side, and only 2¼ × 3⅜ upright.
      largest: by(3.25, 4.875),
    });
  });

  it("says how much off which side, and what to print instead", () => {
    expect(fitInPocket(by(4.5, 3.5), by(4, 3.75), "inch")).toEqual({
      kind: "trim",
      turned: false,
      off: { w: inches(9 / 16), h: 0 },
      takes: by(4 - 1 / 16, 3.75 - 1 / 16),
      largest: by(3.875, 3),
    });
  });

  it("is snug without the asked play, wanders with too much, and is turned when only that helps", () => {
    expect(fitInPocket(by(3, 4), by(3, 4), "inch")).toEqual({ kind: "snug", play: by(0, 0) });
    expect(fitInPocket(by(3, 3), by(3.0625, 4.0625), "inch")).toMatchObject({ kind: "wanders", backing: by(3, 4) });
    expect(fitInPocket(by(4, 3), by(3.0625, 4.0625), "inch").kind).toBe("turn");
    expect(largestPrint(by(4, 6), by(0.05, 8), "inch")).toBeNull();
  });
});

describe("a piece on an open page", () => {
  it("lies with its distances, hangs over by so much, or is beside it", () => {
    expect(fitOnPage(area(1, 2, 3, 4), by(6, 8))).toMatchObject({
      kind: "lies",
      room: { left: inches(1), bottom: inches(2) },
    });
    expect(fitOnPage(area(5, 2, 3, 4), by(6, 8))).toMatchObject({
      kind: "overhangs",
      over: { right: inches(2), left: 0 },
    });
    expect(fitOnPage(area(7, 2, 3, 4), by(6, 8))).toEqual({ kind: "beside" });
  });

  it("a tab stands out by what is past its edge, and is beside only when it touches nothing", () => {
    expect(fitTab(area(6, 1, 0.5, 1), by(6, 8))).toEqual({
      kind: "stands",
      out: { top: 0, right: inches(0.5), bottom: 0, left: 0 },
    });
    expect(fitTab(area(7, 1, 0.5, 1), by(6, 8))).toEqual({ kind: "beside" });
  });

  it("a print across two pockets is a split, and the pocket under most of a piece decides", () => {
    const two = [area(0, 0, 3, 4), area(3, 0, 3, 4)];
    expect(fitOnPockets(area(0, 0, 6, 4), two, by(6, 4), "inch").fit).toEqual({ kind: "split", pockets: [0, 1] });
    expect(fitOnPockets(area(2.9, 0, 3, 4), two, by(6, 4), "inch").pocket).toBe(1);
  });

  it("a print over three pockets is split over no two with a third between them", () => {
    const narrow = [area(0, 0, 3, 4), area(3, 0, 1, 4), area(4, 0, 3, 4)];
    expect(fitOnPockets(area(0, 0, 7, 4), narrow, by(7, 4), "inch").fit.kind).toBe("trim");
    const even = [area(0, 0, 2, 4), area(2, 0, 2, 4), area(4, 0, 2, 4)];
    expect(fitOnPockets(area(0.1, 0, 5.6, 4), even, by(6, 4), "inch").fit).toEqual({ kind: "split", pockets: [0, 1] });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5 }), fc.double({ min: 1, max: 5, noNaN: true }), (from, wide) => {
        const columns = [0, 1, 2, 3, 4, 5].map((at) => area(at, 0, 1, 4));
        const { fit } = fitOnPockets(area(from, 0, wide, 4), columns, by(6, 4), "inch");
        if (fit.kind === "split") expect(fit.pockets[1] - fit.pockets[0]).toBe(1);
      }),
    );
  });
});

describe("a print split over two pockets", () => {
  it("loses nothing but the seam, whichever way the pockets stand", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), fc.boolean(), fc.boolean(), (seam, stacked, swapped) => {
        const [a, b] = stacked
          ? [rect(0, 0, 30_000, 20_000), rect(0, 20_000 + seam, 30_000, 20_000)]
          : [rect(0, 0, 20_000, 30_000), rect(20_000 + seam, 0, 20_000, 30_000)];
        const print = stacked ? { w: ticks(29_000), h: ticks(39_000) } : { w: ticks(39_000), h: ticks(29_000) };
        for (const way of ["dropped", "kept"] as const) {
          const split = swapped ? splitOver(print, b, a, way) : splitOver(print, a, b, way);
          if (!split.ok) throw new Error(split.reason);
          const length = split.parts[0][split.along] + split.parts[1][split.along];
          expect(length).toBe(39_000 - (way === "dropped" ? seam : 0));
          expect(split.cuts.length).toBe(way === "dropped" && seam > 0 ? 2 : 1);
          // The parts meet at the seam.
          const [first, second] = split.places;
          const axis = split.along === "w" ? "x" : "y";
          expect(second[axis] - first[axis] - first[split.along]).toBe(seam);
        }
      }),
    );
  });

  it("cuts the seam out where it is dropped: one strip as wide as the seam, between two parts that meet it", () => {
    const seam = inches(1 / 4);
    const [a, b] = [rect(0, 0, inches(3), inches(4)), rect(inches(3) + seam, 0, inches(3), inches(4))];
    const split = splitOver(size(inches(6), inches(4)), a, b, "dropped");
    if (!split.ok) throw new Error(split.reason);
    expect(split.cuts).toEqual([inches(2.875), inches(3.125)]);
    expect(split.parts.map(({ x, w }) => [x, w])).toEqual([
      [0, inches(2.875)],
      [inches(3.125), inches(2.875)],
    ]);
    const kept = splitOver(size(inches(6), inches(4)), a, b, "kept");
    expect(kept.ok && kept.cuts).toEqual([inches(3)]);
  });

  it("is refused for pockets that do not stand together, and for a print that is too large", () => {
    expect(splitOver(by(6, 4), area(0, 0, 3, 4), area(3, 4, 3, 4), "kept")).toEqual({
      ok: false,
      reason: "not-neighbours",
    });
    expect(splitOver(by(8, 4), area(0, 0, 3, 4), area(3, 0, 3, 4), "kept")).toEqual({ ok: false, reason: "too-large" });
  });
});
