import { lacking, leftOfSet, type Stock, stockOf } from "#core/drawer/stock.ts";
import { caliperOf, type KeptThing, materialOf, type ThingKind } from "#core/drawer/thing.ts";
import type { Use } from "#core/drawer/uses.ts";
import type { MaterialId, Micrometres } from "#core/material/material.ts";

/** A thing of the drawer as something on a page may be made of it. */
export type StockThing = Pick<KeptThing, "id" | "name" | "kind" | "size" | "numbers" | "letters" | "useUp"> & {
  readonly material: MaterialId;
  readonly caliper: Micrometres;
  readonly stock: Stock;
  /** What is left of each number or letter of a set that runs out. */
  readonly has: readonly (readonly [string, number])[] | null;
};
export type StockList = readonly StockThing[];

/** What there is to make pages of: what is to be used up comes first, else by name. */
export function stockList(things: readonly KeptThing[], uses: readonly Use[]): StockList {
  const all = things.map((thing): StockThing => {
    const { id, name, kind, size, numbers, letters, useUp } = thing;
    const own = uses.filter((each) => each.thing === id);
    const has = leftOfSet(thing, own);
    return {
      ...{ id, name, kind, size, numbers, letters, useUp },
      ...{ material: materialOf(thing), caliper: caliperOf(thing), stock: stockOf(thing, own), has: has && [...has] },
    };
  });
  return all.sort((a, b) => Number(b.useUp) - Number(a.useUp));
}

/** What something is that is to be made of a thing: which kinds it may be of. */
export const TAKES = {
  base: ["paper", "film", "card", "protector", "other"],
  number: ["numbers", "paper", "sticker", "other"],
  piece: ["paper", "card", "sticker", "film", "letters", "tape", "other"],
} as const satisfies Record<string, readonly ThingKind[]>;
export type Takes = keyof typeof TAKES;

export const mayTake = (takes: Takes, { kind }: Pick<StockThing, "kind">): boolean =>
  (TAKES[takes] as readonly ThingKind[]).includes(kind);

/** What of a set is short for what a piece says; nothing where it is no set, or the piece says nothing. */
export const lackingOf = ({ numbers, letters, has }: StockThing, says: string | null): string[] =>
  has && says ? lacking({ numbers, letters }, new Map(has), says) : [];
