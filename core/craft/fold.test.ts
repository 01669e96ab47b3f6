import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { faultsOf, type Part } from "./blueprint.ts";
import { flat, folded, foldedAt, headOf, type Laid, mostLayers, reflection } from "./fold.ts";
import { free, glue, hinge, panel, partOf, rectangle, strip } from "./part.ts";
import { boundsOf, isInside, line, outlinesOf, point, polygon, twiceArea } from "./polygon.ts";

const NAMED = { id: "p", name: "part", of: "patterned-paper" } as const;
const three = (folds: readonly ("valley" | "mountain")[]) => strip(NAMED, "across", [30, 20, 10], 40, folds);
const names = (pile: readonly Laid[]) => pile.map(({ panel: id, faceUp }) => `${id}${faceUp ? "+" : "-"}`);
const pileOf = (part: Part, ...scores: string[]) => {
  const done = folded(part, scores);
  if (!done.ok) throw new Error(`${done.at} ${done.why}`);
  return done.pile;
};

describe("folding", () => {
  it("lays what goes over on top, its own pile the other way round, and under it where it is folded behind", () => {
    const inward = three(["valley", "valley"]);
    expect(names(pileOf(inward, "bc"))).toEqual(["a+", "b+", "c-"]);
    // c lies within b, and b over a: the last lies in the middle.
    expect(names(pileOf(inward, "bc", "ab"))).toEqual(["a+", "c+", "b-"]);
    expect(names(pileOf(three(["mountain", "valley"]), "ab"))).toEqual(["c-", "b-", "a+"]);
    const zigzag = three(["valley", "mountain"]);
    expect(names(pileOf(zigzag, "bc", "ab"))).toEqual(["a+", "b-", "c+"]);
    expect(boundsOf(pileOf(zigzag, "bc", "ab").map(({ shape }) => shape))).toMatchObject({ x: 0, w: 30 });
  });

  it("is the mirror in its score: along the mat, and along its diagonals", () => {
    expect(reflection(line(5, 0, 5, 9))).toMatchObject({ a: -1, c: 10 });
    const diagonal = reflection(line(0, 0, 8, 8));
    expect(diagonal).toMatchObject({ a: 0, b: 1, d: 1 });
    const other = reflection(line(0, 8, 8, 0));
    expect(other).toMatchObject({ b: -1, c: 8, d: -1, f: 8 });
    expect(reflection(line(0, 0, 8, 4))).toBeNull();
    expect(reflection(line(1, 1, 1, 1))).toBeNull();
    const corner = partOf(
      NAMED,
      [panel("a", [0, 0], [8, 8], [0, 8]), panel("b", [0, 0], [8, 0], [8, 8])],
      [hinge("d", "a", "b", "valley", line(0, 0, 8, 8))],
    );
    const [low, up] = pileOf(corner, "d");
    expect(new Set(up?.shape.map(({ x, y }) => `${x},${y}`))).toEqual(
      new Set(low?.shape.map(({ x, y }) => `${x},${y}`)),
    );
  });

  it("tells which way the head of what is printed points", () => {
    const down = strip(NAMED, "down", [20, 20], 10, ["valley"]);
    expect(flat(down).map(headOf)).toEqual(["up", "up"]);
    // Over an edge across, what was up points down; over an upright edge it stays up.
    expect(pileOf(down, "ab").map(headOf)).toEqual(["up", "down"]);
    expect(pileOf(three(["valley", "valley"]), "ab").map(headOf)).toEqual(["up", "up", "up"]);
  });

  it("says why it cannot: no such score, one that parts nothing, or one that no longer lies in one line", () => {
    expect(folded(three(["valley", "valley"]), ["xy"])).toEqual({ ok: false, at: "xy", why: "no-such-score" });
    const four = partOf(
      NAMED,
      [rectangle("a", 0, 0, 4, 4), rectangle("b", 4, 0, 4, 4), rectangle("c", 0, 4, 4, 4), rectangle("d", 4, 4, 4, 4)],
      [
        hinge("x", "a", "b", "valley", line(4, 0, 4, 4)),
        hinge("x", "c", "d", "valley", line(4, 4, 4, 8)),
        hinge("left", "a", "c", "valley", line(0, 4, 4, 4)),
        hinge("right", "b", "d", "valley", line(4, 4, 8, 4)),
      ],
    );
    // One quarter cannot fold alone while it hangs on two others.
    expect(folded(four, ["left"])).toMatchObject({ ok: false, why: "does-not-part" });
    expect(mostLayers(pileOf(four, "x").map(({ shape }) => shape))).toBe(2);
    const steps = partOf(
      NAMED,
      [rectangle("a", 0, 0, 4, 8), rectangle("b", 4, 0, 4, 4), rectangle("c", 4, 4, 6, 4)],
      [hinge("x", "a", "b", "valley", line(4, 0, 4, 4)), hinge("x", "a", "c", "valley", line(5, 4, 5, 8))],
    );
    expect(foldedAt(steps, flat(steps), "x")).toBe("not-in-line");
  });
});

