import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { PLAIN_PAPER } from "../core/album/leaf.ts";
import { madeOf } from "../core/album/made.ts";
import { newCard } from "../core/album/model.ts";
import { printsByThing } from "../core/album/print.ts";
import { inches, millimetres, ticks } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { LETTER } from "../core/measure/sheets.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { gangSheets, taskOf } from "../core/sheet/gang.ts";
import { planAfter } from "../core/sheet/pack/pack.ts";
import { findIn } from "../core/words/find.ts";
import { STAMP_SETS, usualSetting } from "../core/words/lettering.ts";
import { ANY_DAY } from "../core/words/slip.ts";
import { constructionOf } from "../tests/constructions.ts";
import { decemberPlan, newAlbum, newKeeper, openTestStore, secondMember } from "../tests/household.ts";
import { albumsByDate, createAlbum, readAlbum } from "./album.ts";
import type { Author } from "./author.ts";
import { saveBookEdit } from "./book.ts";
import { moveJotting } from "./carry-over.ts";
import { saveDayEdit } from "./day.ts";
import { handOut } from "./dealing.ts";
import { takeBack } from "./journal/take-back.ts";
import { readDecks, saveDeck } from "./library/decks.ts";
import { keepHand, keepStampSet, readHandsAndStamps } from "./library/hands.ts";
import { putAway, readKeptTray, takeBackKept } from "./library/tray.ts";
import { makeSheets, markSheetsPrinted, readSheets, tickCut } from "./printing.ts";
import { readTexts } from "./texts.ts";
import { emptyTray, putBack, readTray } from "./tray.ts";
import { readWordings } from "./wordings.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

async function dayOf(householdId: string, albumId: string, date: string) {
  const aggregate = await readAlbum(db, householdId, albumId);
  const found = aggregate?.days.find((day) => day.date === date);
  if (!aggregate || !found) throw new Error("no such day");
  return { ...found, prints: aggregate.prints };
}
const jot = (text: string, at = "2026-12-03T18:40") => ({ id: randomUUID(), text, at, privateUntil: null });
const three = { w: inches(3), h: inches(4) };

describe("jottings", () => {
  it("are kept once however often they are sent, also after they were moved or put away", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const [one, two] = await Promise.all(
      ["2026-12-03", "2026-12-04"].map((date) => dayOf(keeper.householdId, albumId, date)),
    );
    const edit = { kind: "add-jotting", jotting: jot("Twenty-six windows") } as const;
    const add = () => saveDayEdit(db, author(), one?.id ?? "", null, edit);
    const count = async () =>
      (await Promise.all(["2026-12-03", "2026-12-04"].map((date) => dayOf(keeper.householdId, albumId, date)))).map(
        ({ content }) => content.jottings.length,
      );
    await Promise.all([add(), add(), add()]);
    expect(await count()).toEqual([1, 0]);
    expect((await moveJotting(db, author(), one?.id ?? "", edit.jotting.id, two?.date as CalendarDate)).ok).toBe(true);
    expect(await count()).toEqual([0, 1]);
    expect((await add()).ok).toBe(true);
    expect(await count()).toEqual([0, 1]);
    await saveDayEdit(db, author(), two?.id ?? "", null, { kind: "remove-jotting", id: edit.jotting.id });
    expect((await add()).ok).toBe(true);
    expect(await count()).toEqual([0, 0]);
  });

  it("come back from another day, and from the tray, when that is taken back", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const jotting = jot("Gulls on the ice");
    await saveDayEdit(db, author(), id, null, { kind: "add-jotting", jotting });
    await moveJotting(db, author(), id, jotting.id, "2026-12-05" as CalendarDate);
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).content.jottings).toEqual([jotting]);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content.jottings).toEqual([]);
    await saveDayEdit(db, author(), id, null, { kind: "remove-jotting", id: jotting.id });
    const { pieces } = await readTray(db, keeper.householdId);
    expect(pieces).toMatchObject([{ kind: "jotting", id: jotting.id, date: "2026-12-03" }]);
    expect(await putBack(db, keeper.householdId, "jotting", jotting.id, author())).toBe(true);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).content.jottings).toEqual([jotting]);
    await emptyTray(db, keeper.householdId);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).content.jottings).toEqual([jotting]);
  });
});

