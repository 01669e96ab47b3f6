import { wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Forecaster } from "#app/workers/forecast.worker.ts";
import type { Ask, Forecast } from "#core/pace/forecast.ts";

/** When it will be done, reckoned in a worker of its own; null meanwhile. What is asked next ends what was asked before. */
export function useForecast(ask: Ask): Forecast | null {
  const [found, setFound] = useState<{ ask: Ask; forecast: Forecast } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/forecast.worker.ts", import.meta.url), { type: "module" });
    wrap<Forecaster>(worker)
      .forecast(ask)
      .then(
        (forecast) => setFound({ ask, forecast }),
        // A worker that ends has nothing to say: another is asked, or the page is left.
        () => undefined,
      );
    return () => worker.terminate();
  }, [ask]);
  // Until there is another answer the one before stands: what was asked differs by an evening or a tick.
  return found?.forecast ?? null;
}
