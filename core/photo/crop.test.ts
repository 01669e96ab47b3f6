import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, type Length } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import {
  AS_IT_COMES,
  frameFor,
  insideBorder,
  keptPoint,
  largestAt,
  lostOf,
  onPicture,
  type PictureFacts,
  type PrintCrop,
  pixelsPerInch,
  slideTo,
  usablePixels,
  verdictOn,
} from "./crop.ts";
import { NO_LOOK } from "./look.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const picture = (width: number, height: number): PictureFacts => ({
  width,
  height,
  focus: { x: 5000, y: 5000 },
  faces: [],
  look: NO_LOOK,
});
const length = fc.integer({ min: 200, max: 90_000 }).map((n) => n as Length);
const spot = fc.record({ x: fc.integer({ min: 0, max: 10_000 }), y: fc.integer({ min: 0, max: 10_000 }) });
const PICTURE: fc.Arbitrary<PictureFacts> = fc.record({
  width: fc.integer({ min: 1, max: 30_000 }),
  height: fc.integer({ min: 1, max: 30_000 }),
  focus: spot,
  faces: fc.constant([]),
  look: fc.record({
    blackAndWhite: fc.boolean(),
    straighten: fc.integer({ min: -150, max: 150 }),
    light: fc.constant(0),
    contrast: fc.constant(0),
  }),
});
const CROP: fc.Arbitrary<PrintCrop> = fc.record({
  keep: fc.option(spot),
  slide: fc.record({ x: fc.integer({ min: -9000, max: 9000 }), y: fc.integer({ min: -9000, max: 9000 }) }),
  closer: fc.integer({ min: 100, max: 400 }),
  border: fc.integer({ min: 0, max: 3000 }).map((n) => n as Length),
});
const PRINT = fc.record({ w: length, h: length });

