import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { decemberDays, fullDay, leavesOn, makeOf } from "../../tests/samples.ts";
import type { Leaf, Piece } from "../album/leaf.ts";
import { type AnyPage, allPagesOf } from "../album/matter.ts";
import { type DayContent, newCard } from "../album/model.ts";
import { readBook } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import { CRAFTS } from "../craft/catalog.ts";
import { picturesOf } from "../draw/marks.ts";
import { inches, ticks } from "../measure/length.ts";
import { contains, rect, rectOf } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { lineAt, lineUnder, openingInWords } from "./leafing.ts";
import { opensIn } from "./opened-here.ts";
import { openerMarks } from "./opener-drawing.ts";
import { openerSaid, placeSaid } from "./opener-said.ts";
import { openersIn, whereOn } from "./openers.ts";
import { openersCards } from "./openers-card.ts";

const DAY = "2026-12-02";
const card = { ...newCard("card", { w: inches(3), h: inches(4) }), text: "The keeper’s list of lights" };

function bookOf(
  pieces: readonly Piece[],
  {
    content = {},
    make = {},
    leaf = {},
  }: { content?: Partial<DayContent>; make?: Parameters<typeof makeOf>[0]; leaf?: Partial<Leaf> } = {},
) {
  const { plan, days } = decemberDays({ [DAY]: { ...fullDay(), title: "Lights", cards: [card], ...content } });
  const leaves = leavesOn(DAY, makeOf({ kind: "full", ...make })).map((each) => ({
    ...{ ...each, ...leaf },
    front: { ...each.front, pieces: [...pieces] },
  }));
  const pages = allPagesOf({ album: plan, days, leaves, prints: [], matters: [] });
  const book = readBook<AnyPage>(plan, pages, leaves);
  return { book, format: plan.format, openers: openersIn(book, plan.format) };
}
const placed = (piece: Piece, x = 1, y = 2): Piece => ({ ...piece, at: { x: inches(x), y: inches(y) } });
const says = (piece: Piece) => bookOf([piece]).openers.map((each) => openerSaid(each).does);
const flip = (edge: number, turn: Piece["turn"] = 0) => ({
  ...placed(constructionOf("f", "flip-up", { sizes: { edge } })),
  turn,
});

