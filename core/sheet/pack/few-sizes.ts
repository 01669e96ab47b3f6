import type { Relaxed } from "./bound.ts";
import { BoundedPatterns, type Pattern } from "./pattern.ts";
import type { Raster } from "./raster.ts";
import type { PackedSheet } from "./task.ts";

/** Chance for the search: a small generator of its own, so that the same order always gives the same sheets. */
export function chanceFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

type Search = {
  readonly rasters: readonly Raster[];
  readonly areas: readonly number[];
  readonly paperAreas: readonly number[];
  readonly demand: readonly number[];
  readonly relaxed: Relaxed;
};

/**
 * Plans for prints of few sizes, one after the other, each built sheet by sheet from what is still wanted: sometimes from
 * nothing, sometimes on top of the whole part of the linear program's answer. What a size is worth is learned: sizes that
 * end up on wasteful sheets become dearer and are laid earlier (sequential value correction, Mukhacheva & Zalgaller 1993;
 * Belov & Scheithauer 2007). `most` says how many sheets a plan may have to be worth finishing.
 */
export function* plansOfFewSizes(
  { rasters, areas, paperAreas, demand, relaxed }: Search,
  most: () => number,
): Generator<PackedSheet[] | null> {
  const patterns = rasters.map((raster) => new BoundedPatterns(raster, demand.length));
  const chance = chanceFrom(demand.reduce((sum, count, type) => (sum * 31 + count * 7 + type) | 0, 17));
  const largestPaper = Math.max(...paperAreas);
  const learned = areas.map(
    (area, type) => area ** 1.02 * (0.5 + Math.max(0, relaxed.duals[type] ?? 0) * (largestPaper / area) * 0.5),
  );
  for (let trial = 0; ; trial++) {
    const left = [...demand];
    const sheets: PackedSheet[] = [];
    const lay = (pattern: Pick<Pattern, "counts" | "root">, paper: number, times: number) => {
      const counts = Array.from({ length: left.length }, (_, type) => pattern.counts[type] ?? 0);
      for (const [type, count] of counts.entries()) left[type] = (left[type] ?? 0) - count * times;
      const root = pattern.root();
      for (let copy = 0; copy < times; copy++) sheets.push({ paper, root, counts });
    };
    const stillWanted = () => left.some((count) => count > 0);
    const needed = () =>
      Math.ceil(left.reduce((sum, count, type) => sum + count * (areas[type] ?? 0), 0) / largestPaper - 1e-9);
    // Every other trial keeps most of what the linear program uses whole times.
    if (trial % 2 === 1) {
      for (const column of relaxed.columns) {
        const whole = Math.floor(column.times + (chance() < 0.25 ? chance() : 1e-6));
        const keep = chance() < 0.15 ? Math.floor(whole * chance()) : whole;
        const raster = patterns[column.paper];
        if (keep === 0 || !raster) continue;
        const capped = column.counts.map((count, type) => Math.min(count, left[type] ?? 0));
        const pattern = raster.best(areas, capped);
        const times = Math.min(
          keep,
          ...Array.from(pattern.counts).flatMap((count, type) =>
            count > 0 ? [Math.floor((left[type] ?? 0) / count)] : [],
          ),
        );
        if (pattern.value > 0 && times > 0) lay(pattern, column.paper, times);
      }
    }
    const noise = trial === 0 ? 0 : 0.02 + 0.1 * chance();
    let given = false;
    while (stillWanted()) {
      if (sheets.length + needed() > most()) {
        given = true;
        break;
      }
      const worth = learned.map((each) => each * (1 + noise * (chance() - 0.5)));
      let best: { pattern: Pattern; paper: number; rate: number } | null = null;
      for (const [paper, raster] of patterns.entries()) {
        const pattern = raster.best(worth, left);
        // Of papers that take the same, the smaller.
        const rate = pattern.value - (paperAreas[paper] ?? 0) * 1e-9;
        if (!best || rate > best.rate) best = { pattern, paper, rate };
      }
      if (!best || best.pattern.value <= 0) throw new Error("something is wanted that fits no paper");
      const counts = Array.from(best.pattern.counts);
      const times = Math.min(
        ...counts.flatMap((count, type) => (count > 0 ? [Math.floor((left[type] ?? 0) / count)] : [])),
      );
      lay(best.pattern, best.paper, trial === 0 || chance() < 0.5 ? times : 1);
      const used = counts.reduce((sum, count, type) => sum + count * (areas[type] ?? 0), 0);
      const dear = (paperAreas[best.paper] ?? used) / used;
      for (const [type, count] of counts.entries()) {
        if (count === 0) continue;
        const share = Math.min(0.5, count / ((left[type] ?? 0) + count));
        learned[type] = (learned[type] ?? 0) * (1 - share) + share * (areas[type] ?? 0) ** 1.02 * dear;
      }
    }
    yield given ? null : sheets;
  }
}