describe("a card's words", () => {
  it("are kept with every change, who made it and when, and taking one back leaves what another wrote", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const tobiah = await secondMember(store, keeper, "Tobiah");
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const card = newCard(randomUUID(), three, "");
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    await saveDayEdit(db, author(), id, null, { kind: "card-text", id: card.id, text: "One" });
    await saveDayEdit(db, author(tobiah), id, null, { kind: "card-back", id: card.id, text: "Behind" });
    await saveDayEdit(db, author(), id, null, { kind: "card-text", id: card.id, text: "One two" });
    const now = (await dayOf(keeper.householdId, albumId, "2026-12-03")).content.cards[0];
    if (!now) throw new Error("no card");
    const wordings = await readWordings(db, now.id);
    expect(wordings.map(({ by, text, back }) => [by, text, back])).toEqual([
      ["Keeper", "One two", "Behind"],
      ["Tobiah", "One", "Behind"],
      ["Keeper", "One", ""],
      ["Keeper", "", ""],
    ]);
    await saveDayEdit(db, author(), id, null, { kind: "card-size", id: card.id, size: { w: inches(4), h: inches(6) } });
    await saveDayEdit(db, author(tobiah), id, null, { kind: "card-text", id: card.id, text: "His" });
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    const after = (await dayOf(keeper.householdId, albumId, "2026-12-03")).content.cards[0];
    expect(after).toEqual({ ...card, text: "His", back: "Behind" });
  });

  it("that are too many go on to its back or a second card, as one change", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const card = { ...newCard(randomUUID(), three, "kept rest"), setting: usualSetting(three) };
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    const second = randomUUID();
    await saveDayEdit(db, author(), id, null, {
      kind: "carry-over",
      id: card.id,
      kept: "kept",
      rest: "rest",
      to: { card: second },
    });
    const cards = (await dayOf(keeper.householdId, albumId, "2026-12-03")).content.cards;
    expect(cards).toEqual([
      { ...card, text: "kept" },
      { ...card, id: second, text: "rest" },
    ]);
    await takeBack(db, author());
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).content.cards).toEqual([card]);
  });

  it("written by two at once are a clash that the later is told of", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const tobiah = await secondMember(store, keeper, "Tobiah");
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const card = newCard(randomUUID(), three, "");
    const added = await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    const seen = added.ok ? added.version : 0;
    expect((await saveDayEdit(db, author(tobiah), id, seen, { kind: "card-text", id: card.id, text: "His" })).ok).toBe(
      true,
    );
    expect(await saveDayEdit(db, author(), id, seen, { kind: "card-text", id: card.id, text: "Hers" })).toMatchObject({
      ok: false,
      reason: "clash",
      clash: { change: { by: "Tobiah" } },
    });
    expect((await saveDayEdit(db, author(), id, seen, { kind: "card-back", id: card.id, text: "Hers" })).ok).toBe(true);
  });

  it("are printed on sheets of their own, follow their prints, and are wanted anew once they are changed", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const card = newCard(randomUUID(), three, "Words");
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    const settings = {
      papers: [{ size: LETTER, printable: rect(2032, 2032, LETTER.w - 4064, LETTER.h - 4064) }],
      gap: ticks(0),
      canTurn: true,
      step: ticks(1),
    };
    const wishes = [{ id: card.id, size: three }];
    const sheets = gangSheets(planAfter(taskOf(wishes, settings), 40), wishes, settings, []);
    expect(await makeSheets(db, author(), "cards", sheets)).toEqual({ ok: true, sheets: [1] });
    expect(await makeSheets(db, author(), "cards", sheets)).toMatchObject({ ok: false, reason: "changed-since" });
    expect(await makeSheets(db, author(), "photos", sheets)).toMatchObject({ ok: false, reason: "changed-since" });
    const [sheet] = await readSheets(db, albumId);
    if (!sheet) throw new Error("no sheet");
    await markSheetsPrinted(db, author(), [sheet.id], true);
    const printed = await dayOf(keeper.householdId, albumId, "2026-12-03");
    expect(madeOf(printed.content, printsByThing(printed.prints)).lettered).toBe(true);
    expect(printed.prints).toMatchObject([{ of: card.id, state: "printed" }]);
    for (const at of sheet.cuts.keys()) await tickCut(db, author(), sheet.id, at, true);
    expect((await dayOf(keeper.householdId, albumId, "2026-12-03")).prints).toMatchObject([{ state: "trimmed" }]);
    await saveDayEdit(db, author(), id, null, { kind: "card-text", id: card.id, text: "Other words" });
    const changed = await dayOf(keeper.householdId, albumId, "2026-12-03");
    expect(madeOf(changed.content, printsByThing(changed.prints)).lettered).toBe(false);
    expect(await makeSheets(db, author(), "cards", sheets)).toEqual({ ok: true, sheets: [2] });
  });
});

