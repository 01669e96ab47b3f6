import { and, asc, eq, isNull } from "drizzle-orm";
import type { Deck } from "../../core/words/slip.ts";
import { type Db, isTaken, type Reader } from "../db.ts";
import { deck } from "../schema/index.ts";

/** The household's own decks, by name. */
export async function readDecks(db: Reader, householdId: string): Promise<Deck[]> {
  const rows = await db
    .select()
    .from(deck)
    .where(and(eq(deck.householdId, householdId), isNull(deck.deletedAt)))
    .orderBy(asc(deck.name));
  return rows.map(({ id, name, jar, slips }) => ({ id, name, jar, slips }));
}

/** Keeps a deck under its id; refused when another of the household's has its name, or the id is another household's. */
export async function saveDeck(db: Db, householdId: string, given: Deck): Promise<"kept" | "name-taken" | "not-found"> {
  const row = { name: given.name, jar: given.jar, slips: [...given.slips], deletedAt: null };
  try {
    const kept = await db.transaction((tx) =>
      tx
        .insert(deck)
        .values({ id: given.id, householdId, ...row })
        .onConflictDoUpdate({ target: deck.id, set: row, setWhere: eq(deck.householdId, householdId) })
        .returning({ id: deck.id }),
    );
    return kept.length > 0 ? "kept" : "not-found";
  } catch (error) {
    if (isTaken(error)) return "name-taken";
    throw error;
  }
}
