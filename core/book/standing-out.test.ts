import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Face, type Leaf, type LeafMake, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { inches, ticks } from "../measure/length.ts";
import { overlap } from "../measure/rect.ts";
import { applyBookEdit } from "./edit.ts";
import { readBook } from "./read.ts";
import {
  EDGES,
  hiddenBehind,
  isMovable,
  leavesPastCover,
  spreadAlong,
  stagger,
  standingOut,
  weldInWay,
} from "./standing-out.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");

type Laid = { kind?: "tab" | "tag" | "filler"; x: number; y: number; w?: number; h?: number; outside?: boolean };
const pieceOf = (id: string, { kind = "tab", x, y, w = 0.5, h = 1, outside = false }: Laid): Piece => ({
  ...({ id, what: { kind, size: { w: inches(w), h: inches(h) }, name: "" }, turn: 0, outside, dayId: null } as const),
  at: { x: inches(x), y: inches(y) },
});
const leafOf = (id: string, make: Partial<LeafMake>, pieces: readonly Laid[], face: Face = "front"): Leaf => ({
  ...newLeaf(id, makeOf(make), NOBODY, NOBODY),
  [face]: { ...EMPTY_SIDE, pieces: pieces.map((piece, nth) => pieceOf(`${id}${nth}`, piece)) },
});
const outOf = (leaves: readonly Leaf[], format: AlbumFormat = preset) =>
  standingOut(readBook({ format, unit: "inch" }, [], leaves).leaves, format);

describe("what stands out of the closed book", () => {
  it("is told with its edge and how far it is past the cover, as reckoned by hand", () => {
    // The whole leaf is 7 × 8¼, its page 6 × 8 lies ²⁹⁄₃₂ from the rings and ⅛ from the top; the cover is 7¼ × 8½.
    const full = (piece: Laid) => outOf([leafOf("a", { kind: "full" }, [piece])])[0];
    const told = (piece: Laid) => [full(piece)?.edge, full(piece)?.beyond];
    expect(told({ x: 6, y: 2 })).toEqual(["right", inches(6 + 29 / 32 + 0.5 - 7.25)]);
    expect(told({ x: 3, y: -0.75 })).toEqual(["top", inches(0.75 - 1 / 8 - 1 / 8)]);
    expect(told({ x: 3, y: 7.5 })).toEqual(["bottom", inches(8.5 + 1 / 8 - 8.25 - 1 / 8)]);
    expect(told({ x: 5.8, y: 2, w: 0.4 })).toEqual(["right", 0]);
    expect(full({ x: 3, y: 3 })).toBeUndefined();
  });

  it("of a back is seen from the front, and hides and is hidden there", () => {
    const front = leafOf("a", { kind: "full" }, [{ x: 6, y: 2 }]);
    const back = leafOf("b", { kind: "full" }, [{ x: -0.5, y: 2.5 }], "back");
    const [one, other] = outOf([front, back]);
    expect([other?.face, other?.edge, other?.lies.x]).toEqual(["back", "right", one?.lies.x]);
    expect(
      hiddenBehind(outOf([front, back])).map(({ one, behind }) => [one.leaf.leaf.id, behind.leaf.leaf.id]),
    ).toEqual([["b", "a"]]);
    // At another place of the edge, or at another edge, nothing is hidden.
    expect(hiddenBehind(outOf([front, leafOf("b", { kind: "full" }, [{ x: 6, y: 3 }])]))).toEqual([]);
    expect(hiddenBehind(outOf([front, leafOf("b", { kind: "full" }, [{ x: 5.5, y: -0.75 }])]))).toEqual([]);
  });

  it("a leaf larger than the cover is told too", () => {
    const tall = leafOf("tall", { insert: "menu", size: { w: inches(5), h: inches(9) } }, []);
    const { leaves } = readBook({ format: preset, unit: "inch" }, [], [leafOf("a", { kind: "full" }, []), tall]);
    expect(leavesPastCover(leaves, preset).map(({ leaf, edge, beyond }) => [leaf.leaf.id, edge, beyond])).toEqual([
      ["tall", "top", inches(0.25)],
    ]);
  });

  it("cannot go through the weld of a closed protector: it comes out at the mouth, or is stuck on the outside", () => {
    // Common practice: a protector of a ring album is welded at fore-edge and foot, and open at its head.
    const weld = (kind: LeafMake["kind"], piece: Laid) => {
      const [one] = outOf([leafOf("a", { kind, layout: kind === "pocket" ? "four" : null }, [piece])]);
      return one ? weldInWay(one, preset) : "nothing stands out";
    };
    expect(weld("full", { x: 6, y: 2 })).toBe("right");
    expect(weld("full", { x: 3, y: 7.5 })).toBe("bottom");
    expect(weld("full", { x: 3, y: -0.75 })).toBeNull();
    expect(weld("full", { x: 6, y: 2, outside: true })).toBeNull();
    expect(weld("paper", { x: 7, y: 2 })).toBeNull();
    // Anything else hangs out of none: there it is trimmed.
    expect(weld("full", { kind: "filler", x: 5.8, y: 2 })).toBe("nothing stands out");
  });
});