describe("what opens where", () => {
  it("says which edge a flip is lifted by, also where it lies turned", () => {
    expect(says(flip(0))).toEqual([["Lift it by its lower edge and turn it over upwards."]]);
    expect(says(flip(1))).toEqual([["Lift it by its left edge and turn it over to the right."]]);
    expect(says(flip(2))).toEqual([["Lift it by its upper edge and turn it over downwards."]]);
    // A quarter clockwise its upper edge is the right one.
    expect(says(flip(0, 1))).toEqual([["Lift it by its left edge and turn it over to the right."]]);
  });

  it("says of every construction that opens, or holds something, what to do with it, and of the others nothing", () => {
    for (const { kind } of CRAFTS) {
      const { openers } = bookOf([placed(constructionOf("c", kind))]);
      for (const each of openers) expect(openerSaid(each).does.join(" "), kind).toMatch(/^[A-Z].*\.$/);
      if (kind === "stacked-word" || kind === "cut-shape" || kind === "ring") expect(openers, kind).toEqual([]);
    }
    const held = [{ slot: "in:its room", what: { kind: "card" as const, card: "card" } }];
    const pocket = bookOf([placed(constructionOf("c", "tabbed-pocket", { holds: held }))]).openers;
    expect(pocket.map((each) => openerSaid(each).inside)).toEqual(["Inside: a card: “The keeper’s list of lights”."]);
    expect(bookOf([placed(constructionOf("c", "shaker"))]).openers.map((each) => openerSaid(each).does)).toEqual([
      ["Shake it."],
    ]);
  });

  it("says several of a kind once, and what is written inside in few words", () => {
    const words = "light ".repeat(40).trim();
    const holds = [{ slot: "flip:whole:back", what: { kind: "words" as const, says: words } }];
    const { openers } = bookOf([placed(constructionOf("p", "page-of-flips", { holds }), 0, 0)]);
    const [said] = openers.map((each) => openerSaid(each));
    expect(said?.does).toHaveLength(1);
    expect(said?.does[0]).toMatch(/, \d of them one by one\.$/);
    expect(said?.inside?.length).toBeLessThan(90);
  });

  it("knows what is no construction: hidden words, a written back in a pocket, an envelope, a leaf that comes off", () => {
    const on = (pieces: readonly Piece[], given: Parameters<typeof bookOf>[1]) =>
      bookOf(pieces, given).openers.flatMap((each) => openerSaid(each).does);
    const own: Piece = {
      id: "card",
      what: { kind: "card", card: "card" },
      at: { x: ticks(0), y: ticks(0) },
      turn: 0,
      outside: false,
      dayId: null,
    };
    expect(on([own], { content: { cards: [{ ...card, hidden: "the photo" }] } })).toEqual(["Look behind the photo."]);
    expect(on([own], { content: { cards: [{ ...card, hidden: "Behind the photo" }] } })).toEqual([
      "Look Behind the photo.",
    ]);
    const back = { content: { cards: [{ ...card, back: "Turn me" }] } };
    expect(on([own], back)).toEqual([]);
    expect(on([own], { ...back, make: { kind: "pocket", layout: "four" } })).toEqual([
      "Take the card out of its pocket and turn it over.",
    ]);
    expect(on([], { make: { kind: "paper", insert: "envelope", size: size(inches(4), inches(6)) } })).toEqual([
      "Open the envelope.",
    ]);
    expect(on([], { leaf: { liftsOff: true } })).toEqual(["Lift the leaf off the rings."]);
  });

  it("tells before what opens towards the rings, and what nothing tells of", () => {
    const toRings = bookOf([placed(constructionOf("f", "flip-up", { sizes: { edge: 3, tab: 0 } }))]).openers;
    expect(toRings.map(({ intoRings, isHinted }) => [intoRings, isHinted])).toEqual([[true, false]]);
    expect(bookOf([flip(0)]).openers.map(({ intoRings, isHinted }) => [intoRings, isHinted])).toEqual([[false, true]]);
  });

  it("says what is undone first: a seal over its edge, and nothing that only lies on it", () => {
    const seal = (x: number): Piece => ({
      ...flip(0),
      ...{ id: "seal", what: { kind: "embellishment", size: size(inches(1), inches(1)), name: "Wax seal" } },
      at: { x: inches(x), y: inches(3) },
    });
    const of = (x: number) => bookOf([flip(0), seal(x)]).openers.flatMap((each) => openerSaid(each).does);
    expect(of(0.5)[0]).toBe("Undo wax seal first.");
    expect(of(2)).toHaveLength(1);
  });

  it("says where on a page something lies, by thirds", () => {
    const page = size(inches(6), inches(9));
    const at = (x: number, y: number) => whereOn(rect(inches(x), inches(y), inches(1), inches(1)), page);
    expect([at(0, 0), at(2.5, 0), at(5, 4), at(2.5, 4), at(0, 8)]).toEqual([
      "at the upper left",
      "at the head",
      "on the right",
      "in the middle",
      "at the lower left",
    ]);
    const [opener] = bookOf([flip(0)]).openers;
    const { format } = bookOf([]);
    expect(opener && placeSaid(opener, { ...format, bindingEdge: "top" })).toMatch(/^lower page/);
  });

  it("stands on cards that take all of it, none beyond its card, each thing with a drawing", () => {
    const { openers, format } = bookOf(Array.from({ length: 9 }, (_, nth) => ({ ...flip(0), id: `f${nth}` })));
    expect(openers).toHaveLength(9);
    const of = size(inches(4), inches(6));
    const pages = openersCards(openers, of, format, "inch", "Cards", () => "2, Lights");
    expect(pages.length).toBeGreaterThan(1);
    const text = JSON.stringify(pages);
    for (const nth of [1, 5, 9]) expect(text).toContain(`"text":"${nth}"`);
    expect(openersCards([], of, format, "inch", "Cards", () => "")).toEqual([]);
    for (const opener of openers) {
      const marks = openerMarks(opener, of);
      for (const mark of marks) if (mark.kind === "rect") expect(contains(rectOf(of), mark.at)).toBe(true);
      expect(picturesOf(marks)).toEqual([]);
    }
  });
});

describe("leafing through", () => {
  const { book, format } = bookOf([flip(0)]);
  const spreads = placesOfSpreads(book.leaves).map((at) => spreadAt(book.leaves, at, format));

  it("finds a line of the keeper's under every opening, each in its own place", () => {
    const places = spreads.map((spread) => lineAt(spread));
    expect(places.map((at) => at?.face)).toEqual(["front", "back"]);
    const leaves = book.leaves.map((read) => ({
      ...read,
      leaf: { ...read.leaf, front: { ...read.leaf.front, line: "Snow" } },
    }));
    expect(placesOfSpreads(leaves).map((at) => lineUnder(spreadAt(leaves, at, format)))).toEqual(["Snow", ""]);
    expect(lineAt({ left: [], right: [] })).toBeNull();
  });

  it("says in words what lies there, for who cannot see it", () => {
    const print: Piece = { ...flip(0), id: "photo", what: { kind: "photo", use: "photo", cut: null } };
    const own: Piece = { ...flip(0), id: "card", what: { kind: "card", card: "card" } };
    const photos = fullDay().photos.map((use) => ({ ...use, alt: "A lamp in the fog" }));
    const read = bookOf([print, own, flip(1)], { content: { photos } });
    const [first] = [spreadAt(read.book.leaves, 0, format)];
    expect(first && openingInWords(first, () => "day 2")).toEqual([
      {
        called: "day 2",
        says: ["A photo: A lamp in the fog", "A card: “The keeper’s list of lights”", "Flip-up, closed"],
      },
    ]);
  });

  it("opens what is seen of it, where it lies", () => {
    const [right] = spreads.map((spread) => opensIn(spread));
    expect(right?.map(({ id, name }) => [id.endsWith(" f"), name])).toEqual([[true, "Flip-up"]]);
    const whole = spreads[0]?.right[0];
    expect(right?.[0]?.corner.x).toBe((whole?.page.x ?? 0) + inches(1));
    expect(opensIn(spreads[1] ?? { at: 0, left: [], right: [], frame: rect(0, 0, 1, 1) })).toEqual([]);
  });
});