describe("decks, hands and stamps of a household", () => {
  it("are kept under their names, changed, and seen by nobody else", async () => {
    const [keeper, other] = await Promise.all([newKeeper(store), newKeeper(store)]);
    const slips = [{ id: "a", text: "The bell", kind: "station", on: ANY_DAY }];
    const deck = { id: randomUUID(), name: "Harbour", jar: "prompt" as const, slips };
    expect(await saveDeck(db, keeper.householdId, deck)).toBe("kept");
    expect(await saveDeck(db, keeper.householdId, { ...deck, id: randomUUID() })).toBe("name-taken");
    await saveDeck(db, other.householdId, { ...deck, name: "Stolen" });
    expect(await readDecks(db, keeper.householdId)).toEqual([deck]);
    expect(await readDecks(db, other.householdId)).toEqual([]);
    await keepHand(db, keeper.householdId, { name: "Petra", em: ticks(2000), line: millimetres(8) });
    await keepHand(db, keeper.householdId, { name: "Petra", em: ticks(2100), line: millimetres(7) });
    const [set] = STAMP_SETS;
    if (!set) throw new Error("shipped");
    await keepStampSet(db, keeper.householdId, set);
    const letters = await readHandsAndStamps(db, keeper.householdId);
    expect(letters.hands).toMatchObject([{ name: "Petra", em: 2100 }]);
    expect(letters.sets).toMatchObject([set]);
    const [petra] = letters.hands;
    expect(await putAway(db, other.householdId, "hand", petra?.id ?? "", new Date())).toBe(false);
    expect((await readHandsAndStamps(db, keeper.householdId)).hands.length).toBe(1);
    expect(await putAway(db, keeper.householdId, "hand", petra?.id ?? "", new Date())).toBe(true);
    expect((await readHandsAndStamps(db, keeper.householdId)).hands).toEqual([]);
  });

  it("lie in the tray once they are put away, come back from it, and give way to one of their name", async () => {
    const [keeper, other] = await Promise.all([newKeeper(store), newKeeper(store)]);
    const { householdId } = keeper;
    const slips = [{ id: "a", text: "The bell", kind: "station", on: ANY_DAY }];
    const deck = { id: randomUUID(), name: "Harbour", jar: "prompt" as const, slips };
    await saveDeck(db, householdId, deck);
    await keepHand(db, householdId, { name: "Petra", em: ticks(2000), line: millimetres(8) });
    const [set] = STAMP_SETS;
    if (!set) throw new Error("shipped");
    await keepStampSet(db, householdId, set);
    const { hands, sets } = await readHandsAndStamps(db, householdId);
    const away = { deck: deck.id, hand: hands[0]?.id ?? "", "stamp-set": sets[0]?.id ?? "" };
    const kinds = ["deck", "hand", "stamp-set"] as const;
    for (const kind of kinds) expect(await putAway(db, householdId, kind, away[kind], new Date())).toBe(true);
    expect([await readDecks(db, householdId), await readHandsAndStamps(db, householdId)]).toEqual([
      [],
      { hands: [], sets: [] },
    ]);
    const tray = await readKeptTray(db, householdId);
    expect(tray.map(({ kind, name }) => `${kind} ${name}`).sort()).toEqual([
      ...["deck Harbour", "hand Petra", `stamp-set ${set.name}`],
    ]);
    expect(await readKeptTray(db, other.householdId)).toEqual([]);
    // Others of those names are made meanwhile.
    await saveDeck(db, householdId, { ...deck, id: randomUUID() });
    await keepHand(db, householdId, { name: "Petra", em: ticks(2200), line: millimetres(9) });
    for (const kind of kinds) {
      expect(await takeBackKept(db, other.householdId, kind, away[kind])).toBe(false);
      expect(await takeBackKept(db, householdId, kind, away[kind])).toBe(true);
    }
    expect((await readDecks(db, householdId)).map(({ name }) => name)).toEqual(["Harbour", "Harbour (put back)"]);
    const back = await readHandsAndStamps(db, householdId);
    expect(back.hands.map(({ name, em }) => `${name} ${em}`)).toEqual(["Petra 2200", "Petra (put back) 2000"]);
    expect(back.sets).toMatchObject([set]);
    await putAway(db, householdId, "deck", deck.id, new Date());
    await emptyTray(db, householdId);
    expect(await takeBackKept(db, householdId, "deck", deck.id)).toBe(false);
    expect((await readDecks(db, householdId)).length).toBe(1);
  });

  it("are handed out in one act that is taken back whole, and not over what somebody wrote meanwhile", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const days = await Promise.all(
      ["2026-12-03", "2026-12-04", "2026-12-05"].map((date) => dayOf(keeper.householdId, albumId, date)),
    );
    await saveDayEdit(db, author(), days[2]?.id ?? "", null, { kind: "prompt", text: "Mine", slip: null });
    const handed = days.map(({ id }, at) => ({
      dayId: id,
      slip: `noticing/count-${at + 1}`,
      text: `Slip ${at}`,
      saw: "",
    }));
    expect(await handOut(db, author(), "prompt", handed)).toBe(2);
    const texts = async () =>
      Promise.all(days.map(async ({ date }) => (await dayOf(keeper.householdId, albumId, date)).content.prompt.text));
    expect(await texts()).toEqual(["Slip 0", "Slip 1", "Mine"]);
    await takeBack(db, author());
    expect(await texts()).toEqual(["", "", "Mine"]);
    await saveDayEdit(db, author(), days[2]?.id ?? "", null, { kind: "let-go" });
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content).toMatchObject({
      prompt: { text: "" },
      waived: ["prompt"],
    });
    await takeBack(db, author());
    expect((await dayOf(keeper.householdId, albumId, "2026-12-05")).content).toMatchObject({
      prompt: { text: "Mine" },
      waived: [],
    });
  });
});

