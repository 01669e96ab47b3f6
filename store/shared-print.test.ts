import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { inches } from "../core/measure/length.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { newAlbum, openTestStore } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { readAlbum } from "./album.ts";
import { saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { newUse } from "./photo.ts";
import { freePictures, markPhotos } from "./roll.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

/** A keeper whose first day has a print of the first of four pictures. */
async function keeperWithPrint() {
  const { keeper, albumId, author } = await newAlbum(store);
  const { householdId } = keeper;
  const all: Awaited<ReturnType<typeof aPhoto>>["kept"][] = [];
  for (let at = 0; at < 4; at++) all.push((await aPhoto(store, householdId)).kept);
  const day = async () => {
    const [first] = (await readAlbum(db, householdId, albumId))?.days ?? [];
    if (!first) throw new Error("the album has no days");
    return first;
  };
  const { id: dayId } = await day();
  const useId = randomUUID();
  const [one] = all;
  if (!one) throw new Error("four");
  await saveDayEdit(db, author(), dayId, null, { kind: "add-photo", photo: newUse(useId, one) });
  /** Puts pictures into that print; what is sent of them is not believed. */
  const share = (ids: readonly string[]) =>
    saveDayEdit(db, author(), dayId, null, {
      ...{ kind: "photo-together", id: useId, along: "rows", counts: [ids.length], gap: inches(1 / 8) },
      pictures: ids.map((photoId) => ({ photoId, crop: AS_IT_COMES, picture: UNKNOWN_PICTURE })),
    });
  return { householdId, albumId, author, ids: all.map(({ id }) => id), day, share };
}

describe("a print that several pictures share", () => {
  it("has what is known of each, is read with its day, and is taken back in one", async () => {
    const { author, ids, day, share } = await keeperWithPrint();
    expect((await share(ids.slice(0, 3))).ok).toBe(true);
    const [use] = (await day()).content.photos;
    expect(use?.together).toMatchObject({ along: "rows", counts: [3], gap: inches(1 / 8) });
    expect(use?.together?.others.map(({ photoId, picture }) => [photoId, picture.width, picture.height])).toEqual(
      ids.slice(1, 3).map((id) => [id, 120, 80]),
    );
    expect((await takeBack(db, author())).ok).toBe(true);
    expect((await day()).content.photos).toMatchObject([{ photoId: ids[0], together: null }]);
  });

  it("takes no picture of another household, and none that is nobody's", async () => {
    const { ids, day, share } = await keeperWithPrint();
    const stranger = await keeperWithPrint();
    for (const other of [stranger.ids[1] ?? "", randomUUID()])
      expect(await share([ids[0] ?? "", other])).toEqual({ ok: false, reason: "not-found" });
    expect((await day()).content.photos).toMatchObject([{ together: null }]);
  });

  it("keeps its pictures on their day: none is offered as free, put away, or missing when its look changes", async () => {
    const { householdId, albumId, ids, day, share } = await keeperWithPrint();
    await share(ids.slice(0, 2));
    const { date } = await day();
    await markPhotos(db, householdId, ids, { kind: "banked", on: true });
    const free = await freePictures(db, householdId, albumId, [date], 9);
    expect(free.map(({ id }) => id).sort()).toEqual(ids.slice(2).sort());
    expect(free[0]?.facts).toMatchObject({ width: 120, height: 80 });
    expect(await markPhotos(db, householdId, ids, { kind: "away" })).toBe(2);
    const look = { blackAndWhite: true, straighten: 0, light: 0, contrast: 0 };
    await markPhotos(db, householdId, ids, { kind: "look", look });
    const [use] = (await day()).content.photos;
    expect(use?.together?.others[0]?.picture.look).toEqual(look);
  });
});
