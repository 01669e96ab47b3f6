import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { withOnIt } from "../core/photo/on-it.ts";
import type { RollMark } from "../core/photo/roll.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { takeBack } from "./journal/take-back.ts";
import { markEnd } from "./loose-ends.ts";
import { markInAlbum, markPhotos, readRoll } from "./roll.ts";
import { photo } from "./schema/index.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

describe("what is said of loose ends", () => {
  it("is kept beside the album, is said anew of more, and is taken back in one", async () => {
    const { look, author, dayId } = await newBook(store);
    const marks = async () => (await look()).album.looseEnds;
    const entry = await dayId("2026-12-05");
    const note = { kind: "note", entry, of: ["a"] } as const;
    expect(await markEnd(db, author(), { ...note, as: "tonight" })).toEqual({ ok: true });
    expect(await marks()).toEqual([{ ...note, as: "tonight" }]);
    await markEnd(db, author(), { ...note, as: "left" });
    await markEnd(db, author(), { ...note, of: ["b"], as: "left" });
    expect(await marks()).toEqual([{ ...note, of: ["a", "b"], as: "left" }]);
    await takeBack(db, author());
    expect(await marks()).toEqual([{ ...note, as: "left" }]);
  });

  it("is of the household's own album, and of a day or page of it", async () => {
    const { author, look } = await newBook(store);
    const stranger = await newBook(store);
    const end = { kind: "note", of: [], as: "left" } as const;
    const theirs = { ...stranger.author(), albumId: author().albumId };
    expect(await markEnd(db, theirs, { ...end, entry: null })).toEqual({ ok: false, reason: "not-found" });
    for (const entry of [randomUUID(), await stranger.dayId("2026-12-05")])
      expect(await markEnd(db, author(), { ...end, entry })).toEqual({ ok: false, reason: "not-found" });
    expect((await look()).album.looseEnds).toEqual([]);
  });
});

/** A picture of its own, with who is on it. */
async function pictureOf(householdId: string, people: string[] | null): Promise<string> {
  const { kept } = await aPhoto(store, householdId);
  await db.update(photo).set({ people }).where(eq(photo.id, kept.id));
  return kept.id;
}

describe("who is on pictures", () => {
  it("is marked on several at once as core says it of each, and taken back in one", async () => {
    const { keeper, author } = await newBook(store);
    const ids = await Promise.all(
      [null, [], ["Ilo"], ["Ilo", "Ada"]].map((people) => pictureOf(keeper.householdId, people)),
    );
    const now = async () => {
      const roll = await readRoll(db, keeper.householdId);
      return ids.map((id) => roll.find((each) => each.id === id)?.people);
    };
    const marks: RollMark[] = [
      { kind: "person", name: "Ada", on: true },
      { kind: "person", name: "Ilo", on: false },
      { kind: "person", name: "Ada", on: false },
      { kind: "nobody", on: true },
      { kind: "person", name: "Ilo", on: false },
      { kind: "nobody", on: false },
    ];
    for (const mark of marks) {
      const before = await now();
      expect(await markInAlbum(db, author(), ids, mark)).toBe(ids.length);
      if (mark.kind !== "person" && mark.kind !== "nobody") continue;
      expect(await now()).toEqual(before.map((people) => withOnIt(people ?? null, mark)));
    }
    await markInAlbum(db, author(), ids, { kind: "person", name: "Mara", on: true });
    await takeBack(db, author());
    expect(await now()).toEqual([null, null, null, null]);
  });

  it("is no stranger's to say", async () => {
    const { keeper } = await newBook(store);
    const stranger = await newBook(store);
    const id = await pictureOf(keeper.householdId, ["Ilo"]);
    expect(await markPhotos(db, stranger.keeper.householdId, [id], { kind: "nobody", on: true })).toBe(0);
    const [row] = await db.select({ people: photo.people }).from(photo).where(eq(photo.id, id));
    expect(row?.people).toEqual(["Ilo"]);
  });
});
