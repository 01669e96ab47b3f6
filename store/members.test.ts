import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { LIMITS } from "../core/limits.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Role } from "../core/share/role.ts";
import { newBook } from "../tests/book.ts";
import { type Keeper, newKeeper, openTestStore, secondMember } from "../tests/household.ts";
import { saveDayEdit } from "./day.ts";
import { feedOf, openFeed } from "./feed.ts";
import { findByMail, memberOfSession, startSession } from "./household.ts";
import {
  dropExpiredInvitations,
  INVITATION_DAYS,
  invite,
  invitedBy,
  leaveHousehold,
  readHands,
  readInvitations,
  setRole,
  takeInvitation,
  withdrawInvitation,
} from "./members.ts";
import { beginSitting } from "./pace.ts";
import { household, invitation, jotting, member, session } from "./schema/index.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

const now = new Date("2026-12-09T18:40:00Z");
const days = (count: number) => new Date(now.getTime() + count * 86_400_000);
const person = (mail = `${randomUUID()}@example.org`) => ({ mail, passphraseHash: "not a real hash", name: "Ilo" });
async function invited(keeper: Keeper, role: Role = "helper", at = now): Promise<string> {
  const made = await invite(db, { ...keeper, at }, { name: "Ilo", role });
  if (!made.ok) throw new Error(made.reason);
  return made.secret;
}

describe("an invitation", () => {
  it("leads one person in, in the role it was made for, and then nowhere", async () => {
    const keeper = await newKeeper(store, "Oda");
    const secret = await invited(keeper, "looker");
    expect(await invitedBy(db, secret, now)).toMatchObject({ role: "looker", by: "Oda", name: "Ilo" });
    expect(await readInvitations(db, keeper.householdId, now)).toMatchObject([{ name: "Ilo", by: "Oda" }]);
    const taken = await takeInvitation(db, secret, now, person());
    expect(taken).toMatchObject({ ok: true });
    expect(await readHands(db, keeper.householdId)).toMatchObject([
      { name: "Ilo", role: "looker" },
      { name: "Oda", role: "keeper" },
    ]);
    expect(await invitedBy(db, secret, now)).toBeNull();
    expect(await takeInvitation(db, secret, now, person())).toEqual({ ok: false, reason: "not-found" });
    expect(await readInvitations(db, keeper.householdId, now)).toEqual([]);
  });

  it("is taken up by one of several who come at the same moment", async () => {
    const keeper = await newKeeper(store);
    const secret = await invited(keeper);
    const all = await Promise.all([1, 2, 3, 4].map(() => takeInvitation(db, secret, now, person())));
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await readHands(db, keeper.householdId)).toHaveLength(2);
  });

  it("made twice for the same person lets them in once, and the other one stays for somebody else", async () => {
    const keeper = await newKeeper(store);
    const second = await secondMember(store, keeper, "Bram");
    const [one, other] = [await invited(keeper), await invited(second)];
    const same = person();
    const both = await Promise.all([one, other].map((secret) => takeInvitation(db, secret, now, same)));
    expect(both.map((each) => (each.ok ? "in" : each.reason)).sort()).toEqual(["in", "mail-taken"]);
    expect(await readInvitations(db, keeper.householdId, now)).toHaveLength(1);
  });

  it("stays where the address belongs to somebody of any household", async () => {
    const keeper = await newKeeper(store);
    const [row] = await db
      .select()
      .from(member)
      .where(eq(member.id, (await newKeeper(store)).memberId));
    const secret = await invited(keeper);
    const mail = (row?.mail ?? "").toUpperCase();
    expect(await takeInvitation(db, secret, now, person(mail))).toEqual({ ok: false, reason: "mail-taken" });
    expect(await invitedBy(db, secret, now)).not.toBeNull();
  });

  it("leads nowhere when it is over, withdrawn, guessed, or its household is to go", async () => {
    const keeper = await newKeeper(store);
    const stranger = await newKeeper(store);
    const secret = await invited(keeper);
    const [row] = await readInvitations(db, keeper.householdId, now);
    expect(await invitedBy(db, secret, days(INVITATION_DAYS - 1))).not.toBeNull();
    expect(await invitedBy(db, secret, days(INVITATION_DAYS))).toBeNull();
    expect(await takeInvitation(db, secret, days(INVITATION_DAYS), person())).toMatchObject({ ok: false });
    expect(await invitedBy(db, `${secret}a`, now)).toBeNull();
    await db
      .update(household)
      .set({ goesAt: days(7) })
      .where(eq(household.id, keeper.householdId));
    expect(await invitedBy(db, secret, now)).toBeNull();
    await db.update(household).set({ goesAt: null }).where(eq(household.id, keeper.householdId));
    await withdrawInvitation(db, stranger.householdId, row?.id ?? "");
    expect(await invitedBy(db, secret, now)).not.toBeNull();
    await withdrawInvitation(db, keeper.householdId, row?.id ?? "");
    expect(await invitedBy(db, secret, now)).toBeNull();
    await invited(keeper, "helper", days(-INVITATION_DAYS - 1));
    await dropExpiredInvitations(db, now);
    expect(await db.$count(invitation, eq(invitation.householdId, keeper.householdId))).toBe(0);
  });

  it("keeps no secret, and there are no more of them open than a household has friends", async () => {
    const keeper = await newKeeper(store);
    const secret = await invited(keeper);
    const { rows } = await db.execute<{ row: string }>(sql`select invitation::text as row from invitation`);
    expect(rows.some(({ row }) => row.includes(secret))).toBe(false);
    for (let nth = 1; nth < LIMITS.invitations.most; nth++) await invited(keeper);
    expect(await invite(db, { ...keeper, at: now }, { name: "Ilo", role: "helper" })).toEqual({
      ok: false,
      reason: "too-many",
    });
  });
});

