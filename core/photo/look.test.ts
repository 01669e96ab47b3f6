import fc from "fast-check";
import { expect, it } from "vitest";
import { isPlain, lookKey, NO_LOOK, readLook, straightened, toneOf } from "./look.ts";

const LOOK = fc.record({
  blackAndWhite: fc.boolean(),
  straighten: fc.integer({ min: -150, max: 150 }),
  light: fc.integer({ min: -50, max: 50 }),
  contrast: fc.integer({ min: -50, max: 50 }),
});

it("a look is read back from its word, and a plain one is called plain", () => {
  fc.assert(
    fc.property(LOOK, (look) => {
      expect(readLook(lookKey(look))).toEqual(look);
      expect(lookKey(look) === "plain").toBe(isPlain(look));
    }),
  );
});

it("a word that is no look is none", () => {
  for (const word of ["", "b2s0l0c0", "b1s151l0c0", "b1s0l51c0", "b1s0l0c0x", "../b1s0l0c0"])
    expect(readLook(word)).toBeNull();
});

it("a straightened picture keeps its proportion and all its corners lie inside the picture turned", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 6000 }),
      fc.integer({ min: 200, max: 6000 }),
      fc.integer({ min: -150, max: 150 }),
      (width, height, tenths) => {
        const left = straightened({ width, height }, tenths);
        expect(left.width / left.height / (width / height)).toBeCloseTo(1, 1);
        const angle = (tenths / 10) * (Math.PI / 180);
        for (const [sx, sy] of [
          [1, 1],
          [1, -1],
          [-1, 1],
          [-1, -1],
        ] as const) {
          const [x, y] = [(sx * left.width) / 2, (sy * left.height) / 2];
          // Turned back, the corner must lie on the picture.
          expect(Math.abs(x * Math.cos(angle) + y * Math.sin(angle))).toBeLessThanOrEqual(width / 2 + 1e-6);
          expect(Math.abs(-x * Math.sin(angle) + y * Math.cos(angle))).toBeLessThanOrEqual(height / 2 + 1e-6);
        }
      },
    ),
  );
});

it("contrast turns about middle grey and light moves everything alike", () => {
  const { scale, shift } = toneOf({ ...NO_LOOK, contrast: 40 });
  expect(127.5 * scale + shift).toBeCloseTo(127.5, 9);
  expect(toneOf({ ...NO_LOOK, light: 10 })).toEqual({ scale: 1, shift: 25.5 });
});