describe("places along an edge", () => {
  const anyWindow = fc
    .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 20 }))
    .map(([from, room, long]) => ({ from, to: from + Math.max(room, long), long }));

  it("lie in order within their windows, none over another; null only where setting each as early as can be fails too", () => {
    fc.assert(
      fc.property(fc.array(anyWindow, { minLength: 1, maxLength: 7 }), (windows) => {
        let end = Number.NEGATIVE_INFINITY;
        const canBe = windows.every(({ from, to, long }) => {
          end = Math.max(from, end) + long;
          return end <= to;
        });
        const at = spreadAlong(windows);
        expect(at !== null).toBe(canBe);
        for (const [nth, { from, to, long }] of windows.entries()) {
          if (!at) break;
          const place = at[nth] ?? Number.NaN;
          expect(place >= from && place + long <= to).toBe(true);
          if (nth > 0) expect(place).toBeGreaterThanOrEqual((at[nth - 1] ?? 0) + (windows[nth - 1]?.long ?? 0));
        }
      }),
    );
  });

  it("of windows alike reach from end to end, the free room shared evenly", () => {
    const windows = Array.from({ length: 5 }, () => ({ from: 10, to: 110, long: 8 }));
    expect(spreadAlong(windows)).toEqual([10, 33, 56, 79, 102]);
  });
});

describe("a stagger", () => {
  const anyTab = fc.record({
    make: fc.constantFrom<Partial<LeafMake>>(
      { kind: "full" },
      { kind: "paper" },
      { insert: "leaf", size: { w: inches(3), h: inches(4) } },
    ),
    face: fc.constantFrom<Face>("front", "back"),
    kind: fc.constantFrom("tab" as const, "tag" as const, "filler" as const),
    along: fc.integer({ min: 0, max: 28 }).map((quarters) => quarters / 4),
    edge: fc.constantFrom(...EDGES),
  });

  it("lets every tab and tag of its edge be seen, each as far out as before, and moves nothing else", () => {
    let staggered = 0;
    fc.assert(
      fc.property(
        fc.array(anyTab, { minLength: 1, maxLength: 8 }),
        fc.constantFrom(...EDGES),
        fc.constantFrom("left" as const, "top" as const),
        (tabs, edge, bindingEdge) => {
          const format = { ...preset, bindingEdge };
          const leaves = tabs.map(({ make, face, kind, along, edge: at }, nth) => {
            const [w, h] = [
              make.size?.w ?? (make.kind === "paper" ? preset.bare.w : preset.nominal.w),
              make.size?.h ?? preset.nominal.h,
            ].map((length) => length / inches(1)) as [number, number];
            const x =
              at === "right" || at === "left"
                ? (at === "right") === (face === "front")
                  ? w - 0.1
                  : -0.4
                : Math.min(along, w - 0.5);
            const y = at === "top" ? -0.9 : at === "bottom" ? h - 0.1 : Math.min(along, h - 1);
            return leafOf(`leaf${nth}`, make, [{ kind, x, y }], face);
          });
          const before = outOf(leaves, format);
          const done = stagger(before, edge, format);
          if (!done.ok) {
            expect(before.filter((one) => one.edge === edge && isMovable(one)).length).toBeGreaterThan(1);
            return;
          }
          staggered += 1;
          const after = outOf(
            done.changes.reduce<readonly Leaf[]>((now, change) => {
              const applied = applyBookEdit(now, { kind: "arrange", ...change });
              if (!applied.ok) throw new Error(applied.reason);
              return applied.leaves;
            }, leaves),
            format,
          );
          const those = after.filter((one) => one.edge === edge && isMovable(one));
          for (const [nth, one] of those.entries())
            for (const other of those.slice(nth + 1)) expect(overlap(one.out, other.out)).toBeNull();
          expect(after.map(({ edge, beyond, placed }) => [placed.piece.id, edge, beyond])).toEqual(
            before.map(({ edge, beyond, placed }) => [placed.piece.id, edge, beyond]),
          );
          const still = (all: typeof after) =>
            all.filter((one) => one.edge !== edge || !isMovable(one)).map(({ placed: { piece } }) => piece);
          expect(still(after)).toEqual(still(before));
        },
      ),
    );
    expect(staggered).toBeGreaterThan(20);
  });

  it("of more tabs than the edge has room for is refused, with the length at which they would all go", () => {
    const leaves = Array.from({ length: 9 }, (_, nth) => leafOf(`leaf${nth}`, { kind: "full" }, [{ x: 6, y: 1 }]));
    expect(stagger(outOf(leaves), "right", preset)).toEqual({
      ...{ ok: false, along: preset.nominal.h },
      each: ticks(Math.floor(preset.nominal.h / 9)),
    });
    expect(stagger(outOf(leaves.slice(1)), "right", preset).ok).toBe(true);
  });
});
