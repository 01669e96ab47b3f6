import { describe, expect, it } from "vitest";
import { inches, millimetres } from "../measure/length.ts";
import { adhesiveFor, PURPOSES } from "./adhesive.ts";
import { MATERIAL_IDS, MATERIALS } from "./material.ts";
import { BASES, caliperByBulk, caliperOfStack, grammageOf } from "./measured.ts";

describe("what a paper weighs", () => {
  it("is what its pounds say, by its basic size (TAPPI T 410)", () => {
    const said = [
      [20, "bond", 75.2],
      [80, "text", 118.4],
      [65, "cover", 175.8],
      [80, "cover", 216.3],
      [110, "cover", 297.5],
      [110, "index", 198.9],
    ] as const;
    for (const [pounds, basis, grams] of said)
      expect(Math.abs(grammageOf(pounds, basis) - grams), `${pounds} lb ${basis}`).toBeLessThan(0.06);
    // Twice the pounds are twice the weight, of whatever kind.
    for (const basis of BASES) expect(grammageOf(40, basis)).toBeCloseTo(2 * grammageOf(20, basis), 9);
  });
});

describe("how thick a sheet is", () => {
  it("is its weight times its bulk (ISO 534): 216 g/m² at 1.35 cm³/g are 0.29 mm", () => {
    expect(caliperByBulk(grammageOf(80, "cover"), 1.35)).toBe(292);
  });

  it("is a stack's share, and nothing where there is no stack", () => {
    expect(caliperOfStack(millimetres(2.9), 10)).toBe(290);
    expect(caliperOfStack(inches(1 / 8), 10)).toBe(318);
    expect(caliperOfStack(millimetres(3), 0)).toBeNull();
  });

  it("is typically that of the trade: printer paper a tenth of a millimetre, heavier cardstock thicker (common practice)", () => {
    expect(MATERIALS["printer-paper"].caliper).toBe(100);
    const stock = (["cardstock-65", "cardstock-80", "cardstock-110"] as const).map((id) => MATERIALS[id].caliper);
    expect(stock).toEqual([...stock].sort((a, b) => a - b));
    for (const id of MATERIAL_IDS) expect(MATERIALS[id].caliper, id).toBeGreaterThan(0);
    expect(MATERIALS["peeled-chipboard"].caliper).toBeLessThan(MATERIALS.chipboard.caliper);
  });
});

describe("which adhesive", () => {
  it("is that of the trade: hidden under film, over all of vellum, strong under felt, at the edges where something slides", () => {
    expect(adhesiveFor("transparency", "cardstock-80", "flat")[0]).toBe("under-what-hides-it");
    expect(adhesiveFor("vellum", "cardstock-80", "exact")[0]).toBe("whole-sheet-or-hidden");
    expect(adhesiveFor("felt", "cardstock-80", "flat")[0]).toBe("strong-tape");
    expect(adhesiveFor("patterned-paper", "cardstock-65", "exact")[0]).toBe("little-wet-glue");
    expect(adhesiveFor("photo-paper", "cardstock-80", "flat")).toEqual(["tape-runner", "no-wet-medium"]);
    for (const id of MATERIAL_IDS) expect(adhesiveFor(id, "cardstock-80", "slides")[0]).toBe("edges-only");
  });

  it("never has anything wet put on what warps, nor heat on what melts, whichever of the two it is", () => {
    for (const one of MATERIAL_IDS)
      for (const other of ["cardstock-80", "wood-veneer", "vellum"] as const)
        for (const purpose of PURPOSES) {
          const [there, back] = [adhesiveFor(one, other, purpose), adhesiveFor(other, one, purpose)];
          expect(there).toEqual(back);
          const minds = [one, other].flatMap((id): readonly string[] => MATERIALS[id].minds);
          if (minds.includes("wet")) {
            expect(there).toContain("no-wet-medium");
            expect(there).not.toContain("little-wet-glue");
          }
          if (minds.includes("heat")) expect(there).toContain("no-heat");
        }
  });
});
