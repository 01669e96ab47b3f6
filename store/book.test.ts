import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { PLAIN_PAPER } from "../core/album/leaf.ts";
import type { BookEdit } from "../core/book/edit.ts";
import { grid } from "../core/book/layout.ts";
import { inches } from "../core/measure/length.ts";
import { added, FULL, newBook, piece } from "../tests/book.ts";
import { openTestStore, secondMember } from "../tests/household.ts";
import { countingQueries } from "./db.ts";
import { setFoundations } from "./foundations.ts";
import { takeBack } from "./journal/take-back.ts";
import { putOwnAway } from "./library/own.ts";
import { keepFormat, readFormats, saveLayout } from "./library/pages.ts";
import { emptyTray, putLeafOrTryOutBack, readTray } from "./tray.ts";
import { addTryOut, arrangeTryOut, keepTryOut } from "./try-out.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const book = () => newBook(store);

describe("the order of the book", () => {
  it("is kept without gaps by the database itself, and one place holds one leaf", async () => {
    const { albumId, save, look } = await book();
    const [a, b] = [randomUUID(), randomUUID()];
    await save(added(a));
    await save(added(b, a));
    const broken = async (statement: string) =>
      store.pool.query(statement, [albumId]).then(
        () => "taken",
        (error: { code: string }) => error.code,
      );
    expect(await broken("update leaf set position = position + 1 where album_id = $1")).toBe("23514");
    // Two leaves in one place: whichever rule is looked at first.
    expect(["23505", "23514"]).toContain(await broken("update leaf set position = 0 where album_id = $1"));
    expect(await broken("update leaf set position = null where album_id = $1")).toBe("23514");
    expect((await look()).leaves.map(({ id }) => id)).toEqual([a, b]);
  });

  it("moves, is taken back, and a leaf put behind itself or gone is told and changes nothing", async () => {
    const { save, look, author } = await book();
    const ids = [randomUUID(), randomUUID(), randomUUID()];
    for (const [at, id] of ids.entries()) await save(added(id, ids[at - 1] ?? null));
    const order = async () => (await look()).leaves.map(({ id }) => (ids as string[]).indexOf(id));
    await save({ kind: "move-leaf", leaf: ids[2] ?? "", after: null });
    expect(await order()).toEqual([2, 0, 1]);
    expect(await save({ kind: "move-leaf", leaf: ids[0] ?? "", after: ids[0] ?? "" })).toEqual({
      ok: false,
      reason: "into-itself",
    });
    expect(await save({ kind: "turn-leaf", leaf: randomUUID() })).toEqual({ ok: false, reason: "leaf-gone" });
    expect(await order()).toEqual([2, 0, 1]);
    await takeBack(db, author());
    expect(await order()).toEqual([0, 1, 2]);
  });

  it("gives a side to a day of its own album only, and knows no leaf of another household", async () => {
    const [mine, theirs] = [await book(), await book()];
    const id = randomUUID();
    await mine.save(added(id));
    const foreign = { kind: "day" as const, dayId: await theirs.dayId("2026-12-01") };
    expect(await mine.save({ kind: "own-side", leaf: id, face: "front", owner: foreign })).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await theirs.save({ kind: "turn-leaf", leaf: id })).toEqual({ ok: false, reason: "leaf-gone" });
    expect(await theirs.save(added(id))).toEqual({ ok: false, reason: "not-found" });
    expect(await theirs.save(added(randomUUID()), null, { ...theirs.author(), albumId: mine.albumId })).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect((await theirs.look()).leaves).toEqual([]);
    expect((await mine.look()).leaves.length).toBe(1);
  });
});

