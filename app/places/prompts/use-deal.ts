import { wrap } from "comlink";
import { useEffect, useMemo, useState } from "react";
import type { Dealer } from "#app/workers/deal.worker.ts";
import { type Deal, dealAtOnce } from "#core/words/deal.ts";
import type { DealAsk } from "#core/words/deal-ask.ts";

/**
 * The deal that is asked for. Nearly always it is there at once; else it is looked for in a worker of its own, and null
 * meanwhile. What is asked next ends the search for what was asked before.
 */
export function useDeal(ask: DealAsk): Deal | null {
  const atOnce = useMemo(() => dealAtOnce(ask), [ask]);
  const [found, setFound] = useState<{ ask: DealAsk; deal: Deal } | null>(null);
  useEffect(() => {
    if (atOnce) return;
    const worker = new Worker(new URL("../../workers/deal.worker.ts", import.meta.url), { type: "module" });
    wrap<Dealer>(worker)
      .deal(ask)
      .then(
        (deal) => setFound({ ask, deal }),
        // A worker that ends has nothing to say: another is asked, or the page is left.
        () => undefined,
      );
    return () => worker.terminate();
  }, [ask, atOnce]);
  return atOnce ?? (found?.ask === ask ? found.deal : null);
}
