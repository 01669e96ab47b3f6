import { expose } from "comlink";
import { type Priced, type Valued, valued } from "#core/pace/catch-up.ts";
import { type Ask, type Forecast, forecast } from "#core/pace/forecast.ts";

/** Reckons when it will be done, and what ways to catch up would do to it, beside the page. */
const forecaster = {
  forecast: (ask: Ask): Forecast => forecast(ask),
  valued: (ask: Ask, offers: readonly Priced[]): Valued[] => valued(ask, offers),
};
export type Forecaster = typeof forecaster;
expose(forecaster);
