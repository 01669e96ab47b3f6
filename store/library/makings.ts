import { and, asc, eq, isNull } from "drizzle-orm";
import type { KeptMaking } from "../../core/craft/kept.ts";
import { LIMITS } from "../../core/limits.ts";
import type { Db, Reader, Transaction } from "../db.ts";
import { lockHousehold } from "../household.ts";
import { type Doer, journaled } from "../journal/line.ts";
import { keptMaking } from "../schema/index.ts";
import { isNameFree } from "./own.ts";

const inUse = (householdId: string) => and(eq(keptMaking.householdId, householdId), isNull(keptMaking.deletedAt));

/** What the household keeps of constructions, by name. */
export async function readMakings(db: Reader, householdId: string): Promise<(KeptMaking & { readonly id: string })[]> {
  const rows = await db.select().from(keptMaking).where(inUse(householdId)).orderBy(asc(keptMaking.name));
  return rows.map(({ id, name, paper, set }) => ({ id, name, paper, ...set }));
}

/** Keeps one under its name; null where the household has as many as it may. */
export async function keepMaking(tx: Transaction, householdId: string, making: KeptMaking): Promise<string | null> {
  await lockHousehold(tx, householdId);
  if ((await tx.$count(keptMaking, inUse(householdId))) >= LIMITS.keptMakings.most) return null;
  const { name, paper, ...set } = making;
  const [row] = await tx.insert(keptMaking).values({ householdId, name, paper, set }).returning({ id: keptMaking.id });
  return row?.id ?? null;
}

export type MakingKept = { ok: true } | { ok: false; reason: "name-taken" | "too-many" };

/** Keeps what is set of a construction under a name that no other has. */
export const keepAs = (db: Db, doer: Doer, making: KeptMaking): Promise<MakingKept> =>
  journaled<MakingKept>(db, doer, { what: "stash", how: "kept", thing: "making" }, async (tx) => {
    await lockHousehold(tx, doer.householdId);
    if (!(await isNameFree(tx, doer.householdId, "making", making.name))) return { ok: false, reason: "name-taken" };
    return (await keepMaking(tx, doer.householdId, making)) ? { ok: true } : { ok: false, reason: "too-many" };
  });
