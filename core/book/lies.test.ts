import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import { openingAt } from "./opening.ts";
import { readBook } from "./read.ts";

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

describe("a smaller leaf in the book", () => {
  const small = makeOf({ size: { w: inches(4), h: inches(4) } });
  const lying = (drop: number | null, face: "left" | "right" = "right") => {
    const one = leafOf(small, { drop: drop === null ? null : inches(drop) });
    const { leaves } = readBook(plan, [], [one]);
    const opening = openingAt(leaves, face === "right" ? 0 : 1, preset);
    return opening[face][0];
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
