import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import type { CalendarDate } from "../core/month/dates.ts";
import { type Hours, USUAL_HOURS } from "../core/pace/capacity.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { saveDayEdit } from "./day.ts";
import { journaled } from "./journal/line.ts";
import { takeBack } from "./journal/take-back.ts";
import {
  beginSitting,
  dropSitting,
  endSitting,
  forgetMinutes,
  readPace,
  saveHours,
  saveMinutes,
  setSky,
} from "./pace.ts";
import { household, sitting } from "./schema/index.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const BUSY: Hours = { ...USUAL_HOURS, weekly: [0, 0, 0, 0, 0, 60, 60] };
const did = { what: "hours" } as const;
const later = (at: Date, minutes: number) => new Date(at.getTime() + minutes * 60_000);

describe("a person's hours", () => {
  it("are saved over what was read, refused over anything newer, and taken back", async () => {
    const { author } = await newBook(store);
    const me = author();
    const save = (version: number, hours: Hours) =>
      journaled(db, author(), did, (tx) => saveHours(tx, me.memberId, version, hours));
    expect(await readPace(db, me)).toMatchObject({ hours: null, version: 0, sittings: [], under: null });
    expect(await save(0, BUSY)).toEqual({ ok: true });
    // A second window that knows nothing of it, and one that read before.
    expect(await save(0, USUAL_HOURS)).toEqual({ ok: false, reason: "changed-elsewhere" });
    expect(await save(1, USUAL_HOURS)).toEqual({ ok: true });
    expect(await save(1, BUSY)).toEqual({ ok: false, reason: "changed-elsewhere" });
    expect((await readPace(db, me)).hours).toEqual(USUAL_HOURS);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did });
    // A form that is open since before it was taken back saves over nothing.
    expect(await readPace(db, me)).toMatchObject({ hours: BUSY, version: 3 });
    expect(await save(2, USUAL_HOURS)).toEqual({ ok: false, reason: "changed-elsewhere" });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did });
    expect((await readPace(db, me)).hours).toBeNull();
  });

  it("have minutes said by hand beside them, forgotten with what was timed", async () => {
    const { author } = await newBook(store);
    const me = author();
    await db.transaction((tx) => saveMinutes(tx, me.memberId, 0, { write: 7 }, USUAL_HOURS));
    await beginSitting(db, me, randomUUID(), "2026-12-05" as CalendarDate);
    await endSitting(db, { ...me, at: later(me.at, 20) });
    expect(await readPace(db, me)).toMatchObject({ minutes: { write: 7 }, sittings: [{ minutes: 20 }] });
    await db.transaction((tx) => forgetMinutes(tx, me.memberId, later(me.at, 30), USUAL_HOURS));
    const after = await readPace(db, me);
    expect(after).toMatchObject({ minutes: {}, sittings: [], hours: USUAL_HOURS });
    // That an evening was kept is not forgotten with it.
    expect(after.atWork).toContain("2026-12-05");
  });
});

describe("a sitting", () => {
  it("has what was ticked in it and still stands; a second is not begun beside it, and one can be let go", async () => {
    const { author, dayId } = await newBook(store);
    const day = await dayId("2026-12-05");
    const me = author();
    const on = "2026-12-05" as CalendarDate;
    await beginSitting(db, me, randomUUID(), on);
    await beginSitting(db, { ...me, at: later(me.at, 5) }, randomUUID(), on);
    expect((await readPace(db, me)).under).toMatchObject({ albumId: me.albumId });
    const tick = (minutes: number, step: "write" | "trim", done = true) =>
      saveDayEdit(db, { ...author(), at: later(me.at, minutes) }, day, null, { kind: "step", step, done });
    await tick(2, "write");
    await tick(3, "trim");
    await takeBack(db, { ...author(), at: later(me.at, 4) });
    expect(await endSitting(db, { ...me, at: later(me.at, 24) })).toBe(true);
    expect(await endSitting(db, { ...me, at: later(me.at, 25) })).toBe(false);
    const { sittings, under } = await readPace(db, me);
    expect([sittings, under]).toEqual([[{ date: on, minutes: 24, steps: ["write"] }], null]);

    await beginSitting(db, me, randomUUID(), on);
    await dropSitting(db, me.memberId);
    await beginSitting(db, me, randomUUID(), on);
    // Forgotten over night it counts no longer than an evening can be.
    await endSitting(db, { ...me, at: later(me.at, 60 * 24) });
    expect((await readPace(db, me)).sittings.map(({ minutes }) => minutes)).toEqual([24, 360]);
  });

  it("is begun in an album of one's own household alone", async () => {
    const [mine, other] = [await newBook(store), await newBook(store)];
    const me = mine.author();
    await beginSitting(db, { ...me, albumId: other.author().albumId }, randomUUID(), "2026-12-05" as CalendarDate);
    expect((await readPace(db, me)).under).toBeNull();
    expect(await db.$count(sitting, sql`member_id = ${me.memberId}`)).toBe(0);
  });
});

describe("where a household lives", () => {
  it("is on the globe, or nowhere", async () => {
    const { author } = await newBook(store);
    const { householdId } = author();
    const set = (latitude: number, longitude: number) =>
      db.transaction((tx) => setSky(tx, householdId, { latitude, longitude }));
    await set(54.6, -1.1);
    await expect(set(91, 0)).rejects.toThrow();
    const [row] = await db.select().from(household).where(sql`id = ${householdId}`);
    expect([row?.latitude, row?.longitude]).toEqual([54.6, -1.1]);
    await db.transaction((tx) => setSky(tx, householdId, null));
  });
});
