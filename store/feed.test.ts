import { eq } from "drizzle-orm";
import { afterAll, expect, it } from "vitest";
import { newBook } from "../tests/book.ts";
import { openTestStore, secondMember } from "../tests/household.ts";
import { closeFeed, feedOf, feedSince, openFeed } from "./feed.ts";
import { album, feed } from "./schema/index.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

it("a feed has one address at a time, its secret is not kept, and a closed or guessed one leads nowhere", async () => {
  const { author, albumId, keeper } = await newBook(store);
  expect(await feedSince(db, author())).toBeNull();
  const first = await openFeed(db, author());
  if (!first) throw new Error("not opened");
  expect(await feedOf(db, first)).toMatchObject({ albumId, memberId: keeper.memberId });
  expect(await feedSince(db, author())).toBeInstanceOf(Date);
  const [row] = await db.select().from(feed).where(eq(feed.albumId, albumId));
  expect(JSON.stringify(row)).not.toContain(first);
  const second = await openFeed(db, author());
  expect(second).not.toBe(first);
  expect([await feedOf(db, first), (await feedOf(db, second ?? ""))?.albumId]).toEqual([null, albumId]);
  // Each person has their own.
  const tobiah = author(await secondMember(store, keeper, "Tobiah"));
  const his = await openFeed(db, tobiah);
  await closeFeed(db, author());
  expect([await feedOf(db, second ?? ""), await feedSince(db, author())]).toEqual([null, null]);
  expect((await feedOf(db, his ?? ""))?.memberId).toBe(tobiah.memberId);
  for (const guess of ["", "x", albumId, "%", "../month"]) expect(await feedOf(db, guess)).toBeNull();
});

it("is not opened on another household's album, and ends with its album in the tray", async () => {
  const [mine, theirs] = [await newBook(store), await newBook(store)];
  expect(await openFeed(db, { ...theirs.author(), albumId: mine.albumId })).toBeNull();
  const secret = await openFeed(db, mine.author());
  await db.update(album).set({ deletedAt: new Date() }).where(eq(album.id, mine.albumId));
  expect(await feedOf(db, secret ?? "")).toBeNull();
});
