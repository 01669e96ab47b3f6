import { describe, expect, it } from "vitest";
import { presetById } from "#core/album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafKind, NOBODY, newLeaf, type Piece } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { readBook } from "#core/book/read.ts";
import { inches } from "#core/measure/length.ts";
import { makeOf } from "#tests/samples.ts";
import { sideTroubles } from "./side-troubles.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const piece = (kind: "tab" | "filler", x: number, y: number, w: number, h: number): Piece => ({
  id: `${kind}-${x}-${y}`,
  what: { kind, name: "", size: { w: inches(w), h: inches(h) } },
  at: { x: inches(x), y: inches(y) },
  turn: 0,
  outside: false,
  dayId: null,
});
const said = (kind: LeafKind, pieces: readonly Piece[], format: AlbumFormat = preset, layout: string | null = null) => {
  const leaf: Leaf = {
    ...newLeaf("leaf", makeOf({ kind, layout }), NOBODY, NOBODY),
    front: { ...EMPTY_SIDE, pieces },
  };
  const [read] = readBook({ format, unit: "inch" }, [], [leaf]).leaves;
  if (!read) throw new Error("one leaf");
  return sideTroubles({ read, face: "front" }, format, "inch").map(({ about, act, name, words }) => [
    about,
    act,
    `${name}: ${words}`,
  ]);
};

describe("what a side wants done", () => {
  it("is nothing where everything lies well", () => {
    expect(said("full", [piece("filler", 1, 1, 3, 4)])).toEqual([]);
    expect(said("paper", [piece("filler", 1, 1, 3, 4), piece("tab", 6.6, 1, 0.5, 1)])).toEqual([]);
    expect(said("full", [])).toEqual([]);
  });

  it("has what will not work before what may be looked at", () => {
    const pieces = [piece("filler", 4, 1, 3, 4), piece("tab", 6, -1, 0.5, 1)];
    expect(said("full", pieces)).toEqual([
      ["cover", true, "Tab ½ × 1: Stands ¾″ above the cover’s edge, and will bend."],
      ["fit", false, "Filler card 3 × 4: Hangs over: 1″ on the right."],
    ]);
  });

  it("says of a tab what the closed protector and the cover do to it", () => {
    expect(said("full", [piece("tab", 6, 1, 0.5, 1)])).toEqual([
      [
        "weld",
        true,
        "Tab ½ × 1: The protector is welded on the right: stick it on the outside, or let it stand out at the top.",
      ],
      ["cover", false, "Tab ½ × 1: Stands ⁵⁄₃₂″ past the closed cover on the right."],
    ]);
    const outside = { ...piece("tab", 6, 1, 0.5, 1), outside: true, dayId: null };
    expect(said("full", [outside]).map(([about]) => about)).toEqual(["cover"]);
    expect(said("paper", [piece("tab", 3, 8, 0.5, 1)])).toEqual([
      ["cover", true, "Tab ½ × 1: Stands ⅝″ below the cover’s edge, and will bend."],
    ]);
  });

  it("says where the punch goes through a bare leaf's piece, and nothing of that in a protector or a sewn book", () => {
    const pieces = [piece("filler", 0, 0, 3, 4)];
    expect(said("paper", pieces)).toEqual([
      [
        "hole",
        true,
        expect.stringMatching(
          /^Filler card 3 × 4: A hole goes through it\. Move it ⁹⁄₁₆″ from the binding edge, or tape/,
        ),
      ],
    ]);
    expect(said("full", pieces)).toEqual([]);
    expect(said("paper", pieces, { ...preset, binding: "sewn" })).toEqual([]);
  });

  it("says of pockets what to trim, turn and mount", () => {
    const pieces = [piece("filler", 0, 0, 3.5, 4), piece("filler", 3, 0, 2, 2), piece("filler", 0, 4, 4, 3)];
    expect(
      said("pocket", pieces, preset, "four").map(([, act, words]) => [act, String(words).split(": ")[1]?.slice(0, 14)]),
    ).toEqual([
      [true, "The pocket tak"],
      [true, "Goes in only w"],
      [false, "Small for its "],
    ]);
  });
});
