import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLayout, anyPageSize } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { splitOver } from "../fit/fit.ts";
import { inches, ticks } from "../measure/length.ts";
import { areaOf, contains, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import {
  cutDown,
  grid,
  heightWithoutLastRow,
  layoutById,
  offeredLayouts,
  POCKET,
  POCKET_LAYOUTS,
  pocketPaths,
  pocketsOf,
  readLayout,
  replaceNode,
  resizePocket,
  seamIn,
  USUAL_SEAM,
  withSeams,
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

describe("the shipped pockets in the book they are for", () => {
  const preset = presetById("ring-6x8");
  if (!preset) throw new Error("shipped");
  const pocketsIn = (id: string) => {
    const layout = layoutById(id);
    return layout ? pocketsOf(layout, preset.opening) : [];
  };

  it("take the cards and prints they are named for, with a sixteenth of play, and have a weld between them", () => {
    // Common practice: a pocket page of 6 × 8 takes 3 × 4 and 6 × 4 in its pockets.
    for (const { w, h } of pocketsIn("four")) expect([w, h]).toEqual([inches(3 + 1 / 16), inches(4 + 1 / 16)]);
    const [wide, one, two] = pocketsIn("one-over-two");
    expect(wide?.w).toBe(inches(6 + 3 / 16));
    expect((two?.x ?? 0) - (one?.x ?? 0) - (one?.w ?? 0)).toBe(inches(1 / 16));
    for (const layout of POCKET_LAYOUTS.filter(({ root }) => root.kind !== "pocket")) {
      const read = readLayout(layout, preset.opening);
      expect([layout.id, read.ok && read.seams.length > 0]).toEqual([layout.id, true]);
    }
  });

  it("split a 4 × 6 between two of them at the two lines of plane geometry, the weld's sixteenth thrown away", () => {
    // From the trade's figures: cut at 2³¹⁄₃₂ and 3¹⁄₃₂.
    const [left, right] = pocketsIn("four");
    if (!left || !right) throw new Error("four pockets");
    const split = splitOver({ w: inches(6), h: inches(4) }, left, right, "dropped");
    expect(split.ok && split.cuts).toEqual([inches(2 + 31 / 32), inches(3 + 1 / 32)]);
  });
});

describe("the layouts that are offered for a page", () => {
  const own = (id: string, w: number, h: number) => ({ id, name: id, page: { w: inches(w), h: inches(h) } });

  it("are the shipped ones, and own ones of its size or of a smaller page, with the leaf that results", () => {
    const all = [own("same", 6, 8), own("short", 6, 4), own("wide", 10, 8)];
    const offered = offeredLayouts(all, six, six).slice(POCKET_LAYOUTS.length);
    expect(offered.map(({ id, page }) => [id, page])).toEqual([
      ["same", null],
      ["short", { w: inches(6), h: inches(4) }],
    ]);
    // On a leaf cut short already, the whole page's pockets make it whole again; a leaf larger than the album keeps its own.
    const short = offeredLayouts(all, { w: inches(6), h: inches(4) }, six).slice(POCKET_LAYOUTS.length);
    expect(short.map(({ id, page }) => [id, page])).toEqual([
      ["same", six],
      ["short", null],
    ]);
    expect(offeredLayouts(all, { w: inches(10), h: inches(8) }, six).map(({ id }) => id)).toContain("wide");
    expect(offeredLayouts([], six, six).map(({ id }) => id)).toEqual(POCKET_LAYOUTS.map(({ id }) => id));
  });
});

describe("welds made wider", () => {
  it("are all of that width, the pockets share the rest as before, and the whole is still filled", () => {
    fc.assert(
      fc.property(anyLayout, anyPageSize, fc.integer({ min: 1, max: 600 }), ({ margin, root }, opening, seam) => {
        const wider = withSeams(root, ticks(seam));
        expect(pocketPaths(wider)).toEqual(pocketPaths(root));
        if (root.kind !== "pocket") expect(seamIn(wider)).toBe(seam);
        const read = readLayout({ margin, root: wider }, opening);
        if (!read.ok) return;
        expect(total([...read.pockets, ...read.seams])).toBe(areaOf(read.inside));
        for (const { w, h } of read.seams) expect(Math.min(w, h)).toBeLessThanOrEqual(seam);
        expect(read.seams.length).toBe(read.pockets.length - 1);
      }),
    );
  });
});

describe("a pocket made larger", () => {
  it("has the asked size, its neighbours the rest, and the whole is still filled", () => {
    const layout = { margin: ticks(0), root: grid(2, 3, ticks(0)) };
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
    // Its seam goes with the row.
    expect(h).toBe((pocketsOf(twelve, six)[9]?.y ?? 0) - USUAL_SEAM);
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
