import { describe, expect, it } from "vitest";
import { leavesOn } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import type { Leaf, Piece } from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { type Day, EMPTY_DAY } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { readBook } from "../book/read.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type DrawerThing, newThing, type Thing } from "./thing.ts";
import { gather, usedOnPages } from "./to-get.ts";
import { usesIn } from "./uses.ts";

const format = presetById("ring-6x8");
if (!format) throw new Error("shipped");
const by = (w: number, h: number) => size(inches(w), inches(h));
const plan = {
  ...({ title: "", unit: "inch", numbering: "date", preparing: "parts", format } as const),
  span: { start: "2026-12-01" as CalendarDate, end: "2026-12-03" as CalendarDate },
};
const day = (id: string, at: number, content: Partial<Day["content"]> = {}): Day => ({
  ...{ id, date: `2026-12-0${at}` as CalendarDate, version: 0, skipped: false, mergedInto: null },
  content: { ...EMPTY_DAY, ...content },
});
const numeral = { style: "chipboard" as const, note: "" };
const days = [day("one", 1, { numeral }), day("two", 2, { numeral }), day("three", 3)];
const thing = (id: string, made: Thing): DrawerThing => ({ ...made, id, addedAt: new Date(0), photoId: null });
const laid = (id: string, of: string, kind: "filler" | "embellishment" = "embellishment"): Piece => ({
  ...{ id, what: { kind, size: by(3, 4), name: "" }, at: { x: inches(0), y: inches(0) }, turn: 0, outside: false },
  ...{ dayId: null, of: { ...AS_USUAL, thing: of } },
});
const leaf = (dayId: string, ...pieces: Piece[]): Leaf => {
  const [made] = leavesOn(dayId, { kind: "full" });
  if (!made) throw new Error("made");
  return { ...made, front: { ...made.front, pieces } };
};
function gathered(things: DrawerThing[], leaves: Leaf[]) {
  const pages = pagesOf({ album: plan, days, leaves, prints: [] });
  const book = readBook(plan, pages, leaves);
  const own = { albumId: "here", title: "", endsOn: plan.span.end, uses: usesIn(book) };
  const labels = (some: readonly { label: string | null }[]) => some.map(({ label }) => label);
  const found = gather({ things, albums: [own], albumId: "here", pages, book, step: inches(1 / 16) });
  return { ...found, pages, own, labels };
}

describe("what is to be got", () => {
  it("is what is short, for the pages it is short for, with what lies there instead, the stash first", () => {
    const star = (id: string, name: string, change: Partial<Thing> = {}) =>
      thing(id, { ...newThing(name, "sticker"), ...change });
    const { toGet, labels } = gathered(
      [
        star("gold", "Gold star"),
        star("kit", "Kit star", { lot: "kit", count: 3 }),
        star("red", "Red star", { count: 2 }),
        star("puffy", "Puffy", { material: "puffy-sticker", count: 9 }),
      ],
      [leaf("one", laid("a", "gold")), leaf("two", laid("b", "gold"), laid("c", "gold"))],
    );
    expect(toGet).toMatchObject([{ what: { kind: "thing", name: "Gold star" }, count: 2, needed: 3, there: 1 }]);
    expect(labels(toGet[0]?.pages ?? [])).toEqual(["1", "2"]);
    expect(toGet[0]?.instead.map(({ name }) => name)).toEqual(["Red star", "Kit star"]);
  });

  it("is no paper that remainders of it are enough for", () => {
    const oak = { ...newThing("Oak", "paper", 1), size: by(3, 4) };
    const scrap = { ...oak, size: by(4, 4) };
    const leaves = [leaf("one", laid("a", "oak", "filler")), leaf("two", laid("b", "oak", "filler"))];
    const both = gathered([thing("oak", oak), thing("scrap", { ...scrap, useUp: true })], leaves);
    expect([both.toGet, both.useUp]).toEqual([[], []]);
    expect(gathered([thing("oak", oak)], leaves).toGet).toMatchObject([{ count: 1 }]);
  });

  it("counts protectors only where there are some, of the page's size, for pages that are not made yet", () => {
    const leaves = [leaf("one"), leaf("two"), { ...leaf("three"), done: ["base" as const] }];
    expect(gathered([], leaves).toGet).toEqual([]);
    const full = { ...newThing("Full page", "protector", 1), size: by(6, 8) };
    expect(gathered([thing("p", full)], leaves).toGet).toMatchObject([{ count: 1, needed: 2, there: 1 }]);
    expect(gathered([thing("p", { ...full, count: 2 })], leaves).toGet).toEqual([]);
    expect(gathered([thing("p", { ...full, count: 9, size: by(3, 4) })], leaves).toGet).toMatchObject([{ there: 0 }]);
  });

  it("names numbers of no set, and what is to be used up and planned for nothing", () => {
    const tape = thing("t", { ...newThing("Rope tape", "tape"), useUp: true });
    const { noSet, useUp, labels } = gathered([tape], [leaf("one"), leaf("two")]);
    expect(noSet.map(({ material, pages }) => [material, labels(pages)])).toEqual([["chipboard", ["1", "2"]]]);
    expect(useUp).toMatchObject([{ name: "Rope tape", free: 1 }]);
  });
});

describe("what was used", () => {
  it("is said page by page, each thing once with how often, used only when all of it is", () => {
    const done = leaf("two", laid("b", "gold"));
    const leaves = [
      leaf("one", laid("a", "gold"), { ...laid("c", "gold"), of: { ...AS_USUAL, thing: "gold", layers: 2 } }),
      { ...done, front: { ...done.front, done: ["assemble" as const] } },
    ];
    const { pages, own } = gathered([], leaves);
    const used = usedOnPages(pages, own.uses, [{ id: "gold", name: "Gold star" }]);
    expect(used.map(({ page, things }) => [page?.label, things])).toEqual([
      ["1", [{ name: "Gold star", times: 3, used: false }]],
      ["2", [{ name: "Gold star", times: 1, used: true }]],
    ]);
    expect(usedOnPages(pages, own.uses, [])).toEqual([]);
  });
});
