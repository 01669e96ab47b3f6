import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MATERIALS } from "../material/material.ts";
import { inches, ticks } from "../measure/length.ts";
import { sizeOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { faultsOf, outlineOf } from "./blueprint.ts";
import { CRAFTS, craftOf } from "./catalog.ts";
import { type Craft, type Goes, type Made, made, NOWHERE, type Sizes, usualSizes } from "./craft.ts";
import { flat, foldedAt, mostLayers } from "./fold.ts";
import { areaLaid, foldingOf, fromBehind, laidIn, seenShares } from "./lies.ts";
import { twiceArea } from "./polygon.ts";

const stockOf = ({ paper }: Pick<Craft, "paper">) => ({ paper, caliper: MATERIALS[paper].caliper });
const sixteenth = inches(1 / 16);
const anyLength = (least: number, most: number) => fc.integer({ min: least, max: most }).map((n) => n * sixteenth);
const anySize: fc.Arbitrary<Size> = fc
  .tuple(anyLength(20, 130), anyLength(20, 130))
  .map(([w, h]) => size(ticks(w), ticks(h)));
const anyGoes: fc.Arbitrary<Goes> = fc.record({ item: fc.option(anySize), room: fc.option(anySize) });

/** A construction with some of its settings moved away from what is usual. */
const anyMaking = fc.record({
  kind: fc.constantFrom(...CRAFTS.map(({ kind }) => kind)),
  goes: anyGoes,
  by: fc.array(fc.integer({ min: -24, max: 24 }), { minLength: 12, maxLength: 12 }),
});
const named = (kind: string): Craft => {
  const of = craftOf(kind);
  if (!of) throw new Error(kind);
  return of;
};

function sizesBy(of: Craft, goes: Goes, by: readonly number[]): Sizes {
  const usual = usualSizes(of, goes);
  return Object.fromEntries(
    Object.entries(of.settings).map(([id, { least, most, counts, ways }], nth) => {
      const step = counts || ways ? Math.sign(by[nth] ?? 0) : (by[nth] ?? 0) * sixteenth;
      return [id, Math.max(least, Math.min(most ?? Number.POSITIVE_INFINITY, (usual[id] ?? 0) + step))];
    }),
  );
}

/** Each construction that can be made of the random settings; most can. */
function forMade(check: (made: Made, of: Craft) => void, runs = 400) {
  fc.assert(
    fc.property(anyMaking, ({ kind, goes, by }) => {
      const of = named(kind);
      const done = made(of, sizesBy(of, goes, by), stockOf(of), goes);
      if (done.ok) check(done, of);
    }),
    { numRuns: runs },
  );
}

describe("every construction of the catalog", () => {
  it("can be made as it is usual, with nothing wrong in its blueprint", () => {
    expect(new Set(CRAFTS.map(({ kind }) => kind)).size).toBe(CRAFTS.length);
    for (const of of CRAFTS) {
      const done = made(of, usualSizes(of, NOWHERE), stockOf(of));
      expect(done.ok, `${of.kind} ${JSON.stringify(done).slice(0, 120)}`).toBe(true);
      if (!done.ok) continue;
      for (const part of done.parts) expect(faultsOf(part), `${of.kind}, ${part.id}`).toEqual([]);
      expect(craftOf(of.kind)).toBe(of);
    }
  });

  it("has nothing wrong in its blueprint whatever its lengths, and its cuts come out of its blank", () => {
    forMade(({ parts }, of) => {
      for (const part of parts) {
        expect(faultsOf(part), `${of.kind}, ${part.id}`).toEqual([]);
        const cut = outlineOf(part).reduce((sum, shape) => sum + twiceArea(shape), 0);
        expect(cut).toBeLessThanOrEqual(2 * part.blank.w * part.blank.h * (part.onPoint ? 1.0001 : 1));
      }
    });
  });

  it("says what is wrong with a length that is out of bounds, and that limit can be made", () => {
    fc.assert(
      fc.property(anyMaking, fc.integer({ min: 0, max: 11 }), fc.boolean(), ({ kind, goes, by }, nth, isLarge) => {
        const of = named(kind);
        const sizes = { ...sizesBy(of, goes, by) };
        const id = Object.keys(sizes)[nth % Object.keys(sizes).length];
        if (id) sizes[id] = isLarge ? inches(60) : 0;
        const done = made(of, sizes, stockOf(of), goes);
        if (done.ok) return;
        expect(Object.keys(of.settings)).toContain(done.setting);
        expect(Number.isSafeInteger(done.limit)).toBe(true);
        // At its limit that setting is in order: whatever is said then is said of another one, or of another limit.
        const again = made(of, { ...sizes, [done.setting]: done.limit }, stockOf(of), goes);
        if (!again.ok && again.setting === done.setting) expect(again.limit).not.toBe(done.limit);
      }),
      { numRuns: 400 },
    );
  });

  it("is closed as large as its arithmetic says", () => {
    forMade((done, of) => {
      const [closed] = done.states;
      if (!closed) throw new Error("a state");
      const area = areaLaid(laidIn(done, closed));
      expect([of.kind, sizeOf(area)]).toEqual([of.kind, done.closed]);
    });
  });

  it("folds without changing a length or an area, from behind too, and unfolds to what was cut", () => {
    forMade((done) => {
      for (const state of done.states) {
        const laid = laidIn(done, state);
        for (const each of [...laid, ...fromBehind(laid)]) {
          const of = done.parts.find(({ id }) => id === each.part);
          const panel = of && flat(of).find((one) => one.panel === each.panel);
          if (!panel) throw new Error("a panel");
          expect(twiceArea(each.shape)).toBe(twiceArea(panel.shape));
          const sides = (shape: typeof panel.shape) =>
            shape.map((a, at) => {
              const b = shape[(at + 1) % shape.length] ?? a;
              return (a.x - b.x) ** 2 + (a.y - b.y) ** 2;
            });
          expect(sides(each.shape)).toEqual(sides(panel.shape));
          const { a, b, d, e } = each.way;
          expect(a * e - b * d).toBe(each.faceUp ? 1 : -1);
        }
        for (const { part: id, folded = [] } of state.lies) {
          const part = done.parts.find((one) => one.id === id);
          if (!part) throw new Error("a part");
          const fold = (pile: ReturnType<typeof flat>, score: string) => {
            const next = foldedAt(part, pile, score);
            if (typeof next === "string") throw new Error(next);
            return next;
          };
          const unfolded = [...folded].reverse().reduce(fold, folded.reduce(fold, flat(part)));
          const byName = (pile: typeof unfolded) => [...pile].sort((a, b) => a.panel.localeCompare(b.panel));
          expect(byName(unfolded)).toEqual(byName(flat(part)));
        }
      }
    }, 150);
  });

  it("is folded from what was cut to how it lies closed, one score at a time", () => {
    forMade((done) => {
      const [closed] = done.states;
      const folding = foldingOf(done);
      const most = Math.max(0, ...(closed?.lies ?? []).map(({ folded = [] }) => folded.length));
      expect(folding).toHaveLength(most === 0 ? 0 : most + 1);
      const layers = folding.map((state) => mostLayers(laidIn(done, state).map(({ shape }) => shape)));
      for (const [nth, count] of layers.entries()) expect(count).toBeGreaterThanOrEqual(layers[nth - 1] ?? 1);
    }, 120);
  });

  it("has a step for everything that is cut, scored, glued and punched, and each of its openings is a state", () => {
    forMade((done, of) => {
      const acts = (part: string) => done.steps.filter((each) => each.part === part).map(({ act }) => act);
      for (const part of done.parts) {
        if (part.count === 0) continue;
        expect(acts(part.id), of.kind).toContain("cut");
        if (part.hinges.length > 0) expect(acts(part.id), `${of.kind} ${part.id}`).toContain("score");
        if (part.holes.length > 0) expect(acts(part.id), of.kind).toContain("punch");
        if (part.zones.some(({ kind }) => kind === "glue")) {
          const glued = done.steps.some(({ act }) => act === "glue");
          expect(glued, `${of.kind} ${part.id}`).toBe(true);
        }
      }
      for (const { say, lengths = {} } of [...done.steps, ...done.minds]) {
        for (const [, name = ""] of say.matchAll(/\{(\w+)\}/g)) expect(Object.keys(lengths), say).toContain(name);
        for (const value of Object.values(lengths)) expect(value, `${of.kind}: ${say}`).toBeGreaterThanOrEqual(0);
      }
      for (const { state } of done.opens) expect(done.states.map(({ id }) => id)).toContain(state);
      for (const shares of done.states.map((state) => seenShares(laidIn(done, state))))
        for (const share of shares) expect(share).toBeLessThanOrEqual(1 + 1e-9);
    });
  });
});
