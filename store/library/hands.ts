import { and, asc, eq, isNull, sql } from "drizzle-orm";
import type { Hand, StampSet } from "../../core/words/lettering.ts";
import type { Db, Reader } from "../db.ts";
import { lockHousehold } from "../household.ts";
import { hand, stampSet } from "../schema/index.ts";

export type KeptHand = Hand & { readonly id: string };
export type KeptStampSet = StampSet & { readonly id: string };

export async function readHandsAndStamps(
  db: Reader,
  householdId: string,
): Promise<{ hands: KeptHand[]; sets: KeptStampSet[] }> {
  const [hands, sets] = await Promise.all([
    db
      .select()
      .from(hand)
      .where(and(eq(hand.householdId, householdId), isNull(hand.deletedAt)))
      .orderBy(asc(hand.name)),
    db
      .select()
      .from(stampSet)
      .where(and(eq(stampSet.householdId, householdId), isNull(stampSet.deletedAt))),
  ]);
  return {
    hands: hands.map(({ id, name, em, line }) => ({ id, name, em, line })),
    sets: sets.map(({ id, measures }) => ({ ...measures, id })).sort((a, b) => a.name.localeCompare(b.name)),
  };
}

/** Keeps a hand under its name; one of that name is measured anew. Cards keep their own copy. */
export async function keepHand(db: Db, householdId: string, { name, em, line }: Hand): Promise<void> {
  await db
    .insert(hand)
    .values({ householdId, name, em, line })
    .onConflictDoUpdate({
      target: [hand.householdId, hand.name],
      targetWhere: isNull(hand.deletedAt),
      set: { em, line },
    });
}

export async function keepStampSet(db: Db, householdId: string, measures: StampSet): Promise<void> {
  await db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    await tx
      .delete(stampSet)
      .where(
        and(
          ...[eq(stampSet.householdId, householdId), isNull(stampSet.deletedAt)],
          sql`${stampSet.measures}->>'name' = ${measures.name}`,
        ),
      );
    await tx.insert(stampSet).values({ householdId, measures });
  });
}