describe("the words of a household", () => {
  it("are found in every album of its own, wherever they stand, with accents aside", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const stranger = await newAlbum(store);
    const { id } = await dayOf(keeper.householdId, albumId, "2026-12-03");
    await saveDayEdit(db, author(), id, null, { kind: "note", text: "Ask at the café" });
    await saveDayEdit(db, author(), id, null, {
      kind: "add-card",
      card: newCard(randomUUID(), three, "Naïve windows"),
    });
    await saveDayEdit(db, author(), id, null, { kind: "add-jotting", jotting: jot("The CAFÉ again") });
    const leafId = randomUUID();
    await saveBookEdit(db, author(), null, { kind: "give-leaf", id: leafId, make: PLAIN_PAPER, dayId: id });
    const holds = [{ slot: "flip:whole:back", what: { kind: "words" as const, says: "Café, under the flip" } }];
    await saveBookEdit(db, author(), null, {
      ...({ kind: "arrange", leaf: leafId, face: "front" } as const),
      pieces: [constructionOf(randomUUID(), "flip-up", { holds })],
    });
    const texts = await readTexts(db, keeper.householdId);
    const places = texts.filter(({ text }) => findIn(text, "cafe")).map(({ place }) => place);
    expect(places.sort()).toEqual(["inside", "jotting", "note"]);
    expect(texts.filter(({ text }) => findIn(text, "naive WINDOWS")).length).toBe(1);
    expect(await readTexts(db, stranger.keeper.householdId)).toEqual([]);
  });
});

