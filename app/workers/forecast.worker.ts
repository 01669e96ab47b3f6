import { expose } from "comlink";
import { type Ask, type Forecast, forecast } from "#core/pace/forecast.ts";

/** Reckons when it will be done, beside the page. */
const forecaster = { forecast: (ask: Ask): Forecast => forecast(ask) };
export type Forecaster = typeof forecaster;
expose(forecaster);
