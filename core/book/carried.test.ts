import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import { TONE_OF } from "../fit/tone.ts";
import { inches } from "../measure/length.ts";
import { readBook } from "./read.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");

type Spot = readonly [x: number, y: number, w: number, h: number];
const pieceOf = (id: string, [x, y, w, h]: Spot): Piece => ({
  ...({
    id,
    what: { kind: "filler", size: { w: inches(w), h: inches(h) }, name: "" },
    turn: 0,
    outside: false,
    dayId: null,
  } as const),
  at: { x: inches(x), y: inches(y) },
});
/** How each piece fits on a page of one pocket of 6 × 4 over two of 3 × 4. */
function fits(front: readonly Spot[], back: readonly Spot[] = []) {
  const side = (spots: readonly Spot[], name: string) => ({
    ...EMPTY_SIDE,
    pieces: spots.map((spot, nth) => pieceOf(`${name}${nth}`, spot)),
  });
  const leaf: Leaf = {
    ...newLeaf("leaf", makeOf({ kind: "pocket", layout: "one-over-two" }), NOBODY, NOBODY),
    ...{ front: side(front, "front"), back: side(back, "back") },
  };
  const [read] = readBook({ format: preset as NonNullable<typeof preset>, unit: "inch" }, [], [leaf]).leaves;
  const said = (face: "front" | "back") =>
    read?.[face].pieces.map(({ fit }) => (fit.kind === "carried" ? `carried, ${fit.by}` : fit.kind)) ?? [];
  return [...said("front"), ...said("back")];
}

describe("a small piece in a large pocket", () => {
  it("wanders alone, and not where it is stuck on what fills the pocket, whichever face that lies on", () => {
    expect(fits([[0.5, 0.5, 3, 3]])).toEqual(["wanders"]);
    expect(
      fits([
        [0, 0, 6, 4],
        [0.5, 0.5, 3, 3],
      ]),
    ).toEqual(["fits", "carried, under"]);
    // Under it, not over it: what lies on a small piece holds nothing.
    expect(
      fits([
        [0.5, 0.5, 3, 3],
        [0, 0, 6, 4],
      ]),
    ).toEqual(["wanders", "fits"]);
    // Common practice: two 3 × 4 stuck to the back of one 6 × 4.
    expect(
      fits(
        [[0, 0, 6, 4]],
        [
          [0, 0, 3, 4],
          [3, 0, 3, 4],
        ],
      ),
    ).toEqual(["fits", "carried, back", "carried, back"]);
    expect(TONE_OF.carried).toBe("good");
  });

  it("is not held by what lies in another pocket, does not fill it, or only lies partly under it", () => {
    expect(
      fits([
        [0, 4, 3, 4],
        [0.5, 0.5, 3, 3],
      ]),
    ).toEqual(["fits", "wanders"]);
    expect(
      fits([
        [0, 0, 4, 3],
        [0.5, 0.5, 3, 2],
      ]),
    ).toEqual(["wanders", "wanders"]);
    expect(
      fits([
        [0, 0, 5.75, 4],
        [4, 0.5, 2, 3],
      ]),
    ).toEqual(["fits", "wanders"]);
    // Back to back with the other half of the leaf: mirrored, it lies beside the print.
    expect(fits([[0, 0, 5.75, 4]], [[0, 0, 3, 4]])).toEqual(["fits", "wanders"]);
  });
});
