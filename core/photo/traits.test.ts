import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { contains, overlap } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { AS_IT_COMES, frameFor, insideBorder } from "./crop.ts";
import { bitsApart, MOST_BITS_APART, nearDoubles } from "./doubles.ts";
import { NO_LOOK } from "./look.ts";
import { luminance, quietSpots, readOn } from "./quiet.ts";
import { CELLS, type Raster, traitsOf } from "./traits.ts";

type Paint = (x: number, y: number) => readonly [number, number, number];
/** A raster painted by a function of the place, both 0 to 1. */
function raster(width: number, height: number, paint: Paint): Raster {
  const rgb = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rgb.set(paint(x / width, y / height), (y * width + x) * 3);
  return { width, height, rgb };
}
const greys = (value: number) => [value, value, value] as const;
const waves = (size_: number, grain: number, shift = 0) =>
  raster(size_, size_, (x, y) => greys(128 + 90 * Math.sin(x * grain + shift) * Math.cos(y * grain * 0.7)));

describe("what is computed of a picture", () => {
  it("is the same fingerprint at any size, and nearly so a little lighter", () => {
    const [large, small] = [traitsOf(waves(480, 9), []), traitsOf(waves(120, 9), [])];
    expect(bitsApart(large.fingerprint, small.fingerprint)).toBeLessThanOrEqual(4);
    const lighter = traitsOf(
      raster(480, 480, (x, y) => greys(150 + 80 * Math.sin(x * 9) * Math.cos(y * 6.3))),
      [],
    );
    expect(bitsApart(large.fingerprint, lighter.fingerprint)).toBeLessThanOrEqual(4);
    expect(bitsApart(large.fingerprint, traitsOf(waves(480, 9, 2), []).fingerprint)).toBeGreaterThan(16);
  });

  it("is nearly the same fingerprint of two pictures of one night, whatever their grain, and another of another night", () => {
    const night = (at: number, seed: number) => {
      // A grain that is another for each picture: a linear congruence (Park & Miller 1988).
      let grain = seed;
      return raster(480, 360, (x, y) => {
        grain = (grain * 48_271) % 2_147_483_647;
        const lamp = Math.hypot(x - at, y - 0.6) < 0.12 ? 180 : 0;
        return greys(24 + lamp + (grain % 13) - 6);
      });
    };
    const [one, other, elsewhere] = [night(0.4, 7), night(0.405, 11), night(0.75, 7)].map((each) => traitsOf(each, []));
    expect(bitsApart(one?.fingerprint ?? "", other?.fingerprint ?? "")).toBeLessThanOrEqual(3);
    expect(bitsApart(one?.fingerprint ?? "", elsewhere?.fingerprint ?? "")).toBeGreaterThan(MOST_BITS_APART / 2);
  });

  it("is less sharp when blurred", () => {
    const fine = raster(200, 200, (x, y) => greys(Math.sin(x * 150) * Math.sin(y * 150) > 0 ? 230 : 20));
    const soft = raster(200, 200, (x, y) => greys(125 + 100 * Math.sin(x * 40) * Math.sin(y * 40)));
    expect(traitsOf(fine, []).sharpness).toBeGreaterThan(3 * traitsOf(soft, []).sharpness);
  });

  it("finds the lit window in the dark wall", () => {
    const lit = raster(240, 180, (x, y) =>
      x > 0.62 && x < 0.78 && y > 0.3 && y < 0.5 ? [250, 220, 120] : [20, 22, 30],
    );
    const { focus } = traitsOf(lit, []);
    expect(focus.x).toBeGreaterThan(6000);
    expect(focus.x).toBeLessThan(8000);
    expect(focus.y).toBeGreaterThan(2800);
    expect(focus.y).toBeLessThan(5200);
  });

  it("answers for a picture of one pixel, and for an even one: the middle", () => {
    const one = traitsOf({ width: 1, height: 1, rgb: new Uint8Array([9, 9, 9]) }, []);
    expect(one.light).toHaveLength(CELLS * CELLS);
    expect(one.sharpness).toBe(0);
    const even = traitsOf(
      raster(50, 50, () => greys(90)),
      [],
    );
    expect(even.focus).toEqual({ x: 5000, y: 5000 });
  });
});

