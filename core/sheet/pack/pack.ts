import { ticks } from "../../measure/length.ts";
import { areaOf } from "../../measure/rect.ts";
import { size } from "../../measure/size.ts";
import { areaBound, type Relaxed, relax } from "./bound.ts";
import { plansOfFewSizes } from "./few-sizes.ts";
import { plansOfManySizes } from "./many-sizes.ts";
import { BoundedPatterns } from "./pattern.ts";
import { type Raster, rasterOf, workOf } from "./raster.ts";
import { type PackedSheet, type PackPlan, type PackTask, type Proof, tooLarge } from "./task.ts";
import { judge, tidied } from "./tidy.ts";

/** Plans looked at after the fewest sheets are proven, for one with fewer cuts. */
const POLISH = 16;
/** A linear program over more than this would keep its keeper waiting: then the bound is by area. */
const MOST_WORK = 6_000_000;
/** More sizes than this are laid better by the search for many sizes. */
const FEW = 30;

export type Judged = { readonly sheets: number; readonly cuts: number; readonly rest: number };

const isBetter = (a: Judged, b: Judged): boolean =>
  a.sheets !== b.sheets ? a.sheets < b.sheets : a.cuts !== b.cuts ? a.cuts < b.cuts : a.rest > b.rest;

/** Fewest sheets, then fewest cuts, then the largest whole rest. */
export function judgePlan(sheets: readonly PackedSheet[], task: PackTask): Judged {
  const each = sheets.map((sheet) => judge(sheet, task));
  return {
    sheets: sheets.length,
    cuts: each.reduce((sum, { cuts }) => sum + cuts, 0),
    rest: Math.max(0, ...each.map(({ rest }) => rest)),
  };
}

/** Sheets as they will be cut: each on the smallest paper that takes its prints, those close together, few cuts. */
function finisher(task: PackTask, rasters: readonly (Raster | null)[]) {
  const { papers, wanted } = task;
  const searches = rasters.map((raster) =>
    raster && wanted.length <= FEW ? new BoundedPatterns(raster, wanted.length) : null,
  );
  const areas = wanted.map(({ size: made }) => areaOf(made));
  const bySize = papers
    .map((_, paper) => paper)
    .sort((a, b) => areaOf(papers[a]?.area ?? NONE) - areaOf(papers[b]?.area ?? NONE));
  const known = new Map<string, PackedSheet>();
  const finish = (sheet: PackedSheet): PackedSheet => {
    const key = `${sheet.paper} ${sheet.counts.join()}`;
    const tidy = (each: PackedSheet): PackedSheet => ({
      ...each,
      root: tidied(each.root, papers[each.paper]?.area ?? NONE, wanted),
    });
    const mine = tidy(sheet);
    let best = known.get(key);
    if (!best) {
      const used = sheet.counts.reduce((sum, count, type) => sum + count * (areas[type] ?? 0), 0);
      const others = bySize
        .slice(0, bySize.indexOf(sheet.paper) + 1)
        .filter((paper) => areaOf(papers[paper]?.area ?? NONE) >= used)
        .flatMap((paper) => {
          const found = searches[paper]?.compact(areas, sheet.counts);
          return found ? [tidy({ ...sheet, paper, root: found.root() })] : [];
        });
      best = others[0];
    }
    const better =
      best &&
      (best.paper !== mine.paper || isBetter({ sheets: 1, ...judge(best, task) }, { sheets: 1, ...judge(mine, task) }))
        ? best
        : mine;
    known.set(key, better);
    return better;
  };
  return (sheets: readonly PackedSheet[]): PackedSheet[] => sheets.map(finish);
}

const NONE = size(ticks(0), ticks(0));

/**
 * Lays all wanted prints on as few sheets as can be found, every sheet cut by straight edge-to-edge cuts. The first plan
 * comes at once and better ones as they are found; each says whether it is proven that none has fewer sheets. The
 * generator ends when that is proven and its plan has been polished; until then whoever drives it decides how long to
 * go on. Every wanted size must fit a paper (`tooLarge`), or it throws.
 */
export function* packSheets(task: PackTask): Generator<PackPlan, PackPlan> {
  if (tooLarge(task).length > 0) throw new RangeError("a print is larger than every paper");
  const { wanted, papers, gap } = task;
  const demand = wanted.map(({ count }) => count);
  const inflated = wanted.map(({ size: { w, h } }) => (w + gap) * (h + gap));
  const paperAreas = papers.map(({ area }) => (area.w + gap) * (area.h + gap));
  let bound: { atLeast: number; proof: Proof } = areaBound(inflated, demand, Math.max(0, ...paperAreas));
  let relaxed: Relaxed | null = null;
  let best: { sheets: PackedSheet[]; judged: Judged } | null = null;
  const plan = (): PackPlan => {
    const sheets = best?.sheets ?? [];
    return { sheets, ...bound, proven: sheets.length <= bound.atLeast };
  };
  if (demand.every((count) => count === 0)) return plan();
  const rasters = papers.map((_, paper) => rasterOf(task, paper));
  const finish = finisher(task, rasters);
  const offer = (found: readonly PackedSheet[] | null): boolean => {
    if (!found || (best && found.length > best.judged.sheets)) return false;
    const sheets = finish(found);
    const judged = judgePlan(sheets, task);
    if (best && !isBetter(judged, best.judged)) return false;
    best = { sheets, judged };
    return true;
  };
  const many = plansOfManySizes(task);
  offer(many.next().value ?? null);
  yield plan();
  const whole = rasters.flatMap((raster) => raster ?? []);
  const work = whole.reduce((sum, raster) => sum + workOf(raster), 0) * wanted.length;
  if (whole.length === papers.length && work <= MOST_WORK) {
    relaxed = relax(whole, demand);
    if (relaxed.atLeast > bound.atLeast) bound = { atLeast: relaxed.atLeast, proof: relaxed.proof };
    yield plan();
  }
  const fewest = (): number => best?.judged.sheets ?? Number.POSITIVE_INFINITY;
  const few =
    relaxed && wanted.length <= FEW
      ? plansOfFewSizes({ rasters: whole, areas: inflated, paperAreas, demand, relaxed }, fewest)
      : null;
  let polished = 0;
  for (let turn = 0; polished < POLISH; turn++) {
    const found = few && turn % 8 !== 7 ? few.next().value : many.next().value;
    const better = offer(found ?? null);
    if (fewest() <= bound.atLeast) polished = better ? 0 : polished + 1;
    yield plan();
  }
  return plan();
}

/**
 * The plan of a search that ends: when it is proven and polished, or after `most` plans were looked at. Always the same for
 * the same task, where a search by the clock is not. Throws as `packSheets` does.
 */
export function planAfter(task: PackTask, most: number): PackPlan {
  const search = packSheets(task);
  let plan = search.next().value;
  for (let looked = 1; looked < most; looked++) {
    const { value, done } = search.next();
    plan = value;
    if (done) break;
  }
  return plan;
}
