import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import { heldIn, leafOfDay, type Piece, PLAIN_PAPER } from "../core/album/leaf.ts";
import { EMPTY_DAY, newCard } from "../core/album/model.ts";
import { pagesOf } from "../core/album/page.ts";
import { inches } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { mergeWithNeighbour, moveStory, setSkipped, split } from "../core/month/slots.ts";
import { decemberPlan, newAlbum, newKeeper, openTestStore, secondMember } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { anyContent } from "../tests/samples.ts";
import { readAlbum, setAlbumDeleted, updateAlbum } from "./album.ts";
import { changeMonth, saveDayEdit } from "./day.ts";
import {
  changePassphrase,
  createHousehold,
  endOtherSessions,
  endSession,
  endSessionOf,
  findByMail,
  memberOfSession,
  sessionsOf,
  signsInBy,
  startSession,
} from "./household.ts";
import { importAlbum, NO_BOOK } from "./import.ts";
import { takeBack } from "./journal/take-back.ts";
import { readShelf } from "./shelf.ts";
import { dropExpired, emptyTray, putBack, readTray } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const three = { w: inches(3), h: inches(4) };

async function reread(householdId: string, albumId: string) {
  const aggregate = await readAlbum(db, householdId, albumId);
  if (!aggregate) throw new Error("the album is not there");
  return aggregate;
}
async function dayOf(householdId: string, albumId: string, date: string) {
  const day = (await reread(householdId, albumId)).days.find((each) => each.date === date);
  if (!day) throw new Error(`no day ${date}`);
  return day;
}

describe("a household", () => {
  it("sees its own albums and no others, and cannot write into another's", async () => {
    const { albumId, keeper } = await newAlbum(store);
    const stranger = await newKeeper(store);
    expect(await readAlbum(db, stranger.householdId, albumId)).toBeNull();
    expect(await readShelf(db, stranger.householdId)).toEqual([]);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-02");
    const author = { ...stranger, albumId, at: new Date() };
    expect(await saveDayEdit(db, author, id, null, { kind: "title", text: "Not theirs" })).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await changeMonth(db, author, { what: "told" }, (slots) => ({ ok: true, slots: [...slots] }))).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await takeBack(db, author)).toEqual({ ok: false, reason: "not-found" });
  });

  it("has one member a mail address, whatever the letters' case", async () => {
    const mail = `Somebody-${randomUUID()}@Example.org`;
    const given = { mail, passphraseHash: "hash", name: "A", timeZone: "UTC" };
    expect((await createHousehold(db, given)).ok).toBe(true);
    expect(await createHousehold(db, { ...given, mail: mail.toLowerCase() })).toEqual({
      ok: false,
      reason: "mail-taken",
    });
    expect((await findByMail(db, mail.toUpperCase()))?.passphraseHash).toBe("hash");
  });

  it("opens its door to a session's token until it ends or runs out", async () => {
    const keeper = await newKeeper(store);
    const now = new Date();
    const { token, expiresAt } = await startSession(db, keeper.memberId, now);
    expect((await memberOfSession(db, token, now))?.id).toBe(keeper.memberId);
    expect(await memberOfSession(db, token, expiresAt)).toBeNull();
    expect(await memberOfSession(db, `${token}x`, now)).toBeNull();
    await endSession(db, token);
    expect(await memberOfSession(db, token, now)).toBeNull();
  });
});

