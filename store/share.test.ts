import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { ALL_GOES_OUT } from "../core/share/going-out.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { setAlbumDeleted } from "./album.ts";
import { share } from "./schema/index.ts";
import { addShare, changeShare, closeShare, openShare, readShares, removeShare, sharedBy } from "./share.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

const opened = async (...given: Parameters<typeof openShare>): Promise<string> => {
  const answer = await openShare(...given);
  if (!answer.ok) throw new Error(answer.reason);
  return answer.secret;
};

describe("a link", () => {
  it("is closed when it is made, opened under an address of its own each time, and closed with what was chosen kept", async () => {
    const { author, albumId } = await newBook(store);
    const id = randomUUID();
    for (const _ of [1, 2]) expect(await addShare(db, author(), id, "Bram")).toEqual({ ok: true });
    const all = () => readShares(db, author());
    expect(await all()).toEqual([{ id, name: "Bram", goes: ALL_GOES_OUT, endsOn: null, since: null }]);
    const goes = { ...ALL_GOES_OUT, entries: [randomUUID()] };
    await changeShare(db, author(), id, { goes });
    const [first, second] = [await opened(db, author(), id), await opened(db, author(), id)];
    expect(first).not.toBe(second);
    expect(await sharedBy(db, first)).toBeNull();
    expect(await sharedBy(db, second)).toMatchObject({ albumId, share: { id, goes } });
    const { householdId } = author();
    await setAlbumDeleted(db, householdId, albumId, new Date());
    expect(await sharedBy(db, second)).toBeNull();
    await setAlbumDeleted(db, householdId, albumId, null);
    expect(await sharedBy(db, second)).not.toBeNull();
    await closeShare(db, author(), id);
    expect(await sharedBy(db, second)).toBeNull();
    expect((await all())[0]).toMatchObject({ goes, since: null });
    await removeShare(db, author(), id);
    expect(await all()).toEqual([]);
  });

  it("keeps its secret nowhere: what the table has opens nothing", async () => {
    const { author } = await newBook(store);
    const id = randomUUID();
    await addShare(db, author(), id, "Bram");
    const secret = await opened(db, author(), id);
    const rows = JSON.stringify(await db.select().from(share));
    expect(rows).not.toContain(secret);
    for (const kept of rows.matchAll(/"secretHash":"([^"]+)"/g)) expect(await sharedBy(db, kept[1] ?? "")).toBeNull();
    expect(await sharedBy(db, "")).toBeNull();
  });

  it("is nobody else's to see, change, open, close or take away", async () => {
    const [mine, theirs] = [await newBook(store), await newBook(store)];
    const id = randomUUID();
    await addShare(db, mine.author(), id, "Bram");
    const secret = await opened(db, mine.author(), id);
    const before = await readShares(db, mine.author());
    for (const thief of [theirs.author(), { ...theirs.author(), albumId: mine.albumId }]) {
      await addShare(db, thief, id, "Mine now");
      expect(await changeShare(db, thief, id, { name: "Theirs" })).toMatchObject({ ok: false });
      expect(await openShare(db, thief, id)).toMatchObject({ ok: false });
      expect(await closeShare(db, thief, id)).toMatchObject({ ok: false });
      await removeShare(db, thief, id);
      expect((await readShares(db, thief)).map((each) => each.name)).not.toContain("Bram");
    }
    expect(await readShares(db, mine.author())).toEqual(before);
    expect(await sharedBy(db, secret)).not.toBeNull();
  });

  it("is one of forty at the most", async () => {
    const { author } = await newBook(store);
    for (let at = 0; at < 40; at++) expect(await addShare(db, author(), randomUUID(), `${at}`)).toEqual({ ok: true });
    expect(await addShare(db, author(), randomUUID(), "more")).toEqual({ ok: false, reason: "too-many" });
  });
});
