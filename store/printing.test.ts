import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { cardStandings } from "../core/album/card-printing.ts";
import { newCard } from "../core/album/model.ts";
import { tileAt, tilesOf, writePrintOf } from "../core/album/tiles.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { size } from "../core/measure/size.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { AS_IT_COMES } from "../core/photo/crop.ts";
import { NO_LOOK } from "../core/photo/look.ts";
import { anyLab } from "../core/sheet/printer.ts";
import { usualSetting } from "../core/words/lettering.ts";
import { newAlbum, openTestStore } from "../tests/household.ts";
import { sheetOf, withPrints } from "../tests/prints.ts";
import { saveDayEdit } from "./day.ts";
import { takeBack } from "./journal/take-back.ts";
import { dropOrder, keepOrder, markArrived, markCutOut } from "./lab-orders.ts";
import { readLabs, savePrinter } from "./printers.ts";
import {
  dropSheet,
  makeSheets,
  markByHand,
  markSheetsPrinted,
  markSpoiled,
  readSheets,
  tickAllCuts,
  tickCut,
} from "./printing.ts";
import { markPhotos } from "./roll.ts";

const store = openTestStore();
afterAll(() => store.close());

describe("prints", () => {
  it("are wanted until they are on a sheet, printed when it is, and cut out with their last cut; the page's steps follow", async () => {
    const { albumId, author, one, two, standing, done } = await withPrints(store);
    expect(await standing(one.id)).toBe("wanted");
    expect(await makeSheets(store.db, author(), "photos", [sheetOf(one.id, two.id)])).toEqual({
      ok: true,
      sheets: [1],
    });
    expect(await standing(one.id)).toBe("on-sheet");
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], true);
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["printed", "printed"]);
    expect(await done()).toContain("print");
    expect(await done()).not.toContain("trim");
    await tickCut(store.db, author(), sheet?.id ?? "", 0, true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["trimmed", "printed"]);
    await tickCut(store.db, author(), sheet?.id ?? "", 1, true);
    expect(await done()).toContain("trim");
    await tickCut(store.db, author(), sheet?.id ?? "", 1, false);
    expect(await standing(two.id)).toBe("printed");
    expect(await done()).not.toContain("trim");
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], false);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["on-sheet", "on-sheet"]);
    expect(await done()).not.toContain("print");
    expect((await readSheets(store.db, albumId))[0]?.cutsDone).toEqual([]);
  });

  it("of several sheets are said to be printed in one go, or none; and all of a sheet is cut in one", async () => {
    const { albumId, author, one, two, standing, done } = await withPrints(store);
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id), sheetOf(two.id)]);
    const ids = (await readSheets(store.db, albumId)).map(({ id }) => id);
    const stranger = [...ids, randomUUID()];
    expect(await markSheetsPrinted(store.db, author(), stranger, true)).toEqual({ ok: false, reason: "not-found" });
    expect([await standing(one.id), await standing(two.id)]).toEqual(["on-sheet", "on-sheet"]);
    expect(await markSheetsPrinted(store.db, author(), [...ids, ...ids], true)).toEqual({ ok: true });
    expect([await standing(one.id), await standing(two.id)]).toEqual(["printed", "printed"]);
    for (const id of ids) expect(await tickAllCuts(store.db, author(), id)).toEqual({ ok: true });
    expect([await standing(one.id), await standing(two.id)]).toEqual(["trimmed", "trimmed"]);
    expect(await done()).toContain("trim");
    // As one act, it goes back in one.
    for (let time = 0; time < ids.length + 1; time++) expect((await takeBack(store.db, author())).ok).toBe(true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["on-sheet", "on-sheet"]);
  });

  it("are not made twice by two windows", async () => {
    const { author, one } = await withPrints(store);
    const both = await Promise.all([1, 2].map(() => makeSheets(store.db, author(), "photos", [sheetOf(one.id)])));
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });

  it("are not made twice in one go, nor a card in parts, nor anything that no day has", async () => {
    const { author, one } = await withPrints(store);
    const refused = { ok: false, reason: "changed-since" };
    const twice = [sheetOf(one.id), sheetOf(one.id)];
    expect(await makeSheets(store.db, author(), "photos", twice)).toEqual(refused);
    for (const word of [randomUUID(), `${one.id}~2x1.2.0`, "nothing"])
      expect(await makeSheets(store.db, author(), "photos", [sheetOf(word)])).toEqual(refused);
    expect(await makeSheets(store.db, author(), "cards", [sheetOf(one.id)])).toEqual(refused);
  });

  it("made in parts are done when their parts are; a part that is spoiled is wanted alone", async () => {
    const { author, one, standing, read } = await withPrints(store);
    const tiles = tilesOf({ across: 2, down: 1 });
    const half = (at: number) => {
      const tile = tiles[at];
      if (!tile) throw new Error("two halves");
      const { w, h } = tileAt(one.print, tile);
      const base = sheetOf(writePrintOf({ id: one.id, tile }));
      return { ...base, prints: base.prints.map((each) => ({ ...each, at: rect(0, 0, w, h) })) };
    };
    const both = await makeSheets(store.db, author(), "photos", [half(0), half(1)]);
    expect(both).toEqual({ ok: true, sheets: [1, 2] });
    expect(await standing(one.id)).toBe("on-sheet");
    const sheets = await readSheets(store.db, (await read()).album.id);
    for (const { id } of sheets) await markSheetsPrinted(store.db, author(), [id], true);
    expect(await standing(one.id)).toBe("printed");
    const right = (await read()).prints.find(({ tile }) => tile?.column === 1);
    expect(right?.tile).toEqual({ ...tiles[1], whole: one.print });
    await markSpoiled(store.db, author(), right?.id ?? "", true);
    expect(await standing(one.id)).toBe("wanted");
    expect((await makeSheets(store.db, author(), "photos", [half(0)])).ok).toBe(false);
    expect((await makeSheets(store.db, author(), "photos", [half(1)])).ok).toBe(true);
    expect(await standing(one.id)).toBe("on-sheet");
  });

  it("spoiled are wanted again, and a spare on the same sheet takes their place", async () => {
    const { author, one, standing, done, read } = await withPrints(store);
    const base = sheetOf(one.id);
    const spare = { id: one.id, at: rect(0, inches(4), inches(6), inches(4)), turned: false, spare: true };
    await makeSheets(store.db, author(), "photos", [{ ...base, prints: [...base.prints, spare] }]);
    const [sheet] = await readSheets(store.db, (await read()).album.id);
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], true);
    const prints = async () => (await read()).prints;
    const [first, second] = await prints();
    await markSpoiled(store.db, author(), first?.id ?? "", true);
    expect(await standing(one.id)).toBe("printed");
    await markSpoiled(store.db, author(), second?.id ?? "", true);
    expect(await standing(one.id)).toBe("wanted");
    expect(await done()).not.toContain("print");
    await markSpoiled(store.db, author(), second?.id ?? "", false);
    expect(await standing(one.id)).toBe("printed");
  });

  it("are wanted again when their size, their crop or their picture's look changes", async () => {
    const { keeper, author, dayId, one, two, standing, albumId } = await withPrints(store);
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id, two.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], true);
    await saveDayEdit(store.db, author(), dayId, null, {
      kind: "photo-crop",
      id: one.id,
      crop: { ...AS_IT_COMES, closer: 130 },
    });
    expect(await standing(one.id)).toBe("wanted");
    await takeBack(store.db, author());
    expect(await standing(one.id)).toBe("printed");
    await markPhotos(store.db, keeper.householdId, [two.photoId], {
      kind: "look",
      look: { ...NO_LOOK, blackAndWhite: true },
    });
    expect(await standing(two.id)).toBe("wanted");
  });

  it("of a sheet that is put away unprinted are wanted again; a printed sheet stays", async () => {
    const { author, one, standing, albumId } = await withPrints(store);
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], true);
    expect(await dropSheet(store.db, author(), sheet?.id ?? "")).toEqual({ ok: false, reason: "printed" });
    await markSheetsPrinted(store.db, author(), [sheet?.id ?? ""], false);
    expect(await dropSheet(store.db, author(), sheet?.id ?? "")).toEqual({ ok: true });
    expect(await standing(one.id)).toBe("wanted");
  });

  it("wait at the lab until their order has come", async () => {
    const { author, one, two, standing, done } = await withPrints(store);
    const dates = { orderedOn: "2026-12-01" as CalendarDate, dueOn: "2026-12-04" as CalendarDate };
    const order = await keepOrder(store.db, author(), [one.id, two.id], dates, anyLab("inch"));
    if (!order.ok) throw new Error(order.reason);
    expect(await standing(one.id)).toBe("at-lab");
    expect(await keepOrder(store.db, author(), [one.id], dates, anyLab("inch"))).toMatchObject({
      ok: false,
      reason: "changed-since",
    });
    await markArrived(store.db, author(), order.orderId, true);
    expect(await done()).toEqual(expect.arrayContaining(["print", "trim"]));
    await markArrived(store.db, author(), order.orderId, false);
    expect(await standing(two.id)).toBe("at-lab");
    expect(await done()).not.toContain("print");
  });

  it("that come on larger paper are printed when their order has come, and cut out when that is said", async () => {
    const { author, keeper, one, two, standing, done } = await withPrints(store);
    const { db } = store;
    const large = { w: inches(8), h: inches(10) };
    await savePrinter(db, author(), { ...anyLab("inch"), name: "Quay Lab", lab: { papers: [large], days: 4 } });
    const [lab] = await readLabs(db, keeper.householdId);
    if (!lab) throw new Error("a lab was kept");
    const dates = { orderedOn: "2026-12-01" as CalendarDate, dueOn: "2026-12-05" as CalendarDate };
    const order = await keepOrder(db, author(), [one.id, two.id], dates, lab);
    if (!order.ok) throw new Error(order.reason);
    await markArrived(db, author(), order.orderId, true);
    expect([await standing(one.id), await standing(two.id)]).toEqual(["printed", "printed"]);
    await markCutOut(db, author(), order.orderId, true);
    expect(await standing(one.id)).toBe("trimmed");
    expect(await done()).toEqual(expect.arrayContaining(["print", "trim"]));
    await markCutOut(db, author(), order.orderId, false);
    expect([await standing(one.id), (await done()).includes("trim")]).toEqual(["printed", false]);
    // None of its papers takes the print: it is not to be had there.
    await savePrinter(db, author(), { ...lab, lab: { papers: [{ w: inches(2), h: inches(2) }], days: 4 } });
    const [small] = await readLabs(db, keeper.householdId);
    await dropOrder(db, author(), order.orderId);
    await markArrived(db, author(), order.orderId, false);
    await dropOrder(db, author(), order.orderId);
    expect(await keepOrder(db, author(), [one.id], dates, small ?? lab)).toEqual({
      ok: false,
      reason: "changed-since",
    });
  });

  it("are not ordered from another household's lab", async () => {
    const { author, one } = await withPrints(store);
    const stranger = await withPrints(store);
    await savePrinter(store.db, stranger.author(), { ...anyLab("inch"), name: "Theirs" });
    const [theirs] = await readLabs(store.db, stranger.keeper.householdId);
    const dates = { orderedOn: "2026-12-01" as CalendarDate, dueOn: "2026-12-05" as CalendarDate };
    if (!theirs) throw new Error("a lab was kept");
    expect(await keepOrder(store.db, author(), [one.id], dates, theirs)).toEqual({ ok: false, reason: "not-found" });
  });

  it("made elsewhere are so when the keeper says so", async () => {
    const { author, one, two, standing, done } = await withPrints(store);
    await markByHand(store.db, author(), "photos", [one.id], true);
    expect(await standing(one.id)).toBe("trimmed");
    expect(await done()).not.toContain("print");
    await markByHand(store.db, author(), "photos", [two.id], true);
    expect(await done()).toContain("print");
    await markByHand(store.db, author(), "photos", [two.id], false);
    expect(await standing(two.id)).toBe("wanted");
  });

  it("on cards that have their own print are so when the keeper says so; a tick made by hand is left alone", async () => {
    const { author, dayId, done, read } = await withPrints(store);
    const blank = newCard(randomUUID(), size(inches(3), inches(4)), "Saffron loaves");
    const card = { ...blank, setting: { ...usualSetting(blank.size), stock: "printed" as const } };
    await saveDayEdit(store.db, author(), dayId, null, { kind: "add-card", card });
    const said = async () => cardStandings((await read()).pages, (await read()).prints)[0]?.standing.kind;
    expect(await said()).toBe("carrier");
    await markByHand(store.db, author(), "cards", [card.id], true);
    expect([await said(), (await done()).includes("letter")]).toEqual(["trimmed", true]);
    await markByHand(store.db, author(), "cards", [card.id], false);
    expect([await said(), (await done()).includes("letter")]).toEqual(["carrier", false]);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "step", step: "letter", done: true });
    await markByHand(store.db, author(), "cards", [card.id], false);
    expect(await done()).toContain("letter");
    const stranger = await newAlbum(store);
    expect(await markByHand(store.db, stranger.author(), "cards", [card.id], true)).toEqual({
      ok: false,
      reason: "not-found",
    });
  });

  it("belong to nobody else: another household's sheet is not there", async () => {
    const { author, one, albumId } = await withPrints(store);
    await makeSheets(store.db, author(), "photos", [sheetOf(one.id)]);
    const [sheet] = await readSheets(store.db, albumId);
    const stranger = await newAlbum(store);
    expect(await markSheetsPrinted(store.db, stranger.author(), [sheet?.id ?? ""], true)).toEqual({
      ok: false,
      reason: "not-found",
    });
    expect(await makeSheets(store.db, stranger.author(), "photos", [sheetOf(one.id)])).toEqual({
      ok: false,
      reason: "changed-since",
    });
  });
});
