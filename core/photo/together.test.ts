import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { contains, overlap, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { AS_IT_COMES, insideBorder, UNKNOWN_PICTURE } from "./crop.ts";
import {
  arranged,
  arrangementsOf,
  hasRoom,
  type InPrint,
  isArrangement,
  MOST_TOGETHER,
  picturesOf,
  roomsOf,
} from "./together.ts";

const FOUR_BY_SIX = size(inches(4), inches(6));
const other = (photoId: string): InPrint => ({ photoId, crop: AS_IT_COMES, picture: UNKNOWN_PICTURE });
const others = (many: number) => Array.from({ length: many }, (_, at) => other(`other ${at + 1}`));
const shared = (gap: number, border = 0) => ({
  ...{ photoId: "first", print: FOUR_BY_SIX, picture: UNKNOWN_PICTURE },
  crop: { ...AS_IT_COMES, border: inches(border) },
  together: { along: "rows" as const, counts: [2, 2], gap: inches(gap), others: others(3) },
});

describe("pictures that share a print", () => {
  it("lie as a ruler would lay them: four in a 4 × 6 an eighth apart are 1 15/16 by 2 15/16 each", () => {
    const laid = picturesOf(shared(1 / 8));
    expect(laid.map(({ photoId }) => photoId)).toEqual(["first", "other 1", "other 2", "other 3"]);
    const [w, h] = [inches(31 / 16), inches(47 / 16)];
    const [right, below] = [inches(33 / 16), inches(49 / 16)];
    expect(laid.map(({ at }) => at)).toEqual([
      rect(0, 0, w, h),
      rect(right, 0, w, h),
      rect(0, below, w, h),
      rect(right, below, w, h),
    ]);
  });

  it("have the white border round them all and none of their own", () => {
    const laid = picturesOf(shared(1 / 8, 1 / 4));
    expect(laid.map(({ crop }) => crop.border)).toEqual([0, 0, 0, 0]);
    expect(laid[0]?.at).toMatchObject({ x: inches(1 / 4), y: inches(1 / 4) });
    const last = laid[3]?.at ?? rect(0, 0, 0, 0);
    expect([last.x + last.w, last.y + last.h]).toEqual([inches(3.75), inches(5.75)]);
  });

  it("are whole in every arrangement: none over another, all inside, gaps kept, nothing left but the gaps", () => {
    const side = fc.integer({ min: 20_000, max: 90_000 });
    const any = fc
      .integer({ min: 2, max: MOST_TOGETHER })
      .chain((pictures) => fc.constantFrom(...arrangementsOf(pictures)));
    fc.assert(
      fc.property(any, side, side, fc.nat(900), fc.nat(2000), ({ along, counts }, w, h, gap, border) => {
        const print = size(ticks(w), ticks(h));
        const rooms = roomsOf(print, { border: ticks(border) }, { along, counts, gap: ticks(gap) });
        const inner = insideBorder(print, { border: ticks(border) });
        expect(rooms).toHaveLength(counts.reduce((sum, each) => sum + each, 0));
        for (const [at, one] of rooms.entries()) {
          expect(contains(inner, one)).toBe(true);
          // Grown by the gap to the right and below, none reaches into another: they are that far apart.
          const grown = rect(one.x, one.y, one.w + gap, one.h + gap);
          for (const each of rooms.slice(at + 1))
            expect(overlap(grown, rect(each.x, each.y, each.w + gap, each.h + gap))).toBeNull();
        }
        // Each line's gaps run through it, and those between the lines run all through.
        const [across, through] = along === "rows" ? [inner.w, inner.h] : [inner.h, inner.w];
        const area = rooms.reduce((sum, each) => sum + each.w * each.h, 0);
        const between = (counts.length - 1) * gap * across;
        const within = rooms.length - counts.length;
        const most = area + between + within * gap * through;
        expect(most).toBeGreaterThanOrEqual(inner.w * inner.h);
        expect(area + between).toBeLessThanOrEqual(inner.w * inner.h);
        if (counts.length === 1 || gap === 0) expect(most).toBe(inner.w * inner.h);
      }),
    );
  });

  it("have arrangements of two to six, each of just so many, and none for one or seven", () => {
    for (let pictures = 2; pictures <= MOST_TOGETHER; pictures++) {
      const all = arrangementsOf(pictures);
      expect(all.every((each) => isArrangement(each, pictures))).toBe(true);
      expect(new Set(all.map(({ along, counts }) => `${along} ${counts}`)).size).toBe(all.length);
    }
    expect([0, 1, 7].map((pictures) => arrangementsOf(pictures))).toEqual([[], [], []]);
    expect(isArrangement({ along: "rows", counts: [2, 0] }, 2)).toBe(false);
  });

  it("keep their arrangement as long as it has as many, take the usual one of more or fewer, and end with the last", () => {
    const gap = inches(1 / 16);
    const two = arranged(null, others(1), gap);
    expect(two).toEqual({ along: "rows", counts: [2], gap, others: others(1) });
    const columns = { along: "columns" as const, counts: [2, 2], gap: inches(1 / 8), others: others(3) };
    expect(arranged(columns, [other("x"), ...others(2)], gap)).toEqual({
      ...columns,
      others: [other("x"), ...others(2)],
    });
    expect(arranged(columns, others(4), gap)).toMatchObject({ along: "rows", counts: [2, 3], gap: inches(1 / 8) });
    expect(arranged(columns, [], gap)).toBeNull();
    expect(arranged(columns, others(6), gap)).toBeNull();
  });

  it("are too many where a room is narrower than a quarter inch", () => {
    const { crop, together } = shared(1 / 8);
    expect(hasRoom(FOUR_BY_SIX, crop, together)).toBe(true);
    expect(hasRoom(size(inches(0.5), inches(6)), crop, together)).toBe(false);
  });
});