describe("whoever leaves", () => {
  it("leaves what they wrote under their name, shuts every door of theirs, and sets their address free", async () => {
    const { keeper, author, dayId, albumId } = await newBook(store);
    const secret = await invited(keeper);
    const who = person();
    const taken = await takeInvitation(db, secret, now, who);
    if (!taken.ok) throw new Error(taken.reason);
    const ilo = { householdId: keeper.householdId, memberId: taken.memberId };
    const words = { id: randomUUID(), text: "Snow at last", at: "2026-12-02T19:00", privateUntil: null } as const;
    const day = await dayId("2026-12-02");
    await saveDayEdit(db, author(ilo), day, null, { kind: "add-jotting", jotting: words });
    const { token } = await startSession(db, ilo.memberId, now);
    const feed = await openFeed(db, { ...ilo, albumId, at: now });
    await beginSitting(db, { ...ilo, albumId, at: now }, randomUUID(), "2026-12-09" as CalendarDate);
    expect(await memberOfSession(db, token, now)).toMatchObject({ role: "helper" });

    expect(await leaveHousehold(db, keeper.householdId, ilo.memberId, days(1))).toEqual({ ok: true });
    expect(await memberOfSession(db, token, now)).toBeNull();
    expect(await db.$count(session, eq(session.memberId, ilo.memberId))).toBe(0);
    expect(await feedOf(db, feed ?? "")).toBeNull();
    expect(await findByMail(db, who.mail)).toBeNull();
    expect(await readHands(db, keeper.householdId)).toHaveLength(1);
    const [kept] = await db
      .select({ text: jotting.text, by: member.name })
      .from(jotting)
      .innerJoin(member, eq(member.id, jotting.writtenBy))
      .where(eq(jotting.id, words.id));
    expect(kept).toEqual({ text: "Snow at last", by: "Ilo" });
    const under = sql`select 1 from sitting where member_id = ${ilo.memberId} and ended_at is null`;
    expect((await db.execute(under)).rows).toEqual([]);
    // The address is good for another invitation.
    expect(await takeInvitation(db, await invited(keeper), now, who)).toMatchObject({ ok: true });
    expect(await leaveHousehold(db, keeper.householdId, ilo.memberId, days(1))).toMatchObject({ reason: "not-found" });
  });

  it("is not the last keeper, not even where the last two go at the same moment", async () => {
    for (let round = 0; round < 5; round++) {
      const keeper = await newKeeper(store);
      const second = await secondMember(store, keeper, "Bram");
      const { householdId } = keeper;
      const left = await Promise.all([
        leaveHousehold(db, householdId, keeper.memberId, now),
        round % 2
          ? setRole(db, householdId, second.memberId, "looker")
          : leaveHousehold(db, householdId, second.memberId, now),
      ]);
      expect(left.map(({ ok }) => ok).sort()).toEqual([false, true]);
      expect((await readHands(db, householdId)).filter(({ role }) => role === "keeper")).toHaveLength(1);
    }
  });

  it("takes along what they invited others to, as one does who is a keeper no more", async () => {
    const keeper = await newKeeper(store);
    const second = await secondMember(store, keeper, "Bram");
    const secret = await invited(second);
    await setRole(db, keeper.householdId, second.memberId, "helper");
    expect(await invitedBy(db, secret, now)).toBeNull();
    expect(await readHands(db, keeper.householdId)).toMatchObject([{ role: "helper" }, { role: "keeper" }]);
  });

  it("is of the household that says so", async () => {
    const [keeper, stranger] = [await newKeeper(store), await newKeeper(store)];
    await secondMember(store, stranger, "Bram");
    for (const answer of [
      await setRole(db, keeper.householdId, stranger.memberId, "looker"),
      await leaveHousehold(db, keeper.householdId, stranger.memberId, now),
    ])
      expect(answer).toEqual({ ok: false, reason: "not-found" });
  });
});
