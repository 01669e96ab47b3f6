import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { newCard } from "../../core/album/model.ts";
import { inches } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { mergeWithNeighbour } from "../../core/month/slots.ts";
import { anyLab } from "../../core/sheet/printer.ts";
import { FULL, newBook, piece } from "../../tests/book.ts";
import { decemberPlan, newAlbum, openTestStore, secondMember } from "../../tests/household.ts";
import { aPhoto, withPrints } from "../../tests/prints.ts";
import { createAlbum, readAlbum, updateAlbum } from "../album.ts";
import type { Author } from "../author.ts";
import { saveBookEdit } from "../book.ts";
import { changeMonth, saveDayEdit } from "../day.ts";
import { keepOrder } from "../lab-orders.ts";
import { keepHand, readHandsAndStamps } from "../library/hands.ts";
import { changeMatter } from "../matter.ts";
import { markSheetsPrinted } from "../printing.ts";
import { markInAlbum, readRoll } from "../roll.ts";
import { card as cardTable, journalRow } from "../schema/index.ts";
import { emptyTray } from "../tray.ts";
import { addTryOut, arrangeTryOut, dropTryOut } from "../try-out.ts";
import { readWordings } from "../wordings.ts";
import { journaled } from "./line.ts";
import { forgetChanges, KEPT_DAYS, readJournal } from "./read.ts";
import { doAgain, takeBack } from "./take-back.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const three = size(inches(3), inches(4));

const boundPlan = () => {
  const plan = decemberPlan();
  return { ...plan, format: { ...plan.format, binding: "sewn" as const, leaves: 6 } };
};

describe("taken back and done again", () => {
  it("goes through everything in its order, whatever it was: the picture set aside before the title", async () => {
    const { keeper, look, dayId, author } = await newBook(store);
    const day = await dayId("2026-12-05");
    const { kept } = await aPhoto(store, keeper.householdId);
    const isAside = async () => (await readRoll(db, keeper.householdId)).find(({ id }) => id === kept.id)?.setAside;
    const title = async () => (await look()).days.find(({ id }) => id === day)?.content.title;
    await saveDayEdit(db, author(), day, null, { kind: "title", text: "Lamps" });
    await markInAlbum(db, author(), [kept.id], { kind: "set-aside", on: true });

    const mark = { what: "mark", mark: "set-aside", on: true, pictures: 1, date: null };
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: mark });
    expect([await isAside(), await title()]).toEqual([false, "Lamps"]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "day", how: "title", day } });
    expect([await isAside(), await title()]).toEqual([false, ""]);
    expect(await takeBack(db, author())).toEqual({ ok: false, reason: "nothing-left" });

    expect(await doAgain(db, author())).toMatchObject({ ok: true, did: { what: "day", how: "title" } });
    expect(await doAgain(db, author())).toMatchObject({ ok: true, did: mark });
    expect([await isAside(), await title()]).toEqual([true, "Lamps"]);
    expect(await doAgain(db, author())).toEqual({ ok: false, reason: "nothing-left" });
  });

  it("is over for what was taken back as soon as something new is done", async () => {
    const { look, dayId, author } = await newBook(store);
    const day = await dayId("2026-12-05");
    await saveDayEdit(db, author(), day, null, { kind: "title", text: "One" });
    await takeBack(db, author());
    await saveDayEdit(db, author(), day, null, { kind: "note", text: "Two" });
    expect(await doAgain(db, author())).toEqual({ ok: false, reason: "nothing-left" });
    const [, first] = await readJournal(db, author(), 9, null);
    expect(first).toMatchObject({ takenBack: true, open: false });
    expect(await doAgain(db, author(), first?.id)).toEqual({ ok: false, reason: "no-longer-kept" });
    expect((await look()).days.find(({ id }) => id === day)?.content).toMatchObject({ title: "", note: "Two" });
  });

  it("leaves no line for what was refused, or changed nothing", async () => {
    const { dayId, author, save } = await newBook(store);
    const day = await dayId("2026-12-05");
    await saveDayEdit(db, author(), day, null, { kind: "title", text: "" });
    await saveDayEdit(db, author(), day, null, { kind: "card-text", id: randomUUID(), text: "of no card" });
    await save({ kind: "remove-leaf", leaf: randomUUID() });
    expect(await readJournal(db, author(), 9, null)).toEqual([]);
    expect(await takeBack(db, author())).toEqual({ ok: false, reason: "nothing-left" });
  });
});

