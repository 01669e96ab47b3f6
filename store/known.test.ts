import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { allPagesOf } from "../core/album/matter.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Known, KnownRead } from "../core/month/known.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { takeBack } from "./journal/take-back.ts";
import { dropKnown, keepKnown, putOnPage, saveCalendar } from "./known.ts";
import { changeMatter } from "./matter.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const on = (date: string) => date as CalendarDate;
const event = (key: string, date = "2026-12-05", more: Partial<KnownRead> = {}): KnownRead => ({
  ...{ key, title: `Event ${key}`, from: on(date), to: on(date), starts: "18:00", ends: null },
  ...more,
});

describe("what is known ahead", () => {
  it("is kept once however often it is read, moved, let go of, and taken back as one line", async () => {
    const { author, look } = await newBook(store);
    const keys = async () => (await look()).known.map(({ key, from, onPage }) => `${key} ${from.slice(8)} ${onPage}`);
    const read = (events: KnownRead[], source = "Family") => saveCalendar(db, author(), source, events);
    expect(await read([event("a"), event("b")])).toMatchObject({ ok: true, told: { same: 0 } });
    expect(await read([event("b"), event("a")])).toMatchObject({ ok: true, told: { same: 2, fresh: [] } });
    await putOnPage(db, author(), "a", true);
    expect(await keys()).toEqual(["a 05 true", "b 05 false"]);
    expect(await read([event("a", "2026-12-06"), event("c", "2026-12-07")])).toMatchObject({
      told: { changed: [{ now: { key: "a" } }], gone: [{ key: "b" }], fresh: [{ key: "c" }] },
    });
    expect(await keys()).toEqual(["a 06 true", "c 07 false"]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "known" } });
    expect(await keys()).toEqual(["a 05 true", "b 05 false"]);
    await dropKnown(db, author(), "b");
    expect(await keys()).toEqual(["a 05 true"]);
  });

  it("is nobody else's to read into, choose from or let go of", async () => {
    const [mine, theirs] = [await newBook(store), await newBook(store)];
    await saveCalendar(db, mine.author(), "Family", [event("a")]);
    const thief = { ...theirs.author(), albumId: mine.albumId };
    const refused = { ok: false, reason: "not-found" };
    const own: Known = { ...event("own"), source: "", onPage: true };
    expect(await saveCalendar(db, thief, "Family", [])).toEqual(refused);
    expect(await keepKnown(db, thief, own)).toEqual(refused);
    expect(await putOnPage(db, thief, "a", true)).toEqual(refused);
    expect(await dropKnown(db, thief, "a")).toEqual(refused);
    // Nor is what the other has reached by its name from one's own album.
    expect(await putOnPage(db, theirs.author(), "a", true)).toEqual(refused);
    expect((await mine.look()).known).toMatchObject([{ key: "a", onPage: false }]);
  });

  it("is bounded, and read by two windows at once no more than once", async () => {
    const { author, look } = await newBook(store);
    const many = Array.from({ length: 2001 }, (_, at) => event(`k${at}`));
    expect(await saveCalendar(db, author(), "Huge", many)).toEqual({ ok: false, reason: "too-many" });
    const both = [event("a"), event("b")];
    await Promise.all([1, 2, 3].map(() => saveCalendar(db, author(), "Family", both)));
    expect((await look()).known).toHaveLength(2);
  });
});

describe("a month calendar page", () => {
  it("fills itself with what is put there, as it was chosen, and nothing else can have squares", async () => {
    const { author, look } = await newBook(store);
    const [id, title] = [randomUUID(), randomUUID()];
    await changeMatter(db, author(), { what: "matter", how: "add", id, matter: "month-calendar" });
    await changeMatter(db, author(), { what: "matter", how: "add", id: title, matter: "title" });
    const squares = async () => {
      const page = allPagesOf(await look()).find((each) => "matter" in each && each.entry.id === id);
      const { month } = page && "matter" in page ? page.matter : {};
      const lines = month?.grids[0]?.weeks.flat().flatMap((square) => square?.lines ?? []) ?? [];
      return { isUsual: month?.isUsual, texts: lines.map(({ text }) => text) };
    };
    await keepKnown(db, author(), { ...event("own"), source: "", onPage: true });
    await saveCalendar(db, author(), "Family", [event("a")]);
    expect(await squares()).toEqual({ isUsual: true, texts: ["Event own"] });
    const month = { kind: "titles", weekStart: 7 } as const;
    expect(await changeMatter(db, author(), { what: "matter", how: "month", id, month })).toEqual({ ok: true });
    expect(await squares()).toEqual({ isUsual: false, texts: [] });
    expect(await changeMatter(db, author(), { what: "matter", how: "month", id: title, month })).toEqual({
      ...{ ok: false, reason: "not-found" },
    });
    await takeBack(db, author());
    expect((await squares()).isUsual).toBe(true);
  });
});
