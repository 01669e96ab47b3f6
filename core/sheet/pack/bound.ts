import { mostWorth } from "./pattern.ts";
import type { Raster } from "./raster.ts";
import type { Proof } from "./task.ts";

/** What the linear program says: patterns with how often each is used, and the fewest sheets any plan can have. */
export type Relaxed = {
  readonly columns: readonly { readonly counts: readonly number[]; readonly times: number; readonly paper: number }[];
  readonly duals: readonly number[];
  readonly atLeast: number;
  readonly proof: Proof;
};

const EPS = 1e-9;
/** Worths of a proof are whole numbers of this fineness, so that checking it is exact arithmetic. */
const FINE = 1_000_000;
const MOST_ROUNDS = 400;

/**
 * The fewest sheets that any plan by straight edge-to-edge cuts can have, by column generation: the linear program over
 * all patterns, priced by the exact dynamic program (Gilmore & Gomory 1961, 1963, 1965). What comes back is proved by
 * whole-number worths whatever the floating-point road to them was.
 */
export function relax(rasters: readonly Raster[], demand: readonly number[]): Relaxed {
  const m = demand.length;
  const best = (worth: ArrayLike<number>) => {
    const patterns = rasters.map((raster) => mostWorth(raster, worth));
    const at = patterns.reduce((top, { value }, index) => (value > (patterns[top]?.value ?? 0) ? index : top), 0);
    const counts = Array.from({ length: m }, (_, type) => patterns[at]?.counts[type] ?? 0);
    return { counts, value: patterns[at]?.value ?? 0, paper: at };
  };
  // To begin with, each size has sheets of its own.
  const basis = demand.map((_, type) => {
    const alone = best(demand.map((_, each) => (each === type ? 1 : 0)));
    return { counts: alone.counts.map((n, each) => (each === type ? n : 0)), cost: 1, paper: alone.paper };
  });
  const inverse = basis.map(({ counts }, row) =>
    demand.map((_, column) => (row === column ? 1 / Math.max(1, counts[row] ?? 0) : 0)),
  );
  let duals: number[] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    duals = demand.map((_, column) =>
      basis.reduce((sum, { cost }, row) => sum + cost * (inverse[row]?.[column] ?? 0), 0),
    );
    const short = duals.findIndex((dual) => dual < -EPS);
    // A negative dual says that prints to spare would help: they enter as a column of their own.
    const entering =
      short >= 0
        ? { counts: demand.map((_, type) => (type === short ? -1 : 0)), cost: 0, paper: 0 }
        : (() => {
            const { counts, value, paper } = best(duals);
            return value > 1 + EPS ? { counts, cost: 1, paper } : null;
          })();
    if (!entering || !pivot(basis, inverse, demand, entering)) break;
  }
  const times = usesOf(inverse, demand);
  const worth = duals.map((dual) => Math.max(0, Math.round(dual * FINE)));
  const most = best(worth).value;
  const whole = worth.reduce((sum, each, type) => sum + each * (demand[type] ?? 0), 0);
  return {
    columns: basis.flatMap(({ counts, cost, paper }, row) =>
      cost === 0 ? [] : [{ counts, times: Math.max(0, times[row] ?? 0), paper }],
    ),
    duals,
    atLeast: most > 0 ? Math.ceil(whole / most) : 0,
    proof: { worth, most },
  };
}

type Column = { counts: number[]; cost: number; paper: number };

const usesOf = (inverse: readonly (readonly number[])[], demand: readonly number[]): number[] =>
  inverse.map((row) => row.reduce((sum, each, column) => sum + each * (demand[column] ?? 0), 0));

/** One step of the revised simplex method: the entering column takes the place of the one that runs out first. */
function pivot(basis: Column[], inverse: number[][], demand: readonly number[], entering: Column): boolean {
  const direction = inverse.map((row) =>
    row.reduce((sum, each, column) => sum + each * (entering.counts[column] ?? 0), 0),
  );
  const uses = usesOf(inverse, demand);
  let leaving = -1;
  let least = Number.POSITIVE_INFINITY;
  for (const [row, step] of direction.entries()) {
    if (step <= EPS) continue;
    const ratio = (uses[row] ?? 0) / step;
    if (ratio < least - EPS) {
      least = ratio;
      leaving = row;
    }
  }
  const pivotRow = inverse[leaving];
  const by = direction[leaving];
  if (!pivotRow || by === undefined) return false;
  basis[leaving] = entering;
  inverse[leaving] = pivotRow.map((each) => each / by);
  for (const [row, values] of inverse.entries()) {
    const factor = direction[row] ?? 0;
    if (row === leaving || factor === 0) continue;
    inverse[row] = values.map((each, column) => each - factor * (inverse[leaving]?.[column] ?? 0));
  }
  return true;
}

/** The bound by area alone, for sizes too many and too odd for the raster; proved by worths that are areas. */
export function areaBound(
  areas: readonly number[],
  demand: readonly number[],
  paperArea: number,
): { atLeast: number; proof: Proof } {
  const whole = areas.reduce((sum, area, type) => sum + area * (demand[type] ?? 0), 0);
  return { atLeast: paperArea > 0 ? Math.ceil(whole / paperArea) : 0, proof: { worth: [...areas], most: paperArea } };
}
