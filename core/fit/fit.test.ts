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

  it("goes in after what it is told to trim is trimmed, with the play it wants", () => {
    fc.assert(
      fc.property(anyPageSize, anyPageSize, (piece, pocket) => {
        const fit = fitInPocket(piece, pocket, "cm");
        if (fit.kind !== "trim") return;
        const rest = { w: ticks(piece.w - fit.off.w), h: ticks(piece.h - fit.off.h) };
        expect(rest.w + PLAY <= pocket.w && rest.h + PLAY <= pocket.h).toBe(true);
        if (fit.largest) expect(["fits", "wanders"]).toContain(fitInPocket(fit.largest, pocket, "cm").kind);
      }),
    );
  });

  it("says how much off which side, and what to print instead", () => {
    expect(fitInPocket(by(4.5, 3.5), by(4, 3.75), "inch")).toEqual({
      kind: "trim",
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
