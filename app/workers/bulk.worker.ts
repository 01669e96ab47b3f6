import { expose } from "comlink";
import { type CostAsk, type Costs, costsOf } from "#core/bulk/costs.ts";

/** Reckons what costs how much of a closed book, beside the page. */
const reckoner = { costs: (ask: CostAsk): Costs => costsOf(ask) };
export type BulkReckoner = typeof reckoner;
expose(reckoner);
