import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { newCard } from "../core/album/model.ts";
import { closedThickness, pagesOf, progressOf } from "../core/album/page.ts";
import { LIMITS } from "../core/limits.ts";
import { inches } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { mergeWithNeighbour } from "../core/month/slots.ts";
import { decemberPlan, newAlbum, openTestStore } from "../tests/household.ts";
import { makeWorld, quickVisitor } from "../tests/matrix/world.ts";
import { onceOnly } from "./act.ts";
import { createAlbum, readAlbum } from "./album.ts";
import { saveBookEdit } from "./book.ts";
import { movePhoto } from "./carry-over.ts";
import { changeMonth, saveDayEdit } from "./day.ts";
import { countingQueries, isStoreGone } from "./db.ts";
import { importAlbum } from "./import.ts";
import { insertAll } from "./insert-all.ts";
import { takeBack } from "./journal/take-back.ts";
import { saveDeck } from "./library/decks.ts";
import { saveLayout } from "./library/pages.ts";
import { putAway, takeBackKept } from "./library/tray.ts";
import { keepTraits, newUse, photoById } from "./photo.ts";
import { markByHand } from "./printing.ts";
import { markPhotos } from "./roll.ts";
import { jotting as jottingTable, pictureTrait, print } from "./schema/index.ts";
import { readShelf } from "./shelf.ts";
import { emptyTray, putBack } from "./tray.ts";
import { addTryOut, dropTryOut } from "./try-out.ts";

const store = openTestStore();
const { db } = store;
afterAll(() => store.close());

async function world() {
  const ids = await makeWorld(db, await quickVisitor(db, ""));
  const author = (albumId = ids.album) => ({ householdId: ids.householdId, albumId, memberId: "", at: new Date() });
  const { rows } = await db.execute<{ id: string }>(`select id from member where household_id = '${ids.householdId}'`);
  return { ids, author: (albumId?: string) => ({ ...author(albumId), memberId: rows[0]?.id ?? "" }) };
}

describe("an act with a name", () => {
  it("sent many times at once is done once, and each time answered alike", async () => {
    const { ids, author } = await world();
    const merge = () =>
      onceOnly(db, ids.householdId, act, (once) =>
        changeMonth(once, author(), { what: "told" }, (slots, span) =>
          mergeWithNeighbour(slots, span, ids.day, "after"),
        ),
      );
    const act = randomUUID();
    const answers = await Promise.all(Array.from({ length: 6 }, merge));
    expect(answers).toEqual(Array(6).fill({ ok: true }));
    const days = (await readAlbum(db, ids.householdId, ids.album))?.days ?? [];
    expect(days.filter(({ mergedInto }) => mergedInto === ids.day)).toHaveLength(1);
  });

  it("that takes back takes one change back, however often it is sent", async () => {
    const { author, ids } = await world();
    for (const text of ["one", "two", "three"]) await saveDayEdit(db, author(), ids.day, null, { kind: "title", text });
    const act = randomUUID();
    for (let time = 0; time < 3; time++) await onceOnly(db, ids.householdId, act, (once) => takeBack(once, author()));
    expect((await readAlbum(db, ids.householdId, ids.album))?.days[0]?.content.title).toBe("two");
  });

  it("that was refused may be tried again under its name", async () => {
    const { author, ids } = await world();
    const act = randomUUID();
    const edit = () =>
      onceOnly(db, ids.householdId, act, (once) =>
        saveDayEdit(once, author(), ids.day, null, { kind: "card-text", id: card, text: "now" }),
      );
    const card = randomUUID();
    expect(await edit()).toEqual({ ok: false, reason: "piece-gone" });
    await saveDayEdit(db, author(), ids.day, null, {
      kind: "add-card",
      card: newCard(card, { w: inches(3), h: inches(4) }),
    });
    expect(await edit()).toMatchObject({ ok: true });
  });

  it("of one household is not that of another", async () => {
    const [one, two] = [await world(), await world()];
    const act = randomUUID();
    const title = ({ ids, author }: typeof one) =>
      onceOnly(db, ids.householdId, act, (once) =>
        saveDayEdit(once, author(), ids.day, null, { kind: "title", text: "T" }),
      );
    await title(one);
    await title(two);
    expect((await readAlbum(db, two.ids.householdId, two.ids.album))?.days[0]?.content.title).toBe("T");
  });
});