describe("two windows on the book", () => {
  it("different leaves pass each other; the same leaf is told who and when, and nothing is written over", async () => {
    const { keeper, save, look, author } = await book();
    const other = author(await secondMember(store, keeper, "Tobiah"));
    const [a, b] = [randomUUID(), randomUUID()];
    await save(added(a));
    await save(added(b, a));
    const lay = (leaf: string, id: string): BookEdit => ({ kind: "arrange", leaf, face: "front", pieces: [piece(id)] });
    expect(await save(lay(a, "mine"), { [a]: 1 })).toEqual({ ok: true, made: { [a]: 2 } });
    expect(await save(lay(b, "theirs"), { [b]: 1 }, other)).toEqual({ ok: true, made: { [b]: 2 } });
    const late = await save(lay(a, "theirs"), { [a]: 1 }, other);
    expect(late).toMatchObject({ ok: false, reason: "leaf-clash", bookClash: { leaf: a, by: "Keeper", version: 2 } });
    // Of two leaves in one act, the one that was written since is found wherever it stands.
    const both: BookEdit = {
      kind: "arrange-many",
      sides: [b, a].map((leaf) => ({ leaf, face: "back" as const, pieces: [piece("both")] })),
    };
    expect(await save(both, { [b]: 2, [a]: 1 }, other)).toMatchObject({ ok: false, bookClash: { leaf: a } });
    // The same arrangement sent again because its answer was lost is no clash.
    expect(await save(lay(a, "mine"), { [a]: 1 })).toEqual({ ok: true, made: { [a]: 2 } });
    expect(await save({ kind: "move-leaf", leaf: a, after: b }, null, other)).toMatchObject({ ok: true });
    expect((await look()).leaves.find(({ id }) => id === a)?.front.pieces).toEqual([piece("mine")]);
  });

  it("is not taken back over what somebody did to the same leaf since", async () => {
    const { keeper, save, author } = await book();
    const other = author(await secondMember(store, keeper, "Tobiah"));
    const id = randomUUID();
    await save(added(id));
    await save({ kind: "arrange", leaf: id, face: "back", pieces: [piece("a")] }, null, other);
    expect(await takeBack(db, author())).toMatchObject({ ok: false, reason: "changed-since" });
  });
});

describe("try-outs", () => {
  it("up to two wait beside a side; the one kept comes on the page, what lay there and the rest go to the tray", async () => {
    const { keeper, save, look, author } = await book();
    const id = randomUUID();
    await save(added(id));
    await save({ kind: "arrange", leaf: id, face: "front", pieces: [piece("a")] });
    const candidates = [randomUUID(), randomUUID()];
    for (const each of candidates)
      await addTryOut(db, author(), { id: each, leafId: id, face: "front", pieces: [piece("b")] });
    expect(await addTryOut(db, author(), { id: randomUUID(), leafId: id, face: "front", pieces: [] })).toEqual({
      ok: false,
      reason: "too-many-try-outs",
    });
    const [kept = ""] = candidates;
    expect(await arrangeTryOut(db, author(), kept, 0, [piece("c")])).toEqual({ ok: true, version: 1 });
    expect(await arrangeTryOut(db, author(), kept, 0, [piece("d")])).toEqual({ ok: false, reason: "try-out-changed" });
    expect((await look()).tryOuts.map(({ name }) => name)).toEqual(["B", "C"]);
    expect(await keepTryOut(db, author(), id, "front", kept)).toMatchObject({ ok: true });
    const after = await look();
    expect([after.leaves[0]?.front.pieces, after.tryOuts]).toEqual([[piece("c")], []]);
    // The other one, what lay on the page, and what came too late: nothing is lost, and the kept one is on the page alone.
    const { leaves: inTray } = await readTray(db, keeper.householdId);
    expect(inTray.map(({ kind }) => kind)).toEqual(Array(3).fill("try-out"));
    for (const each of inTray) await putLeafOrTryOutBack(db, keeper.householdId, "try-out", each.id, author());
    const back = (await look()).tryOuts.flatMap(({ pieces }) => pieces.map(({ id: pieceId }) => pieceId));
    expect(back.sort()).toEqual(["a", "b", "d"]);
    await keepTryOut(db, author(), id, "front", null);
    expect((await look()).tryOuts).toEqual([]);
    // Taken back: that none was kept, that three were put back from the tray, and that one was kept.
    await takeBack(db, author());
    expect((await look()).tryOuts).toHaveLength(3);
    for (const _ of [1, 2, 3, 4]) await takeBack(db, author());
    expect((await look()).leaves[0]?.front.pieces).toEqual([piece("a")]);
    expect((await look()).tryOuts.map(({ pieces }) => pieces)).toEqual([[piece("c")], [piece("b")]]);
    await emptyTray(db, keeper.householdId);
    expect((await readTray(db, keeper.householdId)).leaves).toEqual([]);
  });
});

