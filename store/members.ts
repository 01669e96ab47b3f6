import { createHash, randomBytes } from "node:crypto";
import { and, asc, count, eq, gt, isNull, lt } from "drizzle-orm";
import { LIMITS } from "../core/limits.ts";
import { locksOut, type Role } from "../core/share/role.ts";
import { type Db, isTaken, type Reader, type Transaction } from "./db.ts";
import { type Household, lockHousehold } from "./household.ts";
import { endSitting } from "./pace.ts";
import { feed, household, invitation, knownDevice, member, session } from "./schema/index.ts";

/** How many days an invitation is open. */
export const INVITATION_DAYS = 14;
const hashed = (secret: string) => createHash("sha256").update(secret).digest("hex");

export type Hand = { readonly id: string; readonly name: string; readonly role: Role };

const ofHousehold = (householdId: string) => and(eq(member.householdId, householdId), isNull(member.leftAt));

/** Those who are in a household, in the order of their names. */
export const readHands = (db: Reader, householdId: string): Promise<Hand[]> =>
  db
    .select({ id: member.id, name: member.name, role: member.role })
    .from(member)
    .where(ofHousehold(householdId))
    .orderBy(asc(member.name), asc(member.id));

export type HandsChanged = { readonly ok: true } | { readonly ok: false; readonly reason: "not-found" | "last-keeper" };

/** Does something to somebody of a household, one at a time, so that two who go at once do not leave it without a keeper. */
const withHand = (
  db: Db,
  householdId: string,
  memberId: string,
  role: Role | null,
  work: (tx: Transaction) => Promise<void>,
): Promise<HandsChanged> =>
  db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    const hands = await readHands(tx, householdId);
    if (!hands.some(({ id }) => id === memberId)) return { ok: false, reason: "not-found" };
    if (locksOut(hands, memberId, role)) return { ok: false, reason: "last-keeper" };
    await work(tx);
    return { ok: true };
  });

/** Says what somebody may do from now on. What they invited others to as a keeper is withdrawn with it. */
export const setRole = (db: Db, householdId: string, memberId: string, role: Role): Promise<HandsChanged> =>
  withHand(db, householdId, memberId, role, async (tx) => {
    await tx.update(member).set({ role }).where(eq(member.id, memberId));
    if (role !== "keeper") await tx.delete(invitation).where(eq(invitation.madeBy, memberId));
  });

/**
 * Somebody leaves, or is let go: every door of theirs is shut. What they wrote, took and made stays where it is, under their
 * name; their mail address is free again.
 */
export const leaveHousehold = (db: Db, householdId: string, memberId: string, at: Date): Promise<HandsChanged> =>
  withHand(db, householdId, memberId, null, async (tx) => {
    await endSitting(tx, { memberId, at });
    const shut = { leftAt: at, mail: null, passphraseHash: null };
    await tx.update(member).set(shut).where(eq(member.id, memberId));
    await tx.delete(session).where(eq(session.memberId, memberId));
    await tx.delete(knownDevice).where(eq(knownDevice.memberId, memberId));
    await tx.delete(feed).where(eq(feed.memberId, memberId));
    await tx.delete(invitation).where(eq(invitation.madeBy, memberId));
  });

export type Invitation = {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly by: string;
  readonly expiresAt: Date;
};

const isOpen = (now: Date) => gt(invitation.expiresAt, now);

/** The open invitations of a household, the first made first. */
export const readInvitations = (db: Reader, householdId: string, now: Date): Promise<Invitation[]> =>
  db
    .select({
      ...{ id: invitation.id, name: invitation.name, role: invitation.role },
      ...{ by: member.name, expiresAt: invitation.expiresAt },
    })
    .from(invitation)
    .innerJoin(member, eq(member.id, invitation.madeBy))
    .where(and(eq(invitation.householdId, householdId), isOpen(now)))
    .orderBy(asc(invitation.madeAt), asc(invitation.id));