describe("somebody else's change", () => {
  it("is not taken back by the key, is by its name, and is what stands in the way where it is of the same thing", async () => {
    const { keeper, look, dayId, author } = await newBook(store);
    const day = await dayId("2026-12-05");
    const tobiah = await secondMember(store, keeper, "Tobiah");
    const content = async () => (await look()).days.find(({ id }) => id === day)?.content;
    await saveDayEdit(db, author(), day, null, { kind: "title", text: "Mine" });
    await saveDayEdit(db, author(tobiah), day, null, { kind: "note", text: "His" });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { how: "title" } });
    expect(await content()).toMatchObject({ title: "", note: "His" });
    await doAgain(db, author());

    await saveDayEdit(db, author(tobiah), day, null, { kind: "title", text: "His too" });
    const refused = await takeBack(db, author());
    expect(refused).toMatchObject({ ok: false, reason: "changed-since", did: { how: "title" } });
    expect(refused).toMatchObject({ since: { by: "Tobiah", did: { what: "day", how: "title", day } } });
    expect(await content()).toMatchObject({ title: "His too", note: "His" });

    const [his] = await readJournal(db, author(), 1, null);
    expect(his).toMatchObject({ by: "Tobiah", isOwn: false, takenBack: false, open: true });
    expect(await takeBack(db, author(), his?.id)).toMatchObject({ ok: true });
    expect(await content()).toMatchObject({ title: "Mine", note: "His" });
    // His is out of the way: mine can go.
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect(await content()).toMatchObject({ title: "", note: "His" });
  });

  it("beside one's own tick, page or card stays where it is", async () => {
    const { keeper, look, dayId, author, save, give } = await newBook(store);
    const day = await dayId("2026-12-05");
    const his = author(await secondMember(store, keeper, "Tobiah"));
    const mine = await give("2026-12-05");
    await saveDayEdit(db, author(), day, null, { kind: "step", step: "write", done: true });
    await saveDayEdit(db, his, day, null, { kind: "step", step: "choose", done: true });
    const theirs = randomUUID();
    await save({ kind: "give-leaf", id: theirs, make: FULL, dayId: await dayId("2026-12-02") }, null, his);
    await takeBack(db, author());
    expect((await look()).days.find(({ id }) => id === day)?.content.done).toEqual(["choose"]);
    await takeBack(db, author());
    expect((await look()).leaves.map(({ id }) => id)).toEqual([theirs]);
    await doAgain(db, author());
    expect((await look()).leaves.map(({ id }) => id)).toEqual([theirs, mine]);
  });

  it("on a page keeps that page in the book: what lies on it, who shares it, what is set beside it", async () => {
    const { keeper, look, dayId, author, save } = await newBook(store);
    const his = author(await secondMember(store, keeper, "Tobiah"));
    const other = await dayId("2026-12-06");
    for (const edit of [
      (leaf: string) => ({ kind: "arrange", leaf, face: "front", pieces: [piece("a")] }) as const,
      (leaf: string) => ({ kind: "share-side", leaf, face: "front", dayId: other, shares: true }) as const,
      (leaf: string) => ({ kind: "make", leaf, make: { ...FULL, note: "his" } }) as const,
    ]) {
      const leaf = randomUUID();
      await save({ kind: "give-leaf", id: leaf, make: FULL, dayId: await dayId("2026-12-05") });
      await save(edit(leaf), null, his);
      expect(await takeBack(db, author())).toMatchObject({ reason: "changed-since", since: { by: "Tobiah" } });
      expect((await look()).leaves.some(({ id }) => id === leaf)).toBe(true);
    }
  });

  it("keeps the page it shares, the glue it has, and the try-outs that can be told apart", async () => {
    const { keeper, look, dayId, author, give } = await newBook(store);
    const his = author(await secondMember(store, keeper, "Tobiah"));
    const refused = { reason: "changed-since", since: { by: "Tobiah" } };
    const slot = async (date: string) => (await look()).days.find((day) => day.date === date)?.mergedInto;
    const [four, six] = [await dayId("2026-12-04"), await dayId("2026-12-06")];
    await changeMonth(db, author(), { what: "month", how: "merge", day: four }, (slots, span) =>
      mergeWithNeighbour(slots, span, four, "after"),
    );
    await changeMonth(db, his, { what: "month", how: "merge", day: six }, (slots, span) =>
      mergeWithNeighbour(slots, span, six, "before"),
    );
    expect(await takeBack(db, author())).toMatchObject(refused);
    expect([await slot("2026-12-05"), await slot("2026-12-06")]).toEqual([four, four]);

    const leaf = await give("2026-12-02");
    const tries = [randomUUID(), randomUUID(), randomUUID()];
    const [mine = "", , later = ""] = tries;
    for (const id of tries.slice(0, 2))
      await addTryOut(db, author(), { id, leafId: leaf, face: "front", pieces: [piece(id)] });
    await dropTryOut(db, author(), mine);
    await addTryOut(db, his, { id: later, leafId: leaf, face: "front", pieces: [piece("his")] });
    expect(await takeBack(db, author())).toMatchObject({ reason: "changed-since" });
    expect((await look()).tryOuts.map(({ id }) => id).sort()).toEqual(tries.slice(1).sort());
    const before = await readJournal(db, author(), 99, null);
    await arrangeTryOut(db, author(), later, 0, [piece("one")]);
    expect(await arrangeTryOut(db, his, later, 0, [piece("late")])).toMatchObject({ reason: "try-out-changed" });
    expect(await readJournal(db, author(), 99, null)).toHaveLength(before.length + 1);

    const albumId = await createAlbum(db, keeper.householdId, boundPlan());
    const bound = async () => (await readAlbum(db, keeper.householdId, albumId))?.leaves ?? [];
    const [one, two, third] = await bound();
    if (!one || !two || !third) throw new Error("counted");
    const here = (who: Author) => ({ ...who, albumId });
    await saveBookEdit(db, here(author()), null, { kind: "remove-leaf", leaf: two.id });
    await saveBookEdit(db, here(his), null, { kind: "glue-leaf", leaf: one.id, next: third.id, glued: true });
    expect(await takeBack(db, here(author()))).toMatchObject({ reason: "changed-since" });
    expect((await bound()).slice(0, 2).map(({ id, glued }) => [id, glued])).toEqual([
      [one.id, true],
      [third.id, false],
    ]);
  });

  it("of another album, or of another household, is as if it were not there", async () => {
    const one = await newBook(store);
    const two = await newBook(store);
    await one.give("2026-12-05");
    const [line] = await readJournal(db, one.author(), 1, null);
    expect(await takeBack(db, two.author(), line?.id)).toEqual({ ok: false, reason: "not-found" });
    const beside = await createAlbum(db, one.keeper.householdId, decemberPlan());
    expect(await takeBack(db, { ...one.author(), albumId: beside }, line?.id)).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await readJournal(db, { ...one.author(), albumId: beside }, 9, null)).toEqual([]);
    expect((await one.look()).leaves).toHaveLength(1);
  });
});

