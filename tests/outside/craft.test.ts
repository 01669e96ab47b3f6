import fc from "fast-check";
import polygonClipping, { type MultiPolygon, type Polygon as Ring } from "polygon-clipping";
import { describe, expect, it } from "vitest";
import type { Part } from "../../core/craft/blueprint.ts";
import { outlineOf } from "../../core/craft/blueprint.ts";
import { CRAFTS, craftOf } from "../../core/craft/catalog.ts";
import { type Goes, type Made, made, NOWHERE, usualSizes } from "../../core/craft/craft.ts";
import { cellsOf, mostLayers } from "../../core/craft/fold.ts";
import { laidIn } from "../../core/craft/lies.ts";
import { type Polygon, twiceArea } from "../../core/craft/polygon.ts";
import { MATERIALS } from "../../core/material/material.ts";
import { inches, TICKS_PER_INCH } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";

const inch = (length: number) => length / TICKS_PER_INCH;
const by = (w: number, h: number) => size(inches(w), inches(h));

/** A construction as it is usual but for these settings, in inches or counts. */
function making(kind: string, settings: Readonly<Record<string, number>> = {}, goes: Goes = NOWHERE): Made {
  const of = craftOf(kind);
  if (!of) throw new Error(kind);
  const given = Object.entries(settings).map(([id, value]) => {
    const { counts, ways } = of.settings[id] ?? {};
    return [id, counts || ways ? value : inches(value)] as const;
  });
  const sizes = { ...usualSizes(of, goes), ...Object.fromEntries(given) };
  const done = made(of, sizes, { paper: of.paper, caliper: MATERIALS[of.paper].caliper }, goes);
  if (!done.ok) throw new Error(`${kind}: ${done.setting} ${done.why} ${inch(done.limit)}`);
  return done;
}
const partOf = (done: Made, id: string): Part => {
  const found = done.parts.find((each) => each.id === id);
  if (!found) throw new Error(id);
  return found;
};
const blankOf = (done: Made, id: string) => [inch(partOf(done, id).blank.w), inch(partOf(done, id).blank.h)];
/** Where a part is scored: from its left edge, and from its upper one. */
function scoresOf(part: Part) {
  const at = (axis: "x" | "y") =>
    [
      ...new Set(part.hinges.filter(({ from, to }) => from[axis] === to[axis]).map(({ from }) => inch(from[axis]))),
    ].sort((a, b) => a - b);
  return { across: at("x"), down: at("y") };
}
const lengthsOf = (done: Made) => Object.assign({}, ...[...done.steps, ...done.minds].map(({ lengths }) => lengths));