describe("a crop", () => {
  it("has the exact proportion of its print inside the border, and lies within the picture", () => {
    fc.assert(
      fc.property(PICTURE, PRINT, CROP, (facts, print, crop) => {
        const frame = frameFor(facts, print, crop);
        const { width, height } = usablePixels(facts);
        const inner = insideBorder(print, crop);
        const [across, down] = [frame.w * width * inner.h, frame.h * height * inner.w];
        expect(Math.abs(across / down - 1)).toBeLessThan(1e-9);
        expect(Math.min(frame.x, frame.y)).toBeGreaterThanOrEqual(0);
        expect(Math.max(frame.x + frame.w, frame.y + frame.h)).toBeLessThanOrEqual(1 + 1e-12);
      }),
    );
  });

  it("without coming closer touches two opposite edges: no more is lost than must be", () => {
    fc.assert(
      fc.property(PICTURE, PRINT, CROP, (facts, print, crop) => {
        const { w, h } = frameFor(facts, print, { ...crop, closer: 100 });
        expect(Math.max(w, h)).toBeCloseTo(1, 12);
      }),
    );
  });

  it("keeps the point worth keeping in it, unless it is slid away", () => {
    fc.assert(
      fc.property(PICTURE, PRINT, CROP, (facts, print, crop) => {
        const still = { ...crop, slide: { x: 0, y: 0 } };
        const { x, y, w, h } = frameFor(facts, print, still);
        const kept = keptPoint(facts, still);
        expect(kept.x / 10_000).toBeGreaterThanOrEqual(x - 1e-9);
        expect(kept.x / 10_000).toBeLessThanOrEqual(x + w + 1e-9);
        expect(kept.y / 10_000).toBeGreaterThanOrEqual(y - 1e-9);
        expect(kept.y / 10_000).toBeLessThanOrEqual(y + h + 1e-9);
      }),
    );
  });

  it("slid to a place lies there, to a ten-thousandth", () => {
    fc.assert(
      fc.property(PICTURE, PRINT, CROP, fc.double({ min: 0, max: 1, noNaN: true }), (facts, print, crop, share) => {
        const { w, h } = frameFor(facts, print, crop);
        const wanted = { x: (1 - w) * share, y: (1 - h) * (1 - share), w, h };
        const got = frameFor(facts, print, { ...crop, slide: slideTo(facts, crop, wanted) });
        expect(got.x).toBeCloseTo(wanted.x, 3);
        expect(got.y).toBeCloseTo(wanted.y, 3);
      }),
    );
  });

  it("loses what the trade says (common practice): 1/9 of 4:3 on 4 × 6 and of 3:2 on 3 × 4, nothing of 4:3 on 3 × 4 or 6 × 8", () => {
    const lost = (width: number, height: number, w: number, h: number) =>
      lostOf(frameFor(picture(width, height), by(w, h), AS_IT_COMES)).area;
    expect(lost(4000, 3000, 6, 4)).toBeCloseTo(1 / 9, 12);
    expect(lost(3000, 4000, 4, 6)).toBeCloseTo(1 / 9, 12);
    expect(lost(6000, 4000, 4, 3)).toBeCloseTo(1 / 9, 12);
    expect(lost(4000, 3000, 4, 3)).toBeCloseTo(0, 12);
    expect(lost(3000, 4000, 6, 8)).toBeCloseTo(0, 12);
  });

  it("leaves a third of the print's shorter side at least inside its border, however wide that is asked for", () => {
    fc.assert(
      fc.property(fc.record({ w: length, h: length }), fc.integer({ min: 0, max: 40_000 }), (print, border) => {
        const inner = insideBorder(print, { border: border as Length });
        const shorter = Math.min(print.w, print.h);
        expect(Math.min(inner.w, inner.h)).toBeGreaterThanOrEqual(Math.floor(shorter / 3));
        // As wide as it was asked for, as long as it may be, and the same all round.
        if (border <= Math.floor(shorter / 3)) expect(inner.x).toBe(border);
        else expect(Math.min(inner.w, inner.h)).toBeLessThanOrEqual(Math.ceil(shorter / 3) + 2);
        expect([inner.y, print.w - inner.w, print.h - inner.h]).toEqual([inner.x, 2 * inner.x, 2 * inner.x]);
      }),
    );
  });

  it("says at which edges it loses", () => {
    const lost = lostOf(frameFor({ ...picture(4000, 3000), focus: { x: 5000, y: 0 } }, by(6, 4), AS_IT_COMES));
    expect(lost.top).toBe(0);
    expect(lost.bottom).toBeCloseTo(1 / 9, 12);
    expect([lost.left, lost.right]).toEqual([0, 0]);
  });

  it("finds a place of the print on the picture, border and all", () => {
    const crop = { ...AS_IT_COMES, border: inches(1 / 4) };
    const frame = frameFor(picture(4000, 3000), by(4, 3), crop);
    const inner = insideBorder(by(4, 3), crop);
    expect(onPicture(inner, by(4, 3), crop, frame)).toEqual(frame);
  });
});

describe("resolution", () => {
  it("of a 12-megapixel phone picture is ample for 6 × 8: 504 pixels per inch (common practice)", () => {
    const ppi = pixelsPerInch(picture(4032, 3024), by(8, 6), AS_IT_COMES);
    expect(ppi).toBeCloseTo(504, 9);
    expect(verdictOn(ppi)).toBe("ample");
  });

  it("has its steps at 300, 200 and 150 (common practice)", () => {
    expect([300, 299.6, 299, 200, 199, 150, 149].map(verdictOn)).toEqual([
      ...["ample", "ample", "good", "good", "just", "just", "soft"],
    ]);
  });

  it("says the largest print that keeps an aim", () => {
    fc.assert(
      fc.property(PICTURE, PRINT, fc.integer({ min: 72, max: 600 }), (facts, print, ppi) => {
        const most = largestAt(facts, print, AS_IT_COMES, ppi);
        fc.pre(most.w > 500 && most.h > 500);
        expect(pixelsPerInch(facts, most, AS_IT_COMES)).toBeGreaterThan(ppi * 0.98);
      }),
    );
  });
});