describe("a picture that a phone hands in again", () => {
  it("is not put back where it was moved from, taken off, or emptied from the tray", async () => {
    const { ids, author } = await world();
    const photo = await photoById(db, ids.householdId, ids.loose);
    if (!photo) throw new Error("made above");
    const hand = (use: string) =>
      onceOnly(db, ids.householdId, use, (once) =>
        saveDayEdit(once, author(), ids.day, null, { kind: "add-photo", photo: newUse(use, photo) }),
      );
    const onDay = async () =>
      (await readAlbum(db, ids.householdId, ids.album))?.days
        .find(({ id }) => id === ids.day)
        ?.content.photos.filter(({ photoId }) => photoId === ids.loose).length;
    const moved = randomUUID();
    await hand(moved);
    expect(await onDay()).toBe(1);
    await movePhoto(db, author(), ids.day, moved, "2026-12-03" as CalendarDate);
    await hand(moved);
    expect(await onDay()).toBe(0);
    const taken = randomUUID();
    await hand(taken);
    await saveDayEdit(db, author(), ids.day, null, { kind: "remove-photo", id: taken });
    await hand(taken);
    expect(await onDay()).toBe(0);
    await emptyTray(db, ids.householdId);
    await hand(taken);
    expect(await onDay()).toBe(0);
  });
});

describe("what is said or read many times at once", () => {
  it("to be printed elsewhere is so once", async () => {
    const { ids, author } = await world();
    await Promise.all(Array.from({ length: 5 }, () => markByHand(db, author(), "photos", [ids.use, ids.use], true)));
    const rows = await db.select().from(print).where(eq(print.useId, ids.use));
    expect(rows.filter(({ sheetId, orderId }) => !sheetId && !orderId)).toHaveLength(1);
  });

  it("from one archive becomes one album, and each reader is told which", async () => {
    const { keeper } = await newAlbum(store);
    const archive = randomUUID();
    const read = () => importAlbum(db, keeper.householdId, archive, decemberPlan({ title: "Read" }), []);
    const answers = await Promise.all(Array.from({ length: 4 }, read));
    expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
    expect(new Set(answers.map(({ albumId }) => albumId)).size).toBe(1);
    expect((await readShelf(db, keeper.householdId)).filter(({ album }) => album.title === "Read")).toHaveLength(1);
  });
});

describe("a thing under a name that is another's", () => {
  it("is not said to be kept: a card, a jotting, a deck", async () => {
    const [one, two] = [await world(), await world()];
    const size = { w: inches(3), h: inches(4) };
    const { ids, author } = two;
    const save = (edit: Parameters<typeof saveDayEdit>[4]) => saveDayEdit(db, author(), ids.day, null, edit);
    const at = "2026-12-01T18:40";
    const refused = { ok: false, reason: "not-found" };
    expect(await save({ kind: "add-card", card: newCard(one.ids.card, size) })).toEqual(refused);
    expect(
      await save({ kind: "add-jotting", jotting: { id: one.ids.jotting, text: "J", at, privateUntil: null } }),
    ).toEqual(refused);
    expect(await saveDeck(db, ids.householdId, { id: one.ids.deck, name: "Mine", jar: "prompt", slips: [] })).toBe(
      "not-found",
    );
    expect((await readAlbum(db, one.ids.householdId, one.ids.album))?.days[0]?.content.cards[0]?.text).toBe("Words");
  });
});