describe("where somebody is signed in", () => {
  it("is told the one used last first, which is this one, on what; each is ended by its name, by nobody else", async () => {
    const [keeper, other] = [await newKeeper(store), await newKeeper(store)];
    const at = (hours: number) => new Date(Date.now() + hours * 3_600_000);
    const here = await startSession(db, keeper.memberId, at(0), "computer");
    const phone = await startSession(db, keeper.memberId, at(1), "phone");
    await startSession(db, keeper.memberId, at(2));
    // Used within the hour it stays as it was; later it is written down.
    await memberOfSession(db, here.token, at(0.9));
    const devices = async () =>
      (await sessionsOf(db, keeper.memberId, here.token, at(3))).map(({ device, isThis }) => [device, isThis]);
    expect(await devices()).toEqual([
      [null, false],
      ["phone", false],
      ["computer", true],
    ]);
    expect((await memberOfSession(db, here.token, at(3)))?.id).toBe(keeper.memberId);
    expect((await devices())[0]).toEqual(["computer", true]);
    const [, , third] = await sessionsOf(db, keeper.memberId, here.token, at(3));
    expect(third?.device).toBe("phone");
    expect(await endSessionOf(db, other.memberId, third?.id ?? "")).toBe(false);
    expect(await memberOfSession(db, phone.token, at(3))).not.toBeNull();
    expect(await endSessionOf(db, keeper.memberId, third?.id ?? "")).toBe(true);
    expect(await memberOfSession(db, phone.token, at(3))).toBeNull();
    const theirs = await startSession(db, other.memberId, at(0));
    expect(await endOtherSessions(db, keeper.memberId, here.token)).toBe(1);
    expect(await devices()).toEqual([["computer", true]]);
    expect(await memberOfSession(db, theirs.token, at(1))).not.toBeNull();
    // What has run out is no place any more.
    expect(await sessionsOf(db, keeper.memberId, here.token, at(24 * 31))).toEqual([]);
  });

  it("is this place alone once the passphrase is another, which is changed by who knows it as it is", async () => {
    const keeper = await newKeeper(store);
    const now = new Date();
    const [here, there] = [await startSession(db, keeper.memberId, now), await startSession(db, keeper.memberId, now)];
    const change = { was: "not a real hash", next: "another hash", token: here.token };
    expect(await changePassphrase(db, keeper.memberId, { ...change, was: "an older one" })).toBe(false);
    expect(await memberOfSession(db, there.token, now)).not.toBeNull();
    expect(await changePassphrase(db, keeper.memberId, change)).toBe(true);
    expect((await signsInBy(db, keeper.memberId))?.passphraseHash).toBe("another hash");
    expect(await memberOfSession(db, there.token, now)).toBeNull();
    expect((await memberOfSession(db, here.token, now))?.id).toBe(keeper.memberId);
  });
});

describe("an album", () => {
  it("comes back from the database as it went in, whatever its days hold", async () => {
    const keeper = await newKeeper(store);
    const { kept } = await aPhoto(store, keeper.householdId);
    await fc.assert(
      fc.asyncProperty(anyContent, async (drawn) => {
        const cards = drawn.cards.map((card) => ({
          ...card,
          preprint: card.preprint && { ...card.preprint, photoId: kept.id },
        }));
        const content = { ...drawn, photos: [], cards };
        const plan = decemberPlan();
        const { albumId: id } = await importAlbum(db, keeper.householdId, randomUUID(), plan, [
          { id: "one", date: plan.span.start, skipped: false, mergedInto: null, content },
        ]);
        const { album, days } = await reread(keeper.householdId, id);
        expect({ title: album.title, span: album.span, format: album.format }).toEqual({
          title: plan.title,
          span: plan.span,
          format: plan.format,
        });
        const withoutIds = (pieces: readonly { id: string }[]) => pieces.map(({ id: _, ...piece }) => piece);
        const read = days[0]?.content ?? EMPTY_DAY;
        expect({
          ...read,
          cards: withoutIds(read.cards),
          jottings: withoutIds(read.jottings),
        }).toEqual({
          ...content,
          cards: withoutIds(content.cards),
          jottings: withoutIds(content.jottings),
        });
      }),
      { numRuns: 15, endOnFailure: true },
    );
  });

  it("comes in with what its constructions carry under the new names of its cards and photos", async () => {
    const keeper = await newKeeper(store);
    const plan = decemberPlan();
    const [dayId, leafId] = [randomUUID(), randomUUID()];
    const card = newCard(randomUUID(), three, "Under the flip");
    const built = {
      ...{ kind: "flip-up", closed: [], micrometres: 0, blanks: [], lengths: {}, counts: {}, steps: [], ticked: [] },
      holds: [
        { slot: "one", what: { kind: "card", card: card.id } as const },
        { slot: "two", what: { kind: "photo", use: randomUUID() } as const },
        { slot: "three", what: { kind: "words", says: "Its own" } as const },
      ],
    };
    const leaf = leafOfDay(leafId, PLAIN_PAPER, dayId);
    const piece: Piece = {
      ...({ id: "flip", at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId: null } as const),
      what: { kind: "construction", name: "", size: three, built },
    };
    const { albumId } = await importAlbum(
      ...([db, keeper.householdId, randomUUID(), plan] as const),
      [
        {
          ...{ id: dayId, date: plan.span.start, skipped: false, mergedInto: null },
          content: { ...EMPTY_DAY, cards: [card] },
        },
      ],
      { ...NO_BOOK, leaves: [{ ...leaf, front: { ...leaf.front, pieces: [piece] } }] },
    );
    const { days, leaves } = await reread(keeper.householdId, albumId);
    const [held] = leaves[0]?.front.pieces ?? [];
    const here = days[0]?.content.cards[0]?.id;
    expect(here).not.toBe(card.id);
    const [one, two, words] = held ? heldIn(held) : [];
    expect(one?.what).toEqual({ kind: "card", card: here });
    expect(two?.what).not.toEqual(built.holds[1]?.what);
    expect(words?.what).toEqual({ kind: "words", says: "Its own" });
  });

  it("keeps days outside a shortened span and brings them back with all they hold", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-09");
    await saveDayEdit(db, author(), id, null, { kind: "title", text: "Lit windows" });
    const short = decemberPlan({ span: { start: "2026-12-01" as CalendarDate, end: "2026-12-05" as CalendarDate } });
    expect(await updateAlbum(db, keeper.householdId, albumId, 1, short)).toEqual({ ok: true });
    const shortened = await reread(keeper.householdId, albumId);
    expect(pagesOf(shortened).length).toBe(5);
    await updateAlbum(db, keeper.householdId, albumId, 2, decemberPlan());
    const again = await reread(keeper.householdId, albumId);
    expect(pagesOf(again).length).toBe(10);
    expect(again.days.find((day) => day.id === id)?.content.title).toBe("Lit windows");
  });

  it("refuses settings written over settings the keeper has not seen", async () => {
    const { keeper, albumId } = await newAlbum(store);
    await updateAlbum(db, keeper.householdId, albumId, 1, decemberPlan({ title: "First" }));
    expect(await updateAlbum(db, keeper.householdId, albumId, 1, decemberPlan({ title: "Second" }))).toEqual({
      ok: false,
      reason: "changed-since",
    });
    expect((await reread(keeper.householdId, albumId)).album.title).toBe("First");
  });
});

