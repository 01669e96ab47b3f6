import { createHash, randomBytes } from "node:crypto";
import { and, desc, eq, gt, isNull, lt, ne, sql } from "drizzle-orm";
import { calledAs } from "../core/photo/on-it.ts";
import type { Role } from "../core/share/role.ts";
import { type Db, isTaken, type Reader, type Transaction, writtenOnce } from "./db.ts";
import { household, knownDevice, member, type SessionDevice, session } from "./schema/index.ts";

export type Household = typeof household.$inferSelect;
export type Member = { id: string; name: string; role: Role; household: Household };

const SESSION_DAYS = 30;
/** That a session was used is written down once an hour, not with every page. */
const SEEN_EVERY_MS = 3_600_000;
const hashed = (value: string) => createHash("sha256").update(value).digest("hex");

/** Makes a household and its first member; refuses a mail address that has one. */
export async function createHousehold(
  db: Db,
  given: { mail: string; passphraseHash: string; name: string; timeZone: string },
): Promise<{ ok: true; memberId: string } | { ok: false; reason: "mail-taken" }> {
  try {
    return await db.transaction(async (tx) => {
      const [home] = await tx
        .insert(household)
        .values({ name: `${given.name}’s household`, timeZone: given.timeZone })
        .returning();
      if (!home) throw new Error("insert returned nothing");
      const [person] = await tx
        .insert(member)
        .values({
          householdId: home.id,
          name: given.name,
          mail: given.mail.toLowerCase(),
          passphraseHash: given.passphraseHash,
        })
        .returning();
      if (!person) throw new Error("insert returned nothing");
      return { ok: true as const, memberId: person.id };
    });
  } catch (error) {
    if (isTaken(error)) return { ok: false, reason: "mail-taken" };
    throw error;
  }
}

export async function findByMail(db: Db, mail: string): Promise<{ id: string; passphraseHash: string } | null> {
  const [found] = await db
    .select({ id: member.id, passphraseHash: member.passphraseHash })
    .from(member)
    .where(eq(member.mail, mail.toLowerCase()));
  return found?.passphraseHash ? { id: found.id, passphraseHash: found.passphraseHash } : null;
}

/** The demo household's own keeper, if the demo is in this database; never somebody who was invited into it, and has a passphrase. */
export async function findDemoMember(db: Db): Promise<string | null> {
  const [found] = await db
    .select({ id: member.id })
    .from(member)
    .innerJoin(household, eq(household.id, member.householdId))
    .where(and(eq(household.isDemo, true), isNull(member.passphraseHash), isNull(member.leftAt)))
    .orderBy(member.name)
    .limit(1);
  return found?.id ?? null;
}

/** Starts a session and returns its token, which is shown to the browser once and never stored. */
export async function startSession(
  db: Db,
  memberId: string,
  now: Date,
  device: SessionDevice | null = null,
): Promise<{ token: string; expiresAt: Date }> {
  const token = randomBytes(32).toString("base64url");
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * 86_400_000);
  await db
    .insert(session)
    .values({ tokenHash: hashed(token), memberId, expiresAt, startedAt: now, seenAt: now, device });
  await db.delete(session).where(lt(session.expiresAt, now));
  return { token, expiresAt };
}

export async function endSession(db: Db, token: string): Promise<void> {
  await db.delete(session).where(eq(session.tokenHash, hashed(token)));
}

const memberQuery = writtenOnce((db) =>
  db
    .select({ id: member.id, name: member.name, role: member.role, household, seenAt: session.seenAt })
    .from(session)
    .innerJoin(member, eq(member.id, session.memberId))
    .innerJoin(household, eq(household.id, member.householdId))
    .where(
      and(
        eq(session.tokenHash, sql.placeholder("token")),
        gt(session.expiresAt, sql.placeholder("now")),
        isNull(member.leftAt),
      ),
    )
    .prepare("member_of_session"),
);

export async function memberOfSession(db: Db, token: string, now: Date): Promise<Member | null> {
  const [found] = await memberQuery(db).execute({ token: hashed(token), now });
  if (!found) return null;
  const { seenAt, ...who } = found;
  if (now.getTime() - seenAt.getTime() > SEEN_EVERY_MS)
    await db
      .update(session)
      .set({ seenAt: now })
      .where(eq(session.tokenHash, hashed(token)));
  return who;
}

/** A place where a member is signed in. */
export type SignedInAt = {
  readonly id: string;
  readonly startedAt: Date;
  readonly seenAt: Date;
  readonly device: SessionDevice | null;
  /** Whether it is the one that asks. */
  readonly isThis: boolean;
};

