import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { newCard } from "../core/album/model.ts";
import { bonesOf } from "../core/finish/bones.ts";
import { notedBefore } from "../core/finish/next-year.ts";
import { inches } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Span } from "../core/month/span.ts";
import { decemberPlan, newKeeper, openTestStore } from "../tests/household.ts";

import { createAlbum, readAlbum, readAlbums, setAlbumDeleted } from "./album.ts";
import { albumsToBeginFrom } from "./bones.ts";
import { saveDayEdit } from "./day.ts";
import { notedForDays } from "./next-year.ts";
import { readOtherYears } from "./other-years.ts";
import { changeTally } from "./tally.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

const date = (text: string) => text as CalendarDate;
const december = (year: number): Span => ({ start: date(`${year}-12-01`), end: date(`${year}-12-31`) });

/** An album of a December with something on its 9th. */
async function albumOf(keeper: Awaited<ReturnType<typeof newKeeper>>, year: number) {
  const albumId = await createAlbum(db, keeper.householdId, {
    ...decemberPlan(),
    title: `Of ${year}`,
    span: december(year),
  });
  const author = { ...keeper, albumId, at: new Date() };
  const read = await readAlbum(db, keeper.householdId, albumId);
  const ninth = read?.days.find((day) => day.date === `${year}-12-09`)?.id ?? "";
  const card = newCard(randomUUID(), { w: inches(3), h: inches(4) }, `Lights of ${year}`);
  await saveDayEdit(db, author, ninth, null, { kind: "prompt", text: "How many lights?", slip: null });
  await saveDayEdit(db, author, ninth, null, { kind: "add-card", card });
  return { albumId, author, ninth };
}

describe("a day in other years", () => {
  it("is what earlier albums of the household have on the same date, the latest first", async () => {
    const keeper = await newKeeper(store);
    const of = {
      2023: await albumOf(keeper, 2023),
      2025: await albumOf(keeper, 2025),
      2027: await albumOf(keeper, 2027),
    };
    await albumOf(await newKeeper(store), 2024);
    const years = await readOtherYears(db, keeper.householdId, december(2026), date("2026-12-09"));
    expect(years.map(({ albumId, words, prompt }) => [albumId, words, prompt])).toEqual([
      [of[2025].albumId, ["Lights of 2025"], "How many lights?"],
      [of[2023].albumId, ["Lights of 2023"], "How many lights?"],
    ]);
    expect(years.map(({ isBefore }) => isBefore)).toEqual([true, false]);
    // A day with nothing on it, one that no December has, and an album in the tray are none.
    expect(await readOtherYears(db, keeper.householdId, december(2026), date("2026-12-10"))).toEqual([]);
    const november = { start: date("2026-11-01"), end: date("2026-11-30") };
    expect(await readOtherYears(db, keeper.householdId, november, date("2026-11-09"))).toEqual([]);
    await setAlbumDeleted(db, keeper.householdId, of[2025].albumId, new Date());
    const left = await readOtherYears(db, keeper.householdId, december(2026), date("2026-12-09"));
    expect(left.map(({ album }) => album)).toEqual(["Of 2023"]);
  });
});

