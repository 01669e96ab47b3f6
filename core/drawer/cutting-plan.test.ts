import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { areaOf, contains, overlap, rect, rectOf, sizeOf } from "../measure/rect.ts";
import { type Size, sameSize, size, turned } from "../measure/size.ts";
import { type CutOrder, planCutting } from "./cutting-plan.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const step = inches(1 / 16);
const anyCutSize = fc
  .tuple(fc.integer({ min: 8, max: 220 }), fc.integer({ min: 8, max: 220 }), fc.nat(3))
  .map(([w, h, odd]) => size(ticks((w * step) / 1 + odd), ticks(h * step)));
const anyMotifOf = (sheet: Size) =>
  fc
    .tuple(fc.nat(90), fc.nat(90), fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 90 }))
    .map(([x, y, w, h]) => {
      const of = (length: number, share: number) => Math.floor((length * share) / 100);
      const [left, top] = [of(sheet.w, x), of(sheet.h, y)];
      return rect(left, top, Math.max(1, of(sheet.w - left, w)), Math.max(1, of(sheet.h - top, h)));
    });
const anyOrder: fc.Arbitrary<CutOrder> = fc.record({
  sheets: fc
    .array(fc.record({ size: fc.constantFrom(by(12, 12), by(6, 12), by(4.25, 9), by(8.5, 11)), count: fc.nat(3) }), {
      maxLength: 4,
    })
    .chain((all) =>
      fc.tuple(
        ...all.map((each, at) =>
          fc.option(anyMotifOf(each.size)).map((motif) => ({ ...each, motif, thing: `paper-${at}` })),
        ),
      ),
    ),
  cuts: fc
    .array(fc.oneof(fc.constantFrom(by(3, 4), by(4, 6), by(2.5, 2.5)), anyCutSize), { maxLength: 9 })
    .map((all) => all.map((each, at) => ({ id: `${at}`, size: each }))),
  canTurn: fc.boolean(),
  step: fc.constant(step),
});