describe("a day and a book", () => {
  it("hold no more of a kind than a page can show, and say so", async () => {
    const { ids, author } = await world();
    const jotting = () => ({ id: randomUUID(), text: "J", at: "2026-12-02T18:40", privateUntil: null });
    const many = { ok: false, reason: "day-full" };
    const full = Array.from({ length: LIMITS.piecesOfDay.most }, (_, position) => ({
      ...jotting(),
      dayId: ids.secondDay,
      position,
    }));
    await db.transaction((tx) => insertAll(tx, jottingTable, full));
    expect(await saveDayEdit(db, author(), ids.secondDay, null, { kind: "add-jotting", jotting: jotting() })).toEqual(
      many,
    );
  });

  it("stand on the shelf after one statement, however many, and bring none of their words", async () => {
    const { keeper, albumId, author } = await newAlbum(store);
    const day = (await readAlbum(db, keeper.householdId, albumId))?.days[0]?.id ?? "";
    await saveDayEdit(db, author(), day, null, { kind: "title", text: "Nobody reads this" });
    await saveDayEdit(db, author(), day, null, {
      kind: "add-card",
      card: newCard(randomUUID(), { w: inches(3), h: inches(4) }, "Nor this"),
    });
    for (const more of [0, 3]) {
      for (let at = 0; at < more; at++) await createAlbum(db, keeper.householdId, decemberPlan());
      const [statements, shelf] = await countingQueries(async (queries) => {
        const read = await readShelf(db, keeper.householdId);
        return [queries(), read] as const;
      });
      expect([statements, shelf.length]).toEqual([1, more + 1]);
      expect(JSON.stringify(shelf)).not.toMatch(/Nobody|Nor this/);
      const whole = await readAlbum(db, keeper.householdId, albumId);
      const light = shelf.find(({ album }) => album.id === albumId);
      if (!whole || !light) throw new Error("the album is not there");
      // What the shelf reckons from is what the whole album would give.
      const [pages, all] = [pagesOf(light), pagesOf(whole)];
      expect(closedThickness(pages, light.leaves, light.album.format)).toBe(
        closedThickness(all, whole.leaves, whole.album.format),
      );
      expect(progressOf(pages)).toEqual(progressOf(all));
    }
  });

  it("save a change in a handful of statements, however much lies on the day", async () => {
    const { ids, author } = await world();
    const statements = await countingQueries(async (queries) => {
      await saveDayEdit(db, author(), ids.day, null, { kind: "title", text: "Counted" });
      return queries();
    });
    expect(statements).toBeLessThanOrEqual(8);
  });
});

describe("many writers at once", () => {
  it("of every kind, in one household, are all answered: none is the victim of another", async () => {
    const { ids, author } = await world();
    const faults: unknown[] = [];
    const done = (work: () => Promise<unknown>) =>
      work().catch((error: unknown) => {
        if (!isStoreGone(error)) faults.push(error);
      });
    const acts: ((round: number) => Promise<unknown>)[] = [
      (round) => saveDayEdit(db, author(), ids.day, null, { kind: "title", text: `${round}` }),
      (round) => saveDayEdit(db, author(ids.other), ids.day, null, { kind: "title", text: `${round}` }),
      (round) => markPhotos(db, ids.householdId, [ids.photo, ids.loose], { kind: "star", on: round % 2 === 0 }),
      (round) => markPhotos(db, ids.householdId, [ids.loose, ids.photo], { kind: "banked", on: round % 2 === 0 }),
      (round) =>
        saveBookEdit(db, author(), null, { kind: "lie", leaf: ids.leaf, drop: null, liftsOff: round % 2 === 0 }),
      (round) =>
        saveLayout(db, ids.householdId, {
          name: `${round}`,
          page: { w: inches(6), h: inches(8) },
          margin: inches(0),
          root: { kind: "pocket" },
        }),
      () => putBack(db, ids.householdId, "card", ids.trayCard, author()),
      () => emptyTray(db, ids.householdId),
      () => markByHand(db, author(), "photos", [ids.use], true),
      (round) =>
        addTryOut(db, author(), {
          id: randomUUID(),
          leafId: ids.otherLeaf,
          face: round % 2 ? "front" : "back",
          pieces: [],
        }),
      () => dropTryOut(db, author(), ids.tryOut),
      () => putAway(db, ids.householdId, "layout", ids.layout, new Date()),
      () => takeBackKept(db, ids.householdId, "layout", ids.layout),
      () => takeBack(db, author()),
    ];
    await Promise.all(
      Array.from({ length: 280 }, (_, round) => done(() => acts[round % acts.length]?.(round) ?? Promise.resolve())),
    );
    expect(faults).toEqual([]);
  });
});

describe("a remembered album", () => {
  it("is read anew when something is found out about one of its pictures later", async () => {
    const { ids } = await world();
    const sha256 = (await readAlbum(db, ids.householdId, ids.album))?.photos.get(ids.photo)?.sha256 ?? "";
    await db.delete(pictureTrait).where(eq(pictureTrait.sha256, sha256));
    await db.execute(`update album set revision = revision where id = '${ids.album}'`);
    const keepOf = async () =>
      (await readAlbum(db, ids.householdId, ids.album))?.days[0]?.content.photos[0]?.picture.focus;
    expect(await keepOf()).toEqual({ x: 5000, y: 5000 });
    await keepTraits(db, sha256, {
      fingerprint: "0".repeat(16),
      sharpness: 1,
      focus: { x: 1234, y: 5678 },
      light: [],
      busy: [],
      colours: [],
    } as never);
    expect(await keepOf()).toEqual({ x: 1234, y: 5678 });
  });
});
