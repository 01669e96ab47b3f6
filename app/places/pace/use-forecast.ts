import { wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Forecaster } from "#app/workers/forecast.worker.ts";
import type { Priced, Valued } from "#core/pace/catch-up.ts";
import type { Ask, Forecast } from "#core/pace/forecast.ts";

/** Fewer runs than for the finish are enough to compare plans: both have the same evenings. */
const COMPARED = 1500;

export type Reckoned = {
  readonly forecast: Forecast /** Null until they are reckoned. */;
  readonly offers: readonly Valued[] | null;
};

/**
 * When it will be done, and then what each way to catch up would do to it, reckoned in a worker of its own; null meanwhile.
 * What is asked next ends what was asked before.
 */
export function useForecast(ask: Ask | null, offers: readonly Priced[]): Reckoned | null {
  const [found, setFound] = useState<Reckoned | null>(null);
  useEffect(() => {
    if (!ask) return;
    const worker = new Worker(new URL("../../workers/forecast.worker.ts", import.meta.url), { type: "module" });
    const forecaster = wrap<Forecaster>(worker);
    const reckon = async () => {
      const forecast = await forecaster.forecast(ask);
      setFound({ forecast, offers: null });
      setFound({ forecast, offers: await forecaster.valued({ ...ask, runs: COMPARED }, offers) });
    };
    // A worker that ends has nothing to say: another is asked, or the page is left.
    reckon().catch(() => undefined);
    return () => worker.terminate();
  }, [ask, offers]);
  // Until there is another answer the one before stands: what was asked differs by an evening or a tick.
  return found;
}