describe("a blueprint", () => {
  const whole = (given: Parameters<typeof partOf>[3] = {}) => partOf(NAMED, [rectangle("a", 0, 0, 100, 80)], [], given);

  it("is told every fault: beyond its blank, in several pieces, overlapping, cut or glued where it must not be", () => {
    expect(faultsOf(whole())).toEqual([]);
    expect(faultsOf({ ...whole(), blank: { w: 90, h: 80 } as Part["blank"] })).toEqual(["beyond-blank"]);
    expect(faultsOf(partOf(NAMED, [rectangle("a", 0, 0, 4, 4), rectangle("b", 9, 0, 4, 4)], []))).toEqual([
      "several-outlines",
    ]);
    const overlapping = faultsOf(partOf(NAMED, [rectangle("a", 0, 0, 8, 8), rectangle("b", 4, 0, 8, 8)], []));
    expect(overlapping.length).toBeGreaterThan(0);
    expect(faultsOf(whole({ slits: [line(0, 0, 120, 0)] }))).toEqual(["slit-outside"]);
    expect(faultsOf(whole({ windows: [polygon([90, 10], [110, 10], [110, 20])] }))).toEqual(["window-outside"]);
    expect(faultsOf(whole({ holes: [{ ...point(2, 40), diameter: inches(1) }] }))).toEqual(["hole-outside"]);
    expect(faultsOf(whole({ zones: [glue("g", 0, 0, 20, 200)] }))).toEqual(["zone-outside"]);
    expect(faultsOf(whole({ zones: [glue("g", 0, 0, 20, 20), free("f", 10, 10, 20, 20)] }))).toEqual([
      "glue-where-free",
    ]);
    expect(faultsOf(whole({ zones: [glue("g", 0, 0, 20, 20), free("f", 10, 10, 20, 20, "front")] }))).toEqual([]);
    const two = [rectangle("a", 0, 0, 10, 8), rectangle("b", 10, 0, 10, 8)];
    expect(faultsOf(partOf(NAMED, two, [hinge("x", "a", "b", "valley", line(9, 0, 9, 8))]))).toEqual(["score-outside"]);
    expect(faultsOf(partOf(NAMED, two, [hinge("x", "a", "z", "valley", line(10, 0, 10, 8))]))).toEqual([
      "hinge-of-nothing",
    ]);
  });

  it("has one outline of panels that touch, and as many as they leave apart", () => {
    const [outline, ...others] =
      outlinesOf([rectangle("a", 0, 0, 10, 8).shape, rectangle("b", 10, 2, 5, 3).shape]) ?? [];
    expect(others).toEqual([]);
    expect(outline).toHaveLength(8);
    expect(twiceArea(outline ?? [])).toBe(2 * (80 + 15));
    expect(isInside(outline ?? [], 12, 3)).toBe(true);
    expect(isInside(outline ?? [], 12, 1)).toBe(false);
    expect(outlinesOf([])).toEqual([]);
  });
});
