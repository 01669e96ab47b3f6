import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Card, newCard } from "../album/model.ts";
import type { Mark } from "../draw/marks.ts";
import { inches, ticks } from "../measure/length.ts";
import { contains, overlap, rect, rectOf } from "../measure/rect.ts";
import { LETTER } from "../measure/sheets.ts";
import { usualSetting } from "../words/lettering.ts";
import { cardSheetPages, carriedWords, layOnCarriers } from "./card-sheet.ts";

const STRAIGHT = { x: 1, y: 1 };
type Group = Extract<Mark, { kind: "group" }>;

/** Where a point of a group's own ends up on the page: turned by quarters about the group's place. */
function placed({ x, y, w, h, turn, mirrored }: Group, px: number, py: number): [number, number] {
  const qx = mirrored ? w - px : px;
  const turns: readonly [number, number][] = [
    [qx, py],
    [h - py, qx],
    [w - qx, h - py],
    [py, w - qx],
  ];
  const [dx, dy] = turns[turn] ?? [0, 0];
  return [x + dx, y + dy];
}

const anySize = fc.record({
  w: fc.integer({ min: 8000, max: 30_000 }).map(ticks),
  h: fc.integer({ min: 8000, max: 30_000 }).map(ticks),
});
const groupsOf = (marks: readonly Mark[]) => marks.filter((mark): mark is Group => mark.kind === "group");

describe("fronts and backs of cards", () => {
  it("meet, corner on corner, when the sheet is turned over like a page, lying straight or turned", () => {
    fc.assert(
      fc.property(anySize, fc.boolean(), fc.nat(20_000), fc.nat(20_000), (size, turned, x, y) => {
        const card: Card = { ...newCard("c", size, "Front"), back: "Back" };
        const at = turned ? rect(x, y, size.h, size.w) : rect(x, y, size.w, size.h);
        const [fronts, backs] = cardSheetPages(
          { paper: LETTER, cards: [{ card, at, turned }], waste: [] },
          "",
          "inch",
          STRAIGHT,
        );
        const [front, back] = [groupsOf(fronts?.marks ?? [])[0], groupsOf(backs?.marks ?? [])[0]];
        if (!front || !back) throw new Error("no groups");
        for (const [px, py] of [
          [0, 0],
          [size.w, 0],
          [0, size.h],
          [size.w, size.h],
        ] as const) {
          const [fx, fy] = placed(front, px, py);
          // The back of a point is as far from the card's right edge as its front is from the left.
          const [bx, by] = placed(back, size.w - px, py);
          expect([LETTER.w - bx, by]).toEqual([fx, fy]);
        }
      }),
    );
  });

  it("are reversed on something clear, so that they read right through it; and need no second page without a back", () => {
    const size = { w: inches(3), h: inches(4) };
    const card: Card = { ...newCard("c", size, "Seen through"), setting: { ...usualSetting(size), stock: "clear" } };
    const lying = { card, at: rect(0, 0, size.w, size.h), turned: false };
    const pages = cardSheetPages({ paper: LETTER, cards: [lying], waste: [] }, "", "inch", STRAIGHT);
    expect(pages.length).toBe(1);
    const [group] = groupsOf(pages[0]?.marks ?? []);
    expect(group?.mirrored).toBe(true);
    expect(group && placed(group, 0, 0)).toEqual([size.w, 0]);
  });
});

describe("cards on carriers", () => {
  it("lie apart, inside what the printer reaches, each once, and their words where they lie", () => {
    fc.assert(
      fc.property(fc.array(anySize, { maxLength: 12 }), (sizes) => {
        const cards = sizes.map((size, at) => newCard(`${at}`, size, "Words"));
        const printable = rect(2032, 2032, LETTER.w - 4064, LETTER.h - 4064);
        const { sheets, tooLarge } = layOnCarriers(cards, LETTER, printable);
        expect(
          [...sheets.flat().map(({ card }) => card), ...tooLarge].sort((a, b) => Number(a.id) - Number(b.id)),
        ).toEqual(cards);
        for (const sheet of sheets) {
          for (const [at, one] of sheet.entries()) {
            expect(contains(rectOf(LETTER), one.at)).toBe(true);
            expect(one.at.x).toBeGreaterThanOrEqual(printable.x - 1);
            for (const other of sheet.slice(at + 1)) expect(overlap(one.at, other.at)).toBeNull();
          }
          const groups = groupsOf(carriedWords(sheet, LETTER, "front", "", STRAIGHT).marks);
          expect(groups.map(({ x, y }) => [x, y])).toEqual(sheet.map(({ at }) => [at.x, at.y]));
        }
      }),
    );
  });
});