describe("the trade's worked examples (common practice)", () => {
  it("tabbed pocket: inside 3, margin ½, tabs ⅜, depth 3, back 3¾: a blank of 4¼ × 6¾ scored at 3; with a back of 3½ 6½ tall", () => {
    const pocket = { width: 3, margin: 0.5, tab: 0.375, depth: 3, rise: 0.75 };
    const done = making("tabbed-pocket", pocket);
    expect(blankOf(done, "pocket")).toEqual([4.25, 6.75]);
    // Three from the end that folds up.
    expect(scoresOf(partOf(done, "pocket")).down).toEqual([3.75]);
    expect(lengthsOf(done)).toMatchObject({ tab: inches(0.375), depth: inches(3) });
    expect(blankOf(making("tabbed-pocket", { ...pocket, rise: 0.5 }), "pocket")).toEqual([4.25, 6.5]);
  });

  it("photo pocket on hinges: a photo of 11 × 6¼ has strips of 1 × 11 and 1 × 6¼, scored at ½, taped ⅜ on each side", () => {
    const done = making("hinged-photo-pocket", { width: 11, height: 6.25 });
    expect([blankOf(done, "foot"), blankOf(done, "side")]).toEqual([
      [11, 1],
      [1, 6.25],
    ]);
    expect([scoresOf(partOf(done, "foot")).down, scoresOf(partOf(done, "side")).across]).toEqual([[0.5], [0.5]]);
    expect(partOf(done, "side").zones.map(({ at }) => inch(at.w))).toEqual([0.375, 0.375]);
  });

  it("tag from an 8 inch card for a pocket of 6¼ with ⅞ in sight: 7⅛ long, ⅞ off; the backing strip 2 and a tuck of ½", () => {
    const done = making("tag-from-card", { card: 8, pocket: 6.25, head: 0.875, leaf: 8.25, tuck: 0.5 });
    const tag = partOf(done, "tag");
    expect(inch(outlineOf(tag)[0]?.reduce((most, { y }) => Math.max(most, y), 0) ?? 0)).toBe(7.125);
    expect(inch(lengthsOf(done).off)).toBe(0.875);
    expect(blankOf(done, "backing")[1]).toBe(2.5);
  });

  it("grid booklet: 6 × 12, scored at 3 across and at 4 and 8 along, six panels of 3 × 4, six layers", () => {
    const done = making("grid-booklet", { lid: 0, allowance: 0 });
    const booklet = partOf(done, "booklet");
    expect(blankOf(done, "booklet")).toEqual([6, 12]);
    expect(scoresOf(booklet)).toEqual({ across: [3], down: [4, 8] });
    expect(booklet.panels).toHaveLength(6);
    expect([inch(done.closed.w), inch(done.closed.h)]).toEqual([3, 4]);
    expect(mostLayers(laidIn(done, done.states[0] ?? { lies: [] }).map(({ shape }) => shape))).toBe(6);
    // With a lid, eight.
    const lidded = making("grid-booklet");
    expect(mostLayers(laidIn(lidded, lidded.states[0] ?? { lies: [] }).map(({ shape }) => shape))).toBe(8);
  });

  it("pop-up: a strip of 5 × ¾ with a tab of 1 and steps of ¾ is scored at 1, 1¾, 2½, 3¼ and 4; three steps leave a base of 1¾", () => {
    const four = making("pop-up", { strip: 5, wide: 0.75, tab: 1, step: 0.75, steps: 4 });
    expect(scoresOf(partOf(four, "prop")).across).toEqual([1, 1.75, 2.5, 3.25, 4]);
    expect(inch(lengthsOf(four).base)).toBe(1);
    expect(inch(lengthsOf(making("pop-up", { strip: 5, tab: 1, step: 0.75, steps: 3 })).base)).toBe(1.75);
  });

  it("fold-out of 12 × 4½: panels of 3½ give three and 1½ to cut off, panels of 4 three and nothing (plain arithmetic)", () => {
    const zigzag = { strip: 12, height: 4.5, panels: 3, fold: 1 };
    expect(inch(lengthsOf(making("fold-out", { ...zigzag, panel: 3.5 })).off)).toBe(1.5);
    expect(lengthsOf(making("fold-out", { ...zigzag, panel: 4 })).off).toBeUndefined();
    const of = craftOf("fold-out");
    if (!of) throw new Error("there");
    const four = { ...usualSizes(of, NOWHERE), panel: inches(4), panels: 4, fold: 1 };
    const stock = { paper: of.paper, caliper: MATERIALS[of.paper].caliper };
    expect(made(of, four, stock)).toEqual({ ok: false, setting: "panels", why: "at-most", limit: 3 });
  });

  it("shaker pouch on a panel of 10 × 8, ½ all round: film of 11 × 9", () => {
    expect(blankOf(making("shaker", { width: 10, height: 8 }), "film")).toEqual([11, 9]);
  });

  it("fold-over tag from 12 inch paper folded at 4: 4 wide, with a disc of ⅝ and a window of 2", () => {
    const done = making("fold-over-tag");
    expect([inch(done.closed.w), inch(lengthsOf(done).disc), inch(lengthsOf(done).window)]).toEqual([4, 0.625, 2]);
  });

  it("dangling tags of 1 × 2, three across and two down, hang on a page of 6 × 8", () => {
    const done = making("dangling-tags", { pageWidth: 6, pageHeight: 8 });
    expect(partOf(done, "tag").count).toBe(6);
    expect(blankOf(done, "tag")).toEqual([1, 2]);
  });

  it("short page: 1½ off the fore-edge; matchbook stop: folded by 1, stapled halfway; ring: 3 in a ring of 4", () => {
    expect(inch(lengthsOf(making("short-page")).left)).toBe(4.5);
    expect(inch(lengthsOf(making("matchbook-stop")).half)).toBe(0.5);
    expect(inch(making("ring").closed.w)).toBe(4);
  });

  it("an envelope's square has a side of (w + h) / √2 and what is added (plane geometry)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 60 }), fc.integer({ min: 20, max: 60 }), (w, h) => {
        const [width, height] = [w / 10, h / 10];
        if (width > 1.9 * height || height > 1.9 * width) return;
        const [side] = blankOf(making("envelope", { width, height, allowance: 0.25 }), "envelope");
        expect(side).toBeCloseTo((width + height) / Math.SQRT2 + 0.25, 2);
      }),
    );
  });
});

const ringOf = (shape: Polygon): Ring => [[...shape, ...shape.slice(0, 1)].map(({ x, y }) => [x, y])];
const areaOf = (many: MultiPolygon): number =>
  many.reduce(
    (sum, rings) =>
      sum +
      rings.reduce((all, ring, nth) => {
        const twice = ring.slice(1).reduce((part, [x, y], at) => {
          const [px, py] = ring[at] ?? [0, 0];
          return part + px * y - x * py;
        }, 0);
        return all + (nth === 0 ? 1 : -1) * Math.abs(twice);
      }, 0),
    0,
  );

describe("outlines against an independent polygon library", () => {
  it("are the union of the panels, part by part, and what a state covers is the union of what lies there", () => {
    for (const of of CRAFTS) {
      const done = making(of.kind, {}, { item: of.kind === "envelope" ? by(4, 3) : null, room: null });
      for (const part of done.parts) {
        const [first, ...others] = part.panels.map(({ shape }) => ringOf(shape));
        if (!first) continue;
        const union = polygonClipping.union(first, ...others);
        expect(union, `${of.kind} ${part.id}`).toHaveLength(1);
        const own = outlineOf(part).reduce((sum, shape) => sum + twiceArea(shape), 0);
        expect(own / areaOf(union)).toBeCloseTo(1, 6);
      }
      for (const state of done.states) {
        // Of upright rectangles the cells cover what their union does.
        const shapes = laidIn(done, state).map(({ shape }) => shape);
        if (
          !shapes.every(
            (shape) =>
              shape.length === 4 &&
              shape.every(({ x, y }, at) => x === shape[(at + 1) % 4]?.x || y === shape[(at + 1) % 4]?.y),
          )
        )
          continue;
        const [first, ...others] = shapes.map(ringOf);
        if (!first) continue;
        const covered = cellsOf(shapes).reduce((sum, { area, by }) => sum + (by.length > 0 ? area : 0), 0);
        expect((2 * covered) / areaOf(polygonClipping.union(first, ...others))).toBeCloseTo(1, 6);
      }
    }
  });
});
