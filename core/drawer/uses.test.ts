import { describe, expect, it } from "vitest";
import { leavesOn, makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import type { Leaf, Piece } from "../album/leaf.ts";
import { AS_USUAL, likeOf } from "../album/made-of.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { poolContent } from "../album/steps.ts";
import { applyBookEdit, asRooms } from "../book/edit.ts";
import { type BookPage, readBook } from "../book/read.ts";
import { templateOf } from "../book/template.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { usesIn } from "./uses.ts";

const format = presetById("ring-6x8");
if (!format) throw new Error("shipped");
const by = (w: number, h: number) => size(inches(w), inches(h));
const of = (thing: string, layers = 1) => ({ ...AS_USUAL, thing, layers });
const lies = { at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId: null } as const;
const star: Piece = {
  ...{ id: "star", what: { kind: "embellishment", size: by(1, 1), name: "star" }, ...lies, of: of("stars", 2) },
};
const number: Piece = {
  ...{ id: "numeral", what: { kind: "numeral", size: by(2, 2), look: null, zero: true }, ...lies, of: of("brass") },
};
const page = (id: string, label: string, skipped = false): BookPage => ({
  ...{ label, skipped, days: [{ id }], content: poolContent(EMPTY_DAY, []) },
});
const [bare] = leavesOn("five", { kind: "full", of: of("oak") });
if (!bare) throw new Error("made");
const leaf: Leaf = { ...bare, front: { ...bare.front, pieces: [star, number] } };
const read = (leaves: Leaf[], pages = [page("five", "5")]) => usesIn(readBook({ format, unit: "inch" }, pages, leaves));
const told = (leaves: Leaf[], pages?: BookPage[]) => read(leaves, pages).map(({ thing, used }) => [thing, used]);

describe("what of the drawer a page is made of", () => {
  it("is its base, what lies on it and its number, each used when its own step is ticked", () => {
    expect(read([leaf])).toMatchObject([
      { thing: "oak", face: null, piece: null, size: by(6, 8), layers: 1, says: null, used: false },
      { thing: "stars", face: "front", piece: "star", size: by(1, 1), layers: 2, says: null },
      { thing: "brass", face: "front", piece: "numeral", says: "05" },
    ]);
    const ticked = (change: Partial<Leaf>) =>
      told([{ ...leaf, ...change }]).flatMap(([id, used]) => (used ? [id] : []));
    expect(ticked({ done: ["base"] })).toEqual(["oak"]);
    expect(ticked({ front: { ...leaf.front, done: ["number"] } })).toEqual(["brass"]);
    expect(ticked({ front: { ...leaf.front, done: ["assemble"] } })).toEqual(["stars"]);
    expect(ticked({ back: { ...leaf.back, done: ["assemble", "number"] } })).toEqual([]);
  });

  it("is planned for no page that is skipped, and is used on it all the same", () => {
    expect(told([leaf], [page("five", "5", true)])).toEqual([]);
    expect(told([{ ...leaf, done: ["base"] }], [page("five", "5", true)])).toEqual([["oak", true]]);
  });

  it("goes by the ticks of the guest whose it is on a shared side", () => {
    const mine = { ...star, dayId: "six" };
    const shared = {
      ...leaf,
      front: { ...leaf.front, pieces: [star, mine], guests: [{ dayId: "six", done: ["assemble" as const] }] },
    };
    const pages = [page("five", "5"), page("six", "6")];
    expect(told([shared], pages)).toEqual([
      ["oak", false],
      ["stars", false],
      ["stars", true],
    ]);
  });

  it("is taken by no copy, no template and no room: what is like it is of the same material and of nothing yet", () => {
    const card = { ...star, id: "c", what: { kind: "card" as const, card: "c" } };
    expect(asRooms([{ piece: card, size: by(3, 4), dayId: null }], () => "new")[0]).not.toHaveProperty("of");
    const made = { id: "t", name: "", page: by(6, 8), kind: "full" as const, layout: null };
    const vellum = { ...star, of: { ...of("stars"), material: "vellum" as const, cut: true } };
    expect(templateOf([vellum], null, made).pieces).toMatchObject([{ of: likeOf(vellum.of) }]);
    const copied = applyBookEdit([leaf], { kind: "copy-leaf", leaf: leaf.id, id: "copy", front: [], back: [] });
    expect(copied.ok && told(copied.leaves.slice(1))).toEqual([]);
    expect(copied.ok && copied.leaves[1]?.make).toEqual(makeOf({ kind: "full", of: AS_USUAL }));
  });
});
