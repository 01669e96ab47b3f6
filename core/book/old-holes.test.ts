import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyPageSize, makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { HOLE_PRESETS, type HolePresetId } from "../album/holes.ts";
import { type LeafMake, NOBODY, newLeaf } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import { holesOf } from "./holes.ts";
import { holeWork, oldHolesOf } from "./old-holes.ts";
import { readBook } from "./read.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const read = (make: Partial<LeafMake>, format = preset) => {
  const leaf = newLeaf("leaf", makeOf(make), NOBODY, NOBODY);
  const [found] = readBook({ format, unit: "inch" }, [], [leaf]).leaves;
  if (!found) throw new Error("one leaf");
  return found;
};
/** How many old holes serve and are to be covered, and how many new ones are to be punched, through an old one. */
const counts = (oldHoles: HolePresetId, make: Partial<LeafMake> = {}, format = preset) => {
  const work = holeWork(read({ ...make, oldHoles }, format), "front", format);
  return work && [work.serve, work.cover, work.punch, work.through].map(({ length }) => length);
};

describe("the holes of a leaf made for another book", () => {
  it("serve where the rings are the same, and are covered where they are not, as reckoned by hand", () => {
    // A bare leaf of 7 × 8¼: three rings at 1⅜, 4⅛ and 6⅞, ⅜ from the edge.
    expect(counts("three-ring")).toEqual([3, 0, 0, 0]);
    // Two rings at 2¹⁄₁₆ and 6³⁄₁₆ are near none of them.
    expect(counts("two-ring")).toEqual([0, 2, 3, 0]);
    // Of a Letter sheet's three, 4¼ apart and ½ in, only the middle one is on so short a leaf; the new middle one cuts into it.
    expect(counts("us-three")).toEqual([0, 1, 3, 1]);
    expect(holeWork(read({ oldHoles: "two-ring" }), "front", preset)?.washi).toBe(inches(1 / 4 + 1 / 4));
  });

  it("matter to a bare leaf alone, and are all covered in a bound book", () => {
    expect(counts("two-ring", { kind: "full" })).toBeNull();
    expect(holeWork(read({}), "front", preset)).toBeNull();
    expect(counts("two-ring", {}, { ...preset, binding: "sewn" })).toEqual([0, 2, 0, 0]);
  });

  it("each serve or are covered, each ring has one that serves or one to punch, and both faces have the same", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...HOLE_PRESETS),
        fc.option(anyPageSize),
        fc.constantFrom("left" as const, "top" as const),
        (oldHoles, size, bindingEdge) => {
          const format = { ...preset, bindingEdge };
          const leaf = read({ oldHoles, size }, format);
          const work = holeWork(leaf, "front", format);
          const old = oldHolesOf(leaf, "front", format);
          expect(work === null).toBe(old.length === 0);
          const back = oldHolesOf(leaf, "back", format);
          expect(back.map(({ x, y }) => [leaf.build.page.w - x, y])).toEqual(old.map(({ x, y }) => [x, y]));
          if (!work) return;
          expect([...work.serve, ...work.cover].sort((a, b) => a.y - b.y || a.x - b.x)).toEqual(
            [...old].sort((a, b) => a.y - b.y || a.x - b.x),
          );
          const rings = holesOf(leaf.build, null, format, "front");
          expect(work.punch.length + work.serve.length).toBe(rings.length);
          for (const hole of work.through) expect(work.punch).toContain(hole);
        },
      ),
    );
  });
});