describe("what the album before noted for its days", () => {
  it("is of the latest earlier album with the same dates, as the core has it, and of no other household's", async () => {
    const keeper = await newKeeper(store);
    const noted = async (year: number, text: string) => {
      const { author, ninth } = await albumOf(keeper, year);
      await saveDayEdit(db, author, ninth, null, { kind: "next-year", text });
    };
    await noted(2023, "Long done");
    await noted(2025, "Count from the slip");
    await noted(2027, "Not yet");
    await createAlbum(db, keeper.householdId, {
      ...{ ...decemberPlan(), title: "October" },
      span: { start: date("2026-10-01"), end: date("2026-10-31") },
    });
    expect(await notedForDays(db, keeper.householdId, december(2026))).toEqual([
      { date: "2026-12-09", album: "Of 2025", text: "Count from the slip" },
    ]);
    // The core, of the same albums.
    const all = (await readAlbums(db, keeper.householdId)).map(({ album, days, matters, tallies }) => ({
      ...{ ...album, days, matters, tallies },
    }));
    for (const span of [
      december(2026),
      december(2024),
      december(2023),
      { start: date("2026-10-01"), end: date("2026-10-31") },
    ])
      expect(
        (await notedForDays(db, keeper.householdId, span)).map(({ album, text, date: here }) => [album, text, here]),
      ).toEqual(notedBefore(span, all).map(({ album, text, on }) => [album, text, on.what === "day" ? on.here : null]));
    const short = { start: date("2026-12-01"), end: date("2026-12-08") };
    expect(await notedForDays(db, keeper.householdId, short)).toEqual([]);
    expect(await notedForDays(db, (await newKeeper(store)).householdId, december(2026))).toEqual([]);
  });
});

describe("a new album from an old one's bones", () => {
  it("has its prompts on the same days and nothing that was written or taken", async () => {
    const keeper = await newKeeper(store);
    const { albumId, author, ninth } = await albumOf(keeper, 2025);
    for (const edit of [
      { kind: "title", text: "Forty windows" },
      { kind: "every-year", on: true },
      { kind: "next-year", text: "Count from the point" },
    ] as const)
      await saveDayEdit(db, author, ninth, null, edit);
    await changeTally(db, author, { how: "add", id: randomUUID(), name: "Films seen" });
    await createAlbum(db, keeper.householdId, { ...decemberPlan(), title: "Empty", span: december(2024) });
    const olds = await albumsToBeginFrom(db, keeper.householdId);
    expect(olds.map(({ plan, prompts, traditions, tallies }) => [plan.title, prompts, traditions, tallies])).toEqual([
      ["Of 2025", 1, 1, 1],
      ["Empty", 0, 0, 0],
    ]);
    const old = await readAlbum(db, keeper.householdId, albumId);
    if (!old) throw new Error("the album is there");
    const plan = { ...decemberPlan(), span: december(2026) };
    const next = await createAlbum(
      db,
      keeper.householdId,
      plan,
      [],
      bonesOf({ ...old.album, days: old.days, tallies: old.tallies }, plan.span),
    );
    const read = await readAlbum(db, keeper.householdId, next);
    const asked = read?.days.filter(({ content }) => content.prompt.text !== "") ?? [];
    expect(asked.map((day) => [day.date, day.content.prompt.text])).toEqual([["2026-12-09", "How many lights?"]]);
    expect(asked.map(({ content }) => [content.title, content.everyYear, content.nextYear])).toEqual([
      ["Forty windows", true, ""],
    ]);
    expect(read?.tallies.map(({ name, marks }) => [name, marks])).toEqual([["Films seen", []]]);
    expect(read?.days.flatMap(({ content }) => content.cards)).toEqual([]);
    expect(read?.leaves).toEqual([]);
  });
});

describe("all albums of a household", () => {
  it("are each as it is read alone, also once one was changed, without those of others or in the tray", async () => {
    const keeper = await newKeeper(store);
    const [later, first] = [await albumOf(keeper, 2025), await albumOf(keeper, 2023)];
    await albumOf(await newKeeper(store), 2024);
    const same = async () => {
      const all = await readAlbums(db, keeper.householdId);
      const alone = await Promise.all(all.map(({ album }) => readAlbum(db, keeper.householdId, album.id)));
      expect(all).toEqual(alone);
      return all;
    };
    expect((await same()).map(({ album }) => album.id)).toEqual([first.albumId, later.albumId]);
    await saveDayEdit(db, first.author, first.ninth, null, { kind: "title", text: "Said anew" });
    const [changed] = await same();
    expect(changed?.days.find(({ id }) => id === first.ninth)?.content.title).toBe("Said anew");
    await setAlbumDeleted(db, keeper.householdId, later.albumId, new Date());
    expect((await same()).map(({ album }) => album.id)).toEqual([first.albumId]);
  });
});