describe("a day", () => {
  it("tells the later of two windows who wrote the same field, and lets other fields through", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const tobiah = await secondMember(store, keeper, "Tobiah");
    const { id, version } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const first = await saveDayEdit(db, author(tobiah), id, version, { kind: "title", text: "His" });
    expect(first).toEqual({ ok: true, version: version + 1 });
    const second = await saveDayEdit(db, author(), id, version, { kind: "title", text: "Hers" });
    expect(second).toMatchObject({
      ok: false,
      reason: "clash",
      clash: { version: version + 1, change: { by: "Tobiah" }, current: { title: "His" } },
    });
    expect(await saveDayEdit(db, author(), id, version, { kind: "note", text: "Hers" })).toMatchObject({ ok: true });
    expect(await saveDayEdit(db, author(), id, version, { kind: "title", text: "His" })).toMatchObject({ ok: true });
    expect(await saveDayEdit(db, author(), id, version + 1, { kind: "title", text: "Hers after all" })).toMatchObject({
      ok: true,
    });
  });

  it("tells a window whose card was removed under it", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const card = newCard(randomUUID(), three, "");
    const added = await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    const base = added.ok ? added.version : -1;
    await saveDayEdit(db, author(), id, null, { kind: "remove-card", id: card.id });
    const late = await saveDayEdit(db, author(), id, base, { kind: "card-text", id: card.id, text: "still typing" });
    expect(late).toMatchObject({ ok: false, reason: "clash" });
  });

  it("takes a change sent twice once", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-04");
    const edit = { kind: "add-card", card: newCard(randomUUID(), three, "once") } as const;
    await saveDayEdit(db, author(), id, null, edit);
    await saveDayEdit(db, author(), id, null, edit);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-04")).content.cards.length).toBe(1);
  });

  it("goes back step by step as its keeper takes changes back", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const day = await dayOf(keeper.householdId, albumId, "2026-12-05");
    const card = newCard(randomUUID(), three, "words");
    let at = Date.now();
    const next = () => {
      at += 1000;
      return author(keeper, new Date(at));
    };
    await saveDayEdit(db, next(), day.id, null, { kind: "add-card", card });
    await saveDayEdit(db, next(), day.id, null, { kind: "title", text: "A title" });
    await saveDayEdit(db, next(), day.id, null, { kind: "remove-card", id: card.id });
    expect((await takeBack(db, next())).ok).toBe(true);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content).toMatchObject({
      title: "A title",
      cards: [card],
    });
    await takeBack(db, next());
    await takeBack(db, next());
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content).toEqual(day.content);
    expect(await takeBack(db, next())).toEqual({ ok: false, reason: "nothing-left" });
  });

  it("is not taken back over somebody else's later words", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const tobiah = await secondMember(store, keeper, "Tobiah");
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-05");
    await saveDayEdit(db, author(), id, null, { kind: "title", text: "Mine" });
    await saveDayEdit(db, author(tobiah), id, null, { kind: "title", text: "His" });
    expect(await takeBack(db, author())).toMatchObject({ ok: false, reason: "changed-since" });
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content.title).toBe("His");
  });
});

