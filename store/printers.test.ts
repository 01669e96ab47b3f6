import { afterAll, describe, expect, it } from "vitest";
import { inches } from "../core/measure/length.ts";
import { anyLab, anyPrinter, firstChoices } from "../core/sheet/printer.ts";
import { newAlbum, newKeeper, openTestStore } from "../tests/household.ts";
import { sheetOf, withPrints } from "../tests/prints.ts";
import { takeBack } from "./journal/take-back.ts";
import { dropPrinter, readLabs, readPrinters, rememberChoices, savePrinter } from "./printers.ts";
import { makeSheets, readSheets } from "./printing.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

describe("a household's printers", () => {
  const photo = { ...anyPrinter("inch"), name: "For photos", across: inches(5.97) };

  it("are kept with their measures and what was chosen last, the one used last first; nobody else sees them", async () => {
    const { keeper, author } = await newAlbum(store);
    const { householdId } = keeper;
    expect(await readPrinters(db, householdId)).toEqual([]);
    await savePrinter(db, author(), { ...photo, borderless: { across: inches(6.2), along: inches(6.1) } });
    await savePrinter(db, author(), { ...anyPrinter("inch"), name: "For sheets" });
    const all = await readPrinters(db, householdId);
    const first = all.find(({ name }) => name === "For photos");
    expect(first).toMatchObject({ across: inches(5.97), borderless: { across: inches(6.2), along: inches(6.1) } });
    const choices = { ...firstChoices("inch"), papers: ["4x6"] as const, gap: inches(1 / 8), borderless: true };
    expect(await rememberChoices(db, householdId, first?.id ?? null, choices, "inch")).toBe(true);
    expect((await readPrinters(db, householdId))[0]).toMatchObject({ name: "For photos", last: choices });
    await savePrinter(db, author(), { ...photo, id: first?.id ?? null, name: "The little one" });
    // What was chosen stays when it is measured anew.
    expect((await readPrinters(db, householdId))[0]).toMatchObject({
      name: "The little one",
      borderless: null,
      last: choices,
    });
    const other = await newKeeper(store);
    expect(await readPrinters(db, other.householdId)).toEqual([]);
    expect(await rememberChoices(db, other.householdId, first?.id ?? null, choices, "inch")).toBe(false);
    const theirs = { ...other, albumId: null, at: new Date() };
    expect(await savePrinter(db, theirs as never, { ...photo, id: first?.id ?? null })).toBe(false);
    expect(await dropPrinter(db, theirs as never, first?.id ?? "")).toBe(false);
  });

  it("are remembered from the first choice on, before any is measured", async () => {
    const { keeper } = await newAlbum(store);
    const choices = { ...firstChoices("cm"), gap: inches(1 / 4) };
    const asked = [1, 2, 3].map(() => rememberChoices(db, keeper.householdId, null, choices, "cm"));
    expect(await Promise.all(asked)).toEqual([true, true, true]);
    expect(await readPrinters(db, keeper.householdId)).toMatchObject([
      { ...anyPrinter("cm"), id: expect.any(String), last: choices },
    ]);
  });

  it("are what their sheets are made for; put away they leave them, and come back to them", async () => {
    const { keeper, albumId, author, one, two } = await withPrints(store);
    await savePrinter(db, author(), photo);
    const [kept] = await readPrinters(db, keeper.householdId);
    const on = { printer: kept?.id ?? null, borderless: true };
    expect(await makeSheets(db, author(), "photos", [sheetOf(one.id, two.id)], on)).toEqual({ ok: true, sheets: [1] });
    const madeFor = async () =>
      (await readSheets(db, albumId)).map(({ printerId, borderless }) => [printerId, borderless]);
    expect(await madeFor()).toEqual([[kept?.id, true]]);
    expect(await dropPrinter(db, author(), kept?.id ?? "")).toBe(true);
    expect(await madeFor()).toEqual([[null, true]]);
    expect(await takeBack(db, author())).toMatchObject({ ok: true, did: { what: "printer" } });
    expect(await madeFor()).toEqual([[kept?.id, true]]);
    expect(await readPrinters(db, keeper.householdId)).toMatchObject([{ name: "For photos", across: inches(5.97) }]);
    // A printer of another household is none.
    const stranger = await withPrints(store);
    const made = await makeSheets(db, stranger.author(), "photos", [sheetOf(stranger.one.id, stranger.two.id)], on);
    expect(made.ok).toBe(true);
    expect((await readSheets(db, stranger.albumId))[0]?.printerId).toBeNull();
  });
});

describe("a household's labs", () => {
  it("are kept apart from its printers, with their papers and days; a printer is not made one, nor a lab a printer", async () => {
    const { keeper, author } = await newAlbum(store);
    const { householdId } = keeper;
    const quay = { ...anyLab("inch"), name: "Quay Lab", lab: { papers: [{ w: inches(4), h: inches(6) }], days: 5 } };
    await savePrinter(db, author(), quay);
    await savePrinter(db, author(), { ...anyPrinter("inch"), name: "For sheets" });
    const [lab, ...others] = await readLabs(db, householdId);
    expect(others).toEqual([]);
    expect(lab).toMatchObject({ ...quay, id: expect.any(String) });
    const [printer] = await readPrinters(db, householdId);
    expect(printer?.name).toBe("For sheets");
    if (!lab || !printer) throw new Error("both were kept");
    expect(await savePrinter(db, author(), { ...lab, lab: null })).toBe(false);
    expect(await savePrinter(db, author(), { ...printer, lab: quay.lab })).toBe(false);
    // What is chosen where no printer is named is not kept with a lab.
    await dropPrinter(db, author(), printer.id ?? "");
    await rememberChoices(db, householdId, null, firstChoices("inch"), "inch");
    expect((await readLabs(db, householdId))[0]?.last).toBeNull();
    expect(await readPrinters(db, householdId)).toHaveLength(1);
  });
});
