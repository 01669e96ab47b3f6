import type { PrintState } from "../album/print.ts";
import type { CutStep } from "./cutting.ts";
import type { SheetRecord } from "./record.ts";

/** What is said of a sheet: that it came out of the printer, that one of its cuts is made, or all; or that it is not so after all. */
export type SheetTick =
  | { readonly how: "printed"; readonly on: boolean }
  | { readonly how: "cut"; readonly cut: number; readonly on: boolean }
  | { readonly how: "all-cut" };

type Ticked = Pick<SheetRecord, "cuts" | "cutsDone" | "printedAt">;
type OnSheet = { readonly place: number; readonly state: PrintState };

/** The places of the prints that are free of the sheet once these cuts are made: all the cuts that bound them are among them. */
function cutFree(cuts: readonly CutStep[], done: ReadonlySet<number>): Set<number> {
  const freed = new Set<number>();
  for (const [at, { first, second }] of cuts.entries()) {
    if (!done.has(at)) continue;
    for (const part of [first, second]) if (part.kind === "print") freed.add(part.print);
  }
  return freed;
}

/**
 * A sheet and the prints on it after a tick; null where it has no such cut. Said twice it is true once. The first cut says
 * that the sheet is printed, the last cut of a print that it is cut out; a spoiled print stays spoiled. `at` is when.
 */
export function tickSheet<S extends Ticked, P extends OnSheet>(
  sheet: S,
  prints: readonly P[],
  tick: SheetTick,
  at: string,
): { readonly sheet: S; readonly prints: readonly P[] } | null {
  const set = (from: readonly PrintState[], state: PrintState, all: readonly P[], places?: ReadonlySet<number>) =>
    all.map((each) => (from.includes(each.state) && (places?.has(each.place) ?? true) ? { ...each, state } : each));
  if (tick.how === "printed")
    return tick.on
      ? { sheet: { ...sheet, printedAt: at }, prints: set(["made"], "printed", prints) }
      : {
          sheet: { ...sheet, printedAt: null, cutsDone: [] },
          prints: set(["printed", "trimmed", "spoiled"], "made", prints),
        };
  const before = new Set(sheet.cutsDone);
  if (tick.how === "cut" && !sheet.cuts[tick.cut]) return null;
  const all = tick.how === "all-cut" ? [...sheet.cuts.keys()] : [...before, tick.cut];
  const on = tick.how === "all-cut" || tick.on;
  const done = new Set(on ? all : [...before].filter((each) => tick.how === "cut" && each !== tick.cut));
  const [was, is] = [cutFree(sheet.cuts, before), cutFree(sheet.cuts, done)];
  const printed = on ? set(["made"], "printed", prints) : prints;
  const freed = set(["printed"], "trimmed", printed, new Set([...is].filter((place) => !was.has(place))));
  return {
    sheet: {
      ...sheet,
      cutsDone: [...done].sort((a, b) => a - b),
      printedAt: on ? (sheet.printedAt ?? at) : sheet.printedAt,
    },
    prints: set(["trimmed"], "printed", freed, new Set([...was].filter((place) => !is.has(place)))),
  };
}
