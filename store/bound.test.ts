import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { presetById } from "../core/album/formats.ts";
import { PLAIN_PAPER } from "../core/album/leaf.ts";
import { isBlank, sewnCount } from "../core/book/bound.ts";
import { decemberPlan, newKeeper, openTestStore } from "../tests/household.ts";
import { createAlbum, readAlbum, updateAlbum } from "./album.ts";
import { saveBookEdit } from "./book.ts";
import { takeBack } from "./journal/take-back.ts";
import { readTray } from "./tray.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

/** A December of ten days in a bound book of so many leaves. */
async function boundAlbum(leaves: number | null) {
  const { householdId, memberId } = await newKeeper(store);
  const preset = presetById("a5-sewn");
  if (!preset) throw new Error("shipped");
  const { id: _, unit: __, ...format } = preset;
  const plan = decemberPlan({ format: { ...format, leaves } });
  const albumId = await createAlbum(db, householdId, plan);
  const read = async () => {
    const album = await readAlbum(db, householdId, albumId);
    if (!album) throw new Error("the album is there");
    return album;
  };
  const author = () => ({ householdId, albumId, memberId, at: new Date() });
  const count = async (now: number | null) => {
    const { album } = await read();
    return updateAlbum(db, householdId, albumId, album.version, { ...plan, format: { ...format, leaves: now } });
  };
  const give = async (day: number) => {
    const id = randomUUID();
    const dayId = (await read()).days[day]?.id ?? "";
    expect((await saveBookEdit(db, author(), null, { kind: "give-leaf", id, make: PLAIN_PAPER, dayId })).ok).toBe(true);
    return id;
  };
  return { householdId, read, author, count, give };
}

describe("a bound book in the store", () => {
  it("has its leaves from the first day, keeps one for each day, and is as it was when a page is taken back", async () => {
    const { householdId, read, author, give } = await boundAlbum(12);
    expect((await read()).leaves.every(isBlank)).toBe(true);
    // The last day first: nine leaves stay free for those before it.
    const late = await give(9);
    const early = await give(0);
    const { leaves } = await read();
    expect(leaves).toHaveLength(12);
    expect([leaves.findIndex(({ id }) => id === early), leaves.findIndex(({ id }) => id === late)]).toEqual([0, 9]);
    expect(sewnCount(leaves)).toEqual({ sewn: 12, used: 2 });
    // What made room is nothing that anybody put away.
    expect((await readTray(db, householdId)).leaves).toEqual([]);
    expect((await takeBack(db, author())).ok).toBe(true);
    const back = (await read()).leaves;
    expect([back.length, sewnCount(back).used]).toEqual([12, 1]);
  });

  it("refuses to move or turn a sewn leaf, makes one blank again, and has a torn one in the tray", async () => {
    const { householdId, read, author, give } = await boundAlbum(4);
    const leaf = await give(2);
    const edit = async (kind: "turn-leaf" | "free-leaf" | "remove-leaf", id = leaf) =>
      saveBookEdit(db, author(), null, { kind, leaf: id });
    expect(await edit("turn-leaf")).toEqual({ ok: false, reason: "sewn-in" });
    const [first] = (await read()).leaves;
    expect(await saveBookEdit(db, author(), null, { kind: "move-leaf", leaf, after: null })).toMatchObject({
      reason: "sewn-in",
    });
    expect((await edit("free-leaf")).ok).toBe(true);
    expect((await read()).leaves.every(isBlank)).toBe(true);
    const other = await give(3);
    expect((await edit("remove-leaf", other)).ok).toBe(true);
    expect((await read()).leaves).toHaveLength(3);
    expect((await readTray(db, householdId)).leaves.map(({ id }) => id)).toEqual([other]);
    expect((await read()).leaves[0]?.id).toBe(first?.id);
  });

  it("counted anew has more or fewer blank leaves and loses none in use; counted first, its plain pages are sewn", async () => {
    const { read, count, give } = await boundAlbum(null);
    const page = await give(5);
    expect((await read()).leaves).toHaveLength(1);
    expect((await count(6)).ok).toBe(true);
    expect(sewnCount((await read()).leaves)).toEqual({ sewn: 6, used: 1 });
    expect((await count(3)).ok).toBe(true);
    const fewer = (await read()).leaves;
    expect([sewnCount(fewer), fewer.some(({ id }) => id === page)]).toEqual([{ sewn: 3, used: 1 }, true]);
    expect((await count(null)).ok).toBe(true);
    expect((await read()).leaves.map(({ id, sewn }) => [id, sewn])).toEqual([[page, false]]);
  });
});
