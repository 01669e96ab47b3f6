import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { type MadeKind, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import { AS_USUAL, type MadeOf } from "../album/made-of.ts";
import { EMPTY_DAY, newCard } from "../album/model.ts";
import { poolContent } from "../album/steps.ts";
import { readBook } from "../book/read.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { UNKNOWN_PICTURE } from "../photo/crop.ts";
import { picturesOf } from "./marks.ts";
import { pieceMarks } from "./piece.ts";
import { leafMarks } from "./side.ts";

const format = presetById("ring-6x8");
if (!format) throw new Error("shipped");
const by = (w: number, h: number) => size(inches(w), inches(h));
const shown = (sheet: Size | null): MadeOf => ({
  ...AS_USUAL,
  thing: "oak",
  shows: { photoId: "photo", picture: UNKNOWN_PICTURE, sheet, oneSided: true },
});
const lies = { id: "p", at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId: null } as const;
const made = (kind: MadeKind, of?: MadeOf): Piece => ({
  ...lies,
  what: { kind, size: by(3, 4), name: "" },
  ...(of ? { of } : {}),
});
const content = poolContent({ ...EMPTY_DAY, cards: [newCard("c", by(3, 4), "words")] }, []);
const drawn = (piece: Piece) => picturesOf(pieceMarks(piece, by(3, 4), { content, label: "5", days: [] }));

describe("a paper of which there is a picture", () => {
  it("is seen on what is made of it, at the size of its sheet, and cut off where the piece ends", () => {
    for (const kind of ["filler", "photo-mat", "tag", "embellishment", "overlay"] as const) {
      const [picture, ...others] = drawn(made(kind, shown(by(12, 12))));
      expect([picture?.photoId, others], kind).toEqual(["photo", []]);
      expect(picture?.at).toEqual(rect(0, 0, inches(12), inches(12)));
      expect(picture?.shown).toEqual(rect(0, 0, inches(3), inches(4)));
      expect(drawn(made(kind)), kind).toEqual([]);
    }
    // Of a sheet of two inches a piece of 3 × 4 shows two across and two down.
    expect(drawn(made("filler", shown(by(2, 2)))).map(({ at }) => [at.x, at.y])).toEqual([
      [0, 0],
      [inches(2), 0],
      [0, inches(2)],
      [inches(2), inches(2)],
    ]);
    // As large as the piece where nobody said how large the sheet is, or said something that is none.
    for (const sheet of [null, by(0.01, 12)])
      expect(drawn(made("filler", shown(sheet))).map(({ at }) => at)).toEqual([rect(0, 0, inches(3), inches(4))]);
  });

  it("lies under a card's words, and on the base of a page, but not on film", () => {
    const card: Piece = { ...lies, what: { kind: "card", card: "c" }, of: shown(by(12, 12)) };
    const marks = pieceMarks(card, by(3, 4), { content, label: "5", days: [] });
    const at = marks.findIndex(({ kind }) => kind === "picture");
    expect(at).toBeGreaterThan(0);
    expect(marks.slice(at).some(({ kind }) => kind === "text")).toBe(true);
    for (const kind of ["full", "paper", "pocket", "clear"] as const) {
      const make = makeOf({ kind, layout: kind === "pocket" ? "four" : null, of: shown(by(12, 12)) });
      const [read] = readBook({ format, unit: "inch" }, [], [newLeaf("leaf", make, NOBODY, NOBODY)]).leaves;
      const pictures = read ? picturesOf(leafMarks(read, "front", format)) : [];
      expect(pictures.length, kind).toBe(kind === "full" || kind === "paper" ? 1 : 0);
      // It is printed on one side.
      expect(read && picturesOf(leafMarks(read, "back", format)), kind).toEqual([]);
    }
  });
});