describe("a cutting plan", () => {
  it("cuts each piece once, of sheets that are there, whole and upright, and says what has no paper", () => {
    fc.assert(
      fc.property(anyOrder, (order) => {
        const { sheets, short, joined } = planCutting(order);
        const told = [...sheets.flatMap(({ pieces }) => pieces.map(({ id }) => id)), ...short.map(({ id }) => id)];
        const all = [...told, ...joined.map(({ cut }) => cut.id)].sort();
        expect(all).toEqual(order.cuts.map(({ id }) => id).sort());
        for (const { thing, size: there, count } of order.sheets) {
          const used = sheets.filter((sheet) => sheet.thing === thing);
          expect(used.length).toBeLessThanOrEqual(count);
          for (const sheet of used) expect(sheet.size).toEqual(there);
        }
        for (const sheet of sheets) {
          expect(sheet.pieces.length).toBeGreaterThan(0);
          for (const { id, at, turned: isTurned } of sheet.pieces) {
            const wanted = order.cuts.find((each) => each.id === id)?.size as Size;
            expect(size(at.w, at.h)).toEqual(isTurned ? turned(wanted) : wanted);
            expect(isTurned && !order.canTurn).toBe(false);
            expect(contains(rectOf(sheet.size), at)).toBe(true);
            for (const other of sheet.pieces) if (other.id !== id) expect(overlap(at, other.at)).toBeNull();
          }
          const kept = sheet.kept ? [sizeOf(sheet.kept.rest)] : [];
          const area = [...sheet.pieces.map(({ at }) => size(at.w, at.h)), ...sheet.rests, ...kept].map(areaOf);
          expect(area.reduce((sum, each) => sum + each, 0)).toBe(areaOf(sheet.size));
          const motif = order.sheets.find(({ thing }) => thing === sheet.thing)?.motif ?? null;
          expect(sheet.kept?.motif ?? null).toEqual(motif);
          if (motif) {
            expect(contains(sheet.kept?.rest ?? rectOf(size(ticks(0), ticks(0))), motif)).toBe(true);
            for (const { at } of sheet.pieces) expect(overlap(at, motif)).toBeNull();
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it("is made by its cuts alone, each from edge to edge of the piece in hand", () => {
    fc.assert(
      fc.property(anyOrder, (order) => {
        for (const sheet of planCutting(order).sheets) {
          let inHand = [rectOf(sheet.size)];
          for (const { piece, axis, line } of sheet.cuts) {
            const at = inHand.findIndex((each) => JSON.stringify(each) === JSON.stringify(piece));
            expect(at).toBeGreaterThanOrEqual(0);
            const { x, y, w, h } = piece;
            const halves =
              axis === "x"
                ? [rect(x, y, line - x, h), rect(line, y, x + w - line, h)]
                : [rect(x, y, w, line - y), rect(x, line, w, y + h - line)];
            inHand = [...inHand.slice(0, at), ...inHand.slice(at + 1), ...halves];
          }
          for (const { at } of sheet.pieces)
            expect(inHand.some((each) => JSON.stringify(each) === JSON.stringify(at))).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  it("begins a remainder before a whole sheet, and leaves the largest rest whole", () => {
    const sheets = [
      { thing: "whole", size: by(12, 12), count: 5 },
      { thing: "scrap", size: by(4.25, 9), count: 1 },
    ];
    const [one, ...more] = planCutting({ sheets, cuts: cards(2), canTurn: false, step }).sheets;
    expect([one?.thing, more]).toEqual(["scrap", []]);
    expect(one?.rests.map((each) => sameSize(each, by(4.25, 1)) || sameSize(each, by(1.25, 9)))).toContain(true);
    // Twelve 3 × 4 cards are the whole of a 12 × 12 (common practice); the thirteenth comes of the remainder.
    const many = planCutting({ sheets, cuts: cards(13), canTurn: true, step }).sheets;
    expect(many.map(({ thing }) => thing).sort()).toEqual(["scrap", "whole"]);
  });

  it("keeps a pattern upright where turning would save a sheet, and uses what is there no more than once", () => {
    const order = { sheets: [{ thing: "a", size: by(6, 4), count: 2 }], cuts: cards(3), step };
    expect(planCutting({ ...order, canTurn: true }).sheets).toHaveLength(2);
    const long = { ...order, cuts: [{ id: "long", size: by(4, 6) }] };
    expect(planCutting({ ...long, canTurn: true }).sheets[0]?.pieces).toMatchObject([{ turned: true }]);
    expect(planCutting({ ...long, canTurn: false })).toMatchObject({ sheets: [], joined: [{ from: { parts: 2 } }] });
    expect(planCutting({ ...order, cuts: cards(5), canTurn: true }).short).toHaveLength(1);
  });

  it("joins what is larger than any sheet of the fewest equal parts: 9½ from two (common practice: 3 + 6½)", () => {
    const sheets = [{ thing: "a", size: by(6.5, 12), count: 4 }];
    const [strip] = planCutting({ sheets, cuts: [{ id: "s", size: by(9.5, 12) }], canTurn: false, step }).joined;
    expect(strip?.from).toEqual({ parts: 2, along: "w", size: by(4.75, 12) });
    const none = planCutting({ sheets: [], cuts: cards(1), canTurn: true, step });
    expect(none).toMatchObject({ sheets: [], short: [], joined: [{ cut: { id: "0" }, from: null }] });
    expect(planCutting({ sheets, cuts: [], canTurn: true, step })).toEqual({ sheets: [], short: [], joined: [] });
  });

  it("keeps a motif whole: cuts beside it whichever way gives more, and says what the rest that keeps it is", () => {
    // A stamp in the lower left corner of a 12 × 12: three 4 × 6 above it, or beside it.
    const motif = rect(0, inches(9), inches(3), inches(3));
    const sheets = [{ thing: "a", size: by(12, 12), count: 1, motif }];
    const cuts = Array.from({ length: 3 }, (_, at) => ({ id: `${at}`, size: by(4, 9) }));
    const [sheet, ...more] = planCutting({ sheets, cuts, canTurn: false, step }).sheets;
    expect([sheet?.pieces.length, more.length, sheet?.rests]).toEqual([3, 0, []]);
    expect(sheet?.kept).toEqual({ rest: rect(0, inches(9), inches(12), inches(3)), motif });
    expect(sheet?.cuts[0]).toMatchObject({ axis: "y", line: inches(9), from: "top" });
    // What is wanted of both strips comes of one sheet; of three sheets only as many are begun as are needed.
    const both = [...cuts, { id: "low", size: by(9, 3) }];
    expect(planCutting({ sheets, cuts: both, canTurn: false, step }).sheets).toHaveLength(1);
    const three = [{ thing: "a", size: by(12, 12), count: 3, motif }];
    const twice = [...both, { id: "more", size: by(12, 9) }];
    expect(planCutting({ sheets: three, cuts: twice, canTurn: false, step }).sheets).toHaveLength(2);
    // Larger than what lies beside the motif is larger than any sheet there is.
    const whole = planCutting({ sheets, cuts: [{ id: "w", size: by(12, 10) }], canTurn: false, step });
    expect(whole).toMatchObject({ sheets: [], joined: [{ from: { parts: 2 } }] });
    const all = planCutting({
      sheets: [{ ...three[0], motif: rectOf(by(12, 12)) } as never],
      cuts,
      canTurn: true,
      step,
    });
    expect(all.joined).toHaveLength(3);
  });
});

const cards = (many: number) => Array.from({ length: many }, (_, at) => ({ id: `${at}`, size: by(3, 4) }));
