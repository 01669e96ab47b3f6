import { expose } from "comlink";
import { type Deal, deal } from "#core/words/deal.ts";
import type { DealAsk } from "#core/words/deal-ask.ts";

/** Looks for a deal as long as the search is allowed to, beside the page. To stop it, end the worker. */
const dealer = { deal: (ask: DealAsk): Deal => deal(ask) };
export type Dealer = typeof dealer;
expose(dealer);
