import { afterAll, describe, expect, it } from "vitest";
import { newBook } from "../tests/book.ts";
import { newAlbum, openTestStore } from "../tests/household.ts";
import { readAlbum } from "./album.ts";
import { saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { takePlan } from "./plan-table.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

describe("a plan taken over from a table", () => {
  it("is one act, to be taken back in one, and leaves what was written since it was read", async () => {
    const { author, dayId, keeper, albumId } = await newBook(store);
    const [second, third] = [await dayId("2026-12-02"), await dayId("2026-12-03")];
    await saveDayEdit(db, author(), third, null, { kind: "title", text: "Written since" });
    const days = async () => (await readAlbum(db, keeper.householdId, albumId))?.days ?? [];
    const was = await days();
    const taken = await takePlan(db, author(), [
      { dayId: second, field: "title", was: "", becomes: "Snow" },
      { dayId: second, field: "prompt", was: "", becomes: "What fell" },
      { dayId: third, field: "title", was: "", becomes: "From the table" },
      { dayId: third, field: "note", was: "", becomes: "Ask Bram" },
    ]);
    expect(taken).toEqual({ taken: 3, left: 1 });
    const of = async (id: string) => (await days()).find((day) => day.id === id)?.content;
    expect(await of(second)).toMatchObject({ title: "Snow", prompt: { text: "What fell", slip: null } });
    expect(await of(third)).toMatchObject({ title: "Written since", note: "Ask Bram" });
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "plan-table", days: 2 } });
    expect((await days()).map(({ content }) => content)).toEqual(was.map(({ content }) => content));
  });

  it("is of the author's own album", async () => {
    const [mine, other] = [await newBook(store), await newAlbum(store)];
    const change = { dayId: await mine.dayId("2026-12-02"), field: "note", was: "", becomes: "Not theirs" } as const;
    expect(await takePlan(db, other.author(), [change])).toEqual({ taken: 0, left: 1 });
    expect(await takePlan(db, { ...other.author(), albumId: mine.albumId }, [change])).toEqual({ taken: 0, left: 1 });
  });
});
