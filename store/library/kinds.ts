import { sql } from "drizzle-orm";
import type { Stashed } from "../../core/journal/did.ts";
import { deck, hand, keptMaking, measuredFormat, pocketLayout, stampSet, template } from "../schema/index.ts";

/** What the household keeps under a name to use again, beside what is shipped. */
export type OwnKind = Exclude<Stashed, "picture" | "thing">;

/** Of each kind its table, its name, and what is written to give it another. */
export const OWN = {
  deck: { table: deck, name: sql<string>`${deck.name}`, named: (name: string) => ({ name }) },
  hand: { table: hand, name: sql<string>`${hand.name}`, named: (name: string) => ({ name }) },
  layout: { table: pocketLayout, name: sql<string>`${pocketLayout.name}`, named: (name: string) => ({ name }) },
  making: { table: keptMaking, name: sql<string>`${keptMaking.name}`, named: (name: string) => ({ name }) },
  template: { table: template, name: sql<string>`${template.name}`, named: (name: string) => ({ name }) },
  "stamp-set": {
    table: stampSet,
    name: sql<string>`${stampSet.measures}->>'name'`,
    named: (name: string) => ({ measures: sql`${stampSet.measures} || jsonb_build_object('name', ${name}::text)` }),
  },
  format: {
    table: measuredFormat,
    name: sql<string>`${measuredFormat.format}->>'name'`,
    named: (name: string) => ({ format: sql`${measuredFormat.format} || jsonb_build_object('name', ${name}::text)` }),
  },
} as const satisfies Record<OwnKind, object>;
export const OWN_KINDS = Object.keys(OWN) as [OwnKind, ...OwnKind[]];
