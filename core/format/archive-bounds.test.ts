import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isSmallTree } from "../book/layout.ts";
import { LIMITS } from "../limits.ts";
import { isWithinBounds } from "./archive-bounds.ts";
import { JsonGauge } from "./json-gauge.ts";

const bytes = (text: string) => new TextEncoder().encode(text);
const gauged = (text: string) => new JsonGauge().take(bytes(text));

describe("the gauge of JSON", () => {
  it("lets every JSON through that is small, however it is cut into pieces, whatever its texts hold", () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 8 }), fc.integer({ min: 1, max: 9 }), (text, size) => {
        const gauge = new JsonGauge();
        const all = bytes(text);
        for (let at = 0; at < all.length; at += size) expect(gauge.take(all.subarray(at, at + size))).toBeNull();
      }),
    );
    expect(gauged(JSON.stringify("[[{,".repeat(5_000_000 / 4)))).toBeNull();
    expect(gauged(JSON.stringify('\\"[,'.repeat(1000)))).toBeNull();
  });

  it("stops at the first value that is too deep, too many or too far, before the rest has come", () => {
    const deep = LIMITS.jsonDepth.most;
    expect(gauged("[".repeat(deep) + "]".repeat(deep))).toBeNull();
    expect(gauged("[".repeat(deep + 1))).toBe("too-deep");
    expect(gauged(`[${"0,".repeat(LIMITS.jsonValues.most)}`)).toBe("too-many-values");
    const gauge = new JsonGauge();
    const spaces = new Uint8Array(1024 * 1024).fill(0x20);
    const taken = Array.from({ length: 33 }, () => gauge.take(spaces));
    expect(taken.slice(0, 32).every((each) => each === null)).toBe(true);
    expect(taken[32]).toBe("too-long");
  });
});

describe("the bounds of an archive", () => {
  const leaf = { front: { pieces: [{}] }, back: { pieces: [] } };
  const archive = (change: object = {}, book: object = {}) => ({
    days: [{ cards: [{}], jottings: [], photos: [], inserts: [] }],
    photos: [],
    book: { leaves: [leaf], tryOuts: [], layouts: [], ...book },
    ...change,
  });
  const of = <T>(length: number, each: T): T[] => Array(length).fill(each);

  it("take an album that is as large as one can be, and no larger one", () => {
    expect(isWithinBounds(archive())).toBe(true);
    expect(isWithinBounds(archive({ book: null }))).toBe(true);
    expect(isWithinBounds(archive({}, { leaves: of(LIMITS.leaves.most, leaf) }))).toBe(true);
    expect(isWithinBounds(archive({}, { leaves: of(LIMITS.leaves.most + 1, leaf) }))).toBe(false);
    expect(isWithinBounds(archive({ days: of(300_000, {}) }))).toBe(false);
    expect(isWithinBounds(archive({ days: [{ jottings: of(11_000, {}) }] }))).toBe(false);
    expect(isWithinBounds(archive({ photos: of(LIMITS.archivePhotos.most + 1, {}) }))).toBe(false);
    expect(isWithinBounds(archive({}, { tryOuts: of(LIMITS.tryOuts.most + 1, {}) }))).toBe(false);
    const crowded = { front: { pieces: of(400, {}) }, back: { pieces: of(400, {}) } };
    expect(isWithinBounds(archive({}, { leaves: of(100, crowded) }))).toBe(false);
  });

  it("never fail on what is no archive at all", () => {
    fc.assert(fc.property(fc.anything(), (value) => void isWithinBounds(value)));
    fc.assert(fc.property(fc.anything(), (value) => void isSmallTree(value)));
  });

  it("count a tree of splits no further than a layout goes: eight parts six deep are refused at once", () => {
    const split = (depth: number): unknown =>
      depth === 0 ? { kind: "pocket" } : { kind: "rows", parts: of(8, { share: 1, node: split(depth - 1) }) };
    expect(isSmallTree(split(2))).toBe(true);
    expect(isSmallTree(split(6))).toBe(false);
    let looked = 0;
    const counted = (depth: number): unknown => ({
      get parts() {
        looked += 1;
        return depth === 0 ? undefined : of(8, 0).map(() => ({ node: counted(depth - 1) }));
      },
    });
    expect(isSmallTree(counted(6))).toBe(false);
    expect(looked).toBeLessThan(1000);
  });
});