describe("a jotting", () => {
  it("says who wrote it, whoever corrects it or moves it to another day", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const quill = await secondMember(store, keeper, "Quill");
    const day = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const [mine, theirs] = [jot("Ice on the rail"), jot("Gulls on the ice")];
    await saveDayEdit(db, author(), day.id, null, { kind: "add-jotting", jotting: mine });
    await saveDayEdit(db, author(quill), day.id, null, { kind: "add-jotting", jotting: theirs });
    await saveDayEdit(db, author(), day.id, null, { kind: "jotting-text", id: theirs.id, text: "Gulls, on the ice" });
    await moveJotting(db, author(), day.id, theirs.id, "2026-12-04" as CalendarDate);
    const album = await readAlbum(db, keeper.householdId, albumId);
    expect([mine, theirs].map(({ id }) => album?.writtenBy.get(id))).toEqual(["Keeper", "Quill"]);
  });
});

describe("the words of a card", () => {
  it("are whose gave it the first: not who made the card, nor who corrects it, until it has none again", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const quill = await secondMember(store, keeper, "Quill");
    const day = await dayOf(keeper.householdId, albumId, "2026-12-03");
    const { id } = newCard(randomUUID(), three);
    const by = async () => (await readAlbum(db, keeper.householdId, albumId))?.writtenBy.get(id);
    const write = (who: Author, text: string) => saveDayEdit(db, who, day.id, null, { kind: "card-text", id, text });
    await saveDayEdit(db, author(), day.id, null, { kind: "add-card", card: newCard(id, three) });
    expect(await by()).toBeUndefined();
    await write(author(quill), "Ice on the rail");
    await write(author(), "Ice on the slip rail");
    await saveDayEdit(db, author(), day.id, null, { kind: "card-size", id, size: { w: inches(4), h: inches(6) } });
    expect(await by()).toBe("Quill");
    await write(author(quill), "");
    expect(await by()).toBeUndefined();
    await write(author(), "The rail");
    expect(await by()).toBe("Keeper");
    await takeBack(db, author());
    expect(await by()).toBeUndefined();
  });
});

describe("the album of today", () => {
  it("is the one under way, else the next to come, else the last there was", async () => {
    const keeper = await newKeeper(store);
    const on = async (date: string) =>
      (await albumsByDate(db, keeper.householdId, date as CalendarDate))[0]?.id ?? null;
    expect(await on("2026-12-05")).toBeNull();
    const span = (start: string, end: string) => ({ start: start as CalendarDate, end: end as CalendarDate });
    const october = await createAlbum(
      db,
      keeper.householdId,
      decemberPlan({ title: "October", span: span("2026-10-01", "2026-10-31") }),
    );
    const december = await createAlbum(
      db,
      keeper.householdId,
      decemberPlan({ title: "December", span: span("2026-12-01", "2026-12-31") }),
    );
    expect(await on("2026-10-31")).toBe(october);
    expect(await on("2026-11-02")).toBe(december);
    expect(await on("2026-12-24")).toBe(december);
    expect(await on("2027-03-01")).toBe(december);
  });
});
