import { and, eq, lt } from "drizzle-orm";
import type { Db, Transaction } from "./db.ts";
import { doneAct } from "./schema/index.ts";

/** How long an act's answer is remembered: longer than a device keeps what it could not send. */
const REMEMBERED_DAYS = 90;

/**
 * Does an act that was sent with an id, or answers what was answered when it was done before: a device that never heard
 * the answer sends it again. What was refused is not remembered and may be tried anew. `act` null is done each time.
 */
export async function onceOnly<T extends { readonly ok: boolean }>(
  db: Db,
  householdId: string,
  act: string | null,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> {
  if (act === null) return db.transaction(work);
  const mine = and(eq(doneAct.householdId, householdId), eq(doneAct.id, act));
  return db.transaction(async (tx) => {
    // The same act on its way twice at once: the second waits here for the first.
    const begun = await tx.insert(doneAct).values({ id: act, householdId }).onConflictDoNothing().returning();
    if (begun.length === 0) {
      const [before] = await tx.select({ answer: doneAct.answer }).from(doneAct).where(mine);
      return before?.answer as T;
    }
    const answer = await work(tx);
    if (answer.ok) await tx.update(doneAct).set({ answer }).where(mine);
    else await tx.delete(doneAct).where(mine);
    return answer;
  });
}

/** Forgets acts that nobody sends again any more. */
export async function forgetActs(db: Db, now: Date): Promise<void> {
  await db.delete(doneAct).where(lt(doneAct.at, new Date(now.getTime() - REMEMBERED_DAYS * 86_400_000)));
}
