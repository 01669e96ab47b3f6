import { MaxRectsPacker } from "maxrects-packer/dist/maxrects-packer.mjs";
import { packSheets } from "../../core/sheet/pack/pack.ts";
import type { PackPlan, PackTask } from "../../core/sheet/pack/task.ts";
import { classOrder, monthOrder } from "./orders.ts";
import { median } from "./recompute.ts";

/** How long a plan may be looked for, in milliseconds. */
const MONTH_BUDGET = 2500;
const CLASS_BUDGET = 150;

/** The best plan found within `budget` milliseconds, and how long it took. */
export function planWithin(task: PackTask, budget: number): { plan: PackPlan; ms: number } {
  const began = performance.now();
  let plan: PackPlan | null = null;
  for (const found of packSheets(task)) {
    plan = found;
    if (performance.now() - began > budget) break;
  }
  if (!plan) throw new Error("no plan at all");
  return { plan, ms: performance.now() - began };
}

/** How many sheets the reference packer needs, which need not keep to edge-to-edge cuts. Reference library: maxrects-packer. */
export function referenceSheets({ wanted, papers }: PackTask): number {
  const area = papers[0]?.area ?? { w: 1, h: 1 };
  const packer = new MaxRectsPacker(area.w, area.h, 0, {
    allowRotation: wanted.some(({ canTurn }) => canTurn),
    smart: false,
    pot: false,
    square: false,
    border: 0,
  });
  // Largest side first, as the reference itself orders a list.
  const all = wanted.flatMap(({ size, count }) => Array.from({ length: count }, () => size));
  for (const { w, h } of all.sort((a, b) => Math.max(b.w, b.h) - Math.max(a.w, a.h))) packer.add(w, h, null);
  return packer.bins.length;
}

export function measureMonths(seeds = 200): Record<string, number> {
  const months = Array.from({ length: seeds }, (_, at) => {
    const task = monthOrder(at + 1);
    return { ...planWithin(task, MONTH_BUDGET), reference: referenceSheets(task) };
  });
  const share = (which: (month: (typeof months)[number]) => boolean) => months.filter(which).length / months.length;
  const sum = (of: (month: (typeof months)[number]) => number) => months.reduce((total, month) => total + of(month), 0);
  return {
    "sheets.months.never_worse": share(({ plan, reference }) => plan.sheets.length <= reference),
    "sheets.months.proven": share(({ plan }) => plan.proven),
    "sheets.months.over_bound": sum(({ plan }) => plan.sheets.length) / sum(({ plan }) => plan.atLeast),
    "sheets.months.median_ms": median(months.map(({ ms }) => ms)),
    "sheets.months.worst_ms": Math.max(...months.map(({ ms }) => ms)),
  };
}

/** Sheets over all published classes, 20 to 100 pieces, set against the reference packer's. */
export function measureClasses(seeds = 2): number {
  let [ours, reference] = [0, 0];
  for (let kind = 1; kind <= 10; kind++) {
    for (const pieces of [20, 40, 60, 80, 100]) {
      for (let seed = 1; seed <= seeds; seed++) {
        const task = classOrder(kind, pieces, seed);
        ours += planWithin(task, CLASS_BUDGET).plan.sheets.length;
        reference += referenceSheets(task);
      }
    }
  }
  return ours / reference;
}