describe("a kept try-out", () => {
  it("waits again with those beside it when its keeping is taken back, and nothing of it is in the tray", async () => {
    const { keeper, save, look, author } = await book();
    const id = randomUUID();
    await save(added(id));
    await save({ kind: "arrange", leaf: id, face: "front", pieces: [piece("a")] });
    const [b, c] = [randomUUID(), randomUUID()];
    await addTryOut(db, author(), { id: b, leafId: id, face: "front", pieces: [piece("b")] });
    await addTryOut(db, author(), { id: c, leafId: id, face: "front", pieces: [piece("c")] });
    await keepTryOut(db, author(), id, "front", b);
    expect((await look()).leaves[0]?.front.pieces).toEqual([piece("b")]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    const { leaves, tryOuts } = await look();
    expect(leaves[0]?.front.pieces).toEqual([piece("a")]);
    expect(tryOuts.map((each) => [each.id, each.name])).toEqual([
      [b, "B"],
      [c, "C"],
    ]);
    expect((await readTray(db, keeper.householdId)).leaves).toEqual([]);
  });
});

describe("foundation pages", () => {
  it("are set for many days as one act, and taken back as one", async () => {
    const { look, dayId, author } = await book();
    const pages = await Promise.all(
      ["2026-12-01", "2026-12-02"].map(async (date) => ({
        dayId: await dayId(date),
        leaf: null,
        make: FULL,
        pieces: [piece("numeral")],
      })),
    );
    expect(await setFoundations(db, author(), pages)).toBe(2);
    expect((await look()).leaves.map(({ front }) => front.pieces)).toEqual([[piece("numeral")], [piece("numeral")]]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true });
    expect((await look()).leaves).toEqual([]);
  });

  it("are set in as many statements for ten days as for two, and a handful of them", async () => {
    const counts: number[] = [];
    for (const days of [2, 10]) {
      const { look, dayId, author } = await book();
      const dates = Array.from({ length: days }, (_, at) => `2026-12-${String(at + 1).padStart(2, "0")}`);
      const ids = await Promise.all(dates.map(dayId));
      const pages = ids.map((each) => ({ dayId: each, leaf: null, make: FULL, pieces: [piece("numeral")] }));
      const count = await countingQueries(async (queries) => {
        expect(await setFoundations(db, author(), pages)).toBe(days);
        return queries();
      });
      counts.push(count);
      expect((await look()).leaves.flatMap(({ front }) => front.owner)).toEqual(
        ids.map((each) => ({ kind: "day", dayId: each })),
      );
    }
    expect(counts[0]).toBe(counts[1]);
    expect(counts[0]).toBeLessThanOrEqual(24);
  });
});

describe("what a household keeps for its pages", () => {
  it("a layout in use is kept and told; one that is free goes; a measured book forgotten changes no album", async () => {
    const { keeper, look, give, save, author } = await book();
    const { householdId } = keeper;
    const layout =
      (await saveLayout(db, householdId, {
        name: "Six",
        page: { w: inches(6), h: inches(8) },
        margin: inches(0),
        root: grid(3, 2),
      })) ?? "";
    const leaf = await give("2026-12-01", { ...PLAIN_PAPER, kind: "pocket", layout });
    expect((await look()).layouts.map(({ name }) => name)).toEqual(["Six"]);
    expect(await putOwnAway(db, author(), "layout", layout)).toEqual({ ok: false, reason: "in-use", pages: 1 });
    expect(await putOwnAway(db, (await book()).author(), "layout", layout)).toEqual({
      ok: false,
      reason: "not-found",
    });
    await save({ kind: "make", leaf, make: FULL });
    expect(await putOwnAway(db, author(), "layout", layout)).toEqual({ ok: true });
    const { format, unit } = (await look()).album;
    await keepFormat(db, householdId, unit, format);
    await keepFormat(db, householdId, unit, { ...format, capacity: 60_000 });
    const [kept, ...more] = await readFormats(db, householdId);
    expect([kept?.format.capacity, more]).toEqual([60_000, []]);
    expect(await putOwnAway(db, author(), "format", kept?.id ?? "")).toEqual({ ok: true });
    expect((await look()).album.format).toEqual(format);
  });
});
