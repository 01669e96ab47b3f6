import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyPageSize, PLAIN_USE } from "../../tests/samples.ts";
import { newCard } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import { inches } from "../measure/length.ts";
import { areaOf, overlap, rect } from "../measure/rect.ts";
import { pieceRect } from "./piece.ts";
import type { Loose } from "./read.ts";
import { SHIPPED_TEMPLATES, templatesFor } from "./shipped-templates.ts";
import { dress, numeralAt, roomsIn, type Template, templateOf } from "./template.ts";

const mantel = SHIPPED_TEMPLATES.find(({ id }) => id === "6x8/mantel");
const window = SHIPPED_TEMPLATES.find(({ id }) => id === "6x8/window");
if (!mantel || !window) throw new Error("shipped");
const print = (id: string, w: number, h: number): Loose => ({
  id,
  what: "photo",
  size: { w: inches(w), h: inches(h) },
});
const card = (id: string): Loose => ({ id, what: "card", size: { w: inches(3), h: inches(4) } });
const numeral: Loose = { id: "numeral", what: "numeral", size: { w: inches(2), h: inches(2) } };
const ids = () => {
  let made = 0;
  return () => `new-${made++}`;
};
const contentOf = (loose: readonly Loose[]): PageContent => ({
  prompt: { text: "", slip: null },
  technique: { text: "", slip: null },
  waived: [],
  numeral: { style: "cut", note: "" },
  photos: loose
    .filter(({ what }) => what === "photo")
    .map(({ id, size }) => ({ id, photoId: id, print: size, alt: "", ...PLAIN_USE })),
  cards: loose.filter(({ what }) => what === "card").map(({ id, size }) => newCard(id, size)),
  jottings: [],
  done: [],
  undone: [],
  driesUntil: null,
});

describe("a day dressed from a template", () => {
  it("has each print in the room it fits best, turned when only so it goes in, and the rest of the rooms free", () => {
    const loose = [print("small", 3, 4), print("wide", 6, 4), card("words"), numeral];
    const pieces = dress(mantel, loose, ids());
    expect(pieces.map(({ what }) => (what.kind === "photo" ? what.use : what.kind))).toEqual([
      "wide",
      "card",
      "numeral",
    ]);
    const lying = dress(window, [print("lying", 4, 3)], ids());
    const [first] = lying;
    expect([first?.what.kind, first?.turn]).toEqual(["photo", 1]);
    expect(lying.filter(({ what }) => what.kind === "room").length).toBe(3);
    expect(first && pieceRect(first, contentOf([print("lying", 4, 3)]))).toEqual({
      x: 0,
      y: 0,
      w: inches(3),
      h: inches(4),
    });
  });

  it("never uses one of its prints twice, never loses a made piece, and stays centred on its rooms", () => {
    const anyLoose = fc
      .array(anyPageSize, { maxLength: 5 })
      .map((sizes) => sizes.map((size, at): Loose => ({ id: `p${at}`, what: "photo", size })));
    fc.assert(
      fc.property(fc.constantFrom(...SHIPPED_TEMPLATES), anyLoose, (template, loose) => {
        const pieces = dress(template, loose, ids());
        const used = pieces.flatMap(({ what }) => (what.kind === "photo" ? [what.use] : []));
        expect(new Set(used).size).toBe(used.length);
        expect(used.length).toBe(Math.min(loose.length, roomsIn(template, "photo")));
        const made = (of: readonly { what: { kind: string } }[]) =>
          of.filter(({ what }) => !["photo", "card", "room", "numeral"].includes(what.kind)).length;
        expect(made(pieces)).toBe(made(template.pieces));
        // Without a number to put on, its place stays empty.
        expect(pieces.some(({ what }) => what.kind === "numeral")).toBe(false);
      }),
    );
  });

  it("with two places for the number has the number on both, no two pieces under one name", () => {
    const number: Loose = { id: "numeral", what: "numeral", size: { w: inches(2), h: inches(2) } };
    const places = [0, 4].map((at) => numeralAt(rect(inches(at), 0, inches(2), inches(2))));
    const pieces = dress({ ...mantel, pieces: places }, [number], ids());
    expect(pieces.map(({ what }) => what.kind)).toEqual(["numeral", "numeral"]);
    expect(new Set(pieces.map(({ id }) => id)).size).toBe(2);
  });

  it("and taken as a template again keeps room of the sizes that lay there", () => {
    const loose = [print("wide", 6, 4), card("words")];
    const pieces = dress(mantel, loose, ids());
    const again: Template = templateOf(pieces, contentOf(loose), { ...mantel, id: "again", name: "Again" });
    expect(again.pieces.map(({ what }) => what.kind)).toEqual(["room", "room"]);
    expect(again.pieces.map(({ what }) => "size" in what && [what.size.w, what.size.h])).toEqual([
      [inches(6), inches(4)],
      [inches(3), inches(4)],
    ]);
    // A photo that has left the day leaves no room behind.
    expect(templateOf(pieces, contentOf([]), again).pieces).toEqual([]);
  });
});

describe("the shipped templates", () => {
  it("keep their rooms apart from each other, so that nothing is laid over a print", () => {
    for (const template of SHIPPED_TEMPLATES) {
      const rooms = template.pieces.filter(({ what }) => what.kind === "room");
      const areas = rooms.flatMap((piece) => pieceRect({ ...piece, id: "x", dayId: null }, null) ?? []);
      for (const [at, one] of areas.entries())
        for (const other of areas.slice(at + 1)) {
          const shared = overlap(one, other);
          // Only the lift has its words under its photo on purpose.
          if (template.id !== "6x8/lift") expect(shared && areaOf(shared), template.id).toBeNull();
        }
    }
  });

  it("are offered for pages of their own size only, with the household's own of that size", () => {
    const own: Template = { ...mantel, id: "own", name: "Own" };
    const six = templatesFor(mantel.page, [own, { ...own, id: "other", page: { w: inches(4), h: inches(4) } }]);
    expect(six.every(({ page }) => page.w === mantel.page.w && page.h === mantel.page.h)).toBe(true);
    expect(six.some(({ id }) => id === "own") && !six.some(({ id }) => id === "other")).toBe(true);
    expect(templatesFor({ w: inches(5), h: inches(5) })).toEqual([]);
  });
});
