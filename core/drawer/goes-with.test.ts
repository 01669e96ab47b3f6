import { describe, expect, it } from "vitest";
import { differenceOf } from "../photo/colours.ts";
import { goesWith, READS_FROM, REPEATS_BELOW } from "./goes-with.ts";

const NAVY = "#1f2f5b";
const NEAR_NAVY = "#24345f";
const SAFFRON = "#e8a33d";
const MID = "#777777";

describe("what goes with a page by colour", () => {
  it("repeats a colour of its pictures where the two are nearer than the limit, the nearest first", () => {
    expect(differenceOf(NAVY, NEAR_NAVY)).toBeLessThan(REPEATS_BELOW);
    expect(differenceOf(NAVY, SAFFRON)).toBeGreaterThan(REPEATS_BELOW);
    const rows = goesWith(
      [NAVY],
      [],
      [{ colours: [SAFFRON] }, { colours: ["#ffffff", NEAR_NAVY] }, { colours: [NAVY] }],
    );
    expect(rows.map(({ thing }) => thing.colours.at(-1))).toEqual([NAVY, NEAR_NAVY, SAFFRON]);
    expect(rows.map(({ repeats }) => repeats?.on.colour ?? null)).toEqual([NAVY, NAVY, null]);
    expect(rows[0]?.repeats).toMatchObject({ difference: 0, of: { name: "dark blue" } });
  });

  it("carries a colour over only where the page's own pictures have none like it", () => {
    const things = [{ colours: [SAFFRON] }, { colours: [NEAR_NAVY] }];
    const rows = goesWith([NAVY], [SAFFRON, NAVY], things);
    const of = (colour: string) => rows.find(({ thing }) => thing.colours[0] === colour);
    expect(of(SAFFRON)).toMatchObject({ repeats: null, carries: { on: { colour: SAFFRON } } });
    expect(of(NEAR_NAVY)).toMatchObject({ carries: null });
  });

  it("says which lettering reads on most of it, by the contrast of WCAG 2.2: black on white is 21, grey #777777 under white 4.48", () => {
    const [white, mid, navy] = goesWith([], [], [{ colours: ["#ffffff"] }, { colours: [MID] }, { colours: [NAVY] }]);
    expect(white).toMatchObject({ ink: "dark" });
    expect(white?.contrast).toBeGreaterThan(15);
    expect(navy).toMatchObject({ ink: "light" });
    expect(mid?.contrast).toBeGreaterThanOrEqual(4);
    expect(mid?.contrast).toBeLessThan(4.6);
    expect(READS_FROM).toBe(4.5);
    expect(goesWith([NAVY], [], [{ colours: [] }])).toEqual([]);
  });

  it("measures as the published pairs say: ΔE00 of #ff0000 and #00ff00 is 86.6 (from memory, of the formula's usual demonstration)", () => {
    expect(differenceOf("#ff0000", "#00ff00")).toBeCloseTo(86.6, 0);
    expect(() => differenceOf("no", "#000000")).toThrow(RangeError);
  });
});
