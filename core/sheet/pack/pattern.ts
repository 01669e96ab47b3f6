import { ticks } from "../../measure/length.ts";
import type { Raster } from "./raster.ts";
import { type Region, WASTE } from "./task.ts";

/** What one sheet may carry: how many prints of each size, and how it is cut for them. */
export type Pattern = { readonly counts: Uint16Array; readonly value: number; readonly root: () => Region };

const LEFT = 1;
const UP = 2;
const PRINT = 3;
const CUT_X = 4;
const CUT_Y = 5;

/** How a rectangle of the raster was best filled: one of the ways above, with the place or print it names. */
type Choices = { readonly how: Uint8Array; readonly what: Int32Array };

function regionAt(raster: Raster, { how, what }: Choices, i: number, j: number): Region {
  const { xs, ys, restX, restY, ways } = raster;
  const [nx, ny] = [xs.length, ys.length];
  const at = i * ny + j;
  const named = what[at] as number;
  switch (how[at]) {
    case LEFT:
      return regionAt(raster, { how, what }, i - 1, j);
    case UP:
      return regionAt(raster, { how, what }, i, j - 1);
    case PRINT: {
      const way = ways[named];
      return way ? { kind: "print", type: way.type, turned: way.turned } : WASTE;
    }
    case CUT_X:
      return {
        kind: "cut",
        axis: "x",
        at: ticks(xs[named] as number),
        first: regionAt(raster, { how, what }, named, j),
        second: regionAt(raster, { how, what }, restX[i * nx + named] as number, j),
      };
    case CUT_Y:
      return {
        kind: "cut",
        axis: "y",
        at: ticks(ys[named] as number),
        first: regionAt(raster, { how, what }, i, named),
        second: regionAt(raster, { how, what }, i, restY[j * ny + named] as number),
      };
    default:
      return WASTE;
  }
}

/** The best print that is just as large as each rectangle of the raster, by its way, or −1. */
function exactPrints(raster: Raster, worth: ArrayLike<number>): Int32Array {
  const exact = new Int32Array(raster.xs.length * raster.ys.length).fill(-1);
  for (const [index, way] of raster.ways.entries()) {
    const at = way.x * raster.ys.length + way.y;
    const known = raster.ways[exact[at] as number];
    if (!known || (worth[way.type] as number) > (worth[known.type] as number)) exact[at] = index;
  }
  return exact;
}

/**
 * The most that a sheet can be worth when there is no end of prints of any size, by straight edge-to-edge cuts: the
 * dynamic program of Gilmore & Gomory (1966), exact over the raster. Whole-number worths give a whole-number answer.
 */
export function mostWorth(raster: Raster, worth: ArrayLike<number>): Pattern {
  const { xs, ys, restX, restY, ways } = raster;
  const [nx, ny] = [xs.length, ys.length];
  const value = new Float64Array(nx * ny);
  const how = new Uint8Array(nx * ny);
  const what = new Int32Array(nx * ny);
  const exact = exactPrints(raster, worth);
  for (let i = 0; i < nx; i++) {
    for (let j = 0; j < ny; j++) {
      const at = i * ny + j;
      let best = 0;
      let [chosen, named] = [0, 0];
      const take = (offered: number, way: number, name: number) => {
        if (offered <= best) return;
        best = offered;
        chosen = way;
        named = name;
      };
      if (i > 0) take(value[at - ny] as number, LEFT, 0);
      if (j > 0) take(value[at - 1] as number, UP, 0);
      const print = exact[at] as number;
      if (print >= 0) take(worth[(ways[print] as Raster["ways"][number]).type] as number, PRINT, print);
      const [halfX, halfY] = [(xs[i] as number) / 2, (ys[j] as number) / 2];
      for (let a = 1; a < i && (xs[a] as number) <= halfX; a++) {
        take((value[a * ny + j] as number) + (value[(restX[i * nx + a] as number) * ny + j] as number), CUT_X, a);
      }
      for (let a = 1; a < j && (ys[a] as number) <= halfY; a++)
        take((value[i * ny + a] as number) + (value[i * ny + (restY[j * ny + a] as number)] as number), CUT_Y, a);
      value[at] = best;
      how[at] = chosen;
      what[at] = named;
    }
  }
  return patternAt(raster, { how, what }, value[nx * ny - 1] as number);
}

function patternAt(raster: Raster, choices: Choices, value: number): Pattern {
  const root = regionAt(raster, choices, raster.xs.length - 1, raster.ys.length - 1);
  const counts = new Uint16Array(1 + Math.max(0, ...raster.ways.map(({ type }) => type)));
  countInto(counts, root);
  return { counts, value, root: () => root };
}

export function countInto(counts: Uint16Array | number[], region: Region): void {
  if (region.kind === "print") counts[region.type] = (counts[region.type] ?? 0) + 1;
  if (region.kind !== "cut") return;
  countInto(counts, region.first);
  countInto(counts, region.second);
}

/** The region with no more prints of a size than `left` says: two fillings joined may bring one too many. */
function noMoreThan(region: Region, left: Uint16Array): Region {
  if (region.kind === "waste") return region;
  if (region.kind === "print") {
    const some = left[region.type] ?? 0;
    left[region.type] = Math.max(0, some - 1);
    return some > 0 ? region : WASTE;
  }
  const first = noMoreThan(region.first, left);
  return { ...region, first, second: noMoreThan(region.second, left) };
}