/** Invites somebody; the secret of the address is known only now. Refused where enough are open, or there are enough people. */
export const invite = (
  db: Db,
  { householdId, memberId, at }: { readonly householdId: string; readonly memberId: string; readonly at: Date },
  { name, role }: Pick<Invitation, "name" | "role">,
): Promise<{ readonly ok: true; readonly secret: string } | { readonly ok: false; readonly reason: "too-many" }> =>
  db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    const open = await tx.$count(invitation, and(eq(invitation.householdId, householdId), isOpen(at)));
    if (
      open >= LIMITS.invitations.most ||
      open + (await tx.$count(member, ofHousehold(householdId))) >= LIMITS.members.most
    )
      return { ok: false, reason: "too-many" };
    const secret = randomBytes(32).toString("base64url");
    const expiresAt = new Date(at.getTime() + INVITATION_DAYS * 86_400_000);
    await tx
      .insert(invitation)
      .values({ householdId, name, role, secretHash: hashed(secret), madeBy: memberId, madeAt: at, expiresAt });
    return { ok: true, secret };
  });

/** Withdraws an invitation; taken or withdrawn already, it is so. */
export async function withdrawInvitation(db: Db, householdId: string, id: string): Promise<void> {
  await db.delete(invitation).where(and(eq(invitation.id, id), eq(invitation.householdId, householdId)));
}

/** Drops invitations whose time is over. */
export async function dropExpiredInvitations(db: Db, now: Date): Promise<void> {
  await db.delete(invitation).where(lt(invitation.expiresAt, now));
}

export type Invited = {
  readonly household: Household;
  readonly role: Role;
  readonly by: string;
  readonly name: string;
};

/** What the secret of an invitation leads to; null where it leads nowhere: guessed, taken, withdrawn, over, or its household is to go. */
export async function invitedBy(db: Reader, secret: string, now: Date): Promise<Invited | null> {
  const [row] = await db
    .select({ household, role: invitation.role, by: member.name, name: invitation.name })
    .from(invitation)
    .innerJoin(household, eq(household.id, invitation.householdId))
    .innerJoin(member, eq(member.id, invitation.madeBy))
    .where(and(eq(invitation.secretHash, hashed(secret)), isOpen(now), isNull(household.goesAt)));
  return row ?? null;
}

/** Thrown inside the transaction, so that an invitation that led to nothing stays. */
class MailTaken extends Error {}

/** Takes an invitation up, which is good for one person: a second one finds it gone. Refused where the address is known already. */
export async function takeInvitation(
  db: Db,
  secret: string,
  now: Date,
  given: { readonly mail: string; readonly passphraseHash: string; readonly name: string },
): Promise<
  | { readonly ok: true; readonly memberId: string }
  | { readonly ok: false; readonly reason: "not-found" | "mail-taken" | "too-many" }
> {
  try {
    return await db.transaction(async (tx) => {
      const found = await invitedBy(tx, secret, now);
      if (!found) return { ok: false, reason: "not-found" };
      const householdId = found.household.id;
      await lockHousehold(tx, householdId);
      const [people] = await tx.select({ many: count() }).from(member).where(ofHousehold(householdId));
      if ((people?.many ?? 0) >= LIMITS.members.most) return { ok: false, reason: "too-many" };
      const [taken] = await tx
        .delete(invitation)
        .where(eq(invitation.secretHash, hashed(secret)))
        .returning();
      if (!taken) return { ok: false, reason: "not-found" };
      const [person] = await tx
        .insert(member)
        .values({ householdId, role: taken.role, ...given, mail: given.mail.toLowerCase() })
        .onConflictDoNothing()
        .returning({ id: member.id });
      if (!person) throw new MailTaken();
      return { ok: true, memberId: person.id };
    });
  } catch (error) {
    if (error instanceof MailTaken || isTaken(error)) return { ok: false, reason: "mail-taken" };
    throw error;
  }
}
