import { wrap } from "comlink";
import { useEffect, useState } from "react";
import type { BulkReckoner } from "#app/workers/bulk.worker.ts";
import type { CostAsk, Costs } from "#core/bulk/costs.ts";

/** What costs how much, reckoned in a worker of its own; null until the first answer. What is asked next ends what was asked before. */
export function useCosts(ask: CostAsk): { readonly ask: CostAsk; readonly costs: Costs } | null {
  const [found, setFound] = useState<{ readonly ask: CostAsk; readonly costs: Costs } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/bulk.worker.ts", import.meta.url), { type: "module" });
    wrap<BulkReckoner>(worker)
      .costs(ask)
      .then((costs) => setFound({ ask, costs }))
      // A worker that ends has nothing to say: another is asked, or the page is left.
      .catch(() => undefined);
    return () => worker.terminate();
  }, [ask]);
  // What was said of the book before is not said of this one.
  return found?.ask === ask ? found : null;
}