/**
 * A sheet of high worth that carries no more prints than are still wanted. Every rectangle of the raster keeps one best
 * filling, joined ones counting no print above `wanted`: not always the best there is, but found at once. Its arrays are
 * kept from call to call.
 */
export class BoundedPatterns {
  readonly #raster: Raster;
  readonly #types: number;
  readonly #value: Float64Array;
  readonly #pieces: Int32Array;
  readonly #counts: Uint16Array;
  readonly #how: Uint8Array;
  readonly #what: Int32Array;

  constructor(raster: Raster, types: number) {
    const states = raster.xs.length * raster.ys.length;
    this.#raster = raster;
    this.#types = types;
    this.#value = new Float64Array(states);
    this.#pieces = new Int32Array(states);
    this.#counts = new Uint16Array(states * types);
    this.#how = new Uint8Array(states);
    this.#what = new Int32Array(states);
  }

  best(worth: ArrayLike<number>, wanted: ArrayLike<number>): Pattern {
    const { xs, ys, restX, restY, ways } = this.#raster;
    const [nx, ny, m] = [xs.length, ys.length, this.#types];
    const [value, pieces, counts, how, what] = [this.#value, this.#pieces, this.#counts, this.#how, this.#what];
    const exact = exactPrints(
      this.#raster,
      Array.from({ length: m }, (_, type) => ((wanted[type] as number) > 0 ? (worth[type] as number) : 0)),
    );
    /** Both fillings together, no size above what is wanted. */
    const joined = (a: number, b: number): number => {
      let sum = (value[a] as number) + (value[b] as number);
      for (let type = 0; type < m; type++) {
        const over = (counts[a * m + type] as number) + (counts[b * m + type] as number) - (wanted[type] as number);
        if (over > 0) sum -= over * (worth[type] as number);
      }
      return sum;
    };
    for (let i = 0; i < nx; i++) {
      for (let j = 0; j < ny; j++) {
        const at = i * ny + j;
        let best = 0;
        // Of fillings of one worth the one of fewer prints needs fewer cuts.
        let fewest = 0;
        let [chosen, named, one, two] = [0, 0, -1, -1];
        const keep = (offered: number, count: number, way: number, name: number, a: number, b: number) => {
          if (offered < best || (offered === best && (offered === 0 || count >= fewest))) return;
          best = offered;
          fewest = count;
          chosen = way;
          named = name;
          one = a;
          two = b;
        };
        if (i > 0) keep(value[at - ny] as number, pieces[at - ny] as number, LEFT, 0, at - ny, -1);
        if (j > 0) keep(value[at - 1] as number, pieces[at - 1] as number, UP, 0, at - 1, -1);
        const print = exact[at] as number;
        const way = ways[print];
        if (way && (wanted[way.type] as number) > 0) keep(worth[way.type] as number, 1, PRINT, print, -1, -1);
        const tryCut = (a: number, b: number, cut: number, name: number) => {
          if ((value[a] as number) + (value[b] as number) < best) return;
          keep(joined(a, b), (pieces[a] as number) + (pieces[b] as number), cut, name, a, b);
        };
        const [halfX, halfY] = [(xs[i] as number) / 2, (ys[j] as number) / 2];
        for (let a = 1; a < i && (xs[a] as number) <= halfX; a++)
          tryCut(a * ny + j, (restX[i * nx + a] as number) * ny + j, CUT_X, a);
        for (let a = 1; a < j && (ys[a] as number) <= halfY; a++)
          tryCut(i * ny + a, i * ny + (restY[j * ny + a] as number), CUT_Y, a);
        value[at] = best;
        pieces[at] = fewest;
        how[at] = chosen;
        what[at] = named;
        for (let type = 0; type < m; type++) {
          const sum =
            (one < 0 ? 0 : (counts[one * m + type] as number)) + (two < 0 ? 0 : (counts[two * m + type] as number));
          counts[at * m + type] = Math.min(sum, wanted[type] as number);
        }
        if (chosen === PRINT && way) counts[at * m + way.type] = 1;
      }
    }
    return this.#at(nx - 1, ny - 1);
  }

  #at(i: number, j: number): Pattern {
    const at = i * this.#raster.ys.length + j;
    const choices = { how: this.#how.slice(), what: this.#what.slice() };
    const counts = this.#counts.slice(at * this.#types, (at + 1) * this.#types);
    const root = () => noMoreThan(regionAt(this.#raster, choices, i, j), counts.slice());
    return { value: this.#value[at] as number, counts, root };
  }

  /**
   * All of the given prints on one sheet, so close together that the largest rest stays whole; null when this search
   * does not get them onto one.
   */
  compact(worth: ArrayLike<number>, given: ArrayLike<number>): Pattern | null {
    this.best(worth, given);
    const { xs, ys } = this.#raster;
    const [wide, high] = [xs[xs.length - 1] as number, ys[ys.length - 1] as number];
    let found: { i: number; j: number; rest: number } | null = null;
    for (const [i, x] of xs.entries()) {
      for (const [j, y] of ys.entries()) {
        const at = (i * ys.length + j) * this.#types;
        const all = Array.from({ length: this.#types }, (_, type) => type).every(
          (type) => this.#counts[at + type] === given[type],
        );
        const rest = Math.max((wide - x) * high, wide * (high - y));
        if (all && (!found || rest > found.rest)) found = { i, j, rest };
      }
    }
    return found && this.#at(found.i, found.j);
  }
}
