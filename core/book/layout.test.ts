import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLayout, anyPageSize } from "../../tests/samples.ts";
import { inches, ticks } from "../measure/length.ts";
import { areaOf, contains, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import {
  cutDown,
  grid,
  heightWithoutLastRow,
  POCKET,
  POCKET_LAYOUTS,
  pocketPaths,
  pocketsOf,
  readLayout,
  replaceNode,
  resizePocket,
} from "./layout.ts";

const total = (rects: readonly Rect[]) => rects.reduce((sum, each) => sum + areaOf(each), 0);
const six = { w: inches(6), h: inches(8) };

describe("a pocket layout", () => {
  it("fills its rectangle exactly: pockets, seams and margin, without gap or overlap", () => {
    fc.assert(
      fc.property(anyLayout, anyPageSize, (layout, opening) => {
        const read = readLayout(layout, opening);
        if (!read.ok) return;
        const parts = [...read.pockets, ...read.seams];
        expect(total(parts)).toBe(areaOf(read.inside));
        const margin = areaOf(opening) - areaOf(read.inside);
        expect(margin).toBe(2 * layout.margin * (opening.w + opening.h) - 4 * layout.margin * layout.margin);
        for (const [at, part] of parts.entries()) {
          expect(contains(rectOf(opening), part)).toBe(true);
          for (const other of parts.slice(at + 1)) expect(overlap(part, other)).toBeNull();
        }
      }),
    );
  });

  it("is refused with its reason when its parts exceed the whole, when it has none, and when it has too many", () => {
    const wide = {
      kind: "columns" as const,
      seam: inches(4),
      parts: [1, 1, 1].map((share) => ({ share, node: POCKET })),
    };
    expect(readLayout({ margin: ticks(0), root: wide }, six)).toEqual({ ok: false, reason: "parts-over-whole" });
    expect(readLayout({ margin: inches(3), root: POCKET }, six)).toEqual({ ok: false, reason: "parts-over-whole" });
    const none = { kind: "rows" as const, seam: ticks(0), parts: [] };
    expect(readLayout({ margin: ticks(0), root: none }, six)).toEqual({ ok: false, reason: "no-pockets" });
    expect(readLayout({ margin: ticks(0), root: grid(10, 10) }, six)).toEqual({
      ok: false,
      reason: "too-many-pockets",
    });
    const nothing = { ...wide, parts: [{ share: 0, node: POCKET }] };
    expect(readLayout({ margin: ticks(0), root: nothing }, six)).toEqual({ ok: false, reason: "bad-share" });
  });

  it("names the path of every pocket, and a pocket split at its path becomes that many more", () => {
    for (const layout of POCKET_LAYOUTS) {
      const paths = pocketPaths(layout.root);
      expect(paths.length).toBe(pocketsOf(layout, six).length);
      const split = replaceNode(layout.root, paths.at(-1) ?? [], () => grid(1, 3));
      expect(pocketPaths(split).length).toBe(paths.length + 2);
    }
  });
});

describe("the seams of a layout", () => {
  const seam = inches(1 / 4);
  const two = {
    kind: "columns" as const,
    seam,
    parts: [
      { share: 1, node: POCKET },
      { share: 2, node: POCKET },
    ],
  };

  it("take their width off the pockets, lie between them, and nothing of the protector is both or neither", () => {
    const read = readLayout({ margin: ticks(0), root: two }, six);
    if (!read.ok) throw new Error(read.reason);
    // Of 6 inches, a quarter is seam; the rest is shared one to two.
    expect(read.pockets.map(({ x, w }) => [x, w])).toEqual([
      [0, inches(5.75 / 3)],
      [inches(5.75 / 3) + seam, six.w - inches(5.75 / 3) - seam],
    ]);
    expect(read.seams).toEqual([rect(inches(5.75 / 3), 0, seam, six.h)]);
    expect(total([...read.pockets, ...read.seams])).toBe(areaOf(six));
  });

  it("and the welded margin all round leave less for pockets, until there is none", () => {
    const read = readLayout({ margin: inches(1 / 8), root: two }, six);
    if (!read.ok) throw new Error(read.reason);
    expect(read.inside).toEqual(rect(inches(1 / 8), inches(1 / 8), six.w - inches(1 / 4), six.h - inches(1 / 4)));
    expect(total([...read.pockets, ...read.seams])).toBe(areaOf(read.inside));
    expect(readLayout({ margin: ticks(0), root: { ...two, seam: six.w } }, six).ok).toBe(false);
  });
});

describe("a pocket made larger", () => {
  it("has the asked size, its neighbours the rest, and the whole is still filled", () => {
    const layout = { margin: ticks(0), root: grid(2, 3) };
    const root = resizePocket(layout, six, [0, 1], "w", inches(3));
    const read = root && readLayout({ ...layout, root }, six);
    if (!read?.ok) throw new Error("it has room");
    expect(read.pockets.slice(0, 3).map(({ w }) => w)).toEqual([inches(1.5), inches(3), inches(1.5)]);
    expect(read.pockets.slice(3).map(({ w }) => w)).toEqual([inches(2), inches(2), inches(2)]);
    expect(total(read.pockets)).toBe(areaOf(six));
  });

  it("is refused where no weld can move, or nothing would be left", () => {
    expect(resizePocket({ margin: ticks(0), root: POCKET }, six, [], "w", inches(3))).toBeNull();
    expect(resizePocket({ margin: ticks(0), root: grid(1, 2) }, six, [0], "h", inches(3))).toBeNull();
    expect(resizePocket({ margin: ticks(0), root: grid(1, 2) }, six, [0], "w", inches(6))).toBeNull();
  });
});

describe("a protector cut down", () => {
  const twelve = POCKET_LAYOUTS.find(({ id }) => id === "twelve");
  if (!twelve) throw new Error("shipped");

  it("loses its last row, and the pockets that stay are as they were", () => {
    const h = heightWithoutLastRow(twelve, six);
    expect(h).toBe(inches(6));
    const cut = cutDown(twelve, six, { w: six.w, h: h ?? six.h });
    if (!cut.ok) throw new Error(cut.reason);
    expect([cut.lost, cut.opened]).toEqual([3, 0]);
    expect(pocketsOf({ ...twelve, ...cut.layout }, cut.size)).toEqual(pocketsOf(twelve, six).slice(0, 9));
  });

  it("cut through a pocket says how many are open, and is refused when nothing is cut off", () => {
    const cut = cutDown(twelve, six, { w: inches(3), h: six.h });
    if (!cut.ok) throw new Error(cut.reason);
    expect([cut.lost, cut.opened]).toEqual([4, 4]);
    expect(cutDown(twelve, six, six)).toEqual({ ok: false, reason: "not-smaller" });
  });

  it("always fills what is left of it", () => {
    fc.assert(
      fc.property(anyLayout, anyPageSize, fc.double({ min: 0.3, max: 0.95, noNaN: true }), (layout, from, share) => {
        const to = { w: ticks(Math.round(from.w * share)), h: from.h };
        const cut = cutDown(layout, from, to);
        if (!cut.ok) return;
        const read = readLayout(cut.layout, cut.size);
        expect(read.ok && total([...read.pockets, ...read.seams])).toBe(areaOf(cut.size));
      }),
    );
  });
});
