import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { daysOfLeaf, type Piece } from "../core/album/leaf.ts";
import { newCard } from "../core/album/model.ts";
import { pagesOf } from "../core/album/page.ts";
import type { BookEdit } from "../core/book/edit.ts";
import { inches } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { mergeWithNeighbour, moveStory, setSkipped } from "../core/month/slots.ts";
import { added, FULL, newBook, piece, TAG } from "../tests/book.ts";
import { openTestStore, secondMember } from "../tests/household.ts";
import { changeMonth, saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { putLeafOrTryOutBack, readTray } from "./tray.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const book = () => newBook(store);

describe("the leaves of days", () => {
  it("come in date order whatever the order they are given in, an insert over its day's page", async () => {
    const { look, give } = await book();
    const fifth = await give("2026-12-05");
    const second = await give("2026-12-02");
    const tag = await give("2026-12-05", TAG);
    const { leaves } = await look();
    expect(leaves.map(({ id }) => id)).toEqual([second, tag, fifth]);
    expect(leaves.map(({ make }) => make)).toEqual([FULL, TAG, FULL]);
    expect(leaves.map(({ back }) => back.owner)).toEqual(leaves.map(({ front }) => front.owner));
  });

  it("taken out come back with everything laid on them, from the tray by their day's date, and by taking back", async () => {
    const { look, give, save, author, keeper } = await book();
    const page = await give("2026-12-02");
    const later = await give("2026-12-04");
    await save({ kind: "arrange", leaf: page, face: "front", pieces: [piece("a")] });
    await save({ kind: "remove-leaf", leaf: page });
    expect((await look()).leaves.map(({ id }) => id)).toEqual([later]);
    expect((await readTray(db, keeper.householdId)).leaves.map(({ id, date }) => [id, date])).toEqual([
      [page, "2026-12-02"],
    ]);
    expect(await putLeafOrTryOutBack(db, keeper.householdId, "leaf", page, author())).toBe(true);
    expect((await look()).leaves.map(({ id, front }) => [id, front.pieces])).toEqual([
      [page, [piece("a")]],
      [later, null],
    ]);
    await save({ kind: "remove-leaf", leaf: page });
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect((await look()).leaves[0]?.front.pieces).toEqual([piece("a")]);
  });

  it("go along with a story moved to another date, and back; one that another day has a side of stays with it", async () => {
    const { look, dayId, give, save, author } = await book();
    for (const date of ["2026-12-02", "2026-12-04", "2026-12-06"]) await give(date);
    const [second, fourth, sixth] = [await dayId("2026-12-02"), await dayId("2026-12-04"), await dayId("2026-12-06")];
    const order = async () => (await look()).leaves.map((leaf) => daysOfLeaf(leaf)[0]);
    const move = () =>
      changeMonth(db, author(), { what: "told" }, (slots, span) =>
        moveStory(slots, span, second, "2026-12-05" as CalendarDate),
      );
    await move();
    expect(await order()).toEqual([fourth, second, sixth]);
    await takeBack(db, author());
    expect(await order()).toEqual([second, fourth, sixth]);
    const [, middle] = (await look()).leaves;
    await save({
      kind: "own-side",
      leaf: middle?.id ?? "",
      face: "back",
      owner: { kind: "day", dayId: second },
    });
    await move();
    expect((await look()).leaves.map((leaf) => daysOfLeaf(leaf))).toEqual([
      [fourth, second],
      [second, second],
      [sixth, sixth],
    ]);
  });

  it("are where a hand had put them when a move or a skip is taken back, and by their dates where another has moved one since", async () => {
    const { keeper, look, dayId, give, save, author } = await book();
    const [two, four] = [await give("2026-12-02"), await give("2026-12-04")];
    const [second, fourth] = [await dayId("2026-12-02"), await dayId("2026-12-04")];
    const order = async () => (await look()).leaves.map(({ id }) => id);
    // By hand the later day's leaf lies first.
    await save({ kind: "move-leaf", leaf: four, after: null });
    await changeMonth(db, author(), { what: "told" }, (slots, span) => setSkipped(slots, span, fourth, true));
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect(await order()).toEqual([four, two]);
    const move = () =>
      changeMonth(db, author(), { what: "told" }, (slots, span) =>
        moveStory(slots, span, second, "2026-12-01" as CalendarDate),
      );
    await move();
    expect(await order()).toEqual([two, four]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect(await order()).toEqual([four, two]);
    await move();
    const other = author(await secondMember(store, keeper, "Tobiah"));
    const third = randomUUID();
    await save({ ...added(third), after: two } as BookEdit, null, other);
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect((await look()).days.find(({ id }) => id === second)?.date).toBe("2026-12-02");
    expect(new Set(await order())).toEqual(new Set([two, third, four]));
  });
});

describe("what is done of leaves and sides", () => {
  it("is ticked there, seen by each day that has a side, and a day on another's leaf is in when its own side is made", async () => {
    const { look, dayId, give, save, author } = await book();
    const leaf = await give("2026-12-02");
    const [second, third] = [await dayId("2026-12-02"), await dayId("2026-12-03")];
    await save({ kind: "own-side", leaf, face: "back", owner: { kind: "day", dayId: third } });
    await saveDayEdit(db, author(), second, null, { kind: "step", step: "base", done: true });
    const states = async () =>
      pagesOf(await look())
        .slice(1, 3)
        .map(({ states: { paper, book: inBook }, steps }) => [
          steps.find(({ step }) => step === "base")?.done,
          paper,
          inBook,
        ]);
    expect(await states()).toEqual([
      [true, "begun", "open"],
      [true, "begun", "open"],
    ]);
    expect(await saveDayEdit(db, author(), second, null, { kind: "finish" })).toMatchObject({ ok: true });
    expect(await states()).toEqual([
      [true, "done", "done"],
      [true, "begun", "begun"],
    ]);
    await saveDayEdit(db, author(), third, null, { kind: "step", step: "assemble", done: true });
    expect((await states())[1]).toEqual([true, "begun", "done"]);
    expect((await look()).days.flatMap(({ content }) => content.done)).toEqual([]);
    // Each act goes back as one: the tick of the third, then everything that finishing had ticked.
    await takeBack(db, author());
    await takeBack(db, author());
    expect(await states()).toEqual([
      [true, "begun", "open"],
      [true, "begun", "open"],
    ]);
  });

  it("is the day's own until it has a leaf, and one leaf of several is ticked by itself", async () => {
    const { look, dayId, give, save, author } = await book();
    const id = await dayId("2026-12-04");
    const card = newCard(randomUUID(), { w: inches(3), h: inches(4) });
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    await saveDayEdit(db, author(), id, null, { kind: "step", step: "file", done: true });
    const page = async () => pagesOf(await look())[3];
    expect([(await page())?.states.book, (await page())?.days[0]?.content.done]).toEqual(["done", ["file"]]);
    const [first] = [await give("2026-12-04"), await give("2026-12-04")];
    expect((await page())?.states.book).toBe("open");
    await save({ kind: "tick", leaf: first, face: null, guest: null, step: "base", done: true });
    const base = (await page())?.steps.find(({ step }) => step === "base");
    expect([base?.done, base?.on.map(({ done }) => done)]).toEqual([false, [true, false]]);
  });

  it("of days that share a page is ticked for both, and what stands on no side changes nothing", async () => {
    const { look, dayId, give, save, author } = await book();
    const leaf = await give("2026-12-06");
    const lead = await dayId("2026-12-05");
    await changeMonth(db, author(), { what: "told" }, (slots, span) => mergeWithNeighbour(slots, span, lead, "after"));
    await saveDayEdit(db, author(), lead, null, { kind: "step", step: "punch", done: true });
    await saveDayEdit(db, author(), lead, null, { kind: "step", step: "number", done: true });
    const [only] = (await look()).leaves;
    expect([only?.id, only?.done, only?.front.done]).toEqual([leaf, [], ["number"]]);
    expect(await save({ kind: "tick", leaf, face: "front", guest: null, step: "file", done: true })).toMatchObject({
      ok: true,
    });
    expect((await look()).leaves[0]).toEqual(only);
  });
});

describe("rooms kept on a page", () => {
  it("are taken by what is added and suits: as large, in one act that goes back whole; what does not suit lies beside", async () => {
    const { look, dayId, give, save, author } = await book();
    const leaf = await give("2026-12-03");
    const room = (id: string, keeps: "photo" | "card", w: number, h: number, turn: 0 | 1 = 0): Piece => ({
      ...piece(id),
      what: { kind: "room", keeps, size: { w: inches(w), h: inches(h) } },
      turn,
    });
    const rooms = [room("tall", "photo", 4, 6), room("lying", "photo", 4, 6, 1), room("words", "card", 3, 5)];
    await save({ kind: "arrange", leaf, face: "back", pieces: rooms });
    const id = await dayId("2026-12-03");
    const card = newCard(randomUUID(), { w: inches(4), h: inches(6) });
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    const day = async () => (await look()).days.find((each) => each.id === id)?.content;
    const back = async () => (await look()).leaves[0]?.back.pieces?.map((each) => each.id);
    expect((await day())?.cards[0]?.size).toEqual({ w: inches(3), h: inches(5) });
    expect(await back()).toEqual(["tall", "lying", card.id]);
    // Sent again because its answer was lost, it takes no other room.
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card });
    expect(await back()).toEqual(["tall", "lying", card.id]);
    const another = newCard(randomUUID(), { w: inches(4), h: inches(6) });
    await saveDayEdit(db, author(), id, null, { kind: "add-card", card: another });
    expect((await day())?.cards[1]?.size).toEqual(another.size);
    expect(await back()).toEqual(["tall", "lying", card.id]);
    await takeBack(db, author());
    await takeBack(db, author());
    expect([(await day())?.cards, await back()]).toEqual([[], ["tall", "lying", "words"]]);
  });
});
