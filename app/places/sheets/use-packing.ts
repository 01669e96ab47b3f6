import { proxy, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Packer } from "#app/workers/pack.worker.ts";
import type { PackPlan, PackTask } from "#core/sheet/pack/task.ts";

export type Packing = { readonly plan: PackPlan | null; readonly state: "idle" | "looking" | "done" | "stopped" };
const IDLE: Packing = { plan: null, state: "idle" };
const SETTLE = 120;

/**
 * The best plan so far for a task, looked for in a worker of its own. A new task ends the search for the old one; the old
 * plan is no longer offered. `null`: nothing to lay.
 */
export function usePacking(task: PackTask | null): Packing & { stop: () => void } {
  const key = task && JSON.stringify(task);
  const [found, setFound] = useState<Packing & { key: string | null }>({ ...IDLE, key: null });
  const [stopped, setStopped] = useState<string | null>(null);
  useEffect(() => {
    if (!key || stopped === key) return;
    let worker: Worker | null = null;
    const timer = window.setTimeout(() => {
      worker = new Worker(new URL("../../workers/pack.worker.ts", import.meta.url), { type: "module" });
      const packer = wrap<Packer>(worker);
      const tell = (plan: PackPlan) => setFound({ key, plan, state: "looking" });
      packer.pack(JSON.parse(key) as PackTask, proxy(tell)).then(
        (plan) => setFound({ key, plan, state: "done" }),
        () => setFound((was) => ({ ...was, key, state: "stopped" })),
      );
    }, SETTLE);
    return () => {
      window.clearTimeout(timer);
      worker?.terminate();
    };
  }, [key, stopped]);
  const mine = found.key === key ? found : { ...IDLE, state: key ? ("looking" as const) : ("idle" as const) };
  return {
    plan: mine.plan,
    state: stopped === key && mine.state === "looking" ? "stopped" : mine.state,
    stop: () => setStopped(key),
  };
}
