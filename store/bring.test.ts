import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import type { CalendarDate } from "../core/month/dates.ts";
import { newAlbum, openTestStore } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { readAlbum } from "./album.ts";
import { bringToDay } from "./bring.ts";
import { saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { freePictures, markPhotos } from "./roll.ts";

const store = openTestStore();
afterAll(() => store.close());

/** A keeper with an album, a day of it, and some pictures of the roll. */
async function keeperWith(pictures: number) {
  const { keeper, albumId, author } = await newAlbum(store);
  const ids: string[] = [];
  for (let at = 0; at < pictures; at++) ids.push((await aPhoto(store, keeper.householdId)).kept.id);
  const read = async () => readAlbum(store.db, keeper.householdId, albumId);
  const day = (await read())?.days[0];
  if (!day) throw new Error("the album has no days");
  const content = async () => (await read())?.days.find(({ id }) => id === day.id)?.content;
  return { keeper, author, albumId, day, ids, content };
}
const jot = (text: string) => ({ id: randomUUID(), text, at: "2026-12-01T18:40" });
const use = (photoId: string) => ({ useId: randomUUID(), photoId });

describe("what is brought to a day", () => {
  it("comes whole, as one act that goes back in one", async () => {
    const { author, day, ids, content } = await keeperWith(2);
    const brought = { dayId: day.id, jotting: jot("Gulls"), pictures: ids.map(use) };
    expect(await bringToDay(store.db, author(), brought)).toEqual({ ok: true, there: [] });
    expect((await content())?.photos.map(({ photoId }) => photoId)).toEqual(ids);
    expect((await content())?.jottings.map(({ text }) => text)).toEqual(["Gulls"]);
    expect((await takeBack(store.db, author())).ok).toBe(true);
    expect([(await content())?.photos, (await content())?.jottings]).toEqual([[], []]);
  });

  it("leaves nothing behind where a part of it is refused", async () => {
    const { author, day, ids, content } = await keeperWith(1);
    const stranger = await keeperWith(1);
    for (const photoId of [randomUUID(), stranger.ids[0] ?? ""]) {
      const brought = { dayId: day.id, jotting: jot("Half"), pictures: [...ids.map(use), use(photoId)] };
      expect(await bringToDay(store.db, author(), brought)).toEqual({ ok: false, reason: "no-picture" });
      expect([(await content())?.photos, (await content())?.jottings]).toEqual([[], []]);
    }
    const elsewhere = { dayId: stranger.day.id, jotting: jot("Theirs"), pictures: [] };
    expect(await bringToDay(store.db, author(), elsewhere)).toEqual({ ok: false, reason: "not-found" });
  });

  it("is done once under its names, says which picture was there already, and is not put back where it was taken off", async () => {
    const { author, day, ids, content } = await keeperWith(1);
    const first = { dayId: day.id, jotting: null, pictures: ids.map(use) };
    await Promise.all([1, 2, 3].map(() => bringToDay(store.db, author(), first)));
    expect(await content()).toMatchObject({ photos: [{ id: first.pictures[0]?.useId }] });
    const again = { ...first, pictures: ids.map(use) };
    expect(await bringToDay(store.db, author(), again)).toEqual({
      ok: true,
      there: again.pictures.map((each) => each.useId),
    });
    const id = first.pictures[0]?.useId ?? "";
    await saveDayEdit(store.db, author(), day.id, null, { kind: "remove-photo", id });
    expect(await bringToDay(store.db, author(), first)).toEqual({ ok: true, there: [] });
    expect((await content())?.photos).toEqual([]);
  });
});

describe("pictures that a day may have", () => {
  it("are its own and the banked, the starred first; none set aside, on a page already, or another household's", async () => {
    const { keeper, author, albumId, day, ids } = await keeperWith(5);
    await keeperWith(2);
    const [own, starred, banked, aside, placed] = ids as [string, string, string, string, string];
    const mark = (id: string, each: Parameters<typeof markPhotos>[3]) =>
      markPhotos(store.db, keeper.householdId, [id], each);
    const date = "2026-12-09" as CalendarDate;
    for (const id of [own, starred, aside, placed]) await mark(id, { kind: "date", date });
    await mark(starred, { kind: "star", on: true });
    await mark(banked, { kind: "banked", on: true });
    await mark(banked, { kind: "date", date: "2026-11-02" as CalendarDate });
    await mark(aside, { kind: "set-aside", on: true });
    await bringToDay(store.db, author(), { dayId: day.id, jotting: null, pictures: [use(placed)] });
    const free = async (dates: readonly string[], most = 40) =>
      (await freePictures(store.db, keeper.householdId, albumId, dates, most)).map(({ id }) => id);
    expect(await free([date])).toEqual([starred, banked, own]);
    expect(await free([])).toEqual([banked]);
    expect(await free([date], 1)).toEqual([starred]);
  });
});
