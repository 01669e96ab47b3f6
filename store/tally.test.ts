import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { changeTallies, type TallyChange } from "../core/album/tally.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { doAgain, takeBack } from "./journal/take-back.ts";
import { noteForNext } from "./next-year.ts";
import { changeTally, namesCounted } from "./tally.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const on = (date: string) => date as CalendarDate;
const mark = (date: string, text = "") => ({ id: randomUUID(), date: on(date), text });

describe("what is counted over a month", () => {
  it("is kept as the core changes it, each change once however often it is sent", async () => {
    const { author, look } = await newBook(store);
    const [films, guests] = [randomUUID(), randomUUID()];
    const [one, two] = [mark("2026-12-09", "The Lamp Keeper"), mark("2026-12-02")];
    const changes: TallyChange[] = [
      { how: "add", id: films, name: "Films" },
      { how: "add", id: guests, name: "Guests" },
      { how: "mark", id: films, mark: one },
      { how: "mark", id: films, mark: two },
      { how: "mark", id: guests, mark: mark("2026-12-03", "Ilo") },
      { how: "mark-text", id: two.id, text: "Snow" },
      { how: "name", id: guests, name: "Visitors" },
      { how: "unmark", id: one.id },
      { how: "remove", id: guests },
    ];
    let expected: ReturnType<typeof changeTallies> = [];
    for (const change of changes) {
      expected = changeTallies(expected, change);
      const { revision } = await look().then(({ album }) => ({ revision: album.version }));
      expect(await changeTally(db, author(), change)).toEqual({ ok: true });
      expect((await look()).tallies).toEqual(expected);
      // Said once more it changes nothing; of words it is the same again.
      await changeTally(db, author(), change);
      expect((await look()).tallies).toEqual(expected);
      expect((await look()).album.version).toBe(revision);
    }
  });

  it("is taken back and done again, with its marks where a whole tally was taken out", async () => {
    const { author, look } = await newBook(store);
    const id = randomUUID();
    await changeTally(db, author(), { how: "add", id, name: "Songs" });
    for (const text of ["Silver Net", "", "The Long Swell"])
      await changeTally(db, author(), { how: "mark", id, mark: mark("2026-12-05", text) });
    const whole = (await look()).tallies;
    expect(whole[0]?.marks).toHaveLength(3);
    await changeTally(db, author(), { how: "remove", id });
    expect((await look()).tallies).toEqual([]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "tally", how: "remove" } });
    expect((await look()).tallies).toEqual(whole);
    expect(await doAgain(db, author())).toMatchObject({ ok: true });
    expect((await look()).tallies).toEqual([]);
  });

  it("is nobody else's to change, from their own album or from here", async () => {
    const [mine, theirs] = [await newBook(store), await newBook(store)];
    const [id, own] = [randomUUID(), mark("2026-12-05", "Silver Net")];
    await changeTally(db, mine.author(), { how: "add", id, name: "Songs" });
    await changeTally(db, mine.author(), { how: "mark", id, mark: own });
    const before = (await mine.look()).tallies;
    const changes: TallyChange[] = [
      { how: "add", id, name: "Taken" },
      { how: "name", id, name: "Theirs" },
      { how: "mark", id, mark: mark("2026-12-05") },
      { how: "mark-text", id: own.id, text: "Theirs" },
      { how: "unmark", id: own.id },
      { how: "remove", id },
    ];
    for (const change of changes) {
      await changeTally(db, theirs.author(), change);
      expect(await changeTally(db, { ...theirs.author(), albumId: mine.albumId }, change)).toEqual({
        ...{ ok: false, reason: "not-found" },
      });
    }
    // Nor does a mark come out of another's tally because its name is used again.
    const beside = randomUUID();
    await changeTally(db, theirs.author(), { how: "add", id: beside, name: "Beside" });
    expect(await changeTally(db, theirs.author(), { how: "mark", id: beside, mark: own })).toMatchObject({ ok: false });
    expect((await mine.look()).tallies).toEqual(before);
    expect((await theirs.look()).tallies).toEqual([{ id: beside, name: "Beside", marks: [] }]);
  });

  it("is bounded, and offered by its names to the household's other albums alone", async () => {
    const { author, keeper } = await newBook(store);
    for (let at = 0; at < 60; at++)
      expect(await changeTally(db, author(), { how: "add", id: randomUUID(), name: `${at % 3}` })).toEqual({
        ok: true,
      });
    expect(await changeTally(db, author(), { how: "add", id: randomUUID(), name: "More" })).toEqual({
      ...{ ok: false, reason: "too-many" },
    });
    expect(await namesCounted(db, keeper.householdId)).toEqual(["0", "1", "2"]);
    expect(await namesCounted(db, (await newBook(store)).keeper.householdId)).toEqual([]);
  });
});

describe("a note for the next album", () => {
  it("is kept over what was seen, taken back, and kept once", async () => {
    const { author, look } = await newBook(store);
    const now = async () => (await look()).album.nextYear;
    expect(await noteForNext(db, author(), "", "Paper in September\r\nLess glue")).toEqual({ ok: true });
    expect(await now()).toBe("Paper in September\nLess glue");
    // Sent again, as when its answer was lost; and seen as a form sends it back.
    expect(await noteForNext(db, author(), "", "Paper in September\r\nLess glue")).toEqual({ ok: true });
    expect(await noteForNext(db, author(), "Paper in September\r\nLess glue", "Paper in August")).toEqual({ ok: true });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "next-album" } });
    expect(await now()).toBe("Paper in September\nLess glue");
  });

  it("is not written over what somebody wrote meanwhile, and theirs is told", async () => {
    const [mine, theirs] = [await newBook(store), await newBook(store)];
    await noteForNext(db, mine.author(), "", "Hers");
    expect(await noteForNext(db, mine.author(), "", "His")).toEqual({
      ...{ ok: false, reason: "changed-elsewhere", now: "Hers" },
    });
    const thief = { ...theirs.author(), albumId: mine.albumId };
    expect(await noteForNext(db, thief, "Hers", "Gone")).toEqual({ ok: false, reason: "not-found" });
    expect((await mine.look()).album.nextYear).toBe("Hers");
  });
});
