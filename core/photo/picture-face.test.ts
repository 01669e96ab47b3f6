import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { UNKNOWN_PICTURE, WHOLE } from "./crop.ts";
import {
  faceAround,
  faceAt,
  faceFrom,
  faceScaled,
  faceShown,
  facesCut,
  frameWithFaces,
  LEAST_FACE,
  showsAll,
} from "./picture-face.ts";
import { PICTURE_FACES } from "./roll-schema.ts";

const spot = fc.record({ x: fc.nat(WHOLE), y: fc.nat(WHOLE) });
const anyFace = fc.tuple(spot, spot).map(([a, b]) => faceFrom(a, b));
const anyFrame = fc
  .tuple(fc.double({ min: 0.05, max: 1, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }))
  .chain(([w, h]) =>
    fc.record({
      x: fc.double({ min: 0, max: 1 - w, noNaN: true }),
      y: fc.double({ min: 0, max: 1 - h, noNaN: true }),
      w: fc.constant(w),
      h: fc.constant(h),
    }),
  );

describe("faces marked on a picture", () => {
  it("are boxes within it that may be kept, however they are marked, drawn or made larger", () => {
    const picture = { ...UNKNOWN_PICTURE, width: 4000, height: 3000 };
    fc.assert(
      fc.property(spot, spot, fc.double({ min: 0.1, max: 30, noNaN: true }), (a, b, by) => {
        const [pressed, drawn] = [faceAround(a, picture, undefined), faceFrom(a, b)];
        const made = [pressed, drawn, faceScaled(pressed, by), faceAround(b, picture, drawn)];
        expect(PICTURE_FACES.safeParse(made).success).toBe(true);
        // A press on what was marked finds it.
        expect(faceAt([pressed], a)).toBe(0);
        expect(Math.min(...made.flatMap(({ w, h }) => [w, h]))).toBeGreaterThanOrEqual(LEAST_FACE);
      }),
    );
    expect(PICTURE_FACES.safeParse([{ x: 9500, y: 0, w: 600, h: 600 }]).success).toBe(false);
  });

  it("are by one press of one size on the picture, whichever way it lies, and then as large as the one before", () => {
    const tall = faceAround({ x: 5000, y: 5000 }, { ...UNKNOWN_PICTURE, width: 3000, height: 4000 }, undefined);
    const wide = faceAround({ x: 5000, y: 5000 }, { ...UNKNOWN_PICTURE, width: 4000, height: 3000 }, undefined);
    expect([Math.round((tall.w * 3000) / WHOLE), Math.round((tall.h * 4000) / WHOLE)]).toEqual([500, 667]);
    expect([Math.round((wide.w * 4000) / WHOLE), Math.round((wide.h * 3000) / WHOLE)]).toEqual([500, 667]);
    expect(faceAround({ x: 2000, y: 2000 }, UNKNOWN_PICTURE, { x: 0, y: 0, w: 400, h: 900 })).toEqual({
      ...{ x: 1800, y: 1550, w: 400, h: 900 },
    });
    expect(faceAt([wide, tall], { x: 5000, y: 5000 })).toBe(1);
    expect(faceAt([wide, tall], { x: 0, y: 0 })).toBe(-1);
  });

  it("are whole in a frame, cut by it, or outside; and a frame is moved no farther than they need", () => {
    fc.assert(
      fc.property(fc.array(anyFace, { minLength: 1, maxLength: 4 }), anyFrame, (faces, frame) => {
        for (const face of faces) {
          const shown = faceShown(face, frame);
          const isCut = facesCut([face], frame).length > 0;
          expect([shown === null, isCut, showsAll([face], frame)].filter(Boolean)).toHaveLength(1);
        }
        const moved = frameWithFaces(faces, frame);
        if (!moved) return;
        expect(showsAll(faces, moved)).toBe(true);
        expect([moved.w, moved.h]).toEqual([frame.w, frame.h]);
        if (showsAll(faces, frame)) {
          expect(Math.abs(moved.x - frame.x)).toBeLessThanOrEqual(1 / WHOLE);
          expect(Math.abs(moved.y - frame.y)).toBeLessThanOrEqual(1 / WHOLE);
        }
      }),
    );
    expect(frameWithFaces([{ x: 0, y: 0, w: 6000, h: 100 }], { x: 0, y: 0, w: 0.5, h: 1 })).toBeNull();
  });
});
