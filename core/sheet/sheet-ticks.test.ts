import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PrintState } from "../album/print.ts";
import type { CutPart, CutStep } from "./cutting.ts";
import { type SheetTick, tickSheet } from "./sheet-ticks.ts";

const cut = (first: CutPart, second: CutPart): CutStep => ({ first, second }) as CutStep;
const print = (at: number): CutPart => ({ kind: "print", print: at });
/** Three prints on a sheet: the first cut frees one of them, the second the other two. */
const SHEET = {
  cuts: [cut(print(0), { kind: "cut-on", prints: [1, 2] }), cut(print(1), print(2))],
  cutsDone: [] as readonly number[],
  printedAt: null as string | null,
};
const prints = (...states: PrintState[]) => states.map((state, place) => ({ place, state }));
type Now = { readonly sheet: typeof SHEET; readonly prints: ReturnType<typeof prints> };
const NEW: Now = { sheet: SHEET, prints: prints("made", "made", "made") };
const AT = "2026-12-09T18:40:00Z";
const told = (now: Now, ...all: SheetTick[]): Now =>
  all.reduce((each, one) => (tickSheet(each.sheet, each.prints, one, AT) as Now | null) ?? each, now);
const states = (now: Now) => now.prints.map(({ state }) => state);

describe("a sheet that is ticked", () => {
  it("is printed by its first cut, and frees a print with the cut that bounds it", () => {
    const first = told(NEW, { how: "cut", cut: 0, on: true });
    expect([first.sheet.printedAt, first.sheet.cutsDone, states(first)]).toEqual([
      AT,
      [0],
      ["trimmed", "printed", "printed"],
    ]);
    expect(states(told(first, { how: "cut", cut: 1, on: true }))).toEqual(["trimmed", "trimmed", "trimmed"]);
    expect(states(told(first, { how: "cut", cut: 0, on: false }))).toEqual(["printed", "printed", "printed"]);
    expect(tickSheet(SHEET, NEW.prints, { how: "cut", cut: 2, on: true }, AT)).toBeNull();
  });

  it("is all cut in one go as it would be cut by cut", () => {
    const byCut = told(NEW, { how: "cut", cut: 0, on: true }, { how: "cut", cut: 1, on: true });
    expect(told(NEW, { how: "all-cut" })).toEqual(byCut);
    expect(told(NEW, { how: "cut", cut: 1, on: true }, { how: "all-cut" })).toEqual(byCut);
  });

  it("keeps what is spoiled so, until the sheet is said not to be printed at all", () => {
    const spoiled: Now = { sheet: { ...SHEET, printedAt: AT }, prints: prints("spoiled", "printed", "printed") };
    expect(states(told(spoiled, { how: "cut", cut: 0, on: true }))).toEqual(["spoiled", "printed", "printed"]);
    expect(told(spoiled, { how: "cut", cut: 0, on: true }, { how: "printed", on: false })).toEqual(NEW);
  });

  it("says the same when each thing is said twice, and a cut taken back leaves no trace but that it is printed", () => {
    const tick: fc.Arbitrary<SheetTick> = fc.oneof(
      fc.boolean().map((on): SheetTick => ({ how: "printed", on })),
      fc.record({ how: fc.constant("cut" as const), cut: fc.nat(1), on: fc.boolean() }),
    );
    fc.assert(
      fc.property(fc.array(tick, { maxLength: 8 }), fc.nat(1), (all, at) => {
        const now = told(NEW, ...all);
        expect(told(NEW, ...all.flatMap((each) => [each, each]))).toEqual(now);
        const printed = told(now, { how: "printed", on: true });
        if (printed.sheet.cutsDone.includes(at)) return;
        const back = told(printed, { how: "cut", cut: at, on: true }, { how: "cut", cut: at, on: false });
        expect(back).toEqual(printed);
      }),
    );
  });
});