describe("near-doubles", () => {
  const like = (id: string, fingerprint: string, sharpness: number, capturedAt: string | null) => ({
    id,
    fingerprint,
    sharpness,
    capturedAt,
  });
  it("are alike and taken close together, the sharpest first", () => {
    const groups = nearDoubles([
      like("soft", "00000000000000ff", 5, "2026-12-04T17:00:00"),
      like("sharp", "00000000000000fe", 9, "2026-12-04T17:01:00"),
      like("tomorrow", "00000000000000ff", 7, "2026-12-05T17:00:00"),
      like("other", "ffffffff00000000", 7, "2026-12-04T17:00:30"),
    ]);
    expect(groups).toEqual([["sharp", "soft"]]);
  });
  it("are told by the bits in which their fingerprints differ, counted one by one", () => {
    const print = fc.bigInt({ min: 0n, max: 2n ** 64n - 1n });
    fc.assert(
      fc.property(print, print, (one, other) => {
        const hex = (bits: bigint) => bits.toString(16).padStart(16, "0");
        const differ = [...(one ^ other).toString(2)].filter((bit) => bit === "1").length;
        expect(bitsApart(hex(one), hex(other))).toBe(differ);
      }),
    );
  });
  it("without a date must be all but the same", () => {
    const groups = nearDoubles([
      like("a", "0000000000000000", 1, null),
      like("b", "0000000000000003", 2, null),
      like("c", "00000000000003ff", 3, null),
    ]);
    expect(groups).toEqual([["b", "a"]]);
  });
});

describe("quiet spots", () => {
  // The left half is an even night sky, the right half a crowd of lights.
  const traits = traitsOf(
    raster(480, 320, (x, y) => (x < 0.5 ? greys(25) : greys(Math.sin(x * 190) * Math.sin(y * 170) > 0 ? 240 : 10))),
    [],
  );
  const print = size(inches(6), inches(4));
  const crop = { ...AS_IT_COMES, border: inches(1 / 8) };
  const facts = { width: 480, height: 320, focus: traits.focus, look: NO_LOOK, faces: [] };
  const frame = frameFor(facts, print, crop);
  const label = size(inches(1.25), inches(1.25));

  it("lie in the even half, inside the border, apart from each other, and ask for light lettering", () => {
    const spots = quietSpots(traits, { print, crop, frame, look: NO_LOOK }, label);
    expect(spots.length).toBeGreaterThan(1);
    for (const [at, spot] of spots.entries()) {
      expect(contains(insideBorder(print, crop), spot.at)).toBe(true);
      expect(spot.at.x + spot.at.w).toBeLessThanOrEqual(print.w * 0.55);
      expect(spot.reads).toBe("quiet");
      expect(spot.lettering).toBe("light");
      for (const other of spots.slice(at + 1)) expect(overlap(spot.at, other.at)).toBeNull();
    }
  });

  it("are none where the whole print is busy, and none for a label larger than the print", () => {
    const right = { x: 0.55, y: 0, w: 0.4, h: 1 };
    expect(readOn(traits, right, NO_LOOK).reads).toBe("busy");
    expect(quietSpots(traits, { print, crop, frame, look: NO_LOOK }, size(inches(7), inches(1)))).toEqual([]);
  });

  it("have the contrast of WCAG 2.2: white on black is 21 to 1, and the luminance of its middle grey", () => {
    const black = {
      tone: Array.from({ length: CELLS * CELLS }, () => 0),
      busy: Array.from({ length: CELLS * CELLS }, () => 0),
    };
    expect(readOn(black, { x: 0, y: 0, w: 1, h: 1 }, NO_LOOK)).toEqual({
      reads: "quiet",
      lettering: "light",
      contrast: 21,
    });
    expect(luminance(255)).toBe(1);
    expect(luminance(0)).toBe(0);
    // #777777 on white is 4.48 : 1, the well-known grey that just misses AA.
    expect(1.05 / (luminance(0x77) + 0.05)).toBeCloseTo(4.48, 2);
  });
});