describe("what is of the album as a whole", () => {
  it("goes back with the days and leaves it brought: its span, and the leaves of a bound book", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const look = async () => {
      const read = await readAlbum(db, keeper.householdId, albumId);
      if (!read) throw new Error("the album is not there");
      return read;
    };
    const before = await look();
    const { format } = before.album;
    const plan = decemberPlan({
      title: "Longer",
      span: { start: "2026-12-01" as CalendarDate, end: "2026-12-20" as CalendarDate },
      format: { ...format, binding: "sewn", leaves: 12 },
    });
    await journaled(db, author(), { what: "settings" }, (tx) =>
      updateAlbum(tx, keeper.householdId, albumId, before.album.version, plan),
    );
    expect((await look()).leaves).toHaveLength(12);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "settings" } });
    const after = await look();
    expect(after.leaves).toEqual([]);
    expect(after.album).toEqual({ ...before.album, version: before.album.version + 2 });
    expect(await doAgain(db, author())).toMatchObject({ ok: true });
    expect((await look()).leaves).toHaveLength(12);
    expect((await look()).album.title).toBe("Longer");
    // A form of the settings that was open before is told so.
    const late = await updateAlbum(db, keeper.householdId, albumId, before.album.version, decemberPlan());
    expect(late).toEqual({ ok: false, reason: "changed-since" });
  });

  it("a page of the front matter goes while nothing is on it, and stays with what was put there", async () => {
    const { look, author } = await newBook(store);
    const id = randomUUID();
    await changeMatter(db, author(), { what: "matter", how: "add", id, matter: "title" });
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect((await look()).matters).toEqual([]);
    expect(await doAgain(db, author())).toMatchObject({ ok: true });
    const [added] = await readJournal(db, author(), 1, null);
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card: newCard(randomUUID(), three, "words") });
    expect(await takeBack(db, author(), added?.id)).toMatchObject({ reason: "changed-since" });
    expect((await look()).matters[0]?.content.cards).toHaveLength(1);
  });
});

