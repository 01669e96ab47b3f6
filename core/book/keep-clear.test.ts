import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PLAIN_USE } from "../../tests/samples.ts";
import type { Turn } from "../album/leaf.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { inches } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { size, turned } from "../measure/size.ts";
import { AS_IT_COMES, frameFor } from "../photo/crop.ts";
import { NO_LOOK } from "../photo/look.ts";
import { clearCrop, coveringKept, intoPiece, keptOf, type Over } from "./keep-clear.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const facts = { width: 4000, height: 3000, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] };

describe("what lies over a print", () => {
  it("stays on the same part of the print however the print is turned", () => {
    const corner = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(fc.constantFrom<Turn[]>(0, 1, 2, 3), corner, corner, (turn, u, v) => {
        const made = size(inches(6), inches(4));
        const local = rect(u * 100, v * 50, 300, 200);
        // Turning by hand: a point (u, v) of the piece comes to lie …
        const lies = turn % 2 === 0 ? made : turned(made);
        const placed = rect(1000, 2000, lies.w, lies.h);
        const point = (pu: number, pv: number): [number, number] =>
          [
            [placed.x + pu, placed.y + pv],
            [placed.x + made.h - pv, placed.y + pu],
            [placed.x + made.w - pu, placed.y + made.h - pv],
            [placed.x + pv, placed.y + made.w - pu],
          ][turn] as [number, number];
        const [ax, ay] = point(local.x, local.y);
        const [bx, by_] = point(local.x + local.w, local.y + local.h);
        const on = rect(Math.min(ax, bx), Math.min(ay, by_), Math.abs(bx - ax), Math.abs(by_ - ay));
        expect(intoPiece(on, placed, made, turn)).toEqual(local);
      }),
    );
  });

  it("leaves the point to keep where the print shows it, however it is turned, and says none of a part without it", () => {
    const print = by(6, 4);
    // A picture of the print's own shape, whole: its kept point is a quarter from the left and half down.
    const picture = { ...facts, width: 6000, height: 4000 };
    const use = { ...PLAIN_USE, id: "p", photoId: "p", print, alt: "", picture };
    const content = { ...EMPTY_DAY, photos: [{ ...use, crop: { ...AS_IT_COMES, keep: { x: 2500, y: 5000 } } }] };
    const placedAs = (turn: Turn, cut: Rect | null) => {
      const { w, h } = cut ?? print;
      const lies = rect(1000, 2000, turn % 2 ? h : w, turn % 2 ? w : h);
      const piece = {
        id: "a",
        what: { kind: "photo" as const, use: "p", cut },
        at: lies,
        turn,
        outside: false,
        dayId: null,
      };
      return { piece, rect: lies };
    };
    for (const turn of [0, 1, 2, 3] as const) {
      const placed = placedAs(turn, null);
      const [kept, ...more] = keptOf(placed, content);
      expect(kept?.kind).toBe("point");
      expect(more).toEqual([]);
      const on = kept && intoPiece(kept.at, placed.rect, print, turn);
      expect([on?.x, on?.y]).toEqual([inches(1.5), inches(2)]);
    }
    expect(keptOf(placedAs(0, rect(0, 0, inches(3), inches(4))), content)).toEqual([
      { kind: "point", at: rect(1000 + inches(1.5), 2000 + inches(2), 0, 0) },
    ]);
    expect(keptOf(placedAs(0, rect(inches(3), 0, inches(3), inches(4))), content)).toEqual([]);
    expect(keptOf(placedAs(0, null), EMPTY_DAY)).toEqual([]);
  });

  it("leaves each face that is marked where the print shows half of it, however it is turned, and no point then", () => {
    const print = by(6, 4);
    const faces = [
      { x: 1250, y: 2500, w: 1250, h: 2500 },
      { x: 9500, y: 0, w: 500, h: 500 },
    ];
    const picture = { ...facts, width: 6000, height: 4000, faces };
    const use = { ...PLAIN_USE, id: "p", photoId: "p", print, alt: "", picture };
    const content = { ...EMPTY_DAY, photos: [use] };
    const placedAs = (turn: Turn, cut: Rect | null) => {
      const { w, h } = cut ?? print;
      const lies = rect(1000, 2000, turn % 2 ? h : w, turn % 2 ? w : h);
      const what = { kind: "photo" as const, use: "p", cut };
      return { piece: { id: "a", what, at: lies, turn, outside: false, dayId: null }, rect: lies };
    };
    for (const turn of [0, 1, 2, 3] as const) {
      const placed = placedAs(turn, null);
      const kept = keptOf(placed, content);
      expect(kept.map(({ kind }) => kind)).toEqual(["face", "face"]);
      expect(intoPiece(kept[0]?.at as Rect, placed.rect, print, turn)).toEqual(
        rect(inches(0.75), inches(1), inches(0.75), inches(1)),
      );
    }
    // The left half of the print, cut off: the right face is not on it.
    expect(keptOf(placedAs(0, rect(0, 0, inches(3), inches(4))), content)).toHaveLength(1);
    // Twice as close about the middle, the edge goes where the first face ends, and the second is beyond it.
    const closer = { ...content, photos: [{ ...use, crop: { ...AS_IT_COMES, closer: 200 } }] };
    expect(keptOf(placedAs(0, null), closer)).toEqual([]);
    // A little less close, a part of the first is left, and too little of it to keep; less close still, enough is.
    const partly = (by: number) => ({ ...content, photos: [{ ...use, crop: { ...AS_IT_COMES, closer: by } }] });
    expect(keptOf(placedAs(0, null), partly(170))).toEqual([]);
    expect(keptOf(placedAs(0, null), partly(140))).toHaveLength(1);
    // A pattern keeps nothing.
    expect(keptOf(placedAs(0, null), { ...EMPTY_DAY, photos: [{ ...use, repeat: by(2, 2) }] })).toEqual([]);
  });

  const over = (x: number, y: number, w: number, h: number): Over => ({
    kind: "numeral",
    name: "numeral",
    at: rect(inches(x), inches(y), inches(w), inches(h)),
  });

  it("is told when it covers the point worth keeping", () => {
    expect(coveringKept(facts, by(6, 4), AS_IT_COMES, [over(2.5, 1.5, 1, 1)])).toHaveLength(1);
    expect(coveringKept(facts, by(6, 4), AS_IT_COMES, [over(0, 0, 1, 1)])).toHaveLength(0);
  });

  it("is got out of the way by sliding, with the point still in the picture; or it is said that it cannot be", () => {
    const numeral = [over(2.2, 2.2, 1.6, 1.6)];
    const crop = { ...AS_IT_COMES, keep: { x: 5000, y: 6500 } };
    expect(coveringKept(facts, by(6, 4), crop, numeral)).toHaveLength(1);
    const clear = clearCrop(facts, by(6, 4), crop, numeral);
    expect(clear).not.toBeNull();
    if (!clear) return;
    expect(clear.keep).toEqual(crop.keep);
    expect(coveringKept(facts, by(6, 4), clear, numeral)).toHaveLength(0);
    const { x, y, w, h } = frameFor(facts, by(6, 4), clear);
    expect(0.5 >= x && 0.5 <= x + w && 0.65 >= y && 0.65 <= y + h).toBe(true);
    expect(clearCrop(facts, by(6, 4), crop, [over(0, 0, 6, 4)])).toBeNull();
  });

  it("tells what lies over any of the faces, and slides the picture until all are whole and clear", () => {
    const faces = [
      { x: 4600, y: 4600, w: 800, h: 800 },
      { x: 7000, y: 4600, w: 800, h: 800 },
    ];
    const picture = { ...facts, faces };
    const print = by(3, 4);
    // 3 × 4 of a picture lying down shows 56 % of its width: both faces at the right of it.
    const onSecond = [over(2.4, 1.8, 0.6, 0.6)];
    const between = [over(1.8, 1.8, 0.2, 0.2)];
    expect(coveringKept(picture, print, AS_IT_COMES, onSecond)).toHaveLength(1);
    expect(coveringKept(picture, print, AS_IT_COMES, between)).toHaveLength(0);
    const clear = clearCrop(picture, print, AS_IT_COMES, onSecond);
    expect(clear).not.toBeNull();
    if (!clear) return;
    expect(coveringKept(picture, print, clear, onSecond)).toHaveLength(0);
    const { x, w } = frameFor(picture, print, clear);
    // No farther than it must be: the number lies on the print's last fifth, which the second face has just left.
    expect(x + w * 0.8).toBeGreaterThanOrEqual(0.78);
    expect(x + w * 0.8).toBeLessThan(0.78 + (1 - w) / 12);
    expect(x).toBeLessThanOrEqual(0.46);
    expect(x + w).toBeGreaterThanOrEqual(0.78);
    // The same seen in a mirror is slid as far the other way.
    const mirrored = { ...picture, faces: faces.map((face) => ({ ...face, x: 10_000 - face.x - face.w })) };
    const other = clearCrop(mirrored, print, AS_IT_COMES, [over(0, 1.8, 0.6, 0.6)]);
    if (!other) throw new Error("clear");
    expect(frameFor(mirrored, print, other).x).toBeCloseTo(1 - x - w, 3);
  });
});
