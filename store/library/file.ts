import { and, eq, isNull } from "drizzle-orm";
import type { LibraryThing } from "../../core/format/library-file.ts";
import { type Db, isTaken, type Reader, type Transaction } from "../db.ts";
import { type Doer, journaled } from "../journal/line.ts";
import { hand, measuredFormat, pocketLayout, stampSet } from "../schema/index.ts";
import { keepHand, keepStampSet } from "./hands.ts";
import type { OwnKind } from "./kinds.ts";
import { toLayout } from "./layout-row.ts";
import { keepMaking, readMakings } from "./makings.ts";
import { isNameFree } from "./own.ts";
import { keepFormat, readTemplates, saveLayout, saveTemplate } from "./pages.ts";

/** A kind of thing that a file can hold; decks have files of their own. */
export type FileKind = LibraryThing["kind"];
export const FILE_KINDS = [
  "hand",
  "stamp-set",
  "layout",
  "template",
  "making",
  "format",
] as const satisfies readonly FileKind[];

const OWN_ID = /^[0-9a-f]{8}-/;

async function layoutOf(db: Reader, householdId: string, id: string) {
  const mine = and(eq(pocketLayout.id, id), eq(pocketLayout.householdId, householdId), isNull(pocketLayout.deletedAt));
  const [row] = await db.select().from(pocketLayout).where(mine);
  if (!row) return null;
  const { id: _, ...layout } = toLayout(row);
  return layout;
}

/** One of the household's own things, with its name, as a file holds it; null where it has no such thing in use. */
export async function readThing(
  db: Reader,
  householdId: string,
  kind: FileKind,
  id: string,
): Promise<{ readonly name: string; readonly thing: LibraryThing } | null> {
  switch (kind) {
    case "hand": {
      const [row] = await db
        .select()
        .from(hand)
        .where(and(eq(hand.id, id), eq(hand.householdId, householdId), isNull(hand.deletedAt)));
      const { name, em, line } = row ?? {};
      return row && name !== undefined && em !== undefined && line !== undefined
        ? { name, thing: { kind, hand: { name, em, line } } }
        : null;
    }
    case "stamp-set": {
      const [row] = await db
        .select()
        .from(stampSet)
        .where(and(eq(stampSet.id, id), eq(stampSet.householdId, householdId), isNull(stampSet.deletedAt)));
      return row ? { name: row.measures.name, thing: { kind, set: row.measures } } : null;
    }
    case "layout": {
      const layout = await layoutOf(db, householdId, id);
      return layout && { name: layout.name, thing: { kind, layout } };
    }
    case "template": {
      const found = (await readTemplates(db, householdId)).find((each) => each.id === id);
      if (!found) return null;
      const { id: _, layout: called, ...made } = found;
      const layout = called !== null && OWN_ID.test(called) ? await layoutOf(db, householdId, called) : null;
      return { name: made.name, thing: { kind, template: { ...made, layout: layout ? null : called }, layout } };
    }
    case "making": {
      const found = (await readMakings(db, householdId)).find((each) => each.id === id);
      if (!found) return null;
      const { id: _, ...making } = found;
      return { name: making.name, thing: { kind, making } };
    }
    case "format": {
      const [row] = await db
        .select()
        .from(measuredFormat)
        .where(
          and(eq(measuredFormat.id, id), eq(measuredFormat.householdId, householdId), isNull(measuredFormat.deletedAt)),
        );
      return row ? { name: row.format.name, thing: { kind, unit: row.unit, format: row.format } } : null;
    }
  }
}

/** The name, or where the household has that already, the name with the first number that makes it free. */
export async function freeName(tx: Transaction, householdId: string, kind: OwnKind, name: string): Promise<string> {
  for (let nth = 1; ; nth++) {
    const tried = nth === 1 ? name : `${name} (${nth})`;
    if (await isNameFree(tx, householdId, kind, tried)) return tried;
  }
}

/** Keeps a thing that was read from a file, under its name or the next free one; null where the household has as many as it may. */
export async function keepThing(db: Db, doer: Doer, thing: LibraryThing): Promise<string | null> {
  const { householdId } = doer;
  const did = { what: "stash", how: "kept", thing: thing.kind } as const;
  try {
    return await journaled(db, doer, did, async (tx) => {
      const free = (name: string) => freeName(tx, householdId, thing.kind, name);
      switch (thing.kind) {
        case "hand": {
          const name = await free(thing.hand.name);
          await keepHand(tx, householdId, { ...thing.hand, name });
          return name;
        }
        case "stamp-set": {
          const name = await free(thing.set.name);
          await keepStampSet(tx, householdId, { ...thing.set, name });
          return name;
        }
        case "layout": {
          const name = await free(thing.layout.name);
          return (await saveLayout(tx, householdId, { ...thing.layout, name })) ? name : null;
        }
        case "template": {
          const name = await free(thing.template.name);
          const { layout } = thing;
          const called = layout ? await freeName(tx, householdId, "layout", layout.name) : "";
          const own = layout && (await saveLayout(tx, householdId, { ...layout, name: called }));
          if (layout && !own) return null;
          await saveTemplate(tx, householdId, { ...thing.template, name, layout: own ?? thing.template.layout });
          return name;
        }
        case "making": {
          const name = await free(thing.making.name);
          return (await keepMaking(tx, householdId, { ...thing.making, name })) ? name : null;
        }
        case "format": {
          const name = await free(thing.format.name);
          await keepFormat(tx, householdId, thing.unit, { ...thing.format, name });
          return name;
        }
      }
    });
  } catch (error) {
    // Another window kept one of that name in this moment.
    if (isTaken(error)) return keepThing(db, doer, thing);
    throw error;
  }
}
