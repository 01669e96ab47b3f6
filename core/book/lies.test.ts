import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import { readBook } from "./read.ts";
import { spreadAt } from "./spread.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const plan = { format: preset, unit: "inch" as const };
const leafOf = (make: LeafMake, change: Partial<Leaf> = {}): Leaf => ({
  ...newLeaf("leaf", make, NOBODY, NOBODY),
  ...change,
});

describe("what lies over pockets", () => {
  const foundation = makeOf({ kind: "pocket", layout: "four" });
  /** A piece of 4 × 4 over a page of four pockets of 3 × 4. */
  const fitOf = (change: Partial<Piece>, kind: "filler" | "embellishment" | "overlay" | "flip" | "tag" = "filler") => {
    const size = { w: inches(4), h: inches(3.5) };
    const piece: Piece = {
      id: "a",
      what: { kind: "filler", size, name: "" },
      turn: 0,
      outside: false,
      dayId: null,
      at: { x: inches(0.5), y: inches(0.5) },
      ...change,
    };
    const what = { ...piece.what, kind } as Piece["what"];
    const lies = leafOf(foundation, { front: { ...EMPTY_SIDE, pieces: [{ ...piece, what }] } });
    return readBook(plan, [], [lies]).leaves[0]?.front.pieces[0];
  };

  it("is measured against its pocket when it goes in, and against the page when it is stuck on the outside", () => {
    expect(fitOf({})?.fit.kind).toMatch(/^(trim|split|turn)$/);
    expect(fitOf({})?.pocket).not.toBeNull();
    const outside = fitOf({ outside: true });
    expect(outside?.fit.kind).toBe("lies");
    expect(outside?.pocket).toBeNull();
  });

  it("is never measured against a pocket where it is stuck on the page by its nature", () => {
    for (const kind of ["embellishment", "overlay", "flip"] as const)
      expect([kind, fitOf({}, kind)?.fit.kind, fitOf({}, kind)?.pocket]).toEqual([kind, "lies", null]);
    expect(fitOf({}, "tag")?.fit.kind).not.toBe("lies");
  });
});

describe("a piece against what was measured", () => {
  const made = (w: number, h: number): Piece => ({
    id: "print",
    what: { kind: "filler", size: { w: inches(w), h: inches(h) }, name: "" },
    at: { x: inches(0), y: inches(0) },
    turn: 0,
    outside: false,
    dayId: null,
  });
  const small = { w: inches(5.25), h: inches(7 + 15 / 16) };
  const fitOf = (make: LeafMake, format: Partial<typeof preset>, piece: Piece) =>
    readBook(
      { format: { ...preset, ...format }, unit: "inch" },
      [],
      [leafOf(make, { front: { ...EMPTY_SIDE, pieces: [piece] } })],
    ).leaves[0];

  it("in a protector of 5¼ × 7¹⁵⁄₁₆ a page of 6 × 8 is trimmed by ¾ and ¹⁄₁₆ (plain arithmetic); nothing hangs over in it", () => {
    const read = fitOf(makeOf({ kind: "full" }), { opening: small }, made(6, 8));
    expect(read?.front.pieces[0]?.fit).toMatchObject({
      kind: "trim",
      inOpening: true,
      off: { w: inches(3 / 4), h: inches(1 / 16) },
      takes: small,
    });
    // Within an opening that is wider than the page it lies well, a little beyond the page's edge.
    const ease = fitOf(makeOf({ kind: "full" }), {}, made(6 + 1 / 16, 8));
    expect(ease?.front.pieces[0]?.fit.kind).toBe("lies");
  });

  it("on a leaf without a protector hangs over that leaf's own measure: ¾ and ¹⁄₁₆ of 6 × 8 on 5¼ × 7¹⁵⁄₁₆", () => {
    const read = fitOf(makeOf(), { bare: small }, made(6, 8));
    expect(read?.build.page).toEqual(small);
    expect(read?.front.pieces[0]?.fit).toMatchObject({
      kind: "overhangs",
      over: { right: inches(3 / 4), bottom: inches(1 / 16) },
    });
  });

  it("a page straight into the rings beside a 10 × 8 protector is 11 × 8¼ (common practice)", () => {
    const format = presetById("ring-10x8");
    expect(format?.bare).toEqual({ w: inches(11), h: inches(8.25) });
    const [read] = readBook({ format: format ?? preset, unit: "inch" }, [], [leafOf(makeOf())]).leaves;
    expect(read?.build.page).toEqual(format?.bare);
    expect(fitOf(makeOf({ size: small }), {}, made(1, 1))?.build.page).toEqual(small);
  });
});

describe("a smaller leaf in the book", () => {
  const small = makeOf({ size: { w: inches(4), h: inches(4) } });
  const lying = (drop: number | null, face: "left" | "right" = "right") => {
    const one = leafOf(small, { drop: drop === null ? null : inches(drop) });
    const { leaves } = readBook(plan, [], [one]);
    const spread = spreadAt(leaves, face === "right" ? 0 : 1, preset);
    return spread[face][0];
  };

  it("lies halfway down where nothing is said, else so far below the page's upper edge", () => {
    const margin = (preset.outer.h - preset.nominal.h) / 2;
    expect(lying(null)?.page.y).toBe((preset.outer.h - inches(4)) / 2);
    for (const drop of [0, 1, 2.5, 4]) expect(lying(drop)?.page.y, `${drop} inches`).toBe(margin + inches(drop));
  });

  it("lies at the spine on either side, its upper edge as high when it is turned over", () => {
    const [right, left] = [lying(1), lying(1, "left")];
    expect(right?.whole.x).toBe(0);
    expect(left && left.whole.x + left.whole.w).toBe(0);
    expect(left?.page.y).toBe(right?.page.y);
  });
});
