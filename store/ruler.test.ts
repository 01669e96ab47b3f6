import { afterAll, describe, expect, it } from "vitest";
import { MOST_MEASURED, type RulerMark } from "../core/bulk/ruler.ts";
import { micrometres } from "../core/material/material.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { takeBack } from "./journal/take-back.ts";
import { forgetMeasured, keepMeasured } from "./ruler.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());
const mark = (measured: number): RulerMark => ({
  ...{ on: "2026-12-09" as RulerMark["on"], measured: micrometres(measured), reckoned: micrometres(10_000) },
});

describe("a ruler put to a closed book", () => {
  it("is kept beside the album, forgotten one by one, and taken back in one", async () => {
    const { look, author } = await newBook(store);
    const ruler = async () => (await look()).album.ruler;
    for (const measured of [9000, 9500, 9000])
      expect(await keepMeasured(db, author(), mark(measured))).toEqual({ ok: true });
    expect(await forgetMeasured(db, author(), mark(9000))).toEqual({ ok: true });
    expect(await ruler()).toEqual([mark(9500), mark(9000)]);
    // What is not there is forgotten already.
    expect(await forgetMeasured(db, author(), mark(1))).toEqual({ ok: true });
    expect(await ruler()).toEqual([mark(9500), mark(9000)]);
    await takeBack(db, author());
    expect(await ruler()).toHaveLength(3);
  });

  it("leaves the album's own version: an open form of its measures is none the worse", async () => {
    const { look, author } = await newBook(store);
    const { version } = (await look()).album;
    await keepMeasured(db, author(), mark(9000));
    await takeBack(db, author());
    expect((await look()).album.version).toBe(version);
  });

  it("is of the household's own album, and of no more measures than are kept", async () => {
    const { look, author } = await newBook(store);
    const stranger = await newBook(store);
    const theirs = { ...stranger.author(), albumId: author().albumId };
    expect(await keepMeasured(db, theirs, mark(9000))).toEqual({ ok: false, reason: "not-found" });
    for (let nth = 0; nth < MOST_MEASURED; nth++) await keepMeasured(db, author(), mark(9000 + nth));
    expect(await keepMeasured(db, author(), mark(1))).toEqual({ ok: false, reason: "too-many" });
    expect((await look()).album.ruler).toHaveLength(MOST_MEASURED);
  });
});

describe("a book in volumes", () => {
  it("is parted and left as it is seen in the database as in the reckoning, each taken back in one", async () => {
    const { look, author, give, save } = await newBook(store);
    const [one, two] = [await give("2026-12-05"), await give("2026-12-06")];
    await save({ kind: "part", leaf: two, opens: true });
    await save({ kind: "leave-seen", leaf: one, slip: `glimpse ${two}`, on: true });
    const now = async () => (await look()).leaves.map(({ opensVolume, leftSeen }) => [opensVolume, leftSeen]);
    expect(await now()).toEqual([
      [false, [`glimpse ${two}`]],
      [true, []],
    ]);
    await takeBack(db, author());
    await takeBack(db, author());
    expect(await now()).toEqual([
      [false, []],
      [false, []],
    ]);
  });
});
