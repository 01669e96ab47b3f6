import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tilesOf, writePrintOf } from "../album/tiles.ts";
import { inches, millimetres, ticks } from "../measure/length.ts";
import { contains, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { size } from "../measure/size.ts";
import { type CutStep, cutList } from "./cutting.ts";
import {
  CUT_STEPS,
  type CutStepName,
  canBeParted,
  type GangedSheet,
  gangSheets,
  inParts,
  type PrintWish,
  sortByFit,
  taskOf,
} from "./gang.ts";
import { planAfter } from "./pack/pack.ts";
import type { Region } from "./pack/task.ts";
import { barOf, isPlausible, printableOf, trueBars } from "./paper.ts";
import { isSound } from "./sound.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const ID = "00000000-0000-4000-8000-000000000000";
const BAR = barOf("inch");
const printable = printableOf(LETTER, trueBars(inches(1 / 4), BAR), BAR) ?? rect(0, 0, 0, 0);
const settings = (gap = 0, step = ticks(1)) => ({
  ...{ papers: [{ size: LETTER, printable }], gap: inches(gap), canTurn: true, step },
});

function ganged(wishes: PrintWish[], gap = 0, spares: PrintWish[] = []): GangedSheet[] {
  return gangSheets(
    planAfter(taskOf(wishes, settings(gap)), 12),
    wishes,
    settings(gap),
    spares.map((spare) => ({ ...spare, canTurn: true })),
  );
}

const same = (a: Rect, b: Rect) => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

/** Cuts a sheet of paper as the list says and returns the pieces that lie on the table at the end. */
function cutUp(paper: Rect, cuts: readonly CutStep[]): Rect[] {
  let pieces = [paper];
  for (const { piece, axis, line, from, measure } of cuts) {
    expect(pieces.some((each) => same(each, piece))).toBe(true);
    const first =
      axis === "x" ? rect(piece.x, piece.y, line - piece.x, piece.h) : rect(piece.x, piece.y, piece.w, line - piece.y);
    const second =
      axis === "x"
        ? rect(line, piece.y, piece.x + piece.w - line, piece.h)
        : rect(piece.x, line, piece.w, piece.y + piece.h - line);
    expect(first.w > 0 && first.h > 0 && second.w > 0 && second.h > 0).toBe(true);
    const kept = { left: first.w, top: first.h, right: second.w, bottom: second.h }[from];
    expect(measure).toBe(kept);
    pieces = [...pieces.filter((each) => !same(each, piece)), first, second];
  }
  return pieces;
}

const SIZES = [by(4, 6), by(3, 4), by(2, 2), by(3, 3), by(6, 8), by(2.5, 3.25)];
const WISHES = fc
  .array(fc.integer({ min: 0, max: SIZES.length - 1 }), { minLength: 1, maxLength: 25 })
  .map((picks) => picks.map((pick, at): PrintWish => ({ id: `print-${at}`, size: SIZES[pick] ?? by(1, 1) })));

describe("a sheet and its cutting list", () => {
  it("cuts every print free at its exact size, each cut through a piece that is in hand", () => {
    fc.assert(
      fc.property(WISHES, fc.constantFrom(0, 1 / 8), (wishes, gap) => {
        const sheets = ganged(wishes, gap);
        expect(sheets.flatMap(({ prints }) => prints.map(({ id }) => id)).sort()).toEqual(
          wishes.map(({ id }) => id).sort(),
        );
        for (const { prints, cuts, paper } of sheets) {
          const pieces = cutUp(rectOf(paper), cuts);
          for (const { id, at, turned } of prints) {
            expect(pieces.some((piece) => same(piece, at))).toBe(true);
            expect(contains(printable, at)).toBe(true);
            const made = wishes.find((wish) => wish.id === id)?.size ?? by(0, 0);
            expect(turned ? size(at.h, at.w) : size(at.w, at.h)).toEqual(made);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it("names in each cut the prints that are in the piece", () => {
    const [sheet] = ganged([
      { id: "a", size: by(4, 6) },
      { id: "b", size: by(3, 4) },
    ]);
    for (const { piece, first, second } of sheet?.cuts ?? []) {
      const named = [first, second].flatMap((part) =>
        part.kind === "print" ? [part.print] : part.kind === "cut-on" ? part.prints : [],
      );
      const inside = (sheet?.prints ?? []).flatMap(({ at }, index) => (contains(piece, at) ? [index] : []));
      expect(named).toEqual(inside);
    }
    expect(sheet?.cuts.length).toBeGreaterThan(3);
  });

  it("offers what is left over to spares in their order, each once, never over a print", () => {
    const wishes = [{ id: "only", size: by(6, 8) }];
    const spares = [
      { id: "huge", size: by(8, 8) },
      { id: "first", size: by(2, 2) },
      { id: "second", size: by(2, 3) },
    ];
    const [sheet] = ganged(wishes, 0, spares);
    const laid = sheet?.prints ?? [];
    expect(
      laid
        .filter(({ spare }) => spare)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(["first", "second"]);
    for (const [at, one] of laid.entries())
      for (const other of laid.slice(at + 1)) expect(overlap(one.at, other.at)).toBeNull();
  });

  it("keeps the gap round spares too, and still cuts everything free", () => {
    fc.assert(
      fc.property(WISHES, (wishes) => {
        const gap = inches(1 / 8);
        const spares = wishes.map((wish) => ({ ...wish }));
        for (const sheet of ganged(wishes, 1 / 8, spares)) {
          expect(isSound(sheet)).toBe(true);
          const grown = sheet.prints.map(({ at }) => rect(at.x, at.y, at.w + gap, at.h + gap));
          for (const [at, one] of grown.entries())
            for (const other of grown.slice(at + 1)) expect(overlap(one, other)).toBeNull();
        }
      }),
      { numRuns: 30 },
    );
  });

  it("is not sound when a print lies over another, a cut misses its piece, or a measure is wrong", () => {
    const [sheet] = ganged([
      { id: "a", size: by(4, 6) },
      { id: "b", size: by(3, 4) },
    ]);
    if (!sheet) throw new Error("one sheet");
    expect(isSound(sheet)).toBe(true);
    const [first, ...rest] = sheet.prints;
    const [cut, ...cuts] = sheet.cuts;
    if (!first || !cut) throw new Error("prints and cuts");
    expect(isSound({ ...sheet, prints: [first, ...rest.map((each) => ({ ...each, at: first.at }))] })).toBe(false);
    expect(isSound({ ...sheet, cuts })).toBe(false);
    expect(isSound({ ...sheet, cuts: [{ ...cut, measure: ticks(cut.measure + 1) }, ...cuts] })).toBe(false);
    expect(isSound({ ...sheet, cuts: [{ ...cut, line: ticks(cut.line + 50) }, ...cuts] })).toBe(false);
  });

  it("cuts three 4 × 6 out of Letter with no more cuts than it must", () => {
    const [sheet] = ganged(["a", "b", "c"].map((id) => ({ id, size: by(4, 6) })));
    // Two lying side by side over one across, or alike: every rest but one has to come off by itself.
    expect(sheet?.cuts.length).toBeLessThanOrEqual(9);
    expect(sheet?.prints).toHaveLength(3);
  });
});

describe("the grid that cuts are laid on", () => {
  const OFF = [...SIZES, size(millimetres(100), millimetres(150)), size(ticks(33_001), ticks(20_333))];
  const anyOf = fc
    .array(fc.integer({ min: 0, max: OFF.length - 1 }), { minLength: 1, maxLength: 12 })
    .map((picks) => picks.map((pick, at): PrintWish => ({ id: `print-${at}`, size: OFF[pick] ?? by(1, 1) })));

  it("is kept by every measure but that of a print whose own size is off it, on any paper, and prints lose nothing by it", () => {
    fc.assert(
      fc.property(
        anyOf,
        fc.constantFrom("sixteenth", "half-millimetre"),
        fc.boolean(),
        fc.constantFrom(LETTER, aSeries(4)),
        (wishes, name, withSpares, paper) => {
          const step = CUT_STEPS[name as CutStepName];
          const area = printableOf(paper, trueBars(inches(1 / 4), BAR), BAR, step);
          if (!area) throw new Error("it takes prints");
          const given = { papers: [{ size: paper, printable: area }], gap: ticks(0), canTurn: true, step };
          const fitting = sortByFit(wishes, given).fitting;
          const spares = withSpares ? fitting.map((each) => ({ ...each, canTurn: true })) : [];
          const sheets = gangSheets(planAfter(taskOf(fitting, given), 12), fitting, given, spares);
          expect(sheets.flatMap(({ prints }) => prints).filter(({ spare }) => !spare).length).toBe(fitting.length);
          for (const { prints, cuts, waste } of sheets) {
            for (const { id, at, turned } of prints) {
              const { size: wanted } = wishes.find((each) => each.id === id) ?? { size: by(1, 1) };
              expect(turned ? size(at.h, at.w) : size(at.w, at.h)).toEqual(wanted);
            }
            const pieces = cutUp(rectOf(paper), cuts);
            for (const { at } of prints) expect(pieces.some((piece) => same(piece, at))).toBe(true);
            for (const { axis, line, measure } of cuts) {
              const isOwnEdge = prints.some(({ at: { x, y, w, h } }) =>
                axis === "x" ? line === x + w && w % step !== 0 : line === y + h && h % step !== 0,
              );
              expect(measure % step === 0 || isOwnEdge).toBe(true);
            }
            // Nothing of the paper is lost to the table: prints and what is told as waste lie over nothing of each other.
            for (const left of waste) for (const { at } of prints) expect(overlap(left, at)).toBeNull();
          }
        },
      ),
      { numRuns: 40, endOnFailure: true },
    );
  });

  it("is measured from where it can be set: not from the edge of a print that lies between two marks", () => {
    // A print whose far edge lies between two marks; the waste over it ends on one.
    const odd = size(ticks(33_001), ticks(20_333));
    const step = CUT_STEPS["half-millimetre"];
    const whole: Region = {
      ...{ kind: "cut", axis: "y", at: ticks(16_320), first: { kind: "waste" } },
      second: { kind: "print", type: 0, turned: false },
    };
    const [cut] = cutList(whole, size(odd.w, ticks(57_133)), step);
    expect(cut).toMatchObject({ from: "top", measure: 16_320, line: 16_320 });
    // From the side that is kept where it can be set from either, or from neither.
    expect(cutList(whole, size(odd.w, ticks(57_120)), step)[0]).toMatchObject({ from: "bottom", measure: 40_800 });
    expect(cutList({ ...whole, at: ticks(16_321) }, size(odd.w, ticks(57_133)), step)[0]?.from).toBe("bottom");
  });

  it("takes no paper from a print that only just fits", () => {
    const tight = size(ticks(30_001), ticks(40_001));
    const papers = [{ size: LETTER, printable: rect(0, 0, tight.w, tight.h) }];
    const given = { ...settings(), papers, step: CUT_STEPS.sixteenth };
    expect(taskOf([{ id: "a", size: tight }], given).wanted[0]?.size).toEqual(tight);
  });
});

describe("a print larger than any paper", () => {
  it("is told with the largest that fits and the tiles it takes, and keeps nothing else from being laid", () => {
    const sorted = sortByFit(
      [
        { id: "big", size: by(12, 9) },
        { id: "fine", size: by(4, 6) },
      ],
      settings(),
    );
    expect(sorted.fitting.map(({ id }) => id)).toEqual(["fine"]);
    expect(sorted.tooLarge).toEqual([
      { id: "big", size: by(12, 9), largest: by(10.5, 7.875), tiles: { across: 2, down: 1 } },
    ]);
  });

  it("fits in the parts that are told, on every paper, turned or not", () => {
    const LONG = fc.integer({ min: 2000, max: 200_000 });
    fc.assert(
      fc.property(LONG, LONG, fc.boolean(), fc.subarray([0, 1, 2], { minLength: 1 }), (w, h, canTurn, which) => {
        const papers = which.map((at) => {
          const paper = [LETTER, by(4, 6), by(5, 7)][at] ?? LETTER;
          return { size: paper, printable: rect(0, 0, paper.w, paper.h) };
        });
        const given = { papers, gap: ticks(0), canTurn, step: ticks(1) };
        const { tooLarge } = sortByFit([{ id: ID, size: size(ticks(w), ticks(h)) }], given);
        for (const each of tooLarge) {
          if (!canBeParted(each)) continue;
          const parts = inParts(each, tilesOf(each.tiles));
          expect(parts.length).toBeGreaterThan(1);
          expect(parts.reduce((area, part) => area + part.size.w * part.size.h, 0)).toBe(w * h);
          const sorted = sortByFit(parts, given);
          expect(sorted.tooLarge).toEqual([]);
          expect(new Set(sorted.fitting.map(({ id }) => id)).size).toBe(parts.length);
        }
      }),
    );
  });

  it("is not parted again when it is a part, nor into more parts than anybody joins", () => {
    const part = writePrintOf({ id: ID, tile: { across: 2, down: 1, column: 0, row: 0 } });
    const [again, wall] = sortByFit(
      [
        { id: part, size: by(12, 9) },
        { id: ID, size: by(400, 4) },
      ],
      settings(),
    ).tooLarge;
    expect(again && canBeParted(again)).toBe(false);
    expect(wall && canBeParted(wall)).toBe(false);
  });
});

describe("a printer", () => {
  it("leaves its white edge, and a shrinking one reaches less far", () => {
    expect(printable).toEqual(rect(inches(1 / 4), inches(1 / 4), inches(8), inches(10.5)));
    const shrinks = printableOf(LETTER, { margin: ticks(0), across: inches(5.94), along: BAR }, BAR);
    expect(shrinks?.w).toBe(Math.floor((LETTER.w * inches(5.94)) / BAR));
    expect(shrinks?.h).toBe(LETTER.h);
  });

  it("has nothing to print on when its white edge meets in the middle", () => {
    expect(printableOf(by(1, 1), trueBars(inches(0.5), BAR), BAR)).toBeNull();
  });

  it("does not stretch by a tenth: that is a slip", () => {
    expect(isPlausible(inches(5.95), BAR)).toBe(true);
    expect(isPlausible(inches(5), BAR)).toBe(false);
  });
});