describe("what the household has", () => {
  it("goes back from the album where it was done", async () => {
    const { keeper, author } = await newBook(store);
    const hands = async () => (await readHandsAndStamps(db, keeper.householdId)).hands.map(({ name }) => name);
    await journaled(db, author(), { what: "stash", how: "kept", thing: "hand" }, (tx) =>
      keepHand(tx, keeper.householdId, { name: "Petra", em: inches(0.1), line: inches(0.3) }),
    );
    expect(await hands()).toEqual(["Petra"]);
    await takeBack(db, author());
    expect(await hands()).toEqual([]);
    await doAgain(db, author());
    expect(await hands()).toEqual(["Petra"]);
  });
});

describe("prints", () => {
  it("said to be printed go back with the steps that followed from them", async () => {
    const { author, one, two, standing, done } = await withPrints(store);
    const on = "2026-12-01" as CalendarDate;
    await keepOrder(db, author(), [one.id, two.id], { orderedOn: on, dueOn: on }, anyLab("inch"));
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "order", how: "made", number: 1 } });
    expect(await standing(one.id)).toBe("wanted");
    await doAgain(db, author());
    expect(await standing(one.id)).toBe("at-lab");
    expect(await done()).toEqual(["choose"]);
    expect((await markSheetsPrinted(db, author(), [randomUUID()], true)).ok).toBe(false);
  });
});

describe("how things were before", () => {
  it("is kept for thirty days, and goes at once when the tray is emptied; what was done stays told", async () => {
    const { keeper, dayId, author } = await newBook(store);
    const day = await dayId("2026-12-05");
    const now = new Date();
    const daysAgo = (days: number) => new Date(now.getTime() - days * 86_400_000);
    await saveDayEdit(db, author(keeper, daysAgo(KEPT_DAYS + 1)), day, null, { kind: "title", text: "Old" });
    await saveDayEdit(db, author(keeper, daysAgo(KEPT_DAYS - 1)), day, null, { kind: "note", text: "New" });
    await forgetChanges(db, now);
    const [kept, ...older] = await readJournal(db, author(), 9, null);
    expect(kept?.did).toMatchObject({ how: "note" });
    expect(older).toEqual([]);

    await emptyTray(db, keeper.householdId);
    expect(await readJournal(db, author(), 9, null)).toMatchObject([{ id: kept?.id, open: false }]);
    expect(
      await db
        .select()
        .from(journalRow)
        .where(eq(journalRow.lineId, kept?.id ?? "")),
    ).toEqual([]);
    expect(await takeBack(db, author(), kept?.id)).toEqual({ ok: false, reason: "no-longer-kept" });
  });

  it("is of a card's words kept beside it, also where they were taken back, or came with the card", async () => {
    const { dayId, author } = await newBook(store);
    const day = await dayId("2026-12-05");
    const card = newCard(randomUUID(), three, "One");
    await saveDayEdit(db, author(), day, null, { kind: "add-card", card });
    await saveDayEdit(db, author(), day, null, { kind: "card-text", id: card.id, text: "Two" });
    await takeBack(db, author());
    expect((await readWordings(db, card.id)).map(({ text }) => text)).toEqual(["One", "Two", "One"]);
    expect((await readWordings(db, card.id)).every(({ by }) => by === "Keeper")).toBe(true);
    // As one that came with an archive.
    const [read] = await db
      .insert(cardTable)
      .values({ dayId: day, position: 9, ...three, text: "Began", back: "so" })
      .returning({ id: cardTable.id });
    await saveDayEdit(db, author(), day, null, { kind: "card-text", id: read?.id ?? "", text: "Then" });
    expect((await readWordings(db, read?.id ?? "")).map(({ by, text, back }) => [by, text, back])).toEqual([
      ["Keeper", "Then", "so"],
      ["", "Began", "so"],
    ]);
  });
});
