import { expose } from "comlink";
import { packSheets } from "#core/sheet/pack/pack.ts";
import type { PackPlan, PackTask } from "#core/sheet/pack/task.ts";

/** How long plans are looked for before the thread listens again, and how long in all, in milliseconds. */
const SLICE = 60;
const LONGEST = 12_000;

/**
 * Lays a task's prints on sheets and tells each better plan as it comes; returns the last when it is proven and polished,
 * or the time is up. To stop it, end the worker.
 */
async function pack(task: PackTask, tell: (plan: PackPlan) => void): Promise<PackPlan> {
  const began = performance.now();
  let told: PackPlan | null = null;
  let sliceBegan = began;
  for (const plan of packSheets(task)) {
    const isNews = !told || plan.sheets !== told.sheets || plan.atLeast !== told.atLeast;
    if (isNews) tell(plan);
    told = plan;
    const now = performance.now();
    if (now - began > LONGEST) break;
    if (now - sliceBegan > SLICE) {
      await new Promise((resolve) => setTimeout(resolve, 0));
      sliceBegan = performance.now();
    }
  }
  if (!told) throw new Error("no plan at all");
  return told;
}

const packer = { pack };
export type Packer = typeof packer;
expose(packer);
