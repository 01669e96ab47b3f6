import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { presetById } from "../core/album/formats.ts";
import type { AlbumPlan } from "../core/album/model.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { createAlbum } from "../store/album.ts";
import { openStore, type Store } from "../store/db.ts";
import { createHousehold } from "../store/household.ts";
import { member } from "../store/schema/index.ts";

/** The test database, opened; close it when the file is done. */
export const openTestStore = (): Store => openStore(process.env.DATABASE_URL ?? "");

export function decemberPlan(change: Partial<AlbumPlan> = {}): AlbumPlan {
  const preset = presetById("ring-6x8");
  if (!preset) throw new Error("shipped");
  const { id: _, unit, ...format } = preset;
  return {
    title: "A December",
    unit,
    numbering: "date",
    preparing: "parts",
    span: { start: "2026-12-01" as CalendarDate, end: "2026-12-10" as CalendarDate },
    format,
    ...change,
  };
}

export type Keeper = { readonly householdId: string; readonly memberId: string };

/** A household of its own for one test. */
export async function newKeeper({ db }: Store, name = "Keeper"): Promise<Keeper> {
  const made = await createHousehold(db, {
    mail: `${randomUUID()}@example.org`,
    passphraseHash: "not a real hash",
    name,
    timeZone: "UTC",
  });
  if (!made.ok) throw new Error("a new address is never taken");
  const [row] = await db.select({ householdId: member.householdId }).from(member).where(eq(member.id, made.memberId));
  if (!row) throw new Error("the member just made is not there");
  return { householdId: row.householdId, memberId: made.memberId };
}

/** Another member of the same household. */
export async function secondMember({ db }: Store, { householdId }: Keeper, name: string): Promise<Keeper> {
  const [row] = await db.insert(member).values({ householdId, name }).returning();
  if (!row) throw new Error("insert returned nothing");
  return { householdId, memberId: row.id };
}

/** A keeper with an album, and how to say who writes in it. */
export async function newAlbum(store: Store, plan = decemberPlan()) {
  const keeper = await newKeeper(store);
  const albumId = await createAlbum(store.db, keeper.householdId, plan);
  const author = (who: Keeper = keeper, at = new Date()) => ({ ...who, albumId, at });
  return { keeper, albumId, author };
}
