import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyPageSize, anyPiece } from "../../tests/samples.ts";
import { numeralOf } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import { mirrored } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { numeralText, onOtherSide } from "./numeral.ts";
import { pieceRect } from "./piece.ts";

const plain = numeralOf(size(inches(2), inches(2)));

describe("what a numeral says", () => {
  it("follows its page; 1 to 31 with a nought before have 62 digits, 1 to 25 fifty (common practice)", () => {
    const digits = (days: number, zero: boolean) =>
      Array.from({ length: days }, (_, at) => numeralText({ ...plain, zero }, null, { label: `${at + 1}` })).join("")
        .length;
    expect([digits(31, false), digits(25, false)]).toEqual([53, 41]);
    expect([digits(31, true), digits(25, true)]).toEqual([62, 50]);
  });

  it("is one of the numbers of a shared page where it stands for that day, all of them where it does not", () => {
    const shared = { label: "9·10", days: [{ id: "a" }, { id: "b" }] };
    const said = (dayId: string | null, zero = false) => numeralText({ ...plain, zero }, dayId, shared);
    expect([said(null), said("a"), said("b"), said("gone")]).toEqual(["9·10", "9", "10", "9·10"]);
    expect([said(null, true), said("a", true), said("b", true)]).toEqual(["09·10", "09", "10"]);
    // A story told over two days has one number, and so has each of them.
    expect(numeralText(plain, "b", { ...shared, label: "4" })).toBe("4");
    expect(numeralText(plain, null, { label: null })).toBe("");
    // Where a date is said in words, nothing is put before it.
    expect(numeralText({ ...plain, zero: true }, null, { label: "1 Jan" })).toBe("1 Jan");
  });
});

describe("a numeral that faces the reader from both sides", () => {
  it("lies at the same spot of the leaf on either side, and twice over is where it was", () => {
    fc.assert(
      fc.property(anyPageSize, anyPageSize, anyPiece, (page, made, piece) => {
        const what = numeralOf(made);
        const numeral = { ...piece, what };
        const there = onOtherSide(numeral, what, page, "there");
        const lies = pieceRect(numeral, null);
        expect(lies && pieceRect(there, null)).toEqual(lies && mirrored(lies, page.w));
        expect(onOtherSide(there, what, page, piece.id)).toEqual(numeral);
      }),
    );
  });
});