describe("the month", () => {
  it("skips, merges, splits and moves in the database as in the plan, and takes it back", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const [three3, four] = [
      await dayOf(keeper.householdId, albumId, "2026-12-03"),
      await dayOf(keeper.householdId, albumId, "2026-12-04"),
    ];
    await saveDayEdit(db, author(), three3.id, null, { kind: "title", text: "The big story" });
    expect(
      await changeMonth(db, author(), { what: "told" }, (slots, span) =>
        moveStory(slots, span, three3.id, "2026-12-08" as CalendarDate),
      ),
    ).toEqual({ ok: true });
    expect((await dayOf(keeper.householdId, albumId, "2026-12-08")).content.title).toBe("The big story");
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).content.title).toBe("");
    await changeMonth(db, author(), { what: "told" }, (slots, span) =>
      mergeWithNeighbour(slots, span, four.id, "after"),
    );
    await changeMonth(db, author(), { what: "told" }, (slots, span) => setSkipped(slots, span, four.id, true));
    const merged = await reread(keeper.householdId, albumId);
    expect(pagesOf(merged).find(({ label }) => label === "4·5")?.skipped).toBe(true);
    await takeBack(db, author(keeper, new Date(Date.now() + 5000)));
    await changeMonth(db, author(), { what: "told" }, (slots, span) => split(slots, span, four.id));
    const apart = await reread(keeper.householdId, albumId);
    expect(pagesOf(apart).map(({ label }) => label)).toEqual(["1", "2", "3", "4", "5", "6", "7", "8", "9", "10"]);
  });

  it("stays whole when many hands change it at once", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { days } = await reread(keeper.householdId, albumId);
    const ids = days.map(({ id }) => id);
    await Promise.all(
      Array.from({ length: 30 }, (_, at) => {
        const [one, two] = [ids[at % 10] ?? "", days[(at * 7) % 10]?.date ?? ("" as CalendarDate)];
        return at % 3 === 0
          ? saveDayEdit(db, author(), one, null, { kind: "title", text: `Title ${at}` })
          : changeMonth(db, author(), { what: "told" }, (slots, span) => moveStory(slots, span, one, two));
      }),
    );
    const after = await reread(keeper.householdId, albumId);
    expect(after.days.map(({ date }) => date)).toEqual(days.map(({ date }) => date));
    expect(after.days.map(({ id }) => id).sort()).toEqual([...ids].sort());
  });
});

describe("the tray", () => {
  it("holds what was removed, puts it back on its day, and forgets it when emptied or after its time", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-06");
    const card = newCard(randomUUID(), three, "kept");
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    await saveDayEdit(db, author(), id, null, { kind: "remove-card", id: card.id });
    expect((await readTray(db, keeper.householdId)).pieces).toMatchObject([
      { kind: "card", id: card.id, date: "2026-12-06" },
    ]);
    const stranger = await newKeeper(store);
    expect(
      await putBack(db, stranger.householdId, "card", card.id, { memberId: stranger.memberId, at: new Date() }),
    ).toBe(false);
    expect(await putBack(db, keeper.householdId, "card", card.id, { memberId: keeper.memberId, at: new Date() })).toBe(
      true,
    );
    expect((await dayOf(keeper.householdId, albumId, "2026-12-06")).content.cards).toEqual([card]);
    await saveDayEdit(db, author(), id, null, { kind: "remove-card", id: card.id });
    await dropExpired(db, new Date(Date.now() + 29 * 86_400_000));
    expect((await readTray(db, keeper.householdId)).pieces.length).toBe(1);
    await dropExpired(db, new Date(Date.now() + 31 * 86_400_000));
    expect((await readTray(db, keeper.householdId)).pieces.length).toBe(0);
  });

  it("takes a whole album off the shelf and gives it back until it is emptied", async () => {
    const { keeper, albumId } = await newAlbum(store);
    await setAlbumDeleted(db, keeper.householdId, albumId, new Date());
    expect(await readAlbum(db, keeper.householdId, albumId)).toBeNull();
    await setAlbumDeleted(db, keeper.householdId, albumId, null);
    expect(await readAlbum(db, keeper.householdId, albumId)).not.toBeNull();
    await setAlbumDeleted(db, keeper.householdId, albumId, new Date());
    await emptyTray(db, keeper.householdId);
    expect((await readTray(db, keeper.householdId)).albums).toEqual([]);
  });
});