/** Where a member is signed in, the one used last first; `token`: of the session that asks. */
export async function sessionsOf(db: Reader, memberId: string, token: string, now: Date): Promise<SignedInAt[]> {
  const rows = await db
    .select()
    .from(session)
    .where(and(eq(session.memberId, memberId), gt(session.expiresAt, now)))
    .orderBy(desc(session.seenAt), desc(session.startedAt));
  return rows.map(({ id, startedAt, seenAt, device, tokenHash }) => ({
    ...{ id, startedAt, seenAt, device },
    isThis: tokenHash === hashed(token),
  }));
}

/** Ends one of a member's own sessions by its name; false where they have none such. */
export async function endSessionOf(db: Db, memberId: string, id: string): Promise<boolean> {
  const rows = await db
    .delete(session)
    .where(and(eq(session.memberId, memberId), eq(session.id, id)))
    .returning({ id: session.id });
  return rows.length > 0;
}

/** Ends all of a member's sessions but the one of this token. */
export async function endOtherSessions(db: Db, memberId: string, token: string): Promise<number> {
  const others = and(eq(session.memberId, memberId), ne(session.tokenHash, hashed(token)));
  return (await db.delete(session).where(others).returning({ id: session.id })).length;
}

/** By what a member signs in; null for one of the demo, who has no passphrase. */
export async function signsInBy(
  db: Reader,
  memberId: string,
): Promise<{ mail: string; passphraseHash: string } | null> {
  const [row] = await db
    .select({ mail: member.mail, passphraseHash: member.passphraseHash })
    .from(member)
    .where(eq(member.id, memberId));
  return row?.mail && row.passphraseHash ? { mail: row.mail, passphraseHash: row.passphraseHash } : null;
}

/**
 * Gives a member another passphrase in the place of the one whose hash is `was`, and ends every session but the one of this
 * token; false where it was changed meanwhile.
 */
export const changePassphrase = (
  db: Db,
  memberId: string,
  { was, next, token }: { readonly was: string; readonly next: string; readonly token: string },
): Promise<boolean> =>
  db.transaction(async (tx) => {
    const rows = await tx
      .update(member)
      .set({ passphraseHash: next })
      .where(and(eq(member.id, memberId), eq(member.passphraseHash, was)))
      .returning({ id: member.id });
    if (rows.length === 0) return false;
    await endOtherSessions(tx, memberId, token);
    // Who knew the old one is no known device any more.
    await tx.delete(knownDevice).where(eq(knownDevice.memberId, memberId));
    return true;
  });

export async function readHousehold(db: Reader, householdId: string): Promise<Household | null> {
  const [row] = await db.select().from(household).where(eq(household.id, householdId));
  return row ?? null;
}

/** Locks the household against another change of what it has once. */
export async function lockHousehold(tx: Transaction, householdId: string): Promise<void> {
  await tx.select({ id: household.id }).from(household).where(eq(household.id, householdId)).for("no key update");
}

/** A device is known as long as it signs in once in so many days. */
const KNOWN_DAYS = 400;

/** Notes that a member signed in from a device; `device` is the name that the device keeps, of which only a hash stays here. */
export async function knowDevice(db: Db, device: string, memberId: string, now: Date): Promise<void> {
  await db
    .insert(knownDevice)
    .values({ tokenHash: hashed(device), memberId, seenAt: now })
    .onConflictDoUpdate({ target: [knownDevice.tokenHash, knownDevice.memberId], set: { seenAt: now } });
  await db.delete(knownDevice).where(lt(knownDevice.seenAt, new Date(now.getTime() - KNOWN_DAYS * 86_400_000)));
}

/** Whether the member with this mail address signed in from the device before. */
export async function isDeviceKnown(db: Db, device: string, mail: string): Promise<boolean> {
  const rows = await db
    .select({ id: knownDevice.memberId })
    .from(knownDevice)
    .innerJoin(member, eq(member.id, knownDevice.memberId))
    .where(and(eq(knownDevice.tokenHash, hashed(device)), eq(member.mail, mail.toLowerCase())));
  return rows.length > 0;
}

/** Those who write in a household, as they are called there, in the order of their names. */
export async function memberNames(db: Reader, householdId: string, people: readonly string[]): Promise<string[]> {
  const rows = await db
    .select({ name: member.name })
    .from(member)
    .where(and(eq(member.householdId, householdId), isNull(member.leftAt), ne(member.role, "looker")))
    .orderBy(member.name);
  return rows.map(({ name }) => calledAs(name, people));
}

/** Who is written about, by the names they are called. */
export async function setPeople(db: Db, householdId: string, people: readonly string[]): Promise<void> {
  await db
    .update(household)
    .set({ people: [...people] })
    .where(eq(household.id, householdId));
}

/** Says by which clock the household's days begin and end, and jottings are dated. */
export async function setTimeZone(db: Db, householdId: string, timeZone: string): Promise<void> {
  await db.update(household).set({ timeZone }).where(eq(household.id, householdId));
}
